package nursery.core.cup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A part of a blank, and where what was measured becomes hard to believe. */
class BlankEdgesTest {

    private static Blank straight(double tall, double around, double oz) {
        OptionalDouble size = oz > 0 ? OptionalDouble.of(oz) : OptionalDouble.empty();
        return new Blank(new Straight(tall, around), true, 5, 8, 0, size);
    }

    /** By hand, a side of 205 mm bare 8 below and 5 above: its band from 50 to 120 is 70 mm of 230 around, 161 cm². */
    @Test
    void aBandOfABlankIsSoMuchOfItsSide() {
        Blank slim = straight(205, 230, 20);
        assertThat(slim.sideMm()).isEqualTo(205);
        Blank band = slim.within(false, 50, 120);
        assertThat(band.area().coatedCm2()).isCloseTo(161, within(1e-9));
        assertThat(band.baseCoated()).isFalse();
        assertThat(slim.within(true, 0, 400)).isEqualTo(slim);
        Blank foot = slim.within(false, 0, 20);
        assertThat(foot.baseBareMm()).as("what is bare stays so").isEqualTo(8);
        assertThat(foot.area().coatedCm2()).isCloseTo(27.6, within(1e-9));
        Blank rim = slim.within(false, 190, 300);
        assertThat(rim.rimBareMm()).isEqualTo(5);
        assertThat(rim.area().coatedCm2()).isCloseTo(23, within(1e-9));
        assertThat(new Blank(new Straight(205, 230), false, 5, 8, 0, OptionalDouble.empty())
                        .within(true, 50, 120)
                        .baseCoated())
                .as("a base that is not coated at all is not of its lower half")
                .isFalse();
    }

    /** Where nothing of it is coated a line of a millimetre is left, at its foot as at its rim. */
    @Test
    void aBandOnBareSteelIsALine() {
        Blank slim = straight(205, 230, 20);
        assertThat(slim.within(false, 0, 4).area().coatedCm2()).isBetween(0.0, 2.31);
        assertThat(slim.within(false, 202, 205).area().coatedCm2()).isBetween(0.0, 2.31);
    }

    /** By hand: 40 mm across is 125.66 around; ten times as tall as it is across is a pencil. */
    @ParameterizedTest
    @CsvSource({"200, 126, false", "200, 125, true", "100, 230, false"})
    void aPencilIsNoCup(double tall, double around, boolean doubted) {
        assertThat(straight(tall, around, 0).doubt().isPresent()).isEqualTo(doubted);
    }

    /** A cup of 20 oz is 591 ml: one whose outside holds 470 has no room for it, one of 590 around is a bucket. */
    @ParameterizedTest
    @CsvSource({"205, 170, true", "205, 230, false", "205, 590, true"})
    void whatItIsSoldAsItCouldHold(double tall, double around, boolean doubted) {
        assertThat(straight(tall, around, 20).doubt().isPresent()).isEqualTo(doubted);
    }

    @Test
    void inchesTypedForMillimetresAreAskedAbout() {
        assertThatThrownBy(() -> new Straight(205, 9.03)).hasMessageContaining("did you mean 9.03 in (229 mm)?");
        assertThatThrownBy(() -> new Straight(8, 229)).hasMessageContaining("did you mean 8 in (203 mm)?");
        assertThatThrownBy(() -> new Straight(205, 1.5)).hasMessageContaining("measure around the cup, not across it");
        assertThatThrownBy(() -> new Straight(205, 1400)).hasMessageContaining("measure around the cup");
        assertThatThrownBy(() -> new Tapered(205, 9, 230)).hasMessageContaining("did you mean 9 in (229 mm)?");
        assertThat(new Straight(20, 50).widestRadiusMm()).isCloseTo(50 / (2 * Math.PI), within(1e-9));
        assertThat(new Straight(600, 1000).heightMm()).isEqualTo(600);
    }

    @Test
    void theStartingBlanksSayThatTheyAreAssumed() {
        assertThat(StartingBlank.SLIM_20.title()).isEqualTo("20 oz slim");
        assertThat(StartingBlank.SLIM_20.assumedName()).isEqualTo("20 oz slim (assumed)");
        for (StartingBlank starting : StartingBlank.values()) {
            assertThat(starting.blank().doubt()).as(starting.title()).isEmpty();
        }
    }
}

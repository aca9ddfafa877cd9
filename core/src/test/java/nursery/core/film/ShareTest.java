package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.Share.Agreement;
import org.junit.jupiter.api.Test;

class ShareTest {

    private static Blank slim(double acrossMm, double tallMm, double oz) {
        return new Blank(new Straight(tallMm, Math.PI * acrossMm), true, 0, 0, 0, OptionalDouble.of(oz));
    }

    private static final Blank TWENTY = slim(73, 205, 20);

    /** Common practice, worked: on 512 cm², 20 ml is 0.39 mm of film, 30 ml 0.59 mm, 1 ml 0.02 mm. */
    @Test
    void filmsOnATwentyOunceSlim() {
        assertThat(Film.thicknessMm(20, 512)).isCloseTo(0.39, within(0.005));
        assertThat(Film.thicknessMm(30, 512)).isCloseTo(0.59, within(0.005));
        assertThat(Film.thicknessMm(1, 512)).isCloseTo(0.02, within(0.0005));
    }

    @Property
    void volumeAndThicknessAreEachOthersInverse(@ForAll @DoubleRange(min = 0.1, max = 200) double ml, @ForAll @DoubleRange(min = 50, max = 2000) double cm2) {
        assertThat(Film.volumeMl(Film.thicknessMm(ml, cm2), cm2)).isCloseTo(ml, within(1e-9));
    }

    /** P7, common practice: 20–25 ml floods a 20 oz slim, about 1 ml sticks its glitter, 10–20 ml finish it. */
    @Test
    void onTheCupPracticeKnowsBestTheyAgree() {
        assertThat(Share.of(TWENTY, CoatRole.FLOOD).suggestedMl()).isBetween(20.0, 25.0);
        assertThat(Share.of(TWENTY, CoatRole.ADHESIVE_THIN).suggestedMl()).isCloseTo(1, within(0.05));
        assertThat(Share.of(TWENTY, CoatRole.ADHESIVE_GENEROUS).suggestedMl()).isBetween(5.0, 10.0);
        assertThat(Share.of(TWENTY, CoatRole.FINISHING).suggestedMl()).isBetween(10.0, 20.0);
        for (CoatRole role : CoatRole.values()) {
            assertThat(Share.of(TWENTY, role).agreement()).as(role.word()).isEqualTo(Agreement.WITHIN);
        }
    }

    /** P7: practice floods a 12 oz slim with 30 ml, more than its area asks for; the page must say so. */
    @Test
    void whereTheyDifferItIsSaid() {
        Share flood = Share.of(slim(66, 155, 12), CoatRole.FLOOD);
        assertThat(flood.agreement()).isEqualTo(Agreement.BELOW);
        assertThat(flood.practice().lowMl()).isEqualTo(30);
        assertThat(flood.agreementWords()).contains("asks for less");
        Share big = Share.of(slim(110, 300, 64), CoatRole.FINISHING);
        assertThat(big.agreement()).isEqualTo(Agreement.ABOVE);
        assertThat(big.agreementWords()).contains("asks for more");
    }

    /** P3, common practice: nobody trusts a batch under 5 ml. */
    @Test
    void aBatchIsNeverSmallerThanCanBeMeasured() {
        Share adhesive = Share.of(TWENTY, CoatRole.ADHESIVE_THIN);
        assertThat(adhesive.toMixMl()).isEqualTo(5);
        assertThat(adhesive.raisedToSmallestBatch()).isTrue();
        assertThat(Share.of(TWENTY, CoatRole.FLOOD).raisedToSmallestBatch()).isFalse();
    }
}

package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BottleTest {

    private static Bottle bottle(long id, double leftMl) {
        return new Bottle(id, Part.A, "R-" + id, 500, leftMl);
    }

    @Test
    void theBottleOpenedFirstIsEmptiedFirst() {
        Bottle.Drawing drawing = Bottle.draw(List.of(bottle(1, 30), bottle(2, 500)), 50);
        assertThat(drawing.draws()).containsExactly(new Bottle.Draw(1, 30), new Bottle.Draw(2, 20));
        assertThat(drawing.shortMl()).isZero();
    }

    @Test
    void whatTheBottlesDoNotHoldIsSaidAndDrawnFromNowhere() {
        Bottle.Drawing drawing = Bottle.draw(List.of(bottle(1, 30)), 50);
        assertThat(drawing.draws()).containsExactly(new Bottle.Draw(1, 30));
        assertThat(drawing.shortMl()).isEqualTo(20);
        assertThat(Bottle.draw(List.of(), 5).shortMl()).isEqualTo(5);
    }

    @Property(tries = 300)
    void drawsAndWhatIsMissingMakeUpTheMixAndNoBottleGivesMoreThanItHolds(@ForAll Random random) {
        List<Bottle> bottles = new ArrayList<>();
        for (int i = 0; i < random.nextInt(6); i++) {
            bottles.add(bottle(i, 500 * random.nextDouble()));
        }
        double ml = 1500 * random.nextDouble();
        Bottle.Drawing drawing = Bottle.draw(bottles, ml);
        assertThat(drawing.draws().stream().mapToDouble(Bottle.Draw::ml).sum() + drawing.shortMl())
                .isCloseTo(ml, within(1e-6));
        assertThat(drawing.draws()).allSatisfy(draw -> assertThat(draw.ml())
                .isLessThanOrEqualTo(bottles.get((int) draw.bottleId()).leftMl()));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0, holds",
        "-5, 0, holds",
        "NaN, 0, holds",
        "99999, 0, holds",
        "500, 501, left",
        "500, -1, left",
        "500, NaN, left"
    })
    void whatIsNoBottleIsRefused(double holdsMl, double leftMl, String field) {
        assertThatThrownBy(() -> new Bottle(1, Part.B, "H-1", holdsMl, leftMl))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly(field));
    }

    private static BatchSheet wave(double shareMl, Addition addition) {
        return BatchSheet.of(
                StartingProfile.REGULAR.label(),
                List.of(new Portion("F-07", shareMl, Optional.empty(), List.of(addition))),
                Losses.USUAL,
                new MeasuringCup(60, 2.5, 34, 42),
                new Pace(Pace.USUAL_MIXING_MIN, Pace.USUAL_PER_CUP_MIN),
                22);
    }

    /**
     * P7, common practice: a wave takes 20 ml, of which 5 ml is split off and tinted white. The split is part of the
     * share.
     */
    @Test
    void aWaveOfTwentyWithFiveTintedIsMixedAsTwentyAndItsLosses() {
        BatchSheet sheet = wave(20, new Addition(5, "white tint"));
        assertThat(sheet.sharesMl()).isEqualTo(20);
        assertThat(sheet.mix()).isEqualTo(new Mix(12.5, 12.5));
        assertThat(new Addition(5, "white tint").isWhole(20)).isFalse();
        assertThat(new Addition(20, "glow powder").isWhole(20)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"0, white", "-1, white", "21, white", "NaN, white", "5, ' '"})
    void aSplitThatCannotBeIsRefused(double ml, String what) {
        assertThatThrownBy(() -> wave(20, new Addition(ml, what)))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("aside-F-07"));
    }

    private static Addition.Asked asked(String ml, String what) {
        return new Addition.Asked(
                ml.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(ml)), what);
    }

    /** P58: 20 ml of which 5 are set aside for the white; the clear has glitter here. */
    @Test
    void theClearTakesOneThingAndWhatIsSetAsideAnother() {
        List<Addition> both = Addition.of("aside", 20, List.of(asked("", "fine glitter"), asked("5", "white tint")));
        assertThat(both).containsExactly(new Addition(15, "fine glitter"), new Addition(5, "white tint"));
        assertThat(Addition.words(both, 20))
                .isEqualTo("15 ml of it with fine glitter, 5 ml of it with white tint stirred in.");
        assertThat(Addition.words(Addition.of("aside", 20, List.of(asked("", "glow"), asked("", "glitter"))), 20))
                .isEqualTo("Stirred in: glow, glitter.");
        assertThat(Addition.words(List.of(), 20)).isEmpty();
        assertThatThrownBy(() -> Addition.of("aside", 20, List.of(asked("12", "white"), asked("9", "blue"))))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::message)
                        .containsExactly("21 ml set aside together are more than the share of 20 ml."));
    }

    @Test
    void nothingCanBeStirredIntoARestThatIsNotThere() {
        List<Addition> none = Addition.of("aside", 20, List.of(asked("20", "white"), asked("", "glitter")));
        assertThatThrownBy(() -> BatchSheet.of(
                        StartingProfile.REGULAR.label(),
                        List.of(new Portion("F-07", 20, Optional.empty(), none)),
                        Losses.USUAL,
                        new MeasuringCup(60, 2.5, 34, 42),
                        new Pace(Pace.USUAL_MIXING_MIN, Pace.USUAL_PER_CUP_MIN),
                        22))
                .isInstanceOf(InvalidInput.class);
    }
}

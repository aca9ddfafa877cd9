package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import org.junit.jupiter.api.Test;

/** Decals to the half millimetre. */
class DecalFitTest {

    private static final Blank SLIM = new Blank(new Straight(205, 229), true, 5, 0, 0, OptionalDouble.of(20));

    private static boolean tooLarge(Blank blank, double widthMm, double heightMm) {
        PlanStep decal = new PlanStep(
                1,
                StepKind.VINYL,
                "",
                Wait.none(),
                "",
                Optional.empty(),
                Fields.usual(StepKind.VINYL),
                Optional.of(new DecalSize(widthMm, heightMm)));
        return DecalFit.of(decal, blank).stream().anyMatch(misfit -> misfit.rule() == DecalFit.DECAL_TOO_LARGE);
    }

    /** P12: a wrap overlaps by 12 mm at most (from memory), and nobody cuts to less than half a millimetre. */
    @Test
    void aPieceToHalfAMillimetre() {
        assertThat(tooLarge(SLIM, 229 + 12 + 0.5, 100)).isFalse();
        assertThat(tooLarge(SLIM, 229 + 12 + 0.6, 100)).isTrue();
        assertThat(tooLarge(SLIM, 100, 205.5)).isFalse();
        assertThat(tooLarge(SLIM, 100, 205.6)).isTrue();
        Blank taper = new Blank(new Tapered(200, 200, 300), true, 0, 0, 0, OptionalDouble.empty());
        assertThat(tooLarge(taper, 200 + 12, 200))
                .as("as tall as the side: its narrow end holds it")
                .isFalse();
        assertThat(tooLarge(taper, 200 + 13, 200)).isTrue();
        assertThat(tooLarge(taper, 250 + 12, 100))
                .as("half as tall: it goes to the wide end")
                .isFalse();
        assertThat(tooLarge(taper, 250 + 13, 100)).isTrue();
    }
}

package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Rules at the minute they begin and end. A regular label turns 4 h, is recoated from 4, grips well to 12, is sandable
 * from 8, must be scuffed and is cured at 24 (P13–P17).
 */
class RuleEdgesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Label FAST = StartingProfile.FAST.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229), true, 5, 0, 0, OptionalDouble.of(20));
    /** What is shown to the minute is judged to the minute. */
    private static final double MINUTE_H = 1 / 60.0;

    private static PlanStep step(StepKind kind, Material material, Optional<CoatRole> role) {
        return new PlanStep(1, kind, "", Wait.none(), "", role, material, Optional.empty(), "");
    }

    private static PlanStep step(StepKind kind) {
        return step(kind, Material.ORDINARY, kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty());
    }

    private static Layers under(PlanStep... done) {
        Layers layers = Layers.bareSteel();
        double minute = 0;
        for (PlanStep one : done) {
            layers = layers.after(one, minute++);
        }
        return layers;
    }

    private static Situation at(Layers on, PlanStep step, double ageH, Label label, Blank blank) {
        return new Situation(on, step, List.of(), 5000, 5000, OptionalDouble.of(ageH), label, label, blank);
    }

    private static Set<Rule> broken(Situation situation) {
        Set<Rule> rules = EnumSet.noneOf(Rule.class);
        for (Rule rule : Rule.values()) {
            rule.brokenBy(situation).ifPresent(message -> rules.add(rule));
        }
        return rules;
    }

    private static boolean breaks(Rule rule, Layers on, StepKind kind, double ageH) {
        return rule.brokenBy(at(on, step(kind), ageH, REGULAR, SLIM)).isPresent();
    }

    @Test
    void aCoatToTheMinute() {
        Layers coated = under(step(StepKind.FLOOD_COAT));
        assertThat(breaks(Rule.COAT_TOO_SOON, coated, StepKind.BUILD_COAT, 4 - 2 * MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.COAT_TOO_SOON, coated, StepKind.BUILD_COAT, 4 - MINUTE_H))
                .isFalse();
        assertThat(breaks(Rule.COAT_TOO_SOON, coated, StepKind.BUILD_COAT, 4 + MINUTE_H / 2))
                .isFalse();
        assertThat(breaks(Rule.GRIP_FADING, coated, StepKind.BUILD_COAT, 12 + MINUTE_H / 2))
                .isFalse();
        assertThat(breaks(Rule.GRIP_FADING, coated, StepKind.BUILD_COAT, 12 + MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.GRIP_FADING, coated, StepKind.BUILD_COAT, 24 - 2 * MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.GRIP_FADING, coated, StepKind.BUILD_COAT, 24 - MINUTE_H))
                .isFalse();
        assertThat(breaks(Rule.TACK_WINDOW, coated, StepKind.BUILD_COAT, 24 - 2 * MINUTE_H))
                .isFalse();
        assertThat(breaks(Rule.TACK_WINDOW, coated, StepKind.BUILD_COAT, 24 - MINUTE_H))
                .isTrue();
    }

    @Test
    void sandingPolishingAndPackingToTheMinute() {
        Layers coated = under(step(StepKind.FLOOD_COAT));
        assertThat(breaks(Rule.SAND_TOO_SOON, coated, StepKind.SAND, 8 - 2 * MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.SAND_TOO_SOON, coated, StepKind.SAND, 8 - MINUTE_H))
                .isFalse();
        assertThat(breaks(Rule.SAND_TOO_SOON, coated, StepKind.SAND, 8 + MINUTE_H / 2))
                .isFalse();
        assertThat(breaks(Rule.POLISH_TOO_SOON, coated, StepKind.POLISH, 24 - 2 * MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.POLISH_TOO_SOON, coated, StepKind.POLISH, 24 - MINUTE_H))
                .isFalse();
        assertThat(breaks(Rule.FINISH_TOO_SOON, coated, StepKind.FINISH, 8 - 2 * MINUTE_H))
                .isTrue();
        assertThat(breaks(Rule.FINISH_TOO_SOON, coated, StepKind.FINISH, 8 - MINUTE_H))
                .isFalse();
        Layers taped = under(step(StepKind.MASK), step(StepKind.FLOOD_COAT));
        for (StepKind met : List.of(StepKind.PULL_TAPE, StepKind.MASK, StepKind.SAND, StepKind.BUILD_COAT)) {
            assertThat(breaks(Rule.TAPE_PAST_GEL, taped, met, 4 + MINUTE_H))
                    .as("%s", met)
                    .isTrue();
            assertThat(breaks(Rule.TAPE_PAST_GEL, taped, met, 4 + MINUTE_H / 2))
                    .as("%s", met)
                    .isFalse();
        }
        assertThat(breaks(Rule.TAPE_PAST_GEL, taped, StepKind.WASH, 9)).isFalse();
    }

    /**
     * P19: a generous adhesive is set after about 6 h in a regular resin; a thin one, and any in a fast one, after 2.
     */
    @ParameterizedTest
    @CsvSource({"ADHESIVE_GENEROUS, false, 6", "ADHESIVE_THIN, false, 2", "ADHESIVE_GENEROUS, true, 2"})
    void anAdhesiveIsSetToTheMinute(CoatRole role, boolean fast, double setH) {
        Layers on = under(step(StepKind.ADHESIVE, Material.ORDINARY, Optional.of(role)), step(StepKind.GLITTER));
        Label label = fast ? FAST : REGULAR;
        PlanStep flood = step(StepKind.FLOOD_COAT);
        assertThat(broken(at(on, flood, setH - 2 * MINUTE_H, label, SLIM))).contains(Rule.ADHESIVE_NOT_SET);
        assertThat(broken(at(on, flood, setH - MINUTE_H, label, SLIM))).doesNotContain(Rule.ADHESIVE_NOT_SET);
    }

    @Test
    void paintOnSandingSaysWhatIsWrongWithIt() {
        PlanStep coarse = new PlanStep(
                1, StepKind.SAND, "", Wait.none(), "", Optional.empty(), Material.ORDINARY, Optional.empty(), "120");
        PlanStep fine = new PlanStep(
                1, StepKind.SAND, "", Wait.none(), "", Optional.empty(), Material.ORDINARY, Optional.empty(), "220");
        PlanStep coat = step(StepKind.FLOOD_COAT);
        PlanStep paint = step(StepKind.PAINT);
        assertThat(Rule.SAND_UNDER_PAINT.brokenBy(at(under(coat, coarse), paint, 20, REGULAR, SLIM)))
                .hasValueSatisfying(message -> assertThat(message).contains("coarser than 220"));
        assertThat(Rule.SAND_UNDER_PAINT.brokenBy(at(under(coat, fine), paint, 20, REGULAR, SLIM)))
                .hasValueSatisfying(message -> assertThat(message).contains("dust"));
        assertThat(Rule.SAND_UNDER_PAINT.brokenBy(at(under(coat, fine, step(StepKind.WASH)), paint, 20, REGULAR, SLIM)))
                .isEmpty();
    }

    @Test
    void onlyTheLastCoatIsNotSanded() {
        PlanStep sand = step(StepKind.SAND);
        assertThat(broken(at(under(step(StepKind.BUILD_COAT)), sand, 20, REGULAR, SLIM)))
                .doesNotContain(Rule.SAND_LAST_COAT);
        assertThat(broken(at(under(step(StepKind.FINISHING_COAT)), sand, 20, REGULAR, SLIM)))
                .contains(Rule.SAND_LAST_COAT);
    }

    /** P23, P24: under a coat and under a sealer alike. */
    @Test
    void whatWaitsForInkAndSlidesIsNotOnlyTheCoat() {
        Layers ink = Layers.bareSteel().after(step(StepKind.INK), 4990);
        Layers slide = Layers.bareSteel().after(step(StepKind.WATER_SLIDE), 4990);
        for (StepKind over : List.of(StepKind.BUILD_COAT, StepKind.SEAL)) {
            assertThat(breaks(Rule.INK_NOT_DRY, ink, over, 20)).as("%s", over).isTrue();
            assertThat(breaks(Rule.SLIDE_NOT_DRY, slide, over, 20))
                    .as("%s", over)
                    .isTrue();
        }
        assertThat(breaks(Rule.INK_NOT_DRY, ink, StepKind.PAINT, 20)).isTrue();
        assertThat(breaks(Rule.INK_NOT_DRY, ink, StepKind.WASH, 20)).isFalse();
        assertThat(breaks(Rule.SLIDE_NOT_DRY, slide, StepKind.PAINT, 20)).isFalse();
    }

    /** Foil adhesive takes its foil while it is tacky; the coat that follows lies on the foil, not on the adhesive. */
    @Test
    void adhesiveUnderFoilIsFoilAdhesive() {
        Layers sprayed = Layers.bareSteel().after(step(StepKind.SPRAY_ADHESIVE), 4980);
        assertThat(breaks(Rule.GLUE_NOT_DRY, sprayed, StepKind.BUILD_COAT, 20)).isTrue();
        assertThat(breaks(Rule.GLUE_NOT_DRY, sprayed.after(step(StepKind.FOIL), 4985), StepKind.BUILD_COAT, 20))
                .isFalse();
    }

    /** P18: which of the two a fast resin spoils. */
    @Test
    void aFastResinSaysWhatItSpoils() {
        PlanStep adhesive = step(StepKind.ADHESIVE);
        PlanStep blend = step(StepKind.GLITTER, Material.MIXED_GLITTER, Optional.empty());
        Situation mixing = new Situation(
                Layers.bareSteel(), adhesive, List.of(blend), 0, 0, OptionalDouble.empty(), FAST, FAST, SLIM);
        assertThat(Rule.FAST_RESIN.brokenBy(mixing))
                .hasValueSatisfying(message -> assertThat(message).contains("blend"));
        PlanStep bloom = step(StepKind.FLOOD_COAT, Material.ORDINARY, Optional.of(CoatRole.BLOOM));
        assertThat(Rule.FAST_RESIN.brokenBy(at(Layers.bareSteel(), bloom, 0, FAST, SLIM)))
                .hasValueSatisfying(message -> assertThat(message).contains("ink"));
    }

    private static boolean tooLarge(Blank blank, double widthMm, double heightMm) {
        PlanStep decal = new PlanStep(
                1,
                StepKind.VINYL,
                "",
                Wait.none(),
                "",
                Optional.empty(),
                Material.PERMANENT_VINYL,
                Optional.of(new DecalSize(widthMm, heightMm)),
                "");
        return Rule.DECAL_TOO_LARGE
                .brokenBy(at(Layers.bareSteel(), decal, 0, REGULAR, blank))
                .isPresent();
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

    @ParameterizedTest
    @EnumSource(Rule.class)
    void onlyTwoRulesAreAdvice(Rule rule) {
        assertThat(rule.isAdvice()).isEqualTo(rule == Rule.GRIP_FADING || rule == Rule.INK_UNSEALED);
    }
}

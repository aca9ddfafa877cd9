package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Cell;
import nursery.core.surface.Judgement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every rule with a plan that breaks it and the same plan mended. All are common practice; the mark is each rule's own.
 */
public class RuleTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Label FAST = StartingProfile.FAST.label();
    private static final Blank MUG = new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16));
    private static final Wait NOW = Wait.none();
    private static final Wait STRAIGHT_ON = Wait.straightOn();
    private static final Wait SANDABLE = Wait.of(Wait.Kind.SANDABLE);

    private static Wait dry(int minutes) {
        return Wait.dry(Duration.ofMinutes(minutes));
    }

    private static Wait age(double hours) {
        return Wait.age(hours);
    }

    private static PlanStep step(StepKind kind, Wait wait) {
        return step(kind, wait, Fields.usual(kind));
    }

    private static PlanStep step(StepKind kind, Wait wait, Field.Choice how) {
        return step(kind, wait, Fields.usual(kind).with(how));
    }

    private static PlanStep step(StepKind kind, Wait wait, Fields how) {
        Optional<CoatRole> role = kind == StepKind.ADHESIVE
                ? Optional.of(CoatRole.ADHESIVE_GENEROUS)
                : kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty();
        return new PlanStep(1, kind, "", wait, "", role, how, Optional.empty());
    }

    private static PlanStep decal(double widthMm, double heightMm) {
        return new PlanStep(
                1,
                StepKind.VINYL,
                "",
                NOW,
                "",
                Optional.empty(),
                Fields.usual(StepKind.VINYL),
                Optional.of(new DecalSize(widthMm, heightMm)));
    }

    private static PlanStep bloom() {
        return new PlanStep(
                1,
                StepKind.FLOOD_COAT,
                "",
                NOW,
                "",
                Optional.of(CoatRole.BLOOM),
                Fields.usual(StepKind.FLOOD_COAT),
                Optional.empty());
    }

    private static Set<String> broken(Label label, List<PlanStep> plan) {
        List<PlanStep> numbered = new ArrayList<>();
        plan.forEach(step -> numbered.add(step.numbered(numbered.size() + 1)));
        Set<String> rules = new TreeSet<>();
        Judgement.of(numbered, label, label, MUG).forEach(finding -> rules.add(finding.rule()));
        return rules;
    }

    private static PlanStep coat(Wait wait) {
        return step(StepKind.BUILD_COAT, wait);
    }

    public static Stream<Arguments> plans() {
        PlanStep coat = coat(NOW);
        PlanStep chunky = step(StepKind.GLITTER, NOW, Fields.Grain.COARSE);
        PlanStep adhesive = step(StepKind.ADHESIVE, NOW);
        PlanStep glue = step(StepKind.GLUE, NOW);
        PlanStep glitter = step(StepKind.GLITTER, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)), Fields.Grain.FINE);
        PlanStep last = step(StepKind.FINISHING_COAT, STRAIGHT_ON);
        return Stream.of(
                Arguments.of("TACK_WINDOW", List.of(coat, coat(age(24))), List.of(coat, coat(age(23)))),
                Arguments.of("GRIP_FADING", List.of(coat, coat(age(14))), List.of(coat, coat(age(11)))),
                Arguments.of(
                        "TACK_WINDOW",
                        List.of(coat, coat(age(30))),
                        List.of(coat, step(StepKind.SAND, SANDABLE), coat(age(30)))),
                // Vinyl leaves the coat below bare around it: had it to be scuffed, the next coat does not grip there.
                Arguments.of(
                        "TACK_WINDOW",
                        List.of(coat, step(StepKind.VINYL, age(26)), coat(dry(60))),
                        List.of(coat, step(StepKind.SAND, SANDABLE), step(StepKind.VINYL, age(26)), coat(dry(60)))),
                Arguments.of(
                        "TACK_WINDOW",
                        List.of(coat, adhesive.waitingFor(age(26))),
                        List.of(coat, step(StepKind.SAND, SANDABLE), adhesive.waitingFor(age(26)))),
                Arguments.of(
                        "COAT_STILL_WET",
                        List.of(coat, step(StepKind.VINYL, NOW)),
                        List.of(coat, step(StepKind.VINYL, age(5)))),
                Arguments.of(
                        "SLIDE_UNCOATED",
                        List.of(step(StepKind.WATER_SLIDE, NOW), step(StepKind.VINYL, dry(600))),
                        List.of(step(StepKind.WATER_SLIDE, NOW), coat(dry(600)), step(StepKind.VINYL, age(12)))),
                Arguments.of(
                        "SLIDE_NOT_DRY",
                        List.of(step(StepKind.WATER_SLIDE, NOW), step(StepKind.SEAL, dry(30)), coat(dry(30))),
                        List.of(step(StepKind.WATER_SLIDE, NOW), step(StepKind.SEAL, dry(600)), coat(dry(30)))),
                // Who leaves the coats out is told so before the cup goes.
                Arguments.of(
                        "LAID_OPEN",
                        List.of(coat, adhesive.waitingFor(age(5)), glitter, step(StepKind.FINISH, age(30))),
                        List.of(
                                coat,
                                adhesive.waitingFor(age(5)),
                                glitter,
                                last.waitingFor(age(3)),
                                step(StepKind.FINISH, age(30)))),
                Arguments.of(
                        "LAID_OPEN",
                        List.of(coat, step(StepKind.INK, age(9)), step(StepKind.PACK, age(200))),
                        List.of(
                                coat,
                                step(StepKind.INK, age(9)),
                                step(StepKind.SEAL, dry(60)),
                                step(StepKind.PACK, age(200)))),
                Arguments.of(
                        "PAINT_NOT_DRY",
                        List.of(step(StepKind.PAINT, NOW), step(StepKind.INK, NOW)),
                        List.of(step(StepKind.PAINT, NOW), step(StepKind.INK, dry(60)))),
                Arguments.of(
                        "FINISH_TOO_SOON",
                        List.of(coat, step(StepKind.VINYL, age(5)), step(StepKind.PACK, NOW)),
                        List.of(coat, step(StepKind.VINYL, age(5)), step(StepKind.PACK, age(9)))),
                Arguments.of(
                        "GLUE_NOT_DRY",
                        List.of(step(StepKind.GLUE, NOW), coat(dry(20))),
                        List.of(step(StepKind.GLUE, NOW), step(StepKind.FOIL, dry(15)), coat(dry(5)))),
                Arguments.of(
                        "ADHESIVE_NOT_SET",
                        List.of(coat, step(StepKind.SAND, SANDABLE), adhesive, glitter, coat(age(3))),
                        List.of(coat, step(StepKind.SAND, SANDABLE), adhesive, glitter, coat(age(6)))),
                // P12: a full wrap is cut longer by its overlap; with a handle in the way there is none.
                Arguments.of("COAT_TOO_SOON", List.of(coat, coat(age(2))), List.of(coat, coat(age(5)))),
                Arguments.of(
                        "SAND_TOO_SOON",
                        List.of(coat, step(StepKind.SAND, age(5)), coat),
                        List.of(coat, step(StepKind.SAND, age(9)), coat)),
                Arguments.of(
                        "SAND_TEXTURE",
                        List.of(chunky, step(StepKind.SEAL, NOW), coat(dry(30)), step(StepKind.SAND, SANDABLE), coat),
                        List.of(
                                chunky,
                                step(StepKind.SEAL, NOW),
                                coat(dry(30)),
                                coat(STRAIGHT_ON),
                                coat(STRAIGHT_ON),
                                step(StepKind.SAND, SANDABLE),
                                coat)),
                Arguments.of(
                        "SAND_UNDER_SLIDE",
                        List.of(coat, step(StepKind.SAND, SANDABLE), step(StepKind.WATER_SLIDE, NOW)),
                        List.of(coat, step(StepKind.WATER_SLIDE, SANDABLE))),
                Arguments.of(
                        "SAND_UNDER_PAINT",
                        List.of(coat, step(StepKind.SAND, SANDABLE), step(StepKind.PAINT, NOW)),
                        List.of(
                                coat,
                                step(StepKind.SAND, SANDABLE),
                                step(StepKind.WASH, NOW),
                                step(StepKind.PAINT, NOW))),
                Arguments.of(
                        "SAND_LAST_COAT",
                        List.of(coat, last, step(StepKind.SAND, SANDABLE)),
                        List.of(coat, last, step(StepKind.SAND, SANDABLE), coat)),
                Arguments.of(
                        "STENCIL_PERMANENT",
                        List.of(step(StepKind.STENCIL, NOW, Fields.Vinyl.PERMANENT)),
                        List.of(step(StepKind.STENCIL, NOW, Fields.Vinyl.REMOVABLE))),
                Arguments.of(
                        "INK_NOT_DRY",
                        List.of(step(StepKind.INK, NOW), step(StepKind.VINYL, dry(60))),
                        List.of(step(StepKind.INK, NOW), step(StepKind.VINYL, dry(24 * 60)))),
                Arguments.of(
                        "INK_NOT_DRY",
                        List.of(step(StepKind.INK, NOW), step(StepKind.SEAL, dry(20))),
                        List.of(step(StepKind.INK, NOW), step(StepKind.SEAL, dry(30)))),
                Arguments.of(
                        "SLIDE_NOT_DRY",
                        List.of(step(StepKind.WATER_SLIDE, NOW), coat(dry(120))),
                        List.of(step(StepKind.WATER_SLIDE, NOW), coat(dry(9 * 60)))),
                Arguments.of(
                        "SOLVENT_NOT_GONE",
                        List.of(step(StepKind.WIPE, NOW), coat),
                        List.of(step(StepKind.WIPE, NOW), step(StepKind.FLASH_OFF, NOW), coat(dry(10)))),
                Arguments.of(
                        "INK_UNSEALED",
                        List.of(step(StepKind.INK, NOW), coat(dry(60))),
                        List.of(step(StepKind.INK, NOW), step(StepKind.SEAL, dry(60)), coat(dry(30)))),
                Arguments.of(
                        "SOOT_UNSEALED",
                        List.of(step(StepKind.SMOKE, NOW), coat),
                        List.of(step(StepKind.SMOKE, NOW), step(StepKind.SEAL, NOW), coat(dry(30)))),
                Arguments.of(
                        "SOAP_NOT_RINSED",
                        List.of(coat, step(StepKind.SOAP, age(12)), step(StepKind.PAINT, NOW), coat(dry(60))),
                        List.of(
                                coat,
                                step(StepKind.SOAP, age(12)),
                                step(StepKind.PAINT, NOW),
                                step(StepKind.WASH, dry(60)),
                                coat(NOW))),
                Arguments.of(
                        "GLUE_NOT_DRY",
                        List.of(coat, step(StepKind.FOIL_ADHESIVE, age(12)), coat(dry(20))),
                        List.of(
                                coat,
                                step(StepKind.FOIL_ADHESIVE, age(12)),
                                step(StepKind.FOIL, dry(15)),
                                coat(dry(5)))),
                Arguments.of(
                        "GLUE_NOT_DRY",
                        List.of(step(StepKind.MICA_SEAL, NOW), coat(dry(10))),
                        List.of(step(StepKind.MICA_SEAL, NOW), coat(dry(30)))),
                Arguments.of(
                        "COAT_STILL_WET",
                        List.of(coat, step(StepKind.SOAP, NOW)),
                        List.of(coat, step(StepKind.SOAP, age(5)))),
                Arguments.of(
                        "FLAKES_UNSEALED",
                        List.of(glue, chunky, coat(dry(60))),
                        List.of(glue, chunky, step(StepKind.SEAL, dry(60)), coat(dry(30)))),
                Arguments.of(
                        "METALLIC_UNSEALED",
                        List.of(step(StepKind.VINYL, NOW, Fields.Vinyl.METALLIC), coat),
                        List.of(
                                step(StepKind.VINYL, NOW, Fields.Vinyl.METALLIC),
                                step(StepKind.SEAL, NOW),
                                coat(dry(30)))),
                Arguments.of(
                        "ADHESIVE_NOT_SET",
                        List.of(adhesive, glitter, coat(age(3))),
                        List.of(adhesive, glitter, coat(age(6)))),
                Arguments.of(
                        "GLUE_NOT_DRY",
                        List.of(step(StepKind.GLUE, NOW), coat(dry(30))),
                        List.of(step(StepKind.GLUE, NOW), coat(dry(60)))),
                Arguments.of(
                        "PAINT_NOT_DRY",
                        List.of(step(StepKind.PAINT, NOW), coat),
                        List.of(step(StepKind.PAINT, NOW), coat(dry(60)))),
                Arguments.of(
                        "HOT_INK",
                        List.of(coat, step(StepKind.HEAT, NOW), step(StepKind.INK_BLOOM, NOW)),
                        List.of(coat, step(StepKind.HEAT, NOW), step(StepKind.INK_BLOOM, dry(10)))),
                Arguments.of(
                        "TAPE_PAST_GEL",
                        List.of(step(StepKind.MASK, NOW), coat, step(StepKind.PULL_TAPE, age(6))),
                        List.of(
                                step(StepKind.MASK, NOW),
                                coat,
                                step(StepKind.PULL_TAPE, Wait.of(Wait.Kind.INTO_COAT, Duration.ofMinutes(45))))),
                Arguments.of(
                        "TAPE_PAST_GEL",
                        List.of(
                                step(StepKind.MASK, NOW),
                                coat,
                                coat(STRAIGHT_ON).waitingFor(age(5))),
                        List.of(
                                step(StepKind.MASK, NOW),
                                coat,
                                step(StepKind.PULL_TAPE, age(0.75)),
                                step(StepKind.MASK, NOW),
                                coat(STRAIGHT_ON))),
                Arguments.of(
                        "POLISH_TOO_SOON",
                        List.of(coat, step(StepKind.INSPECT, NOW), step(StepKind.POLISH, age(12))),
                        List.of(coat, step(StepKind.INSPECT, NOW), step(StepKind.POLISH, Wait.of(Wait.Kind.CURED)))),
                Arguments.of(
                        "POLISH_ON_FAULTS",
                        List.of(coat, step(StepKind.POLISH, Wait.of(Wait.Kind.CURED))),
                        List.of(coat, step(StepKind.INSPECT, Wait.of(Wait.Kind.CURED)), step(StepKind.POLISH, NOW))),
                Arguments.of(
                        "FLAME_WITH_SOLVENT",
                        List.of(step(StepKind.WIPE, NOW), step(StepKind.HEAT, NOW)),
                        List.of(step(StepKind.WIPE, NOW), step(StepKind.HEAT, dry(10)))),
                Arguments.of(
                        "FINISH_TOO_SOON",
                        List.of(coat, step(StepKind.FINISH, age(6))),
                        List.of(coat, step(StepKind.FINISH, age(12)))),
                // P11: a mug 262 mm round with 34 mm of handle takes 228 mm.
                Arguments.of("DECAL_TOO_LARGE", List.of(decal(240, 80)), List.of(decal(225, 80))),
                Arguments.of("DECAL_TOO_LARGE", List.of(decal(100, 130)), List.of(decal(100, 110))));
    }

    @ParameterizedTest
    @MethodSource("plans")
    void aPlanThatBreaksItIsToldAndTheMendedOneIsNot(String rule, List<PlanStep> wrong, List<PlanStep> right) {
        assertThat(broken(REGULAR, wrong)).contains(rule);
        assertThat(broken(REGULAR, right)).doesNotContain(rule);
    }

    /** P45: whatever leaves solvent or propellant about; ten minutes later (from memory) it has gone. */
    @ParameterizedTest
    @EnumSource(
            value = StepKind.class,
            names = {"INK_BLOOM", "INK", "SEAL", "SPRAY_ADHESIVE", "CLEAN", "PREP", "PULL_TAPE", "WIPE", "PAINT"})
    void aFlameWaitsUntilSolventsHaveGone(StepKind kind) {
        assertThat(broken(REGULAR, List.of(step(kind, NOW), step(StepKind.HEAT, NOW))))
                .contains("FLAME_WITH_SOLVENT");
        assertThat(broken(REGULAR, List.of(step(kind, NOW), step(StepKind.HEAT, dry(10)))))
                .doesNotContain("FLAME_WITH_SOLVENT");
    }

    @Test
    void soapAndABrushLeaveNoVapour() {
        PlanStep soap = step(StepKind.CLEAN, NOW, Fields.Cleaner.SOAP);
        PlanStep brushed = step(StepKind.SEAL, NOW, Fields.Sealer.BRUSHED);
        assertThat(broken(REGULAR, List.of(soap, brushed, step(StepKind.HEAT, NOW))))
                .doesNotContain("FLAME_WITH_SOLVENT");
        assertThat(brushed.needs()).isEmpty();
        assertThat(step(StepKind.SEAL, NOW).needs()).contains(Need.BOOTH);
    }

    /** P44, P45, P49: a can stays a can, and what burns stays what burns, whatever else is said beside it. */
    @Test
    void noWordTakesADangerAway() {
        PlanStep can = new PlanStep(
                1,
                StepKind.SEAL,
                NOW,
                "Aerosol clear, two light passes. Brush loose flakes off first.",
                Optional.empty());
        assertThat(can.needs()).contains(Need.BOOTH);
        assertThat(can.caution(false)).isEqualTo(StepKind.SEAL.caution());
        assertThat(broken(REGULAR, List.of(can, step(StepKind.HEAT, NOW)))).contains("FLAME_WITH_SOLVENT");
        PlanStep both = new PlanStep(1, StepKind.CLEAN, NOW, "Dish soap, rinse, then IPA.", Optional.empty());
        assertThat(broken(REGULAR, List.of(both, step(StepKind.HEAT, NOW)))).contains("FLAME_WITH_SOLVENT");
        PlanStep paste = step(StepKind.CLEAN, NOW, Fields.Cleaner.PASTE);
        assertThat(broken(REGULAR, List.of(paste, step(StepKind.HEAT, NOW)))).doesNotContain("FLAME_WITH_SOLVENT");
    }

    /** P45: soap burns nothing and is breathed by nobody; paper still makes dust. */
    @Test
    void cleaningIsWarnedOfByWhatItIsDoneWith() {
        for (StepKind kind : List.of(StepKind.CLEAN, StepKind.WIPE, StepKind.PULL_TAPE)) {
            assertThat(step(kind, NOW, Fields.Cleaner.SOAP).caution(false)).isEqualTo(Caution.NONE);
            assertThat(step(kind, NOW, Fields.Cleaner.PASTE).caution(false)).isEqualTo(Caution.NONE);
            assertThat(step(kind, NOW, Fields.Cleaner.ALCOHOL).caution(false)).isEqualTo(Caution.SOLVENT);
            assertThat(step(kind, NOW).caution(false)).isEqualTo(Caution.SOLVENT);
        }
        assertThat(step(StepKind.PREP, NOW, Fields.Cleaner.SOAP).caution(false)).isEqualTo(Caution.DUST);
        assertThat(step(StepKind.PREP, NOW, Fields.Cleaner.ACETONE).caution(false))
                .isEqualTo(Caution.DUST_AND_SOLVENT);
    }

    private static Set<String> onBlank(Blank blank, PlanStep step) {
        Set<String> rules = new TreeSet<>();
        Judgement.of(List.of(step), REGULAR, REGULAR, blank).forEach(finding -> rules.add(finding.rule()));
        return rules;
    }

    /**
     * P11, P12: a wrap overlaps on purpose where nothing is in its way, and an exact fit fits. P56: on a taper it must
     * be bent; a small piece need not. 214 mm at the base and 281 at the rim, 172 tall: 2.0 mm at the ends of 100 mm,
     * 7.8 at 200 (sheet-metal development of a cone).
     */
    @Test
    void aPieceFitsWhereItIsLaid() {
        Blank straight = new Blank(new Straight(205, 229), true, 5, 0, 0, OptionalDouble.of(20));
        assertThat(onBlank(straight, decal(235, 150))).isEmpty();
        assertThat(onBlank(straight, decal(229, 205))).isEmpty();
        assertThat(onBlank(straight, decal(250, 150))).contains("DECAL_TOO_LARGE");
        Blank wide = new Blank(new Straight(200, 314.96), true, 5, 0, 0, OptionalDouble.of(30));
        assertThat(onBlank(wide, decal(315, 100))).isEmpty();
        assertThat(onBlank(MUG, decal(235, 80)))
                .as("nothing overlaps across a handle")
                .contains("DECAL_TOO_LARGE");
        Blank taper = new Blank(new Tapered(172, 214, 281), true, 5, 0, 0, OptionalDouble.of(20));
        assertThat(onBlank(taper, decal(100, 60))).isEmpty();
        assertThat(onBlank(taper, decal(247, 60))).contains("FLAT_WRAP_ON_TAPER");
        assertThat(onBlank(taper, decal(275, 20))).doesNotContain("DECAL_TOO_LARGE");
        assertThat(onBlank(taper, decal(275, 160))).contains("DECAL_TOO_LARGE");
    }

    /** P22: one forgotten tape is one thing to be told. */
    @Test
    void oneForgottenTapeIsToldOnce() {
        List<PlanStep> forgotten = List.of(
                step(StepKind.MASK, NOW),
                coat(NOW),
                coat(age(5)),
                coat(age(5)),
                step(StepKind.SAND, SANDABLE),
                coat(NOW));
        assertThat(Judgement.of(forgotten, REGULAR, REGULAR, MUG).stream()
                        .filter(finding -> finding.rule().equals("TAPE_PAST_GEL")))
                .hasSize(1);
    }

    /** P18, P26: ink blooms and long blends want a regular resin. */
    @Test
    void anInkBloomWantsARegularResin() {
        assertThat(broken(FAST, List.of(bloom()))).contains("FAST_RESIN");
        assertThat(broken(REGULAR, List.of(bloom()))).doesNotContain("FAST_RESIN");
    }

    /** What is promised to whoever asks for a judgement has a plan that breaks it; all else is tried where it lies. */
    @Test
    void everyNameThatIsPromisedIsTriedHereAndSaysWhereItComesFrom() {
        Set<String> tried = new TreeSet<>(List.of("FAST_RESIN"));
        plans().forEach(arguments -> tried.add((String) arguments.get()[0]));
        for (Cell cell : Cell.values()) {
            assertThat(cell.source()).matches("from memory|the plan|section 7|(P\\d+|step \\d+)(, (P\\d+|step \\d+))*");
            assertThat(cell.words()).endsWith(".");
            if (!cell.rule().equals(cell.name())) {
                assertThat(tried).contains(cell.rule());
            }
        }
        for (DecalFit rule : DecalFit.values()) {
            assertThat(rule.source()).matches("P\\d+(, P\\d+)*");
            assertThat(rule.remedy()).endsWith(".");
        }
    }

    @Test
    void allThatIsWrongIsSaidAtOnce() {
        assertThat(broken(
                        REGULAR,
                        List.of(
                                step(StepKind.INK, NOW),
                                step(StepKind.SMOKE, NOW),
                                coat(NOW),
                                step(StepKind.POLISH, age(3)))))
                .contains("INK_UNSEALED", "SOOT_UNSEALED", "POLISH_TOO_SOON", "POLISH_ON_FAULTS", "FLAME_WITH_SOLVENT");
    }
}

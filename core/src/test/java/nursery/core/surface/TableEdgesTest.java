package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Bounds at the minute they begin and end. A regular label turns 4 h, is recoated from 4, grips well to 12, is sandable
 * from 8, must be scuffed and is cured at 24 (P13–P17).
 */
class TableEdgesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Label FAST = StartingProfile.FAST.label();
    private static final double MINUTE_H = 1 / 60.0;
    private static final double NOW_MIN = 5000;

    /** A step that was done so many minutes ago, its coat as old as it is said to be. */
    private record Done(PlanStep step, double minutesAgo) {}

    private static PlanStep step(StepKind kind, Fields how, Optional<CoatRole> role) {
        return new PlanStep(1, kind, "", Wait.none(), "", role, how, Optional.empty());
    }

    private static PlanStep step(StepKind kind) {
        return step(kind, Fields.usual(kind), kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty());
    }

    private static Done ago(StepKind kind, double minutes) {
        return new Done(step(kind), minutes);
    }

    private static Set<String> broken(Label label, PlanStep next, Done... done) {
        Surface surface = Surface.of(true);
        for (Done one : done) {
            surface = surface.after(Work.of(surface.works().size() + 1, one.step(), label.times()));
        }
        Timeline time = new Timeline() {
            @Override
            public double begun(int work, double minutes) {
                return work == 0 ? 0 : NOW_MIN - done[work - 1].minutesAgo() + minutes;
            }

            @Override
            public double ended(int work, double minutes) {
                return begun(work, minutes);
            }

            @Override
            public double age(int pour, double hours) {
                return begun(pour, hours * 60);
            }
        };
        Work work = Work.of(surface.works().size() + 1, next, label.times());
        return Opening.broken(Table.bounds(work, surface, List.of()), NOW_MIN, NOW_MIN, 0, time).stream()
                .map(one -> one.bound().cell().rule())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static boolean breaks(String rule, StepKind next, Done... done) {
        return broken(REGULAR, step(next), done).contains(rule);
    }

    private static boolean onCoat(String rule, StepKind next, double ageH) {
        return breaks(rule, next, ago(StepKind.FLOOD_COAT, ageH * 60));
    }

    @Test
    void aCoatToTheMinute() {
        assertThat(onCoat("COAT_TOO_SOON", StepKind.BUILD_COAT, 4 - MINUTE_H)).isTrue();
        assertThat(onCoat("COAT_TOO_SOON", StepKind.BUILD_COAT, 4 + MINUTE_H)).isFalse();
        assertThat(onCoat("GRIP_FADING", StepKind.BUILD_COAT, 12 - MINUTE_H)).isFalse();
        assertThat(onCoat("GRIP_FADING", StepKind.BUILD_COAT, 12 + MINUTE_H)).isTrue();
        assertThat(onCoat("TACK_WINDOW", StepKind.BUILD_COAT, 24 - MINUTE_H)).isFalse();
        assertThat(onCoat("TACK_WINDOW", StepKind.BUILD_COAT, 24 + MINUTE_H)).isTrue();
    }

    /** P13: a coat that was sealed, painted or strewn over while it ran is not set any sooner for that. */
    @ParameterizedTest
    @EnumSource(
            value = StepKind.class,
            names = {"SEAL", "PAINT"})
    void whatWasCoveredWhileItRanRunsOn(StepKind cover) {
        for (StepKind next : List.of(
                StepKind.BUILD_COAT, StepKind.PAINT, StepKind.SEAL, StepKind.VINYL, StepKind.INK, StepKind.TRIM)) {
            assertThat(breaks("COAT_STILL_WET", next, ago(StepKind.BUILD_COAT, 4 * 60 - 1), ago(cover, 3 * 60)))
                    .as("%s", next)
                    .isTrue();
            assertThat(breaks("COAT_STILL_WET", next, ago(StepKind.BUILD_COAT, 4 * 60 + 1), ago(cover, 3 * 60)))
                    .as("%s", next)
                    .isFalse();
        }
        assertThat(breaks("SAND_TOO_SOON", StepKind.SAND, ago(StepKind.BUILD_COAT, 8 * 60 - 1), ago(cover, 3 * 60)))
                .isTrue();
        assertThat(breaks("SAND_TOO_SOON", StepKind.SAND, ago(StepKind.BUILD_COAT, 8 * 60 + 1), ago(cover, 3 * 60)))
                .isFalse();
        Done film = ago(StepKind.ADHESIVE, 119);
        Done flakes = ago(StepKind.GLITTER, 110);
        assertThat(breaks("COAT_STILL_WET", StepKind.PAINT, film, flakes)).isTrue();
        assertThat(breaks("COAT_STILL_WET", StepKind.BUILD_COAT, film, flakes, ago(cover, 60)))
                .isTrue();
        assertThat(breaks("COAT_STILL_WET", StepKind.GLITTER, ago(StepKind.ADHESIVE, 20), ago(StepKind.GLITTER, 10)))
                .as("more flakes on the first, while the film is wet")
                .isFalse();
    }

    /** P16: a sealer brushed over an old coat, and over what lies on it, is new ground. */
    @Test
    void aSealerIsNewGroundWherePaperCannotGo() {
        Done coat = ago(StepKind.BUILD_COAT, 4 * 24 * 60);
        Done vinyl = ago(StepKind.VINYL, 3 * 24 * 60);
        assertThat(breaks("TACK_WINDOW", StepKind.BUILD_COAT, coat, vinyl)).isTrue();
        assertThat(broken(REGULAR, step(StepKind.SEAL), coat, vinyl)).isEmpty();
        assertThat(broken(REGULAR, step(StepKind.BUILD_COAT), coat, vinyl, ago(StepKind.SEAL, 40)))
                .isEmpty();
    }

    /** A stencil takes with it all that was laid on it: beside it the ink is as well sealed as it was. */
    @Test
    void whatLiesUnderAPeeledStencilShowsAndNotWhatWentWithIt() {
        PlanStep stencil =
                step(StepKind.STENCIL, Fields.usual(StepKind.STENCIL).with(Fields.Vinyl.REMOVABLE), Optional.empty());
        Done[] badge = {
            new Done(stencil, 600),
            ago(StepKind.GLUE, 500),
            ago(StepKind.GLITTER, 490),
            ago(StepKind.INK, 300),
            ago(StepKind.SEAL, 200),
            ago(StepKind.PEEL, 100)
        };
        assertThat(broken(REGULAR, step(StepKind.FLOOD_COAT), badge)).isEmpty();
        Done[] unsealed = {
            new Done(stencil, 600), ago(StepKind.GLUE, 500), ago(StepKind.INK, 300), ago(StepKind.PEEL, 100)
        };
        assertThat(broken(REGULAR, step(StepKind.FLOOD_COAT), unsealed)).containsExactly("INK_UNSEALED");
        assertThat(broken(
                        REGULAR,
                        step(StepKind.FLOOD_COAT),
                        ago(StepKind.PAINT, 700),
                        new Done(stencil, 600),
                        ago(StepKind.SEAL, 200),
                        ago(StepKind.PEEL, 100),
                        ago(StepKind.PAINT, 10)))
                .containsExactly("PAINT_NOT_DRY");
    }

    /** P20, P24: a slide that was sealed while damp clouds the coat all the same, and glue gasses through paint. */
    @Test
    void whatDriesIsNotDryForBeingHidden() {
        Done slide = ago(StepKind.WATER_SLIDE, 8 * 60 - 1);
        assertThat(breaks("SLIDE_NOT_DRY", StepKind.BUILD_COAT, slide, ago(StepKind.SEAL, 7 * 60)))
                .isTrue();
        assertThat(breaks("SLIDE_NOT_DRY", StepKind.BUILD_COAT, ago(StepKind.WATER_SLIDE, 8 * 60 + 1)))
                .isFalse();
        assertThat(breaks("GLUE_NOT_DRY", StepKind.BUILD_COAT, ago(StepKind.GLUE, 59), ago(StepKind.SEAL, 40)))
                .isTrue();
        assertThat(breaks("GLUE_NOT_DRY", StepKind.BUILD_COAT, ago(StepKind.GLUE, 61), ago(StepKind.SEAL, 40)))
                .isFalse();
    }

    /** Step 6: no paper on what lies open. Who cannot scuff is not told that a scuff makes sure. */
    @ParameterizedTest
    @EnumSource(
            value = StepKind.class,
            names = {"WATER_SLIDE", "VINYL", "FOIL", "SPONGE"})
    void noScuffIsAdvisedUnderWhatItWouldTakeAway(StepKind laid) {
        for (double ageH : List.of(13.0, 25.0, 73.0)) {
            Surface surface = Surface.of(true)
                    .after(Work.of(1, step(StepKind.BUILD_COAT), REGULAR.times()))
                    .after(Work.of(2, step(laid), REGULAR.times()));
            Work coat = Work.of(3, step(StepKind.BUILD_COAT), REGULAR.times());
            assertThat(Table.bounds(coat, surface, List.of()))
                    .extracting(Bound::cell)
                    .contains(Cell.GRIP_FADES_BELOW, Cell.GRIP_WEAK_BELOW, Cell.MAY_PEEL_BELOW)
                    .noneMatch(cell -> cell.remedy().filter(Doing.SCUFF::equals).isPresent())
                    .noneMatch(cell -> cell.words().contains("a light scuff"));
            Done below = ago(StepKind.BUILD_COAT, ageH * 60);
            assertThat(breaks("TACK_WINDOW", StepKind.BUILD_COAT, below, ago(laid, 9 * 60)))
                    .isEqualTo(ageH > 24);
        }
    }

    @Test
    void sandingPolishingAndPackingToTheMinute() {
        assertThat(onCoat("SAND_TOO_SOON", StepKind.SAND, 8 - MINUTE_H)).isTrue();
        assertThat(onCoat("SAND_TOO_SOON", StepKind.SAND, 8 + MINUTE_H)).isFalse();
        assertThat(onCoat("POLISH_TOO_SOON", StepKind.POLISH, 24 - MINUTE_H)).isTrue();
        assertThat(onCoat("POLISH_TOO_SOON", StepKind.POLISH, 24 + MINUTE_H)).isFalse();
        assertThat(onCoat("FINISH_TOO_SOON", StepKind.FINISH, 8 - MINUTE_H)).isTrue();
        assertThat(onCoat("FINISH_TOO_SOON", StepKind.FINISH, 8 + MINUTE_H)).isFalse();
    }

    /** P22. */
    @Test
    void forgottenTapeToTheMinute() {
        Done tape = ago(StepKind.MASK, 1000);
        for (StepKind met : List.of(StepKind.PULL_TAPE, StepKind.MASK, StepKind.SAND, StepKind.BUILD_COAT)) {
            assertThat(breaks("TAPE_PAST_GEL", met, tape, ago(StepKind.FLOOD_COAT, 4 * 60 + 1)))
                    .as("%s", met)
                    .isTrue();
            assertThat(breaks("TAPE_PAST_GEL", met, tape, ago(StepKind.FLOOD_COAT, 4 * 60 - 1)))
                    .as("%s", met)
                    .isFalse();
        }
        assertThat(breaks("TAPE_PAST_GEL", StepKind.WASH, tape, ago(StepKind.FLOOD_COAT, 9 * 60)))
                .isFalse();
    }

    /**
     * P19: a generous adhesive is set after about 6 h in a regular resin; a thin one, and any in a fast one, after 2.
     */
    @ParameterizedTest
    @CsvSource({"ADHESIVE_GENEROUS, false, 6", "ADHESIVE_THIN, false, 2", "ADHESIVE_GENEROUS, true, 2"})
    void anAdhesiveIsSetToTheMinute(CoatRole role, boolean fast, double setH) {
        PlanStep film = step(StepKind.ADHESIVE, Fields.usual(StepKind.ADHESIVE), Optional.of(role));
        Label label = fast ? FAST : REGULAR;
        PlanStep flood = step(StepKind.FLOOD_COAT);
        Done glitter = ago(StepKind.GLITTER, 60);
        assertThat(broken(label, flood, new Done(film, setH * 60 - 1), glitter)).contains("ADHESIVE_NOT_SET");
        assertThat(broken(label, flood, new Done(film, setH * 60 + 1), glitter)).doesNotContain("ADHESIVE_NOT_SET");
    }

    @Test
    void paintOnSandingMindsScratchesAndDust() {
        Done coat = ago(StepKind.FLOOD_COAT, 20 * 60);
        Done coarse =
                new Done(step(StepKind.SAND, Fields.usual(StepKind.SAND).with(Grit.of(120)), Optional.empty()), 5);
        Done fine = new Done(step(StepKind.SAND, Fields.usual(StepKind.SAND).with(Grit.of(220)), Optional.empty()), 5);
        Done wash = ago(StepKind.WASH, 1);
        assertThat(breaks("SAND_UNDER_PAINT", StepKind.PAINT, coat, coarse, wash))
                .as("scratches")
                .isTrue();
        assertThat(breaks("SAND_UNDER_PAINT", StepKind.PAINT, coat, fine))
                .as("dust")
                .isTrue();
        assertThat(breaks("SAND_UNDER_PAINT", StepKind.PAINT, coat, fine, wash)).isFalse();
    }

    @Test
    void onlyTheLastCoatIsNotSanded() {
        assertThat(breaks("SAND_LAST_COAT", StepKind.SAND, ago(StepKind.BUILD_COAT, 20 * 60)))
                .isFalse();
        assertThat(breaks("SAND_LAST_COAT", StepKind.SAND, ago(StepKind.FINISHING_COAT, 20 * 60)))
                .isTrue();
    }

    /** P23, P24: under a coat and under a sealer alike, and under paint. */
    @Test
    void whatWaitsForInkAndSlidesIsNotOnlyTheCoat() {
        for (StepKind over : List.of(StepKind.BUILD_COAT, StepKind.SEAL, StepKind.PAINT)) {
            assertThat(breaks("INK_NOT_DRY", over, ago(StepKind.INK, 10)))
                    .as("%s", over)
                    .isTrue();
            assertThat(breaks("SLIDE_NOT_DRY", over, ago(StepKind.WATER_SLIDE, 10)))
                    .as("%s", over)
                    .isTrue();
        }
        assertThat(breaks("INK_NOT_DRY", StepKind.WASH, ago(StepKind.INK, 10))).isFalse();
    }

    /** Foil adhesive takes its foil while it is tacky; the coat that follows lies on the foil, not on the adhesive. */
    @Test
    void adhesiveUnderFoilIsFoilAdhesive() {
        Done sprayed = ago(StepKind.SPRAY_ADHESIVE, 20);
        assertThat(breaks("GLUE_NOT_DRY", StepKind.BUILD_COAT, sprayed)).isTrue();
        assertThat(breaks("GLUE_NOT_DRY", StepKind.BUILD_COAT, sprayed, ago(StepKind.FOIL, 15)))
                .isFalse();
    }

    /** P18: inks dropped into a flood want a regular resin. Glitters on a film, several too, go on with a fast one. */
    @Test
    void aFastResinSpoilsInkAndNoBlend() {
        PlanStep bloom = step(StepKind.FLOOD_COAT, Fields.usual(StepKind.FLOOD_COAT), Optional.of(CoatRole.BLOOM));
        assertThat(broken(FAST, bloom)).contains("FAST_RESIN");
        assertThat(broken(REGULAR, bloom)).doesNotContain("FAST_RESIN");
        PlanStep blend =
                step(StepKind.GLITTER, Fields.usual(StepKind.GLITTER).with(Fields.Colours.SEVERAL), Optional.empty());
        assertThat(broken(FAST, blend, ago(StepKind.ADHESIVE, 5))).isEmpty();
    }
}

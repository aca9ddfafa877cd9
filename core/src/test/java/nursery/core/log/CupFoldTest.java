package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static nursery.core.technique.StepKind.ADHESIVE;
import static nursery.core.technique.StepKind.BUILD_COAT;
import static nursery.core.technique.StepKind.FINISH;
import static nursery.core.technique.StepKind.FINISHING_COAT;
import static nursery.core.technique.StepKind.FLOOD_COAT;
import static nursery.core.technique.StepKind.GLITTER;
import static nursery.core.technique.StepKind.PAINT;
import static nursery.core.technique.StepKind.PREP;
import static nursery.core.technique.StepKind.SAND;
import static nursery.core.technique.StepKind.TRIM_AND_SAND;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.Window;
import nursery.core.log.NextAction.Kind;
import nursery.core.log.NextAction.Readiness;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;

/** Waits are common practice (P13–P17, P19) unless a line says otherwise; the story begins at 08:00, hour 0. */
class CupFoldTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final RoomCourse LABEL_ROOM = RoomCourse.steady(REGULAR.referenceC());

    private static CupStory regular(School... schools) {
        return new CupStory(REGULAR, LABEL_ROOM, schools);
    }

    private static NextAction next(CupState state) {
        return state.next().orElseThrow();
    }

    @Test
    void aNewCupWantsPrepAtOnce() {
        NextAction next = next(regular().at(0));
        assertThat(next.step().kind()).isEqualTo(PREP);
        assertThat(next.readinessAt(hour(0))).isEqualTo(Readiness.OPEN);
    }

    @Test
    void paintDriesOnTheWallClockHoweverColdTheRoom() {
        CupState state = new CupStory(REGULAR, RoomCourse.steady(8))
                .done(PREP, 0.5)
                .done(PAINT, 1)
                .at(1.5);
        assertThat(next(state).window()).isEqualTo(Window.from(hour(2)));
        assertThat(next(state).readinessAt(hour(1.5))).isEqualTo(Readiness.WAITING);
    }

    /** P19: the adhesive settles a couple of minutes, then takes glitter for as long as it is workable. */
    @Test
    void glitterGoesOnWhileTheAdhesiveIsWorkable() {
        NextAction glitter = next(
                regular().done(PREP, 0.5).done(PAINT, 1).poured(ADHESIVE, 2, 1).at(2));
        assertThat(glitter.step().kind()).isEqualTo(GLITTER);
        assertThat(glitter.window()).isEqualTo(Window.between(hour(2).plusSeconds(120), hour(2).plusSeconds(2400)));
        assertThat(glitter.readinessAt(hour(3))).isEqualTo(Readiness.CLOSED);
        assertThat(glitter.ifMissed()).isPresent();
    }

    /** P19: a thin adhesive sets in 2–3 h, a generous one in about 6 h. */
    @Test
    void theFloodCoatWaitsForTheAdhesiveToSet() {
        CupStory thin =
                regular().done(PREP, 0.5).done(PAINT, 1).poured(ADHESIVE, 2, 1).done(GLITTER, 2.1);
        assertThat(next(thin.at(3)).window()).isEqualTo(Window.from(hour(5)));
        CupStory generous = regular(School.ADHESIVE_GENEROUS)
                .done(PREP, 0.5)
                .done(PAINT, 1)
                .poured(ADHESIVE, 2, 8)
                .done(GLITTER, 2.1);
        assertThat(next(generous.at(3)).window()).isEqualTo(Window.from(hour(8)));
    }

    /** P14, P16: straight on from 4 h after the coat, gripping well to about 12 h, at the latest to about 24 h. */
    @Test
    void theSecondCoatGoesStraightOnWithinTheDay() {
        CupStory story = regular().flooded();
        assertThat(next(story.at(9)).window()).isEqualTo(Window.between(hour(10), hour(30)));
        assertThat(next(story.at(9)).gripsUntil()).contains(hour(18));
        assertThat(next(story.at(17)).isFadingAt(hour(17))).isFalse();
        assertThat(next(story.at(19)).isFadingAt(hour(19))).isTrue();
        assertThat(next(story.at(19)).why()).contains("a light scuff makes sure");
        assertThat(next(story.at(19)).title()).isEqualTo("Second coat");
        assertThat(next(story.at(9)).readinessAt(hour(9))).isEqualTo(Readiness.WAITING);
        assertThat(next(story.at(11)).readinessAt(hour(11))).isEqualTo(Readiness.OPEN);
        assertThat(next(story.at(11)).ifMissed())
                .hasValueSatisfying(words -> assertThat(words).contains("scuff"));
    }

    @Test
    void aDayLaterItAsksForScuffingFirst() {
        CupStory story = regular().flooded();
        assertThat(next(story.at(29.9)).kind()).isEqualTo(Kind.STEP);
        NextAction late = next(story.at(30));
        assertThat(late.kind()).isEqualTo(Kind.SCUFF_FIRST);
        assertThat(late.window()).isEqualTo(Window.from(hour(14)));
        assertThat(late.sureFrom()).contains(hour(18));
        assertThat(late.title()).isEqualTo("Scuff, then second coat");
        NextAction scuffed = next(story.scuffed(31).at(31));
        assertThat(scuffed.kind()).isEqualTo(Kind.STEP);
        assertThat(scuffed.step().kind()).isEqualTo(BUILD_COAT);
        assertThat(scuffed.readinessAt(hour(100))).isEqualTo(Readiness.OPEN);
    }

    /** P28: ten degrees colder is about half as fast, so the window opens some 8 h after the pour instead of 4. */
    @Test
    void theWindowFollowsTheRoom() {
        Instant opens = next(new CupStory(REGULAR, RoomCourse.steady(12))
                        .flooded()
                        .at(8))
                .window()
                .opensAt();
        assertThat(opens).isBetween(hour(6 + 7.5), hour(6 + 8.7));
    }

    @Test
    void theNextDaySchoolSandsBeforeTheSecondCoat() {
        CupStory story = regular(School.NEXT_DAY).flooded();
        assertThat(next(story.at(9)).step().kind()).isEqualTo(SAND);
        assertThat(next(story.at(9)).window()).isEqualTo(Window.from(hour(14)));
        NextAction second = next(story.done(SAND, 20).at(20));
        assertThat(second.step().kind()).isEqualTo(BUILD_COAT);
        assertThat(second.kind()).isEqualTo(Kind.STEP);
    }

    @Test
    void fromBlankToFinish() {
        CupStory story = regular()
                .flooded()
                .poured(BUILD_COAT, 11, 20)
                .done(TRIM_AND_SAND, 24)
                .poured(FINISHING_COAT, 25, 15);
        assertThat(next(story.at(26)).step().kind()).isEqualTo(FINISH);
        assertThat(next(story.at(26)).window()).isEqualTo(Window.from(hour(37)));
        CupState finished = story.done(FINISH, 38).at(40);
        assertThat(finished.isFinished()).isTrue();
        assertThat(finished.coats()).hasSize(4);
        assertThat(finished.fullCureAt()).contains(hour(25 + 72));
        assertThat(finished.concerns()).isEmpty();
    }

    @Test
    void aSpindleIsHeldUntilTheCupComesOffOrIsSanded() {
        CupStory story = regular().flooded();
        assertThat(story.at(7).hold())
                .hasValueSatisfying(hold -> assertThat(hold.mayComeOffAt()).isEqualTo(hour(10)));
        assertThat(story.takenOff(10.5).at(11).hold()).isEmpty();
        CupStory sanded = regular(School.NEXT_DAY).flooded().done(SAND, 20);
        assertThat(sanded.at(20).hold()).isEmpty();
    }

    @Test
    void whatWasDoneAgainstTheLabelIsKeptAndSaid() {
        assertThat(regular().flooded().poured(BUILD_COAT, 8, 20).at(9).concerns())
                .singleElement()
                .satisfies(concern -> assertThat(concern.message()).contains("on a wet one it sags"));
        assertThat(regular().flooded().poured(BUILD_COAT, 16, 20).at(17).concerns())
                .as("a coat at ten hours is everyday work (P14)")
                .isEmpty();
        assertThat(regular().flooded().poured(BUILD_COAT, 22, 20).at(23).concerns())
                .singleElement()
                .satisfies(concern -> {
                    assertThat(concern.isAdvice()).isTrue();
                    assertThat(concern.message()).contains("grips less by the hour");
                });
        assertThat(regular().flooded().poured(BUILD_COAT, 31, 20).at(32).concerns())
                .singleElement()
                .satisfies(concern -> assertThat(concern.message()).contains("grips weakly"));
        assertThat(regular(School.NEXT_DAY).flooded().done(SAND, 9).at(10).concerns())
                .singleElement()
                .satisfies(concern -> assertThat(concern.message()).contains("gums the paper"));
    }

    @Test
    void aCancelledEntryCountsNoMoreButStaysInTheFile() {
        CupStory story = regular().flooded().cancelled(5, 7);
        assertThat(next(story.at(8)).step().kind()).isEqualTo(FLOOD_COAT);
        assertThat(story.file().log()).hasSize(6);
        assertThat(story.file().happened()).hasSize(4);
    }

    @Test
    void theOrderOfWritingDoesNotMatterOnlyTheOrderOfHappening() {
        CupStory story = regular().flooded();
        List<LogEntry> backwards = new ArrayList<>(story.file().log());
        Collections.reverse(backwards);
        assertThat(story.file().withLog(backwards).at(story.room(), hour(9)).next())
                .isEqualTo(story.at(9).next());
    }

    /** Whatever is done, when it can be done, there is always a next action or the plan is finished. */
    @Property(tries = 200)
    void aCupAlwaysHasANextActionOrIsFinished(@ForAll Random random) {
        School[] schools = {
            random.nextBoolean() ? School.NEXT_DAY : School.STRAIGHT_ON,
            random.nextBoolean() ? School.SEAL_ALWAYS : School.SEAL_NEVER
        };
        Label label = (random.nextBoolean() ? StartingProfile.FAST : StartingProfile.REGULAR).label();
        CupStory story = new CupStory(label, RoomCourse.steady(8 + 22 * random.nextDouble()), schools);
        double at = 0;
        while (!story.at(at).isFinished()) {
            NextAction next = next(story.at(at));
            at += 30 * random.nextDouble() * random.nextDouble();
            NextAction later = next(story.at(at));
            assertThat(later.step()).isEqualTo(next.step());
            LogEntry entry = random.nextInt(4) == 0 && later.kind() == Kind.SCUFF_FIRST
                    ? LogEntry.scuffed(story.mark(at))
                    : entry(story, later.step(), at);
            assertThat(story.refusal(entry, at)).isEmpty();
            add(story, entry, later.step(), at);
            assertThat(LegalMoves.refusalOf(story.file(), story.room(), hour(at)))
                    .isEmpty();
        }
        assertThat(story.at(at).done()).hasSize(story.file().plan().size());
    }

    private static LogEntry entry(CupStory story, PlanStep step, double at) {
        return step.kind().isPour()
                ? new LogEntry.Poured(story.mark(at), step.number(), 10, Optional.empty())
                : new LogEntry.StepDone(story.mark(at), step.number());
    }

    private static void add(CupStory story, LogEntry entry, PlanStep step, double at) {
        if (entry.kind() == LogEntry.Kind.SCUFFED) {
            story.scuffed(at);
        } else if (step.kind().isPour()) {
            story.poured(step.kind(), at, 10);
        } else {
            story.done(step.kind(), at);
        }
    }

    @Test
    void everyStepKindSaysWhatItIsAndWhatItRisks() {
        for (StepKind kind : StepKind.values()) {
            assertThat(kind.title()).isNotBlank();
            assertThat(kind.handsOnMinutes()).isBetween(0, 30);
            assertThat(StepKind.named(kind.written())).contains(kind);
            if (kind.isPour() || kind.isSanding()) {
                assertThat(kind.caution().words()).isNotBlank();
            }
        }
    }
}

package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static nursery.core.technique.StepKind.BUILD_COAT;
import static nursery.core.technique.StepKind.FLOOD_COAT;
import static nursery.core.technique.StepKind.GLITTER;
import static nursery.core.technique.StepKind.PAINT;
import static nursery.core.technique.StepKind.PREP;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LegalMovesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();

    private static CupStory story() {
        return new CupStory(REGULAR, RoomCourse.steady(REGULAR.referenceC()));
    }

    private static LogEntry pour(CupStory story, int step, double atHour, double ml) {
        return new LogEntry.Poured(story.mark(atHour), step, ml, Optional.empty());
    }

    @Test
    void aStepLoggedTwiceIsRefusedWithTheNameOfWhoWasFirst() {
        CupStory story = story().flooded();
        assertThat(story.refusal(pour(story, story.number(FLOOD_COAT), 6.5, 23), 7))
                .hasValueSatisfying(refusal -> {
                    assertThat(refusal.message()).contains("already logged");
                    assertThat(refusal.other()).map(Mark::recordedBy).contains("Mira");
                    assertThat(refusal.other()).map(Mark::happenedAt).contains(hour(6));
                });
    }

    @Test
    void nothingIsLoggedAheadOfItsTimeOrItsTurn() {
        CupStory story = story().flooded();
        assertThat(story.refusal(pour(story, story.number(BUILD_COAT), 12, 20), 11))
                .map(Refusal::field)
                .contains("at");
        assertThat(story.refusal(pour(story, story.number(BUILD_COAT), 11.01, 20), 11))
                .as("a tablet's clock may be a little ahead")
                .isEmpty();
        assertThat(story.refusal(new LogEntry.StepDone(story.mark(11), 7), 11))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("comes after Second coat"));
        assertThat(story.refusal(new LogEntry.StepDone(story.mark(11), 99), 11))
                .map(Refusal::field)
                .contains("step");
    }

    @Test
    void aPourCannotLieBeforeTheStepItBuildsOn() {
        CupStory story = story().flooded();
        assertThat(story.refusal(pour(story, story.number(BUILD_COAT), 5, 20), 11))
                .hasValueSatisfying(refusal -> {
                    assertThat(refusal.field()).isEqualTo("at");
                    assertThat(refusal.earliest()).contains(hour(6));
                });
    }

    @Test
    void yesterdaysWorkBeginsACupTakenUpToday() {
        CupStory story = story();
        LogEntry.StepDone prep = new LogEntry.StepDone(story.mark(-20), story.number(PREP));
        CupState then = story.at(-20);
        assertThat(LegalMoves.refusalOf(then, story.file(), prep, hour(0))).isEmpty();
        assertThat(LegalMoves.concernsAbout(then, story.file(), prep)).isEmpty();
        story.done(PREP, -20);
        assertThat(story.file().begunAt()).isEqualTo(hour(-20));
        assertThat(LegalMoves.refusalOf(
                        story.at(-21),
                        story.file(),
                        new LogEntry.StepDone(story.mark(-21), story.number(PAINT)),
                        hour(0)))
                .map(Refusal::message)
                .contains("That is before the step it builds on was done.");
        // What was done the moment it was taken up is work like any other.
        CupStory atOnce = story().done(PREP, 0);
        assertThat(LegalMoves.refusalOf(
                        atOnce.at(-3),
                        atOnce.file(),
                        new LogEntry.StepDone(atOnce.mark(-3), atOnce.number(PAINT)),
                        hour(0)))
                .isPresent();
        // Taken back, it begins when it was taken up.
        assertThat(story.cancelled(1, 0).file().begunAt()).isEqualTo(CupStory.START);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -5, Double.NaN, 1e308, 151})
    void amountsThatCannotStayOnACupAreRefused(double ml) {
        CupStory story = story().flooded();
        assertThat(story.refusal(pour(story, story.number(BUILD_COAT), 11, ml), 11))
                .map(Refusal::field)
                .contains("amount");
    }

    @Test
    void aCoatIsNotDoneWithoutItsAmountAndNothingElseHasOne() {
        CupStory story = story().flooded();
        assertThat(story.refusal(new LogEntry.StepDone(story.mark(11), story.number(BUILD_COAT)), 11))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("is a coat"));
        CupStory fresh = story();
        assertThat(fresh.refusal(pour(fresh, fresh.number(PREP), 0.5, 5), 1))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("is not a coat"));
    }

    @Test
    void onlyWhatIsThereCanBeScuffedOrTakenOff() {
        CupStory story = story();
        assertThat(story.refusal(LogEntry.scuffed(story.mark(1)), 1)).isPresent();
        assertThat(story.refusal(LogEntry.takenOff(story.mark(1)), 1)).isPresent();
        CupStory flooded = story().flooded();
        assertThat(flooded.refusal(LogEntry.scuffed(flooded.mark(15)), 15)).isEmpty();
        assertThat(flooded.refusal(LogEntry.takenOff(flooded.mark(11)), 11)).isEmpty();
        assertThat(flooded.scuffed(15).refusal(LogEntry.scuffed(flooded.mark(16)), 16))
                .isPresent();
    }

    @Test
    void aNoteIsAlwaysWelcome() {
        CupStory story = story();
        assertThat(story.refusal(new LogEntry.Plain(story.mark(0), LogEntry.Kind.NOTED), 0))
                .isEmpty();
    }

    @Test
    void anEntryThatOthersBuildOnCannotBeTakenAway() {
        CupStory story = story().flooded();
        int glitter = story.number(GLITTER);
        Optional<Refusal> refusal =
                LegalMoves.refusalOf(story.cancelled(glitter, 7).file(), story.room(), hour(8));
        assertThat(refusal).map(Refusal::message).hasValueSatisfying(message -> assertThat(message)
                .contains("Flood coat comes after Glitter"));
    }

    @Test
    void anEntryCanBeReplacedWhereWhatFollowsStillStands() {
        CupStory story = story().flooded();
        List<LogEntry> corrected = new ArrayList<>(story.file().log());
        corrected.add(new LogEntry.Cancelled(story.mark(7), 4));
        corrected.add(new LogEntry.StepDone(new Mark(99, hour(2.5), hour(7), "Jonas", ""), story.number(GLITTER)));
        assertThat(LegalMoves.refusalOf(story.file().withLog(corrected), story.room(), hour(8)))
                .isEmpty();
        corrected.set(
                corrected.size() - 1,
                new LogEntry.StepDone(new Mark(99, hour(6.5), hour(7), "Jonas", ""), story.number(GLITTER)));
        assertThat(LegalMoves.refusalOf(story.file().withLog(corrected), story.room(), hour(8)))
                .isPresent();
    }
}

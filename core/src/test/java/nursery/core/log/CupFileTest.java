package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.OptionalLong;
import nursery.core.cure.RoomCourse;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;

/** What a cup's file answers without a look at the room. */
class CupFileTest {

    private static final RoomCourse AT_LABEL = RoomCourse.steady(22);

    private static CupStory story(School... schools) {
        return new CupStory(StartingProfile.REGULAR.label(), AT_LABEL, schools);
    }

    private static PlanStep step(Cup cup, StepKind kind) {
        return cup.plan().stream().filter(one -> one.kind() == kind).findFirst().orElseThrow();
    }

    /** P19: a thin film needs no turning, it may hang; who turns it anyway, or spreads it generously, needs a place. */
    @Test
    void onlyAThinFilmHangsAndOnlyForWhoHangsIt() {
        Cup hangs = story().file();
        Cup turns = story().file().with(Schools.of(School.TURN));
        Cup generous = story(School.ADHESIVE_GENEROUS).file();
        assertThat(hangs.hangs(step(hangs, StepKind.ADHESIVE))).isTrue();
        assertThat(hangs.turns(step(hangs, StepKind.ADHESIVE))).isFalse();
        assertThat(hangs.needs(step(hangs, StepKind.ADHESIVE))).doesNotContain(Need.SPINDLE);
        assertThat(turns.turns(step(turns, StepKind.ADHESIVE))).isTrue();
        assertThat(turns.needs(step(turns, StepKind.ADHESIVE))).contains(Need.SPINDLE);
        assertThat(generous.turns(step(generous, StepKind.ADHESIVE))).isTrue();
        assertThat(hangs.turns(step(hangs, StepKind.FLOOD_COAT))).isTrue();
        assertThat(hangs.turns(step(hangs, StepKind.GLITTER))).isFalse();
        assertThat(hangs.staysWithoutSpindle(step(hangs, StepKind.ADHESIVE))).isTrue();
        assertThat(hangs.staysWithoutSpindle(step(hangs, StepKind.FLOOD_COAT))).isFalse();
        assertThat(hangs.needs(step(hangs, StepKind.PAINT))).containsExactly(Need.BOOTH);
    }

    @Test
    void aStepIsFoundByItsNumber() {
        Cup cup = story().file();
        assertThat(cup.step(2).kind()).isEqualTo(StepKind.PAINT);
        assertThat(cup.find(99)).isEmpty();
        assertThatThrownBy(() -> cup.step(99)).hasMessage("This plan has no step 99.");
        assertThat(cup.after(cup.step(2))).first().isEqualTo(cup.step(3));
    }

    @Test
    void whatWasKnownThenIsWhatHadHappened() {
        CupStory story = story().flooded();
        assertThat(story.file().asOf(AT_LABEL, hour(3)).coats()).hasSize(1);
        assertThat(story.file().asOf(AT_LABEL, hour(6)).coats()).hasSize(2);
        assertThat(story.file().asOf(AT_LABEL, hour(5.99)).hold().orElseThrow().since())
                .isEqualTo(hour(2));
        assertThat(story.file().asOf(AT_LABEL, hour(7)).hold().orElseThrow().since())
                .isEqualTo(hour(6));
    }

    @Test
    void entriesOfOneMomentKeepTheOrderTheyWereWrittenIn() {
        CupStory story = story().done(StepKind.PREP, 1).done(StepKind.PAINT, 1);
        assertThat(story.file().happened())
                .extracting(entry -> entry.mark().id())
                .containsExactly(1L, 2L);
    }

    @Test
    void entriesSayWhatTheyAre() {
        CupStory story = story();
        assertThat(new LogEntry.Cancelled(story.mark(1), 3).kind()).isEqualTo(LogEntry.Kind.CANCELLED);
        LogEntry.Poured pour =
                (LogEntry.Poured) story().flooded().file().happened().get(4);
        assertThat(pour.batch()).isEqualTo(OptionalLong.empty());
    }

    @Test
    void whatMustBeScuffedFirstSaysSoAndWarnsOfDust() {
        NextAction late = story().flooded().at(40).next().orElseThrow();
        NextAction inTime = story().flooded().at(12).next().orElseThrow();
        assertThat(late.kind()).isEqualTo(NextAction.Kind.SCUFF_FIRST);
        assertThat(late.title()).startsWith("Scuff").isNotEqualTo(inTime.title());
        assertThat(late.caution()).isNotEqualTo(inTime.caution());
        assertThat(inTime.title()).isEqualTo(inTime.step().title());
    }

    /** From 22:30 until 06:30; from 01:00 until 05:00; never. */
    @Test
    void quietHoursEndAndBeginOnTheClock() {
        QuietHours night = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);
        Instant noon = Instant.parse("2026-03-02T12:00:00Z");
        assertThat(night.isQuiet(noon.plus(Duration.ofMinutes(630)))).isTrue();
        assertThat(night.isQuiet(noon.plus(Duration.ofMinutes(629)))).isFalse();
        assertThat(night.isQuiet(Instant.parse("2026-03-03T06:29:00Z"))).isTrue();
        assertThat(night.isQuiet(Instant.parse("2026-03-03T06:30:00Z"))).isFalse();
        assertThat(night.nextQuiet(noon)).contains(Instant.parse("2026-03-02T22:30:00Z"));
        assertThat(night.nextAwake(Instant.parse("2026-03-02T23:00:00Z")))
                .isEqualTo(Instant.parse("2026-03-03T06:30:00Z"));
        assertThat(night.nextAwake(noon)).isEqualTo(noon);
        QuietHours small = new QuietHours(LocalTime.of(1, 0), LocalTime.of(5, 0), ZoneOffset.UTC);
        assertThat(small.isQuiet(Instant.parse("2026-03-02T01:00:00Z"))).isTrue();
        assertThat(small.isQuiet(Instant.parse("2026-03-02T05:00:00Z"))).isFalse();
        assertThat(small.isQuiet(noon)).isFalse();
        assertThat(small.nextQuiet(noon)).contains(Instant.parse("2026-03-03T01:00:00Z"));
        QuietHours never = new QuietHours(LocalTime.of(1, 0), LocalTime.of(1, 0), ZoneOffset.UTC);
        assertThat(never.nextQuiet(noon)).isEmpty();
        assertThat(never.isQuiet(Instant.parse("2026-03-02T01:00:00Z"))).isFalse();
    }
}

package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static nursery.core.technique.StepKind.BUILD_COAT;
import static nursery.core.technique.StepKind.FLOOD_COAT;
import static nursery.core.technique.StepKind.GLITTER;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.Touch;
import nursery.core.film.CoatRole;
import nursery.core.log.CupState.Concern;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Surface;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What may follow what, where a cup has come to an end; and what is asked about only because a plan waits for it. */
class LegalMovesEdgesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final RoomCourse ROOM = RoomCourse.steady(REGULAR.referenceC());

    private final List<LogEntry> log = new ArrayList<>();

    private Cup cup(PlanStep... plan) {
        Resin resin = Resin.of(1, "regular", REGULAR);
        Blank slim = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        return Cup.started("A-01", slim, new Cup.Resins(resin, resin), List.of(plan), hour(0))
                .withLog(log);
    }

    private static PlanStep step(int number, StepKind kind, Wait wait) {
        return new PlanStep(
                number, kind, wait, "", kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.<CoatRole>empty());
    }

    private Mark mark(double atHour, String note) {
        return new Mark(log.size() + 1, hour(atHour), hour(atHour), "Mira", note);
    }

    private LogEntry plain(LogEntry.Kind kind, double atHour, String note) {
        return new LogEntry.Plain(mark(atHour, note), kind);
    }

    private LogEntry pour(int step, double atHour, double ml) {
        return new LogEntry.Poured(mark(atHour, ""), step, ml, Optional.of(new Spindle(1, "Spindle 1")));
    }

    private Optional<Refusal> refusal(Cup cup, LogEntry entry) {
        Instant at = entry.mark().happenedAt();
        return LegalMoves.refusalOf(cup.at(ROOM, at), cup, entry, at);
    }

    private List<String> concerns(Cup cup, LogEntry entry) {
        return LegalMoves.concernsAbout(cup.at(ROOM, entry.mark().happenedAt()), cup, entry).stream()
                .map(Concern::message)
                .toList();
    }

    /** More than can be followed: what came after would be judged by what lay there before. */
    @Test
    void whereTheLogIsFullNothingMoreIsDoneButTheCupCanBeGivenUp() {
        for (int i = 0; i < Surface.MOST_WORKS / 2; i++) {
            log.add(plain(LogEntry.Kind.SCUFFED, 10, ""));
            log.add(new LogEntry.RemedyChosen(mark(10, ""), LogEntry.RemedyChosen.STRIP_BACK, ""));
        }
        Cup full = cup(step(1, FLOOD_COAT, Wait.none()));
        assertThat(refusal(full, pour(1, 11, 20)).orElseThrow().message()).contains("no more can be followed");
        assertThat(refusal(full, plain(LogEntry.Kind.ABANDONED, 11, "enough"))).isEmpty();
        log.remove(0);
        log.remove(0);
        Cup notYet = cup(step(1, FLOOD_COAT, Wait.none()));
        assertThat(refusal(notYet, pour(1, 11, 20))).isEmpty();
    }

    /** What was scraped off is on the cup no more: nobody scuffs it, feels it, or waits for its cure. */
    @Test
    void aCoatThatWasScrapedOffIsGone() {
        log.add(pour(1, 1, 20));
        log.add(new LogEntry.RemedyChosen(mark(30, ""), LogEntry.RemedyChosen.STRIP_BACK, ""));
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()), step(2, BUILD_COAT, Wait.none()));
        CupState state = cup.at(ROOM, hour(31));
        assertThat(state.coats()).isEmpty();
        assertThat(state.fullCureAt()).isEmpty();
        assertThat(refusal(cup, plain(LogEntry.Kind.SCUFFED, 31, ""))).isPresent();
        assertThat(refusal(cup, new LogEntry.Touched(mark(31, ""), Touch.FIRM))).isPresent();
        log.add(pour(2, 32, 20));
        assertThat(cup.withLog(log).at(ROOM, hour(33)).coats())
                .extracting(coat -> coat.step().number())
                .containsExactly(2);
    }

    @ParameterizedTest
    @EnumSource(
            value = LogEntry.Kind.class,
            names = {"ABANDONED", "SCUFFED", "TAKEN_OFF"})
    void nothingIsDoneToACupThatHasLeftTheBench(LogEntry.Kind kind) {
        log.add(pour(1, 1, 20));
        log.add(plain(LogEntry.Kind.HANDED_OVER, 100, ""));
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()));
        assertThat(refusal(cup, plain(kind, 101, "seen")))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("left the bench"));
        assertThat(refusal(cup, new LogEntry.Touched(mark(101, ""), Touch.FIRM)))
                .isPresent();
        assertThat(refusal(cup, new LogEntry.FaultsSeen(mark(101, "a chip"), List.of())))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("left the bench"));
        assertThat(refusal(cup, new LogEntry.Skipped(mark(101, "why"), 1)))
                .map(Refusal::message)
                .hasValueSatisfying(message -> assertThat(message).contains("left the bench"));
        assertThat(refusal(cup, plain(LogEntry.Kind.NOTED, 101, "a remark"))).isEmpty();
        assertThat(refusal(cup, plain(LogEntry.Kind.REOPENED, 101, ""))).isEmpty();
    }

    @Test
    void aFaultIsSeenOnACoatAndOnNothingElse() {
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()));
        LogEntry haze =
                new LogEntry.FaultsSeen(mark(30, ""), List.of(new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME)));
        assertThat(refusal(cup, haze)).map(Refusal::message).hasValueSatisfying(message -> assertThat(message)
                .contains("No coat was on this cup then"));
        LogEntry patchy =
                new LogEntry.FaultsSeen(mark(30, ""), List.of(new Sighting(Blemish.PATCHY, Zone.ALL, Extent.SOME)));
        assertThat(refusal(cup, patchy)).isPresent();
        Cup glittered = cup(step(1, GLITTER, Wait.none()), step(2, FLOOD_COAT, Wait.none()));
        log.add(new LogEntry.StepDone(mark(1, ""), 1));
        assertThat(refusal(glittered.withLog(log), patchy))
                .as("glitter shows it before there is a coat")
                .isEmpty();
        assertThat(refusal(glittered.withLog(log), haze)).isPresent();
        log.clear();
        log.add(pour(1, 1, 20));
        assertThat(refusal(cup.withLog(log), haze)).isEmpty();
        assertThat(refusal(cup.withLog(log), new LogEntry.FaultsSeen(mark(30, " "), List.of())))
                .isPresent();
    }

    @Test
    void aCupIsHandedOverOnce() {
        log.add(pour(1, 1, 20));
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()));
        assertThat(refusal(cup, plain(LogEntry.Kind.HANDED_OVER, 100, ""))).isEmpty();
        log.add(plain(LogEntry.Kind.HANDED_OVER, 100, ""));
        assertThat(refusal(cup.withLog(log), plain(LogEntry.Kind.HANDED_OVER, 101, "")))
                .map(Refusal::message)
                .contains("The cup is handed over already.");
    }

    @Test
    void aCupThatIsOnTheBenchIsNotOpenedAgain() {
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()));
        assertThat(refusal(cup, plain(LogEntry.Kind.REOPENED, 1, "")))
                .map(Refusal::message)
                .contains("The cup is on the bench already.");
        log.add(pour(1, 1, 20));
        assertThat(refusal(cup.withLog(log), plain(LogEntry.Kind.REOPENED, 9, "")))
                .as("no step is left")
                .isEmpty();
    }

    @Test
    void givingUpWantsAReasonAndATimeAfterTheWork() {
        log.add(pour(1, 5, 20));
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()), step(2, BUILD_COAT, Wait.straightOn()));
        assertThat(refusal(cup, plain(LogEntry.Kind.ABANDONED, 6, " ")))
                .map(Refusal::field)
                .contains("note");
        assertThat(refusal(cup, plain(LogEntry.Kind.ABANDONED, 6, "It fell."))).isEmpty();
        LogEntry before = plain(LogEntry.Kind.ABANDONED, 4, "It fell.");
        assertThat(LegalMoves.refusalOf(cup.at(ROOM, hour(6)), cup, before, hour(6)))
                .map(Refusal::field)
                .contains("at");
    }

    @Test
    void onlyACoatThatLiesThereIsTouched() {
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()), step(2, BUILD_COAT, Wait.straightOn()));
        assertThat(refusal(cup, new LogEntry.Touched(mark(1, ""), Touch.WET))).isPresent();
        log.add(pour(1, 5, 20));
        Cup poured = cup.withLog(log);
        assertThat(refusal(poured, new LogEntry.Touched(mark(5, ""), Touch.WET)))
                .isEmpty();
        LogEntry before = new LogEntry.Touched(mark(4.9, ""), Touch.WET);
        assertThat(LegalMoves.refusalOf(poured.at(ROOM, hour(6)), poured, before, hour(6)))
                .map(Refusal::message)
                .contains("There was no coat to touch then.");
    }

    /** P15: from 8 h on. */
    @Test
    void scuffingBeforeACoatIsSandableIsAskedAbout() {
        log.add(pour(1, 1, 20));
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()), step(2, BUILD_COAT, Wait.straightOn()));
        assertThat(LegalMoves.concernsAbout(cup.at(ROOM, hour(8.5)), cup, LogEntry.scuffed(mark(8.5, ""))))
                .singleElement()
                .satisfies(concern -> {
                    assertThat(concern.key()).isEqualTo("SAND_TOO_SOON");
                    assertThat(concern.about()).isEqualTo("Scuffed");
                    assertThat(concern.message()).contains("gums the paper");
                });
        assertThat(concerns(cup, LogEntry.scuffed(mark(9.1, "")))).isEmpty();
    }

    /** A wait of the plan's own, beyond what practice asks. */
    @Test
    void aWaitOfThePlanIsNotAskedAbout() {
        log.add(pour(1, 1, 20));
        PlanStep first = step(1, FLOOD_COAT, Wait.none());
        assertThat(concerns(cup(first, step(2, StepKind.WASH, Wait.age(20))), new LogEntry.StepDone(mark(15, ""), 2)))
                .isEmpty();
        assertThat(concerns(cup(first, step(2, StepKind.WASH, Wait.age(20))), new LogEntry.StepDone(mark(21.5, ""), 2)))
                .isEmpty();
        assertThat(concerns(
                        cup(first, step(2, StepKind.SAND_RIM, Wait.age(20))), new LogEntry.StepDone(mark(15, ""), 2)))
                .isEmpty();
        assertThat(concerns(cup(first, step(2, BUILD_COAT, Wait.age(11))), pour(2, 10, 20)))
                .isEmpty();
    }

    /** P18, P19: glitter goes on while the film is wet. */
    @Test
    void whatIsDoneAfterItsWindowIsAskedAboutByItsTitle() {
        log.add(pour(1, 1, 20));
        PlanStep glitter = step(2, StepKind.GLITTER, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)));
        Cup cup = cup(step(1, StepKind.ADHESIVE, Wait.none()), glitter);
        assertThat(concerns(cup, new LogEntry.StepDone(mark(9, ""), 2)))
                .singleElement()
                .asString()
                .startsWith("The film holds no glitter any more");
        assertThat(concerns(cup, new LogEntry.StepDone(mark(1.2, ""), 2))).isEmpty();
    }

    /** 205 mm of a cup 229.3 mm around with 5 mm bare and its base coated: 3 mm of film is the most. */
    @Test
    void theMostACupCarriesIsStillTaken() {
        Cup cup = cup(step(1, FLOOD_COAT, Wait.none()));
        double mostMl = 3 * cup.blank().area().coatedCm2() / 10;
        assertThat(refusal(cup, pour(1, 1, mostMl))).isEmpty();
        assertThat(refusal(cup, pour(1, 1, mostMl * 1.001))).map(Refusal::field).contains("amount");
    }
}

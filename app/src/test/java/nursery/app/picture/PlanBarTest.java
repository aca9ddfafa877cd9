package nursery.app.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import nursery.app.picture.PlanBar.Coat;
import nursery.app.picture.PlanBar.Stretch;
import nursery.app.picture.TimeBar.Frame;
import nursery.app.picture.TimeBar.Piece;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.Span;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

/** A row of the plan over a hundred hours, so that an hour is a hundredth of its width. */
class PlanBarTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final Frame HUNDRED_HOURS = new Frame(
            new Span(START, hour(100)),
            new QuietHours(LocalTime.of(22, 0), LocalTime.of(6, 0), ZoneOffset.UTC),
            Clock.H24);

    private static Instant hour(double hours) {
        return START.plus(Duration.ofMinutes(Math.round(hours * 60)));
    }

    private static CoatTimes poured(double atHour) {
        return new CoatTimes(StartingProfile.REGULAR.label(), RoomCourse.steady(22), hour(atHour));
    }

    @Test
    void aCoatIsDrawnInItsPhasesByTheLabel() {
        // Common practice for regular resin: turning 4 h, straight on from 4 h, well until 12 h, less until 24 h
        // (P13 to P17).
        PlanBar bar = PlanBar.of(
                HUNDRED_HOURS, List.of(new Coat(poured(10), hour(100))), List.of(), List.of(), Optional.empty());

        assertThat(bar.coats())
                .extracting(Piece::style, Piece::x)
                .contains(tuple("tack", 14.0), tuple("fading", 22.0), tuple("cured", 34.0));
        assertThat(bar.coats()).noneMatch(piece -> piece.style().equals("full-cure"));
        // Full cure after 72 h: there the row is bare again.
        Piece last = bar.coats().get(bar.coats().size() - 1);
        assertThat(last.x() + last.width()).isCloseTo(82, within(0.01));
    }

    @Test
    void aCoatEndsWhereTheNextBegins() {
        PlanBar bar = PlanBar.of(
                HUNDRED_HOURS,
                List.of(new Coat(poured(10), hour(15)), new Coat(poured(15), hour(40))),
                List.of(),
                List.of(),
                Optional.empty());

        assertThat(bar.coats())
                .filteredOn(piece -> piece.x() < 15)
                .allSatisfy(piece -> assertThat(piece.x() + piece.width()).isLessThanOrEqualTo(15.01));
        assertThat(bar.coats()).extracting(Piece::style).containsSubsequence("tack", "workable", "tack");
        assertThat(bar.coats())
                .allSatisfy(piece -> assertThat(piece.x() + piece.width()).isLessThanOrEqualTo(40.01));
    }

    @Test
    void workAndSessionsLieWhereTheirHoursAre() {
        Stretch sanding = new Stretch(new Span(hour(20), hour(20.5)), "work", "", "Sand the body");
        PlanBar bar = PlanBar.of(
                HUNDRED_HOURS,
                List.of(),
                List.of(sanding),
                List.of(new Stretch(new Span(hour(18), hour(22)), "session", "", "At the bench")),
                Optional.empty());

        assertThat(bar.work())
                .extracting(Piece::x, Piece::width, Piece::title)
                .containsExactly(tuple(20.0, 0.5, "Sand the body"));
        assertThat(bar.sessions()).extracting(Piece::x, Piece::width).containsExactly(tuple(18.0, 4.0));
        assertThat(bar.quiet()).extracting(Piece::x).containsExactly(0.0, 22.0, 46.0, 70.0, 94.0);
    }

    @Test
    void noWordIsWrittenUnderTheDayItIsDue() {
        List<Coat> coats = List.of(new Coat(poured(10), hour(100)));
        assertThat(PlanBar.of(HUNDRED_HOURS, coats, List.of(), List.of(), Optional.of(hour(60)))
                        .coats())
                .extracting(Piece::word)
                .contains("cured");
        assertThat(PlanBar.of(HUNDRED_HOURS, coats, List.of(), List.of(), Optional.of(hour(37)))
                        .coats())
                .extracting(Piece::word)
                .doesNotContain("cured");
    }

    @Test
    void whatLiesOutsideIsNotDrawn() {
        PlanBar bar = PlanBar.of(
                HUNDRED_HOURS,
                List.of(),
                List.of(
                        new Stretch(new Span(hour(-5), hour(-4)), "work", "", ""),
                        new Stretch(new Span(hour(101), hour(102)), "work", "", "")),
                List.of(),
                Optional.of(hour(120)));

        assertThat(bar.work()).isEmpty();
        assertThat(bar.due()).isEmpty();
        assertThat(PlanBar.of(HUNDRED_HOURS, List.of(), List.of(), List.of(), Optional.of(hour(72)))
                        .due())
                .contains(72.0);
    }

    @Test
    void aCupsCodeStandsOnItsTurningOnlyWhereItFits() {
        PlanBar bar = PlanBar.turning(
                HUNDRED_HOURS,
                List.of(
                        new Stretch(new Span(hour(1), hour(5)), "turning", "A-01", "A-01 turns"),
                        new Stretch(new Span(hour(10), hour(11)), "turning", "A-02", "A-02 turns")),
                List.of());

        assertThat(bar.coats())
                .extracting(Piece::word, Piece::title)
                .containsExactly(tuple("A-01", "A-01 turns"), tuple("", "A-02 turns"));
    }
}

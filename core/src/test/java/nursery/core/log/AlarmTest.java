package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.log.Alarm.Kind;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

class AlarmTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final QuietHours NIGHT = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);

    private static CupStory flooded(double roomC) {
        return new CupStory(REGULAR, RoomCourse.steady(roomC)).flooded();
    }

    /** P13, P14: poured at hour 6, may come off the turner and be recoated from hour 10, until hour 12. */
    @Test
    void aFloodedCupTellsItsWindowAndItsTurner() {
        List<Alarm> alarms = Alarm.of("A-01", flooded(22).at(7), hour(7));
        assertThat(alarms)
                .extracting(Alarm::kind)
                .containsExactlyInAnyOrder(Kind.OPENS, Kind.TURNER_MAY_STOP, Kind.CLOSES);
        assertThat(alarms)
                .filteredOn(alarm -> alarm.kind() == Kind.OPENS)
                .singleElement()
                .satisfies(alarm -> {
                    assertThat(alarm.at()).isEqualTo(hour(10));
                    assertThat(alarm.title()).isEqualTo("A-01: Second coat");
                    assertThat(alarm.why()).contains("If missed: Let it harden");
                });
        assertThat(alarms)
                .filteredOn(alarm -> alarm.kind() == Kind.CLOSES)
                .singleElement()
                .satisfies(alarm -> {
                    assertThat(alarm.at()).isEqualTo(hour(29.5));
                    assertThat(alarm.until()).contains(hour(30));
                });
        assertThat(Alarm.of("A-01", flooded(22).at(31), hour(31)))
                .as("what is past is not told")
                .extracting(Alarm::kind)
                .doesNotContain(Kind.CLOSES);
    }

    /**
     * In a colder room the moments move and the keys stay, so that a calendar moves its entries instead of doubling
     * them.
     */
    @Test
    void theKeysStayWhenTheWindowMoves() {
        List<Alarm> warm = Alarm.of("A-01", flooded(22).at(7), hour(7));
        List<Alarm> cold = Alarm.of("A-01", flooded(15).at(7), hour(7));
        assertThat(cold)
                .extracting(Alarm::key)
                .containsExactlyInAnyOrderElementsOf(
                        warm.stream().map(Alarm::key).toList());
        assertThat(cold.get(0).at()).isAfter(warm.get(0).at());
    }

    private static Alarm alarm(Kind kind, String at, String until) {
        return new Alarm(
                "key",
                kind,
                "A-01: Second coat",
                Instant.parse(at),
                until.isEmpty() ? Optional.empty() : Optional.of(Instant.parse(until)),
                "");
    }

    @Test
    void nothingIsHeardInTheQuietHours() {
        assertThat(alarm(Kind.OPENS, "2026-03-02T20:00:00Z", "").heardAt(NIGHT))
                .contains(Instant.parse("2026-03-02T20:00:00Z"));
        assertThat(alarm(Kind.OPENS, "2026-03-03T01:00:00Z", "").heardAt(NIGHT))
                .as("open at any time: told in the morning")
                .contains(Instant.parse("2026-03-03T06:30:00Z"));
        assertThat(alarm(Kind.OPENS, "2026-03-03T01:00:00Z", "2026-03-03T03:00:00Z")
                        .heardAt(NIGHT))
                .as("over by the morning")
                .isEmpty();
        assertThat(alarm(Kind.CLOSES, "2026-03-03T02:30:00Z", "2026-03-03T03:00:00Z")
                        .heardAt(NIGHT))
                .as("told before the night")
                .contains(Instant.parse("2026-03-02T22:15:00Z"));
        assertThat(alarm(Kind.CLOSES, "2026-03-02T23:00:00Z", "2026-03-03T08:00:00Z")
                        .heardAt(NIGHT))
                .contains(Instant.parse("2026-03-03T06:30:00Z"));
    }

    @Test
    void aShortWindowIsWarnedOfAtHalfTime() {
        CupStory glittering = new CupStory(REGULAR, RoomCourse.steady(22))
                .done(nursery.core.technique.StepKind.PREP, 0.5)
                .done(nursery.core.technique.StepKind.PAINT, 1)
                .poured(nursery.core.technique.StepKind.ADHESIVE, 2, 1);
        Alarm closes = Alarm.of("A-01", glittering.at(2), hour(2)).stream()
                .filter(alarm -> alarm.kind() == Kind.CLOSES)
                .findFirst()
                .orElseThrow();
        Duration half = Duration.between(
                        hour(2).plus(Duration.ofMinutes(2)), closes.until().orElseThrow())
                .dividedBy(2);
        assertThat(Duration.between(closes.at(), closes.until().orElseThrow())).isEqualTo(half);
    }
}

package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.core.cure.RoomCourse;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

/**
 * Hands and spindles over the slots. The shop opens at 7:00, its first slot, until 11:00 (slots 0 to 47), and has the
 * booth from 8:00 to 9:00 (slots 12 to 23); the next day begins at slot 288.
 */
class BenchTest {

    private static final QuietHours NEVER_QUIET =
            new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);

    private static Bench bench(int spindles) {
        Map<DayOfWeek, DayHours> hours = new EnumMap<>(DayOfWeek.class);
        Map<DayOfWeek, DayHours> booth = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            hours.put(day, DayHours.parse("07:00-11:00"));
            booth.put(day, DayHours.parse("08:00-09:00"));
        }
        Bench bench = new Bench(new Problem(new Workshop(
                RandomWorkshop.NOW,
                RoomCourse.steady(22),
                new BenchHours(hours, booth, Map.of(), NEVER_QUIET),
                IntStream.rangeClosed(1, spindles)
                        .mapToObj(i -> new Spindle(i, "spindle " + i))
                        .toList(),
                List.of(RandomWorkshop.plainCup("N-001", 0, StartingProfile.REGULAR.label(), Optional.empty())),
                List.of(),
                Duration.ofDays(2))));
        bench.clear();
        return bench;
    }

    @Test
    void handsAreWhereTheBenchIsOpenAndNobodyWorks() {
        Bench bench = bench(1);
        assertThat(bench.hands(0, 48, false)).isZero();
        assertThat(bench.hands(0, 49, false)).isEqualTo(Bench.NOWHERE);
        assertThat(bench.hands(1, 48, false)).isEqualTo(288);
        bench.work(10, 5);
        assertThat(bench.hands(0, 10, false)).isZero();
        assertThat(bench.hands(0, 11, false)).isEqualTo(15);
        assertThat(bench.hands(12, 1, false)).isEqualTo(15);
        assertThat(bench.hands(0, 34, false)).isEqualTo(288);
        assertThat(bench.hands(300, 36, false)).isEqualTo(300);
        assertThat(bench.hands(300, 37, false)).as("two days are planned").isEqualTo(Bench.NOWHERE);
        bench.clear();
        assertThat(bench.hands(0, 48, false)).as("wiped clean").isZero();
    }

    @Test
    void theBoothIsWaitedForWithHandsToUseIt() {
        Bench bench = bench(1);
        assertThat(bench.hands(0, 6, true)).isEqualTo(12);
        assertThat(bench.hands(0, 12, true)).isEqualTo(12);
        assertThat(bench.hands(13, 12, true)).as("not all of it").isEqualTo(300);
        bench.work(12, 3);
        assertThat(bench.hands(0, 9, true)).isEqualTo(15);
        assertThat(bench.hands(0, 10, true)).isEqualTo(300);
    }

    @Test
    void whatIsKeptOrWorkedIsTaken() {
        Bench bench = bench(1);
        bench.keep(20, 4);
        bench.work(30, 2);
        assertThat(bench.isTaken(16, 4)).isFalse();
        assertThat(bench.isTaken(16, 5)).isTrue();
        assertThat(bench.isTaken(23, 1)).isTrue();
        assertThat(bench.isTaken(24, 6)).isFalse();
        assertThat(bench.isTaken(24, 7)).isTrue();
        assertThat(bench.isTaken(31, 1)).isTrue();
        assertThat(bench.isTaken(32, 9)).isFalse();
        assertThat(bench.isTaken(100, 9)).as("closed, but not taken").isFalse();
        assertThat(bench.hands(18, 3, false)).isEqualTo(24);
    }

    @Test
    void aSpindleIsFreeWhereNotAllOfThemTurn() {
        Bench bench = bench(2);
        bench.turn(5, 15);
        assertThat(bench.lastFull(0, 100)).isEqualTo(Bench.NOWHERE);
        bench.turn(10, 20);
        assertThat(bench.lastFull(0, 100)).isEqualTo(14);
        assertThat(bench.lastFull(0, 12)).isEqualTo(11);
        assertThat(bench.lastFull(0, 10)).isEqualTo(Bench.NOWHERE);
        assertThat(bench.lastFull(14, 100)).isEqualTo(14);
        assertThat(bench.lastFull(15, 100)).isEqualTo(Bench.NOWHERE);
        bench.clear();
        assertThat(bench.lastFull(0, 100)).isEqualTo(Bench.NOWHERE);
        bench.turn(10, 12);
        assertThat(bench.lastFull(0, 100)).as("nothing turns on from before").isEqualTo(Bench.NOWHERE);
        assertThat(bench(0).lastFull(0, 100)).isEqualTo(99);
    }

    /** Work up to an hour apart is one session; what gathers is the sum of their squares. */
    @Test
    void sessionsArePartedByMoreThanAnHour() {
        Bench bench = bench(1);
        assertThat(bench.sessions()).isZero();
        assertThat(bench.gathered()).isZero();
        bench.work(2, 4);
        assertThat(bench.sessions()).isOne();
        assertThat(bench.gathered()).isEqualTo(16);
        bench.work(18, 3);
        assertThat(bench.sessions()).as("an hour between them").isOne();
        assertThat(bench.gathered()).isEqualTo(49);
        bench.work(34, 2);
        assertThat(bench.sessions()).as("an hour and five minutes").isEqualTo(2);
        assertThat(bench.gathered()).isEqualTo(49 + 4);
        bench.work(36, 1);
        assertThat(bench.gathered()).isEqualTo(49 + 9);
        bench.work(300, 5);
        assertThat(bench.sessions()).isEqualTo(3);
        assertThat(bench.gathered()).isEqualTo(49 + 9 + 25);
    }
}

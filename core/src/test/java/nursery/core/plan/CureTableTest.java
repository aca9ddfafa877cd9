package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.CureClock;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.measure.Span;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

/** The planner's slots and its table of the cure clock, against the clock itself. */
class CureTableTest {

    private static final Instant ORIGIN = Instant.parse("2026-03-02T07:00:00Z");
    private static final Label LABEL = StartingProfile.REGULAR.label();
    private static final Grid GRID = Grid.from(ORIGIN, Duration.ofDays(14));

    private static RoomCourse room(long seed) {
        Random random = new Random(seed);
        List<RoomReading> readings = new ArrayList<>();
        for (int hour = -24; hour <= 96; hour += 3) {
            readings.add(new RoomReading(ORIGIN.plus(Duration.ofHours(hour)), 10 + random.nextInt(20)));
        }
        return new RoomCourse(readings);
    }

    @Property(tries = 200)
    void aWindowOpensAtTheFirstSlotAtWhichTheClockSaysSo(
            @ForAll long seed,
            @ForAll @IntRange(min = 0, max = 2000) int poured,
            @ForAll @DoubleRange(min = 0.1, max = 80) double ageH) {
        CureTable table = new CureTable(CureClock.of(LABEL), room(seed), GRID);
        Instant opens = new CoatTimes(LABEL, room(seed), GRID.instant(poured)).at(ageH);

        int slot = table.from(table.at(poured) + ageH);

        assertThat(GRID.instant(slot)).isAfterOrEqualTo(opens);
        assertThat(GRID.instant(slot - 1)).isBefore(opens.plusMillis(1));
    }

    @Property(tries = 200)
    void theLastSlotBeforeItClosesLiesBeforeItsEnd(
            @ForAll long seed,
            @ForAll @IntRange(min = 0, max = 2000) int poured,
            @ForAll @DoubleRange(min = 0.1, max = 80) double ageH) {
        CureTable table = new CureTable(CureClock.of(LABEL), room(seed), GRID);
        Instant closes = new CoatTimes(LABEL, room(seed), GRID.instant(poured)).at(ageH);

        int slot = table.untilExclusive(table.at(poured) + ageH);

        assertThat(GRID.instant(slot - 1)).isBefore(closes);
        assertThat(GRID.instant(slot)).isAfterOrEqualTo(closes.minusMillis(1));
    }

    @Test
    void pastTheForecastTheRoomStandsStill() {
        RoomCourse room = room(7);
        CureTable table = new CureTable(CureClock.of(LABEL), room, GRID);
        int late = GRID.slotFrom(ORIGIN.plus(Duration.ofDays(9)));

        assertThat(table.at(late))
                .isCloseTo(CureClock.of(LABEL).equivalentAgeHours(room, ORIGIN, GRID.instant(late)), within(1e-6));
    }

    @Test
    void aDayAtThirtyDegreesIsFortySevenHoursAtTwenty() {
        // ASTM C1074 equivalent age with 50 kJ/mol: 24 h at 30 °C are 47.2 h at 20 °C.
        CureTable table = new CureTable(new CureClock(20, 50), RoomCourse.steady(30), GRID);

        assertThat(table.at(24 * 60 / Grid.MINUTES)).isCloseTo(47.2, within(0.05));
    }

    @Test
    void slotsBeginOnFullFiveMinutes() {
        assertThat(Grid.from(Instant.parse("2026-03-02T07:01:00Z"), Duration.ofDays(1))
                        .origin())
                .isEqualTo("2026-03-02T07:05:00Z");
        assertThat(Grid.from(ORIGIN.plusNanos(1), Duration.ofDays(1)).origin()).isEqualTo("2026-03-02T07:05:00Z");
        assertThat(GRID.slotFrom(ORIGIN.minus(Duration.ofMinutes(7)))).isEqualTo(-1);
        assertThat(GRID.slotFrom(ORIGIN.plus(Duration.ofMinutes(6)))).isEqualTo(2);
        assertThat(Grid.lasting(15)).isEqualTo(3);
        assertThat(Grid.lasting(12)).isEqualTo(3);
        assertThat(Grid.lasting(0)).isZero();
    }

    @Test
    void aSlotThatOnlyPartlyLiesInTheHoursIsClosed() {
        BitSet closed = GRID.outside(
                List.of(new Span(ORIGIN.plus(Duration.ofMinutes(7)), ORIGIN.plus(Duration.ofMinutes(23)))));

        assertThat(closed.nextClearBit(0)).isEqualTo(2);
        assertThat(closed.nextSetBit(2)).isEqualTo(4);
    }
}

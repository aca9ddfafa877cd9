package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a room's weekends are told apart by. 2 March 2026 is a Monday. */
class RoomWeekTest {

    private static final Instant MONDAY = Instant.parse("2026-03-02T00:00:00Z");

    private static Instant day(double days) {
        return MONDAY.plus(Duration.ofMinutes(Math.round(days * 24 * 60)));
    }

    /** 20 °C, and five less on Saturdays and Sundays. */
    private static RoomCourse weekends(int days, double perDayC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i <= days * 48; i++) {
            Instant at = day(i / 48.0);
            boolean off = RoomDays.isWeekend(at, ZoneOffset.UTC);
            readings.add(new RoomReading(at, 20 + perDayC * i / 48 - (off ? 5 : 0)));
        }
        return new RoomCourse(readings);
    }

    private static RoomWeek week(RoomCourse course, ZoneId zone) {
        Instant last = course.lastReadingAt();
        return RoomWeek.of(course, last, RoomDays.of(course, last, zone), zone);
    }

    @Test
    void aWeekendLiesByItsDifferenceBelowTheOtherDays() {
        RoomWeek week = week(weekends(18, 0), ZoneOffset.UTC);
        assertThat(week.offC(day(26.5))).as("a Saturday noon to come").isCloseTo(-5, within(1e-6));
        assertThat(week.offC(day(27.5))).as("a Sunday noon").isCloseTo(-5, within(1e-6));
        assertThat(week.offC(day(24.5))).as("a Thursday").isZero();
        assertThat(week.offC(day(28.5))).as("a Monday noon, back already").isCloseTo(0, within(1e-6));
        assertThat(week.weekends()).as("7, 8, 14 and 15 March").isEqualTo(2);
    }

    /** By hand: it cools 0.3 °C a day through weekend and week alike; that is no part of the weekend. */
    @Test
    void whatBecomesColderAllTheTimeIsNoWeekend() {
        RoomWeek week = week(weekends(12, -0.3), ZoneOffset.UTC);
        assertThat(week.offC(day(12.6))).isCloseTo(-5, within(0.2));
    }

    @Test
    void withoutItTheRoomIsEven() {
        RoomCourse course = weekends(18, 0);
        RoomCourse even = week(course, ZoneOffset.UTC).without(course);
        assertThat(even.temperatureCAt(day(12.5))).isCloseTo(20, within(1e-6));
        assertThat(even.temperatureCAt(day(9.5))).isCloseTo(20, within(1e-6));
    }

    /** A Saturday begins when it does in the shop: in Auckland in March thirteen hours before it does in London. */
    @Test
    void weekendsAreThoseOfTheZone() {
        ZoneId auckland = ZoneId.of("Pacific/Auckland");
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i <= 19 * 48; i++) {
            Instant at = day(i / 48.0);
            readings.add(new RoomReading(at, RoomDays.isWeekend(at, auckland) ? 15 : 20));
        }
        RoomWeek week = week(new RoomCourse(readings), auckland);
        assertThat(week.offC(Instant.parse("2026-03-27T16:00:00Z")))
                .as("5 in the morning of Saturday there")
                .isCloseTo(-5, within(1e-6));
        assertThat(week.offC(Instant.parse("2026-03-29T16:00:00Z"))).isCloseTo(0, within(1e-6));
    }

    @Test
    void aRoomWhoseDaysAreAllAlikeHasNone() {
        RoomCourse even = new RoomCourse(List.of(new RoomReading(day(0), 20), new RoomReading(day(20), 20)));
        RoomWeek week = week(even, ZoneOffset.UTC);
        assertThat(week.offC(day(5.5))).isZero();
        assertThat(week.widening()).isEqualTo(1);
        assertThat(week.without(even)).isSameAs(even);
    }

    /** By hand: √((1 + 0.25/2) ÷ (1 − 0.25/2)) = 1.134; with one weekend √(1.25 ÷ 0.75) = 1.291. */
    @Test
    void fewerWeekendsMakeTheRangeWider() {
        assertThat(week(weekends(18, 0), ZoneOffset.UTC).widening()).isCloseTo(1.134, within(0.001));
        assertThat(new RoomWeek(ZoneOffset.UTC, List.of(0.0), 1).widening()).isCloseTo(1.291, within(0.001));
    }
}

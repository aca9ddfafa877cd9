package nursery.core.cure;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * How far a room's weekends, and the Mondays on which it comes back, lie from its other days at the same hour: the mean
 * of the weekends known, evened out over some hours, since one weekend is little to go by.
 *
 * @param zone whose weekends
 * @param offC by the hour of the week from Monday on, °C; 0 where nothing differs
 * @param weekends it is the mean of, 1.5 for three of their days
 */
record RoomWeek(ZoneId zone, List<Double> offC, double weekends) {

    private static final int DAY_H = 24;
    private static final int WEEK_H = 7 * DAY_H;
    /** Part of the days that differ, less for the evening out; from memory. */
    private static final double DIFFERENT_DAYS = 0.25;
    /** Hours on each side over which it is evened out; from memory. */
    private static final int EVENED_H = 3;

    RoomWeek {
        offC = List.copyOf(offC);
    }

    /** A room whose days are all alike. */
    static RoomWeek none(ZoneId zone) {
        return new RoomWeek(zone, List.of(), 0);
    }

    /** Of what is known at a moment, put on one level by the trend there is. */
    static RoomWeek of(RoomCourse history, Instant now, RoomDays known, ZoneId zone) {
        if (!known.hasWeek()) {
            return none(zone);
        }
        Mean[] week = means(WEEK_H);
        Mean[] usual = means(DAY_H);
        Set<LocalDate> weekendDays = new HashSet<>();
        for (RoomReading reading : history.readings(history.firstReadingAt(), now)) {
            ZonedDateTime local = reading.at().atZone(zone);
            double celsius = reading.temperatureC() + known.levelC(reading.at());
            week[hour(local)].add(celsius);
            if (RoomDays.isWeekend(reading.at(), zone)) {
                weekendDays.add(local.toLocalDate());
            }
            if (!differs(local.getDayOfWeek())) {
                usual[local.getHour()].add(celsius);
            }
        }
        double[] off = new double[WEEK_H];
        for (int hour = 0; hour < WEEK_H; hour++) {
            Mean then = week[hour];
            Mean weekday = usual[hour % DAY_H];
            off[hour] = differs(day(hour)) && then.count > 0 && weekday.count > 0 ? then.value() - weekday.value() : 0;
        }
        Double[] even = new Double[WEEK_H];
        for (int hour = 0; hour < WEEK_H; hour++) {
            even[hour] = 0.0;
            for (int by = -EVENED_H; differs(day(hour)) && by <= EVENED_H; by++) {
                even[hour] += off[Math.floorMod(hour + by, WEEK_H)] / (2 * EVENED_H + 1);
            }
        }
        return new RoomWeek(zone, List.of(even), Math.max(1, weekendDays.size()) / 2.0);
    }

    double offC(Instant at) {
        return offC.isEmpty() ? 0 : offC.get(hour(at.atZone(zone)));
    }

    /**
     * How much wider a range is for so few weekends. What is left of a day from which the mean of n such days was taken
     * has its (1 − 1/n)-th part of the variance, and the next such day (1 + 1/n) of it.
     */
    double widening() {
        return offC.isEmpty() ? 1 : Math.sqrt((1 + DIFFERENT_DAYS / weekends) / (1 - DIFFERENT_DAYS / weekends));
    }

    /** The room as it would have been without it. */
    RoomCourse without(RoomCourse history) {
        return offC.isEmpty()
                ? history
                : new RoomCourse(history.readings(history.firstReadingAt(), history.lastReadingAt()).stream()
                        .map(reading -> new RoomReading(
                                reading.at(), RoomReading.possibleC(reading.temperatureC() - offC(reading.at()))))
                        .toList());
    }

    private static int hour(ZonedDateTime local) {
        return (local.getDayOfWeek().getValue() - 1) * DAY_H + local.getHour();
    }

    private static DayOfWeek day(int hour) {
        return DayOfWeek.of(hour / DAY_H + 1);
    }

    private static boolean differs(DayOfWeek day) {
        return day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY || day == DayOfWeek.MONDAY;
    }

    private static Mean[] means(int count) {
        Mean[] means = new Mean[count];
        for (int i = 0; i < count; i++) {
            means[i] = new Mean();
        }
        return means;
    }

    private static final class Mean {
        private double sum;
        private int count;

        void add(double value) {
            sum += value;
            count++;
        }

        double value() {
            return sum / count;
        }
    }
}

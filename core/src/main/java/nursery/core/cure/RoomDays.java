package nursery.core.cure;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/**
 * What the last weeks' days say beside the time of day: whether the room becomes colder or warmer from day to day, and
 * whether its weekends differ.
 *
 * <p>The means of the days known are fitted by least squares, {@code m = a + b·day + c·weekend}. A slope is believed
 * the more the surer it is: spells of weather make slopes, too, and those do not go on. It is led on for a fortnight at
 * most, a little damped (Gardner and McKenzie, Management Science 31, 1985).
 *
 * @param perDayC how much warmer each day is, as far as that is believed
 * @param fittedC the same as it was fitted, whether it goes on or not
 * @param hasWeek whether weekends differ surely
 */
record RoomDays(Instant now, double perDayC, double fittedC, boolean hasWeek) {

    static final int WEEK = 7;
    /** From so much on a trend can have been known. */
    static final Duration KNOWS_A_TREND = Duration.ofDays(9);

    private static final int LOOKS_BACK = 21;
    private static final int LEAST_DAYS = 4;
    private static final int SAMPLES = 12;
    /** A slope so many times its standard error is believed by half; from memory. */
    private static final double HALF_BELIEVED = 6;
    /** Weekends that differ by so many times their standard error differ; from memory. */
    private static final double SURE = 4;

    private static final double WORTH_C = 0.6;
    /** A room that changes by less from day to day stays what it is; from memory. */
    private static final double SLIGHT_C = 0.1;

    private static final double FORTNIGHT = 14;
    private static final double DAMPED = 0.97;
    private static final double DAY_H = 24;
    private static final double SINGULAR = 1e-9;

    static RoomDays of(RoomCourse history, Instant now, ZoneId zone) {
        int days = (int) Math.min(
                LOOKS_BACK, Duration.between(history.firstReadingAt(), now).toDays());
        if (days < LEAST_DAYS) {
            return new RoomDays(now, 0, 0, false);
        }
        double[] means = new double[days];
        double[] weekend = new double[days];
        for (int day = 0; day < days; day++) {
            for (int i = 0; i < SAMPLES; i++) {
                Instant at =
                        now.minus(Duration.ofMinutes(Math.round((day * DAY_H + (i + 0.5) * DAY_H / SAMPLES) * 60)));
                means[day] += history.temperatureCAt(at) / SAMPLES;
                weekend[day] += isWeekend(at, zone) ? 1.0 / SAMPLES : 0;
            }
        }
        Fit week = days >= WEEK ? Fit.of(means, weekend) : Fit.NONE;
        boolean hasWeek = Math.abs(week.weekendC()) > WORTH_C && week.weekendT() > SURE;
        Fit fit = hasWeek ? week : Fit.of(means, new double[days]);
        double believed = 1 / (1 + Math.pow(HALF_BELIEVED / Math.max(SINGULAR, fit.slopeT()), 4));
        return new RoomDays(now, fit.perDayC() * believed, fit.perDayC(), hasWeek);
    }

    boolean hasTrend() {
        return Math.abs(perDayC) > SLIGHT_C;
    }

    static boolean isWeekend(Instant at, ZoneId zone) {
        DayOfWeek day = at.atZone(zone).getDayOfWeek();
        return day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY;
    }

    /** How much warmer it is now than a moment was, or will be less than one to come, by the trend alone. */
    double sinceC(Instant at) {
        double days = Duration.between(at, now).toMinutes() / 60.0 / DAY_H;
        if (days >= 0) {
            return perDayC * days;
        }
        double ahead = Math.min(FORTNIGHT, -days);
        return -perDayC * (1 - Math.pow(DAMPED, ahead)) / -Math.log(DAMPED);
    }

    /** How much warmer it is now than at a moment of the days known, by the trend as it was fitted. */
    double levelC(Instant past) {
        return fittedC * Duration.between(past, now).toMinutes() / 60.0 / DAY_H;
    }

    /**
     * A fitted trend.
     *
     * @param slopeT the slope by its standard error; likewise for the weekend
     */
    private record Fit(double perDayC, double slopeT, double weekendC, double weekendT) {

        static final Fit NONE = new Fit(0, 0, 0, 0);

        /** Ordinary least squares on the day before now and the part of it that is weekend. */
        static Fit of(double[] means, double[] weekend) {
            int n = means.length;
            double[] x = new double[n];
            for (int i = 0; i < n; i++) {
                x[i] = -i;
            }
            double mx = mean(x);
            double mw = mean(weekend);
            double my = mean(means);
            double xx = 0;
            double ww = 0;
            double xw = 0;
            double xy = 0;
            double wy = 0;
            for (int i = 0; i < n; i++) {
                xx += (x[i] - mx) * (x[i] - mx);
                ww += (weekend[i] - mw) * (weekend[i] - mw);
                xw += (x[i] - mx) * (weekend[i] - mw);
                xy += (x[i] - mx) * (means[i] - my);
                wy += (weekend[i] - mw) * (means[i] - my);
            }
            boolean both = ww > SINGULAR;
            double det = both ? xx * ww - xw * xw : xx;
            if (det < SINGULAR) {
                return NONE;
            }
            double slope = both ? (xy * ww - wy * xw) / det : xy / xx;
            double off = both ? (wy * xx - xy * xw) / det : 0;
            double squares = 0;
            for (int i = 0; i < n; i++) {
                double rest = means[i] - my - slope * (x[i] - mx) - off * (weekend[i] - mw);
                squares += rest * rest;
            }
            int free = n - (both ? 3 : 2);
            double variance = Math.max(SINGULAR, squares / Math.max(1, free));
            double slopeSe = Math.sqrt(variance * (both ? ww : 1) / det);
            double offSe = both ? Math.sqrt(variance * xx / det) : 1;
            return new Fit(slope, Math.abs(slope) / slopeSe, off, Math.abs(off) / offSe);
        }

        private static double mean(double[] values) {
            double sum = 0;
            for (double value : values) {
                sum += value;
            }
            return sum / values.length;
        }
    }
}

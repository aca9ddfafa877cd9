package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Rooms with a trend, with a week of their own, and hardly known: the range of eight in ten holds 75 to 85 of 100
 * truths up to a week ahead, or more or fewer where less than a week is known of the room, and then it says that.
 */
class RoomsAheadTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final int ROOMS = 80;
    private static final double ERROR = 0.025;

    private static Instant hour(double hours) {
        return START.plus(Duration.ofMinutes(Math.round(hours * 60)));
    }

    /** A room by chance: its swing, unrest and spells; cooling or warming evenly; unheated at weekends by so much. */
    private static RoomCourse room(Random random, int days, double trendC, double weekendC) {
        List<RoomReading> readings = new ArrayList<>();
        double swing = 1 + 3 * random.nextDouble();
        double spell = 0;
        double sd = 0.2 + 0.6 * random.nextDouble();
        double phase = 24 * random.nextDouble();
        double off = 0;
        for (int i = 0; i <= days * 48; i++) {
            DayOfWeek day = hour(i / 2.0).atZone(ZoneOffset.UTC).getDayOfWeek();
            boolean isWeekend = day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY;
            off += ((isWeekend ? -weekendC : 0) - off) * (1 - Math.exp(-0.5 / 8));
            spell = spell * Math.exp(-0.5 / 6) + sd * Math.sqrt(1 - Math.exp(-1.0 / 6)) * random.nextGaussian();
            double celsius = 19
                    + swing * Math.sin(2 * Math.PI * (i / 2.0 + phase) / 24)
                    + trendC * i / 48
                    + off
                    + spell
                    + 0.15 * random.nextGaussian();
            readings.add(new RoomReading(hour(i / 2.0), Math.max(-20, celsius)));
        }
        return new RoomCourse(readings);
    }

    @Tag("simulation")
    @ParameterizedTest
    @CsvSource({
        "trend, 8, 0.75, 0.85",
        "trend, 14, 0.75, 0.85",
        "week, 8, 0.75, 0.85",
        "week, 11, 0.75, 0.85",
        "week, 15, 0.75, 0.85",
        "week, 25, 0.75, 0.85",
        "both, 21, 0.75, 0.85",
        "even, 14, 0.75, 0.85",
        "even, 3, 0.75, 0.93",
        "trend, 3, 0.70, 0.85",
        "week, 3, 0.75, 0.85"
    })
    void theRangeHoldsWhatItSays(String kind, int known, double fewest, double most) {
        Forecast forecast = new Forecast.LikeLastDays(4);
        Random random = new Random(20261201 + known);
        int[] leads = {8, 24, 48, 96, 168};
        double[] inside = new double[leads.length];
        for (int trial = 0; trial < ROOMS; trial++) {
            double trend = kind.matches("trend|both") ? 0.7 * (random.nextDouble() - 0.5) : 0;
            double weekend = kind.matches("week|both") ? 2 + 4 * random.nextDouble() : 0;
            int from = random.nextInt(7);
            RoomCourse whole = room(random, from + known + 9, trend, weekend);
            Instant now = hour(24 * (from + known) + random.nextInt(24));
            RoomCourse history = new RoomCourse(whole.readings(hour(24 * from), now));
            RoomCourse ahead = forecast.continuing(history, now, ZoneOffset.UTC);
            Spread spread = forecast.spread(history, ZoneOffset.UTC);
            for (int i = 0; i < leads.length; i++) {
                Instant then = now.plus(Duration.ofHours(leads[i]));
                double off = Math.abs(whole.temperatureCAt(then) - ahead.temperatureCAt(then));
                inside[i] += off <= spread.widthC(Duration.ofHours(leads[i])) ? 1.0 / ROOMS : 0;
            }
        }
        double all = 0;
        for (int i = 0; i < leads.length; i++) {
            all += inside[i] / leads.length;
        }
        // So many rooms tell a share to two in a hundred and a half; measured with 250: see docs/curing.md.
        assertThat(all).as("%s, known for %d days", kind, known).isBetween(fewest - ERROR, most + ERROR);
    }

    /** Cooling by 0.35 °C a day went on for no forecast: 0 of 100 truths at a fortnight. */
    @Test
    void aRoomThatCoolsEvenlyGoesOnCooling() {
        RoomCourse cooling = even(14, -0.35, 0);
        double ahead = new Forecast.LikeLastDays(4)
                .continuing(cooling, hour(24 * 14), ZoneOffset.UTC)
                .temperatureCAt(hour(24 * 21));
        assertThat(ahead).isCloseTo(20 - 0.35 * 21, within(0.35));
    }

    /** Six degrees less at weekends: on a Friday evening the forecast knows what comes. 27 March 2026 is one. */
    @Test
    void aRoomThatIsNotHeatedAtWeekendsIsForetoldSo() {
        RoomCourse weekends = even(26, 0, 6);
        Instant friday = Instant.parse("2026-03-27T20:00:00Z");
        RoomCourse history = new RoomCourse(weekends.readings(Instant.MIN, friday));
        RoomCourse ahead = new Forecast.LikeLastDays(4).continuing(history, friday, ZoneOffset.UTC);
        assertThat(ahead.temperatureCAt(Instant.parse("2026-03-28T14:00:00Z"))).isCloseTo(14, within(0.6));
        assertThat(ahead.temperatureCAt(Instant.parse("2026-03-31T14:00:00Z"))).isCloseTo(20, within(0.6));
    }

    @Test
    void whoKnowsNoSecondWeekendSaysSo() {
        assertThat(Forecast.doubt(hour(0), hour(72))).hasValueSatisfying(words -> assertThat(words)
                .isEqualTo("This room is known for 3 days only: a weekend or other weather may be further off."));
        assertThat(Forecast.doubt(hour(0), hour(10 * 24)))
                .as("one weekend is known")
                .isPresent();
        assertThat(Forecast.doubt(hour(0), hour(11 * 24))).isEmpty();
    }

    private static RoomCourse even(int days, double perDayC, double weekendC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i <= days * 48; i++) {
            boolean off = RoomDays.isWeekend(hour(i / 2.0), ZoneOffset.UTC);
            readings.add(new RoomReading(hour(i / 2.0), 20 + perDayC * i / 48 - (off ? weekendC : 0)));
        }
        return new RoomCourse(readings);
    }
}

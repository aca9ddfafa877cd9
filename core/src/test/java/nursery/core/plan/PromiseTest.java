package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.log.Cup;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Promises made from a forecast, kept or broken by the room as it then was. */
class PromiseTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final int KNOWN_DAYS = 5;
    private static final QuietHours QUIET = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);

    /** A perfectly regular room of 18 ± 5 °C, read every half hour. */
    private static RoomCourse regular(int days) {
        return new RoomCourse(IntStream.rangeClosed(0, days * 48)
                .mapToObj(i -> new RoomReading(
                        START.plus(Duration.ofMinutes(30L * i)), 18 + 5 * Math.sin(2 * Math.PI * i / 48)))
                .toList());
    }

    private static Workshop shop(RoomCourse room, Instant now) {
        List<Cup> cups = IntStream.rangeClosed(1, 8)
                .mapToObj(
                        i -> RandomWorkshop.plainCup("P-00" + i, 0, StartingProfile.REGULAR.label(), Optional.empty()))
                .toList();
        List<Spindle> spindles = IntStream.rangeClosed(1, 4)
                .mapToObj(i -> new Spindle(i, "Spindle " + i))
                .toList();
        return new Workshop(
                now, room, BenchHours.daily(DayHours.parse("07:00-09:00, 18:00-22:30"), QUIET), spindles, cups);
    }

    /** Eight cups promised for the day after they are foretold to be ready, at every hour of two days. */
    @Tag("simulation")
    @Test
    void whatIsPromisedForTheDayAfterIsReadyByThen() {
        RoomCourse truth = regular(60);
        List<String> late = new ArrayList<>();
        for (int hour = 0; hour < 48; hour++) {
            Instant now = START.plus(Duration.ofDays(KNOWN_DAYS)).plus(Duration.ofHours(hour));
            RoomCourse known = new RoomCourse(truth.readings(Instant.MIN, now));
            RoomCourse foretold = new Forecast.LikeLastDays(4).continuing(known, now, ZoneOffset.UTC);
            WeekPlan promised = Planner.plan(shop(foretold, now), Budget.of(200));
            Map<String, Instant> ready =
                    Planner.kept(promised.placements(), shop(truth, now)).readyAt();
            assertThat(ready).hasSize(8);
            for (Map.Entry<String, Instant> cup : promised.readyAt().entrySet()) {
                Instant due = cup.getValue().truncatedTo(ChronoUnit.DAYS).plus(Duration.ofDays(1));
                if (ready.get(cup.getKey()).isAfter(due)) {
                    late.add("%s promised at hour %d".formatted(cup.getKey(), hour));
                }
            }
        }
        assertThat(late).isEmpty();
    }
}

package nursery.app.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Ahead;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.resin.Resin;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** What went wrong in the demo's workshop: three cups that teach, and a past that makes its figures worth a look. */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoFaults {

    private final DemoCups cups;
    private final LogBook log;
    private final Floors floors;

    DemoFaults(DemoCups cups, LogBook log, Floors floors) {
        this.cups = cups;
        this.log = log;
        this.floors = floors;
    }

    /** A sag, a haze after the cold night, and a soft streak. */
    void onTheFloor(Instant now) {
        seen("Level crossing", now.minus(Duration.ofMinutes(40)), new Sighting(Blemish.SAG, Zone.LOWER, Extent.MUCH));
        seen("Milky way", now.minus(Duration.ofHours(2)), new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME));
        seen(
                "Foxglove",
                now.minus(Duration.ofHours(1)),
                new Sighting(Blemish.STREAKS, Zone.MIDDLE, Extent.SOME),
                new Sighting(Blemish.SOFT, Zone.MIDDLE, Extent.LITTLE));
    }

    private void seen(String name, Instant at, Sighting... sightings) {
        floors.at(at.plus(Duration.ofHours(1))).cups().stream()
                .filter(cup -> cup.cup().about().name().equals(name))
                .findFirst()
                .ifPresent(cup -> log.add(
                        cup.code(), new LogEntry.FaultsSeen(DemoCups.mark(at, "Mira", ""), List.of(sightings)), true));
    }

    /**
     * A cup of months ago.
     *
     * @param fault what was seen on its last coat; nothing if empty
     * @param cause what was behind it; empty if nobody found out
     */
    private record Past(String name, String technique, int daysAgo, Optional<Blemish> fault, String cause) {
        static Past sound(String name, String technique, int daysAgo) {
            return new Past(name, technique, daysAgo, Optional.empty(), "");
        }

        static Past faulty(String name, String technique, int daysAgo, Blemish fault, String cause) {
            return new Past(name, technique, daysAgo, Optional.of(fault), cause);
        }
    }

    void inThePast(Instant now, String madeFor, ShelfBlank blank, Resin resin) {
        String hand = "hand-turned";
        String wrap = "wrap-two-days";
        List.of(
                        Past.faulty("Tram stop 1", hand, 96, Blemish.RIPPLES, "out-of-level"),
                        Past.faulty("Tram stop 2", hand, 95, Blemish.SAG, "out-of-level"),
                        Past.sound("Tram stop 3", hand, 94),
                        Past.faulty("Tram stop 4", hand, 88, Blemish.SAG, "stopped-too-soon"),
                        Past.faulty("Tram stop 5", hand, 87, Blemish.RIPPLES, ""),
                        Past.sound("Old depot 1", wrap, 80),
                        Past.faulty("Old depot 2", wrap, 79, Blemish.LIFTING, "edge-over-bump"),
                        Past.sound("Old depot 3", wrap, 72),
                        Past.sound("Old depot 4", wrap, 71),
                        Past.sound("Old depot 5", wrap, 64))
                .forEach(past -> make(past, now, madeFor, blank, resin));
    }

    private void make(Past past, Instant now, String madeFor, ShelfBlank blank, Resin resin) {
        DemoCups.Making making = cups.start(
                new DemoCups.Wanted(
                        past.technique(),
                        past.name(),
                        madeFor,
                        "#2f4a3a",
                        "#d8c07a",
                        floors.show().today().minusDays(past.daysAgo() - 10)),
                blank.id(),
                resin.id(),
                now.minus(Duration.ofDays(past.daysAgo())));
        List<Ahead.Expected> steps = making.ahead();
        Instant last = steps.get(steps.size() - 1).at();
        for (Ahead.Expected step : steps) {
            if (step == steps.get(steps.size() - 1)) {
                past.fault().ifPresent(fault -> tell(making, last, fault, past.cause()));
            }
            if (step.step().kind().isPour()) {
                making.pour(step.step().number(), step.at(), 15, Optional.empty(), "Mira");
            } else {
                making.follow(step, "Mira");
            }
        }
        making.tell(new LogEntry.Plain(
                DemoCups.mark(last.plus(Duration.ofDays(5)), "Mira", ""), LogEntry.Kind.HANDED_OVER));
        making.write();
    }

    private static void tell(DemoCups.Making making, Instant at, Blemish fault, String cause) {
        Mark before = DemoCups.mark(at.minus(Duration.ofMinutes(30)), "Mira", "");
        making.tell(new LogEntry.FaultsSeen(before, List.of(new Sighting(fault, Zone.LOWER, Extent.SOME))));
        if (!cause.isEmpty()) {
            making.tell(new LogEntry.CauseKnown(before, cause));
        }
    }
}

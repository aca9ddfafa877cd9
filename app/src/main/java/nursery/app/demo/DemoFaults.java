package nursery.app.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.app.techniques.TechniqueBook;
import nursery.core.floor.CupNow;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Ahead;
import nursery.core.log.Blemish;
import nursery.core.log.Cup;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.QuietHours;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** What went wrong in the demo's workshop: three cups that teach, and a past that makes its figures worth a look. */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoFaults {

    private static final QuietHours NEVER = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);

    private final CupBook cups;
    private final LogBook log;
    private final Floors floors;
    private final TechniqueBook techniques;

    DemoFaults(CupBook cups, LogBook log, Floors floors, TechniqueBook techniques) {
        this.cups = cups;
        this.log = log;
        this.floors = floors;
        this.techniques = techniques;
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
                .ifPresent(cup ->
                        log.add(cup.code(), new LogEntry.FaultsSeen(mark(at, "Mira", ""), List.of(sightings)), true));
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
        Instant began = now.minus(Duration.ofDays(past.daysAgo()));
        Technique technique = techniques.find(past.technique()).orElseThrow().technique();
        Order order = new Order(
                new Cup.About(past.name(), madeFor, technique.name(), blank.name(), "#2f4a3a", "#d8c07a"),
                1,
                blank.id(),
                blank.blank(),
                new Cup.Resins(resin, resin),
                Schools.of(),
                technique.plan(Schools.of(), Map.of()),
                Optional.of(floors.show().today().minusDays(past.daysAgo() - 10)),
                1);
        String code = cups.start(order, began).get(0);
        CupNow cup = floors.cup(code).orElseThrow();
        Instant last = began;
        List<Ahead.Expected> steps = Ahead.of(cup.cup(), floors.roomOf(cup.cup()), began, NEVER);
        for (Ahead.Expected step : steps) {
            boolean finish = step == steps.get(steps.size() - 1);
            if (finish) {
                past.fault().ifPresent(fault -> tell(code, step.at(), fault, past.cause()));
            }
            last = step.at();
            Mark mark = mark(last, "Mira", "");
            log.add(
                    code,
                    step.step().kind().isPour()
                            ? new LogEntry.Poured(
                                    mark,
                                    step.step().number(),
                                    15,
                                    Optional.empty(),
                                    Optional.of(Pot.of(resin, OptionalLong.empty())))
                            : new LogEntry.StepDone(mark, step.step().number()),
                    true);
        }
        log.add(
                code,
                new LogEntry.Plain(mark(last.plus(Duration.ofDays(5)), "Mira", ""), LogEntry.Kind.HANDED_OVER),
                true);
    }

    private void tell(String code, Instant at, Blemish fault, String cause) {
        Mark before = mark(at.minus(Duration.ofMinutes(30)), "Mira", "");
        log.add(code, new LogEntry.FaultsSeen(before, List.of(new Sighting(fault, Zone.LOWER, Extent.SOME))), true);
        if (!cause.isEmpty()) {
            log.add(code, new LogEntry.CauseKnown(before, cause), true);
        }
    }

    private static Mark mark(Instant at, String by, String note) {
        return Mark.unnumbered(at, at, by, note);
    }
}

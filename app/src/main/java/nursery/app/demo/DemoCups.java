package nursery.app.demo;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import nursery.app.cups.CupBook;
import nursery.app.cups.HandsBook;
import nursery.app.cups.LogBook;
import nursery.app.cups.Reasons;
import nursery.app.floor.Floors;
import nursery.app.techniques.TechniqueBook;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.Touch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Ahead;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Starts the demo's cups and writes their logs, each in one go. */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoCups {

    static final QuietHours AWAKE = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);

    private final CupBook cups;
    private final LogBook log;
    private final HandsBook hands;
    private final Floors floors;
    private final TechniqueBook techniques;

    DemoCups(CupBook cups, LogBook log, HandsBook hands, Floors floors, TechniqueBook techniques) {
        this.cups = cups;
        this.log = log;
        this.hands = hands;
        this.floors = floors;
        this.techniques = techniques;
    }

    /** What a cup is to be. */
    record Wanted(String technique, String name, String madeFor, String paint, String glitter, LocalDate due) {}

    Making start(Wanted wanted, long blank, long resin, Instant at, School... schools) {
        Technique technique = techniques.find(wanted.technique()).orElseThrow().technique();
        Shelf shelf = floors.shelf();
        ShelfBlank bare = shelf.blank(blank).orElseThrow();
        Resin mixed = shelf.resin(resin).orElseThrow();
        Order order = new Order(
                new Cup.About(
                        wanted.name(),
                        wanted.madeFor(),
                        technique.name(),
                        bare.name(),
                        wanted.paint(),
                        wanted.glitter()),
                1,
                blank,
                bare.blank(),
                new Cup.Resins(mixed, mixed),
                Schools.of(schools),
                technique.plan(Schools.of(schools), Map.of()),
                Optional.of(wanted.due()),
                1);
        CupNow started = floors.cup(cups.start(order, at).get(0)).orElseThrow();
        return new Making(started.cup(), floors.roomOf(started.cup()));
    }

    static Mark mark(Instant at, String by, String note) {
        return Mark.unnumbered(at, at, by, note);
    }

    /** A cup, and what is told of it but not yet written. */
    final class Making {

        private final RoomCourse room;
        private final List<LogEntry> row = new ArrayList<>();
        private final Map<Integer, Instant> timed = new LinkedHashMap<>();
        private Cup cup;

        private Making(Cup cup, RoomCourse room) {
            this.cup = cup;
            this.room = room;
        }

        Cup cup() {
            return cup;
        }

        /** Told after all that was told before. */
        Making tell(LogEntry entry) {
            row.add(entry);
            cup = cup.withLog(
                    Stream.concat(cup.log().stream(), Stream.of(entry)).toList());
            return this;
        }

        /** A step that was timed on the way. */
        Making done(int step, Instant at, String by) {
            timed.put(step, at);
            return tell(new LogEntry.StepDone(mark(at, by, ""), step));
        }

        Making pour(int step, Instant at, double ml, Optional<Spindle> place, String by) {
            Resin resin = cup.resinFor(cup.step(step));
            return tell(new LogEntry.Poured(
                    mark(at, by, ""), step, ml, place, Optional.of(Pot.of(resin, OptionalLong.empty()))));
        }

        /** The steps ahead as they are expected, from its start on. */
        List<Ahead.Expected> ahead() {
            return Ahead.of(cup, room, cup.startedAt(), AWAKE);
        }

        /** A step as it is expected, a coat as thick as it is suggested. */
        Making follow(Ahead.Expected expected, String by) {
            PlanStep step = expected.step();
            if (!step.kind().isPour()) {
                return tell(new LogEntry.StepDone(mark(expected.at(), by, ""), step.number()));
            }
            CupState then = cup.at(room, expected.at());
            double suggested = then.share(
                            cup,
                            step,
                            then.carrier(cup, step, floors.shelf().spindles(), room.temperatureCAt(expected.at())))
                    .suggestedMl();
            return pour(step.number(), expected.at(), Math.round(suggested * 2) / 2.0, Optional.empty(), by);
        }

        Making touched(Touch touch, Instant at, String by) {
            return tell(new LogEntry.Touched(mark(at, by, ""), touch));
        }

        /** Mira is quick, Jonas takes his time; neither times everything. */
        private void tookSoLong(PlanStep step, boolean quick) {
            Optional.ofNullable(timed.get(step.number()))
                    .filter(at -> step.kind().handsOnMinutes() > 0 && step.number() % 3 > 0)
                    .ifPresent(at -> hands.timed(
                            cup.code(),
                            step.number(),
                            step.kind().handsOnMinutes() * (quick ? 0.7 : 1.2) + step.number() % 4,
                            at));
        }

        /** All of it at once. */
        void write() {
            if (row.isEmpty()) {
                return;
            }
            log.addRow(cup.code(), List.copyOf(row), Reasons.UNSAID);
            row.forEach(entry -> {
                if (entry instanceof LogEntry.OfStep done) {
                    tookSoLong(cup.step(done), entry.mark().recordedBy().equals("Mira"));
                }
            });
            row.clear();
            timed.clear();
        }
    }
}

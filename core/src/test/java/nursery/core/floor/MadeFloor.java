package nursery.core.floor;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.Spread;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.measure.Clock;
import nursery.core.measure.Editions;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.plan.BenchHours;
import nursery.core.plan.DayHours;
import nursery.core.resin.Losses;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;

/**
 * A floor with cups in one colour of glitter, told hour by hour in a room of 22 °C, as warm as the labels are stated
 * for: what a label says is then what the clock shows.
 */
final class MadeFloor {

    static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    static final Resin REGULAR = Resin.of(1, "Regular", StartingProfile.REGULAR.label());
    static final Resin FAST = Resin.of(2, "Fast", StartingProfile.FAST.label());
    static final Spindle ONE = new Spindle(1, "Turner A 1", 3);
    static final Spindle TWO = new Spindle(2, "Turner A 2", 3);
    static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    static final RoomCourse ROOM = RoomCourse.steady(22);

    private static final QuietHours QUIET = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);

    private final double nowH;
    private final List<CupNow> cups = new ArrayList<>();
    private final List<Batch> open = new ArrayList<>();
    private List<Spindle> spindles = List.of(ONE, TWO);

    private MadeFloor(double nowH) {
        this.nowH = nowH;
    }

    /** The floor so many hours after its first cups were begun. */
    static MadeFloor at(double nowH) {
        return new MadeFloor(nowH);
    }

    static Instant hour(double hours) {
        return START.plus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    MadeFloor spindles(Spindle... some) {
        spindles = List.of(some);
        return this;
    }

    MadeFloor with(Story story) {
        cups.add(new CupNow(story.file(), story.file().at(ROOM, hour(nowH))));
        return this;
    }

    MadeFloor mixing(Batch batch) {
        open.add(batch);
        return this;
    }

    Floor made() {
        return new Floor(
                hour(nowH),
                new Ways(
                        LengthUnit.MM,
                        VolumeUnit.ML,
                        TemperatureUnit.C,
                        QUIET,
                        Losses.USUAL,
                        OptionalDouble.empty(),
                        Clock.H24,
                        DayOfWeek.MONDAY),
                new Air(
                        ROOM,
                        Spread.of(ROOM, origin -> at -> OptionalDouble.of(22)),
                        Optional.empty(),
                        Optional.empty()),
                shelf(),
                MadeRoom.on(cups, ROOM, hour(nowH)),
                open,
                6,
                BenchHours.daily(DayHours.parse("07:00-22:00"), QUIET),
                List.of(),
                List.of());
    }

    Shelf shelf() {
        return new Shelf(
                List.of(REGULAR, FAST),
                List.of(new ShelfBlank(5, "Slim", Editions.first(SLIM, Instant.EPOCH, ""), Optional.empty(), 0)),
                List.of(new Turner(1, "Turner A", 3, false, spindles)),
                List.of(
                        new ShelfCup(1, "Small", new MeasuringCup(30, 1, 30, 35), false),
                        new ShelfCup(2, "Large", new MeasuringCup(120, 1, 45, 60), true)));
    }

    static Story cup(String code, School... schools) {
        return cup(code, REGULAR, schools);
    }

    static Story cup(String code, Resin resin, School... schools) {
        return new Story(code, resin, schools);
    }

    /** What happened to one cup. */
    static final class Story {
        private final Cup empty;
        private final List<LogEntry> log = new ArrayList<>();

        private Story(String code, Resin resin, School... schools) {
            empty = Cup.started(
                            code,
                            SLIM,
                            new Cup.Resins(resin, resin),
                            OneColourGlitter.plan(Schools.of(schools), resin.label()),
                            START)
                    .with(Schools.of(schools));
        }

        Mark mark(double atH) {
            return new Mark(log.size() + 1, hour(atH), hour(atH), "Mira", "");
        }

        Story done(StepKind kind, double atH) {
            return logged(new LogEntry.StepDone(mark(atH), number(kind)));
        }

        Story left(StepKind kind, double atH) {
            return logged(new LogEntry.Skipped(mark(atH), number(kind)));
        }

        Story poured(StepKind kind, double atH, double ml, Spindle on) {
            return logged(new LogEntry.Poured(mark(atH), number(kind), ml, Optional.of(on)));
        }

        Story logged(LogEntry entry) {
            log.add(entry);
            return this;
        }

        /** Up to the glitter, laid at hour 2 on a thin adhesive that hangs or turns without a spindle written down. */
        Story glittered() {
            return done(StepKind.PREP, 0.5)
                    .done(StepKind.PAINT, 0.75)
                    .logged(new LogEntry.Poured(mark(2), number(StepKind.ADHESIVE), 1, Optional.empty()))
                    .done(StepKind.GLITTER, 2.1);
        }

        /** The same, and flooded. */
        Story flooded(double atH, Spindle on) {
            return glittered().poured(StepKind.FLOOD_COAT, atH, 23, on);
        }

        int number(StepKind kind) {
            return empty.plan().stream()
                    .filter(step -> step.kind() == kind)
                    .findFirst()
                    .orElseThrow()
                    .number();
        }

        Cup file() {
            return empty.withLog(log);
        }
    }
}

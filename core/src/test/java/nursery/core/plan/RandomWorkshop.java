package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.film.CoatRole;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;

/** Workshops by chance: cups half done and not begun, warm and cold rooms, short and long evenings. */
public final class RandomWorkshop {

    static final Instant NOW = Instant.parse("2026-03-02T07:00:00Z");
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Resin REGULAR = Resin.of(1, "regular", StartingProfile.REGULAR.label());
    private static final Resin FAST = Resin.of(2, "fast", StartingProfile.FAST.label());
    private static final QuietHours QUIET = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);
    private static final String[] HOURS = {
        "18:00-22:00", "07:00-09:00, 18:00-22:30", "09:00-17:00", "06:30-08:00, 12:00-13:00, 17:30-22:00"
    };

    private final Random random;
    private final RoomCourse room;
    private boolean losesNothing;

    private RandomWorkshop(long seed) {
        random = new Random(seed);
        room = random.nextInt(4) > 0 ? RoomCourse.steady(18 + random.nextInt(7)) : swinging();
    }

    /** A small one, whose best plan an exact solver can prove: up to so many cups with their last steps left. */
    static Workshop small(long seed, int mostCups) {
        RandomWorkshop made = new RandomWorkshop(seed);
        int cups = 2 + made.random.nextInt(mostCups - 1);
        return made.workshop(cups, 1 + made.random.nextInt(2), true);
    }

    /**
     * Cups with their last two or three steps left and no window lost: as large as is wanted, and still put to an exact
     * solver.
     */
    public static Workshop lastSteps(long seed, int cups, int spindles, int days) {
        RandomWorkshop made = new RandomWorkshop(seed);
        made.losesNothing = true;
        Workshop shop = made.workshop(cups, spindles, true);
        return new Workshop(
                shop.now(),
                shop.room(),
                BenchHours.daily(DayHours.parse("09:00-21:00"), QUIET),
                shop.spindles(),
                shop.cups(),
                List.of(),
                Duration.ofDays(days));
    }

    public static Workshop of(long seed, int cups, int spindles) {
        return new RandomWorkshop(seed).workshop(cups, spindles, false);
    }

    private Workshop workshop(int cups, int spindles, boolean small) {
        BenchHours hours = BenchHours.daily(DayHours.parse(HOURS[random.nextInt(HOURS.length)]), QUIET);
        List<Spindle> all = IntStream.rangeClosed(1, spindles)
                .mapToObj(i -> new Spindle(i, "spindle " + i))
                .toList();
        List<Cup> planned = IntStream.rangeClosed(1, cups)
                .mapToObj(i -> cup("N-%03d".formatted(i), small))
                .toList();
        return new Workshop(NOW, room, hours, all, planned, List.of(), Duration.ofDays(small ? 4 : 26 * 7));
    }

    private RoomCourse swinging() {
        double base = 17 + random.nextInt(8);
        List<RoomReading> readings = new ArrayList<>();
        for (int hour = -72; hour <= 96; hour += 6) {
            readings.add(
                    new RoomReading(NOW.plus(Duration.ofHours(hour)), base + (Math.floorMod(hour, 24) < 12 ? 1 : -2)));
        }
        return new RoomCourse(readings);
    }

    private Cup cup(String code, boolean small) {
        boolean fast = random.nextInt(3) == 0;
        List<PlanStep> plan = plan(random.nextInt(4) == 0, random.nextInt(3) == 0, random.nextBoolean());
        Instant started = NOW.minus(Duration.ofDays(3));
        Cup cup = Cup.started(code, SLIM, new Cup.Resins(fast ? FAST : REGULAR, REGULAR), plan, started);
        int done = small ? plan.size() - 2 - random.nextInt(2) : random.nextInt(plan.size());
        while (losesNothing && done < plan.size() && (plan.get(done).waiting().isWhileWet())) {
            done++;
        }
        Optional<Instant> due = random.nextInt(4) == 0
                ? Optional.empty()
                : Optional.of(
                        NOW.truncatedTo(ChronoUnit.DAYS).plus(Duration.ofDays(4 + random.nextInt(small ? 4 : 20))));
        return cup.withLog(log(plan, done, NOW.minus(Duration.ofMinutes(15L * random.nextInt(20)))))
                .with(new Cup.Promise(due, 1 + random.nextInt(3)));
    }

    /** A cup of one fine colour, its first steps done some hours apart, the last of them just now. */
    static Cup plainCup(String code, int done, Label label, Optional<Instant> due) {
        List<PlanStep> plan = plan(false, false, true);
        Resin resin = Resin.of(1, "regular", label);
        return Cup.started(code, SLIM, new Cup.Resins(resin, resin), plan, NOW.minus(Duration.ofDays(3)))
                .withLog(log(plan, done, NOW))
                .with(new Cup.Promise(due, 1));
    }

    /**
     * Cups with a long life behind them: so many entries each, coat upon coat, each scuffed and wiped before the next.
     */
    public static List<Cup> longLived(int cups, int entries) {
        List<PlanStep> plan = new ArrayList<>(plan(true, true, true));
        while (plan.size() < entries) {
            add(plan, StepKind.SAND, Wait.of(Wait.Kind.SANDABLE));
            pour(plan, StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD);
        }
        return IntStream.rangeClosed(1, cups)
                .mapToObj(i -> Cup.started(
                                "N-%03d".formatted(i),
                                SLIM,
                                new Cup.Resins(REGULAR, REGULAR),
                                plan,
                                NOW.minus(Duration.ofDays(30)))
                        .withLog(log(plan, entries, NOW.minus(Duration.ofMinutes(i)))))
                .toList();
    }

    private static List<PlanStep> plan(boolean ink, boolean tape, boolean sand) {
        List<PlanStep> plan = new ArrayList<>();
        add(plan, StepKind.PREP, Wait.none());
        add(plan, StepKind.PAINT, Wait.none());
        pour(plan, StepKind.ADHESIVE, Wait.dry(Duration.ofMinutes(30)), CoatRole.ADHESIVE_THIN);
        add(plan, StepKind.GLITTER, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)));
        pour(plan, StepKind.FLOOD_COAT, Wait.age(3, 2), CoatRole.FLOOD);
        if (ink) {
            add(plan, StepKind.INK_BLOOM, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(1)));
        }
        if (tape) {
            add(plan, StepKind.PULL_TAPE, Wait.of(Wait.Kind.INTO_COAT, Duration.ofMinutes(45)));
        }
        pour(plan, StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD);
        if (sand) {
            add(plan, StepKind.TRIM_AND_SAND, Wait.of(Wait.Kind.SANDABLE));
        }
        pour(plan, StepKind.FINISHING_COAT, Wait.straightOn(), CoatRole.FINISHING);
        add(plan, StepKind.FINISH, Wait.age(12));
        return plan;
    }

    private static void add(List<PlanStep> plan, StepKind kind, Wait wait) {
        // Washed with the same hands: dust left on is none of the planner's matters.
        Fields how = Fields.usual(kind).with(Fields.Dust.WASHED_OFF);
        plan.add(new PlanStep(plan.size() + 1, kind, "", wait, "", Optional.empty(), how, Optional.empty()));
    }

    private static void pour(List<PlanStep> plan, StepKind kind, Wait wait, CoatRole role) {
        plan.add(new PlanStep(plan.size() + 1, kind, wait, "", Optional.of(role)));
    }

    /** The first steps as done, each some hours after the one before; the newest within the last hours. */
    private static List<LogEntry> log(List<PlanStep> plan, int done, Instant newest) {
        List<LogEntry> log = new ArrayList<>();
        Instant at = newest;
        for (int i = done - 1; i >= 0; i--) {
            PlanStep step = plan.get(i);
            Mark mark = new Mark(i + 1, at, at, "Mira", "");
            log.add(
                    0,
                    step.kind().isPour()
                            ? new LogEntry.Poured(mark, step.number(), 20, Optional.empty())
                            : new LogEntry.StepDone(mark, step.number()));
            at = at.minus(Duration.ofMinutes(
                    step.kind() == StepKind.GLITTER || step.kind() == StepKind.INK_BLOOM
                            ? 5
                            : step.kind() == StepKind.PULL_TAPE ? 50 : 5 * 60));
        }
        return log;
    }
}

package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import nursery.core.cure.PossibleRooms;
import nursery.core.log.Cup;
import nursery.core.measure.Span;
import nursery.core.plan.Problem.Job;
import nursery.core.resin.Label;

/**
 * How surely a plan holds. It is played through as many rooms as may come ({@link PossibleRooms}), with resins, hands
 * and a maker who are not always as thought: each step is begun where the plan has it or as soon after as its window,
 * hands and spindles allow, and a coat that can no longer go straight on is scuffed, as the plan itself would have it.
 * What happens in so many of a hundred of these worlds is said to happen in so many of a hundred weeks (Monte Carlo;
 * the error of a share of 500 is two points at most).
 */
public final class Doubt {

    public static final int WORLDS = 500;
    /** So many cups are played through as often; a great shop less often, for its shares are told by more cups. */
    private static final int USUAL_CUPS = 80;

    private static final int FEWEST_WORLDS = 100;
    /** A plan gone wrong is looked after for so long. */
    private static final Duration AND_THEN = Duration.ofDays(21);

    /** Nobody plans for more than that to go wrong. */
    private static final Duration MOST_SLACK = Duration.ofDays(4);
    /** One in twenty is told. */
    private static final double WORTH_TELLING = 0.05;
    /** Coming for nothing costs a walk, not a coat. */
    private static final double WORTH_WAITING = 0.25;
    /** How far beside its time a better one is looked for, and how finely. */
    private static final Duration LOOKS = Duration.ofHours(4);

    private static final int STEP_MIN = 30;
    /** The same shop is in the same doubt each time. */
    public static final long SEED = 20261202;

    private final Problem known;
    private final WeekPlan plan;
    private final int worlds;
    /** By world and cup: the slot at which it is ready. */
    private final int[][] ready;
    /** By act and world: the first slot of its window, and the first that is too late. */
    private final int[][] opens;

    private final int[][] closes;
    /** By world and session: how many slots the maker comes late. */
    private final int[][] late;

    private final List<Session> sessions;
    private final Grid grid;

    /**
     * How far things may be from what the plan takes them for.
     *
     * @param rooms that may come
     * @param speedSpread how far a resin's speed, coat for coat, may be from its label's: the standard deviation of the
     *     logarithm
     * @param handsSpread the same of hands-on minutes
     * @param lateMin the maker comes no later than this to four sessions of five, minutes
     */
    public record Ranges(PossibleRooms rooms, ToDoubleFunction<Label> speedSpread, double handsSpread, double lateMin) {

        /** A share of 4 in 5 of an exponential distribution lies below so many of its means. */
        private static final double FOUR_IN_FIVE = Math.log(5);

        double meanLateMin() {
            return lateMin / FOUR_IN_FIVE;
        }
    }

    /**
     * A window that may be missed.
     *
     * @param missed the part of all worlds in which it has closed when the maker comes
     * @param waits the part in which it is not open yet: it is done later then
     * @param better when to come instead
     */
    public record Risk(PlannedStep step, double missed, double waits, Optional<Coming> better) {}

    /** What coming at another time would mean for a step. */
    public record Coming(Instant at, double missed, double waits) {
        double wrong() {
            return missed + waits;
        }
    }

    private Doubt(Problem known, WeekPlan plan, Grid grid) {
        this.known = known;
        this.plan = plan;
        this.grid = grid;
        worlds = Math.max(FEWEST_WORLDS, Math.min(WORLDS, WORLDS * USUAL_CUPS / Math.max(1, known.jobs.size())));
        ready = new int[worlds][known.jobs.size()];
        opens = new int[known.acts][worlds];
        closes = new int[known.acts][worlds];
        sessions = plan.sessions();
        late = new int[worlds][sessions.size()];
    }

    /** Plays a plan through. Its rooms must begin where the plan does. */
    public static Doubt of(WeekPlan plan, Ranges ranges) {
        Problem known = new Problem(plan.workshop());
        Genes genes = Genes.asKept(known, plan.placements());
        Layout thought = new Decoder(known).lay(genes.copy());
        Doubt doubt = new Doubt(known, plan, lookedAt(known, thought));
        int[] begins = doubt.sessions.stream()
                .mapToInt(session -> Math.max(0, known.grid.slotFrom(session.begins())))
                .toArray();
        IntStream.range(0, doubt.worlds).parallel().forEach(number -> {
            World world =
                    new World(known, doubt.grid, ranges, number % ranges.rooms().count(), begins, SEED + number);
            Problem there = new Problem(known, world);
            Arrays.setAll(doubt.late[number], world::lateTo);
            doubt.note(number, there, new Decoder(there).lay(genes.copy()));
        });
        return doubt;
    }

    private static Grid lookedAt(Problem known, Layout thought) {
        int last = 0;
        for (Job job : known.jobs) {
            int ready = thought.ready()[job.number()];
            last = Math.max(last, ready == known.grid.slots() ? 0 : ready);
        }
        long until = last + AND_THEN.toMinutes() / Grid.MINUTES;
        return new Grid(known.grid.origin(), (int) Math.min(known.grid.slots(), until));
    }

    private void note(int world, Problem there, Layout layout) {
        ready[world] = layout.ready();
        Progress cup = new Progress();
        for (Job job : there.jobs) {
            cup.set(job.start());
            boolean known = true;
            for (int i = 0; i < job.acts().size(); i++) {
                int act = job.first() + i;
                known &= layout.at()[act] != Layout.NOWHERE;
                // What never comes to a step says nothing about its window.
                Gate.Window window = known ? job.acts().get(i).window(cup) : new Gate.Window(0, Act.NEVER);
                opens[act][world] = window.opens();
                closes[act][world] = window.closes();
                if (known) {
                    cup.does(job.acts().get(i), layout.at()[act]);
                }
            }
        }
    }

    /** The chance that a cup is ready when it is promised; empty if it is promised for no day or is not planned. */
    public Optional<Double> inTime(Cup cup) {
        return cup.promise().dueAt().flatMap(due -> by(List.of(cup.code()), due));
    }

    /** How many ways the weeks may go it was played through. */
    public int worlds() {
        return worlds;
    }

    /** Whether a cup is ready when it is promised with a chance, 0 to 1; never if it is not planned. */
    public boolean holds(Cup cup, double chance) {
        return inTime(cup).filter(share -> share >= chance).isPresent();
    }

    /** The chance that all of some cups are ready by a moment; empty if one of them is not planned. */
    public Optional<Double> by(List<String> cups, Instant moment) {
        return lastOf(cups).map(slots -> {
            int due = (int) Math.floor(grid.minutes(moment) / Grid.MINUTES);
            return Arrays.stream(slots)
                            .filter(slot -> slot <= due && slot < grid.slots())
                            .count()
                    / (double) worlds;
        });
    }

    /** When a cup is ready with a chance, 0 to 1; empty where that lies behind what was looked at. */
    public Optional<Instant> readyWith(String cup, double chance) {
        return readyWith(List.of(cup), chance);
    }

    /** When all of some cups are. */
    public Optional<Instant> readyWith(List<String> cups, double chance) {
        return lastOf(cups).flatMap(slots -> {
            int slot = slots[(int) Math.min(worlds - 1, Math.max(0, Math.ceil(chance * worlds) - 1))];
            return slot >= grid.slots() ? Optional.empty() : Optional.of(grid.instant(slot));
        });
    }

    /**
     * What each promised cup lacks to be in time with a chance: by so much later than planned it is ready then. A plan
     * that aims so much earlier has its slack where it is needed.
     */
    public Map<String, Duration> slack(double chance) {
        Map<String, Duration> slack = new HashMap<>();
        for (Job job : known.jobs) {
            String code = job.cup().code();
            Instant planned = plan.readyAt().get(code);
            if (planned != null && job.due() != Act.NEVER) {
                Duration later = readyWith(code, chance)
                        .map(at -> Duration.between(planned, at))
                        .orElse(MOST_SLACK);
                slack.put(
                        code,
                        later.isNegative() ? Duration.ZERO : later.compareTo(MOST_SLACK) > 0 ? MOST_SLACK : later);
            }
        }
        return slack;
    }

    /** When a cup is ready in each of the worlds, soonest first; those in which it is not by the end have that end. */
    public List<Instant> ready(String cup) {
        return lastOf(List.of(cup)).stream()
                .flatMapToInt(Arrays::stream)
                .mapToObj(slot -> grid.instant(Math.min(grid.slots(), slot)))
                .toList();
    }

    /**
     * By world the slot at which the last of some cups is ready, soonest first; empty if one of them is not planned.
     */
    private Optional<int[]> lastOf(List<String> cups) {
        List<Job> jobs = cups.stream().flatMap(cup -> job(cup).stream()).toList();
        return jobs.isEmpty() || jobs.size() < cups.size()
                ? Optional.empty()
                : Optional.of(Arrays.stream(ready)
                        .mapToInt(world -> jobs.stream()
                                .mapToInt(job -> world[job.number()])
                                .max()
                                .orElseThrow())
                        .sorted()
                        .toArray());
    }

    /**
     * The windows that may well be missed, or are not open yet when the maker comes; the next first. What the plan
     * itself misses is no question any more. Only the first step of a cup in a session is asked about: when the others
     * are done is no longer a question of when the maker comes.
     */
    public List<Risk> risks() {
        List<Risk> risks = new ArrayList<>();
        for (int session = 0; session < sessions.size(); session++) {
            Set<String> begun = new HashSet<>();
            for (PlannedStep step : sessions.get(session).steps()) {
                if (begun.add(step.cup())) {
                    risk(step, session).ifPresent(risks::add);
                }
            }
        }
        return risks;
    }

    private Optional<Risk> risk(PlannedStep step, int session) {
        OptionalInt act = known.find(step.cup(), step.step().number());
        if (step.scuffFirst() || step.missed() || act.isEmpty()) {
            return Optional.empty();
        }
        Coming asPlanned = coming(step, act.getAsInt(), session, 0);
        if (asPlanned.missed() < WORTH_TELLING && asPlanned.waits() < WORTH_WAITING) {
            return Optional.empty();
        }
        return Optional.of(new Risk(
                step,
                asPlanned.missed(),
                asPlanned.waits(),
                better(step, act.getAsInt(), session)
                        .filter(other ->
                                other.missed() <= asPlanned.missed() && other.wrong() <= asPlanned.wrong() / 2)));
    }

    /** The time at which least goes wrong, the nearest of them, with hands at the bench and after what comes before. */
    private Optional<Coming> better(PlannedStep step, int act, int session) {
        Instant after =
                session == 0 ? plan.workshop().now() : sessions.get(session - 1).ends();
        List<Span> hands = plan.workshop().hours().benchSpans(after, step.ends().plus(LOOKS));
        List<Coming> times = new ArrayList<>();
        for (int by = STEP_MIN; by <= LOOKS.toMinutes(); by += STEP_MIN) {
            for (int minutes : new int[] {-by, by}) {
                Instant begins = step.begins().plus(Duration.ofMinutes(minutes));
                Instant ends = step.ends().plus(Duration.ofMinutes(minutes));
                if (hands.stream()
                        .anyMatch(span -> !span.from().isAfter(begins)
                                && !span.untilExclusive().isBefore(ends))) {
                    times.add(coming(step, act, session, minutes));
                }
            }
        }
        return times.stream().min(Comparator.comparingDouble(Coming::wrong));
    }

    private Coming coming(PlannedStep step, int act, int session, int minutes) {
        int slot = known.grid.slotFrom(step.begins()) + minutes / Grid.MINUTES;
        int missed = 0;
        int waits = 0;
        for (int world = 0; world < worlds; world++) {
            int begun = slot + late[world][session];
            missed += begun >= closes[act][world] ? 1 : 0;
            waits += begun < opens[act][world] ? 1 : 0;
        }
        Instant at = step.begins().plus(Duration.ofMinutes(minutes));
        return new Coming(at, missed / (double) worlds, waits / (double) worlds);
    }

    private Optional<Job> job(String cup) {
        return known.jobs.stream()
                .filter(job -> job.cup().code().equals(cup))
                .filter(job -> plan.readyAt().containsKey(cup))
                .findFirst();
    }
}

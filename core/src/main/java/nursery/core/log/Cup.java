package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.LogEntry.Cancelled;
import nursery.core.log.LogEntry.Poured;
import nursery.core.measure.Faults;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.surface.Place;
import nursery.core.technique.Fields;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;

/**
 * A cup in the making: what it is, what is to be done to it, and all that happened to it.
 *
 * @param code what is written on its tape
 * @param plan its steps, in order; a step keeps its number when others are put in before it
 * @param log every entry ever made, cancelled ones included
 * @param stepsEver the largest number a step of its plan ever bore: none is given to another
 * @param startedAt when it was taken up here; what was done to it before may be written down later ({@link #begunAt})
 * @param leftAt when it left the floor, if it has: what is put right in a label after that is none of its business
 */
public record Cup(
        long id,
        String code,
        About about,
        Blank blank,
        Resins resins,
        Schools schools,
        List<PlanStep> plan,
        int stepsEver,
        Instant startedAt,
        List<LogEntry> log,
        Promise promise,
        Optional<Instant> leftAt) {

    private static final double SECONDS_PER_MINUTE = 60;

    /**
     * What people call it and see of it.
     *
     * @param name what it will be
     * @param madeFor whom or what it is for, possibly empty
     * @param technique the name of the technique its plan was copied from
     * @param blank the name of its blank
     * @param paint colour under the glitter, as #rrggbb
     * @param glitter colour of the glitter, as #rrggbb
     * @param more further colours of a rainbow, from the rim down
     * @param with the colours of what its steps are made with, by their numbers
     */
    public record About(
            String name,
            String madeFor,
            String technique,
            String blank,
            String paint,
            String glitter,
            List<String> more,
            Map<Integer, List<String>> with) {
        public static final About NOTHING = new About("", "", "", "", "", "");

        public About {
            more = List.copyOf(more);
            with = Map.copyOf(with);
        }

        /** In one glitter. */
        public About(String name, String madeFor, String technique, String blank, String paint, String glitter) {
            this(name, madeFor, technique, blank, paint, glitter, List.of(), Map.of());
        }

        public About on(String otherBlank) {
            return new About(name, madeFor, technique, otherBlank, paint, glitter, more, with);
        }

        /** What a step is seen in: the colours of what it is made with or, where none is named, those of the cup. */
        public List<String> colours(PlanStep step) {
            List<String> named = with.getOrDefault(step.number(), List.of());
            return !named.isEmpty()
                    ? named
                    : switch (step.kind()) {
                        case PAINT -> List.of(paint);
                        case GLITTER -> glitters();
                        default -> List.of(glitter);
                    };
        }

        /** Every colour of its glitter, from the rim down. */
        public List<String> glitters() {
            return Stream.concat(Stream.of(glitter), more.stream()).toList();
        }
    }

    /**
     * What its coats are mixed from.
     *
     * @param base for every coat but the finishing ones
     * @param last for the finishing coats
     */
    public record Resins(Resin base, Resin last) {
        public Resin of(StepKind kind) {
            return kind == StepKind.FINISHING_COAT ? last : base;
        }
    }

    /**
     * What was promised.
     *
     * @param dueAt when it must have reached full cure, if it is promised
     * @param matters how much an hour late counts beside other cups, 1 for an ordinary one
     */
    public record Promise(Optional<Instant> dueAt, int matters) {

        public static final int MOST_MATTERS = 9;
        public static final Promise NONE = new Promise(Optional.empty(), 1);

        public Promise {
            Faults faults = new Faults();
            faults.within("matters", "How much it matters", matters, 1, MOST_MATTERS, "");
            faults.throwIfAny();
        }
    }

    public Cup {
        plan = List.copyOf(plan);
        stepsEver = Math.max(
                stepsEver, plan.stream().mapToInt(PlanStep::number).max().orElse(0));
        log = List.copyOf(log);
    }

    /** A cup just started, of which nothing but its making is known. */
    public static Cup started(String code, Blank blank, Resins resins, List<PlanStep> plan, Instant at) {
        return new Cup(
                0,
                code,
                About.NOTHING,
                blank,
                resins,
                Schools.of(),
                plan,
                0,
                at,
                List.of(),
                Promise.NONE,
                Optional.empty());
    }

    /** What it is at a moment. */
    public CupState at(RoomCourse room, Instant now) {
        return CupFold.of(this, room).stateAt(now);
    }

    /** What it was at a moment by what had happened until then, whatever happened after. */
    public CupState asOf(RoomCourse room, Instant then) {
        return withLog(happened().stream()
                        .filter(entry -> !entry.mark().happenedAt().isAfter(then))
                        .toList())
                .at(room, then);
    }

    /** What really happened, in the order it happened: no cancelled entries and no cancellations. */
    public List<LogEntry> happened() {
        Set<Long> cancelled = log.stream()
                .filter(Cancelled.class::isInstance)
                .map(entry -> ((Cancelled) entry).cancelsId())
                .collect(Collectors.toSet());
        return log.stream()
                .filter(entry -> !(entry instanceof Cancelled)
                        && !cancelled.contains(entry.mark().id()))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.mark().happenedAt())
                        .thenComparing(entry -> entry.mark().id()))
                .toList();
    }

    /** How long its side is, mm from the foot: what the places of its steps are parts of. */
    double sideMm() {
        return blank.sideMm();
    }

    /** The part of the blank that a step goes over: what its amount is counted on, and what its film lies on. */
    public Blank blankFor(PlanStep step) {
        return Place.of(step, blank);
    }

    /** What a coat is mixed from. */
    public Resin resinFor(PlanStep step) {
        return resins.of(step.kind());
    }

    /** The label a coat that is still to be poured cures by. */
    public Label labelFor(PlanStep step) {
        return resinFor(step).label();
    }

    /** What a step waits for of its own, with the hours of the resin that is planned below it. */
    public Wait waitOf(PlanStep step) {
        return plan.stream()
                .takeWhile(before -> before.number() != step.number())
                .filter(before -> before.kind().isPour())
                .reduce((one, other) -> other)
                .map(pour -> step.waiting().on(labelFor(pour).times().turningH()))
                .orElse(step.waiting());
    }

    /**
     * The label a coat that was poured cures by: the edition it was poured with, as it was known while the cup was on
     * the floor.
     */
    public Label labelOf(Poured pour) {
        return pour.pot()
                .map(pot -> pot.resin().labelOf(pot.edition(), leftAt.orElse(Instant.MAX)))
                .orElseGet(() -> labelFor(step(pour)));
    }

    /**
     * Whether a coat hangs instead of turning, as its step says; where that is left to the school, a thin film does not
     * run and hangs for who goes by that.
     */
    public boolean hangs(PlanStep step) {
        return switch (step.how().turned()) {
            case HUNG -> step.kind().isPour();
            case BY_SCHOOL ->
                step.role().filter(CoatRole.ADHESIVE_THIN::equals).isPresent() && schools.has(School.HANG);
            case SPINDLE, BY_HAND -> false;
        };
    }

    /**
     * Whether a coat need not be on a spindle to stay: it may hang, or is turned by hand, now or in the plan's next.
     */
    public boolean staysWithoutSpindle(PlanStep step) {
        return hangs(step)
                || isTurnedByHand(step)
                || after(step).stream()
                        .findFirst()
                        .filter(next -> next.kind() == StepKind.TURN)
                        .isPresent();
    }

    /** Whether a step is a coat that needs a place on a turner. */
    public boolean turns(PlanStep step) {
        return step.kind().isPour() && !hangs(step) && !isTurnedByHand(step);
    }

    private static boolean isTurnedByHand(PlanStep step) {
        return step.kind().isPour() && step.how().turned() == Fields.Turned.BY_HAND;
    }

    /** What a step on this cup cannot do without. */
    public Set<Need> needs(PlanStep step) {
        Set<Need> needs = EnumSet.noneOf(Need.class);
        needs.addAll(step.needs());
        if (turns(step)) {
            needs.add(Need.SPINDLE);
        }
        return needs;
    }

    /**
     * Clear coats over its last glitter until it was smooth enough to be sanded or finished; nothing until that is
     * known.
     */
    public OptionalInt coatsUntilSmooth() {
        int coats = 0;
        boolean glittered = false;
        for (LogEntry entry : happened()) {
            Optional<PlanStep> of = entry instanceof LogEntry.StepDone || entry instanceof LogEntry.Poured
                    ? find((LogEntry.OfStep) entry)
                    : Optional.empty();
            if (of.isEmpty()) {
                continue;
            }
            StepKind kind = of.get().kind();
            if (kind == StepKind.GLITTER) {
                glittered = true;
                coats = 0;
            } else if (glittered && coats > 0 && (kind.scuffsTheBody() || kind == StepKind.FINISHING_COAT)) {
                return OptionalInt.of(coats);
            } else if (kind.isWholeCoat()) {
                coats++;
            }
        }
        return OptionalInt.empty();
    }

    /** Minutes at the bench that its steps so far took, as they were timed or as long as their kinds take here. */
    public int handsOnMinutes() {
        return happened().stream()
                .filter(entry -> entry instanceof LogEntry.StepDone || entry instanceof LogEntry.Poured)
                .flatMap(entry -> find(((LogEntry.OfStep) entry).step()).stream())
                .mapToInt(PlanStep::handsOnMinutes)
                .sum();
    }

    /** The step with this number; where it stands in the plan is another matter. */
    public PlanStep step(int number) {
        return find(number).orElseThrow(() -> new IllegalArgumentException("This plan has no step " + number + "."));
    }

    /** The step an entry is of, as it was done; nothing if its plan has none of that number. */
    public Optional<PlanStep> find(LogEntry.OfStep entry) {
        return find(entry.step()).map(step -> entry.how().map(step::doneAs).orElse(step));
    }

    /** The step an entry of this cup's log is of, as it was done. */
    public PlanStep step(LogEntry.OfStep entry) {
        return find(entry).orElseThrow(() -> new IllegalArgumentException("This plan has no step for " + entry + "."));
    }

    public Optional<PlanStep> find(int number) {
        return plan.stream().filter(step -> step.number() == number).findFirst();
    }

    /** The steps that come after a step in the plan. */
    public List<PlanStep> after(PlanStep step) {
        return plan.subList(placeOf(step) + 1, plan.size());
    }

    /** Where a step stands in its plan, -1 if it does not; by its number, for it may have been done otherwise. */
    private int placeOf(PlanStep step) {
        return IntStream.range(0, plan.size())
                .filter(place -> plan.get(place).number() == step.number())
                .findFirst()
                .orElse(-1);
    }

    /** The steps of its plan before one. */
    public List<PlanStep> before(PlanStep step) {
        return plan.subList(0, placeOf(step));
    }

    /** This cup with one more step in its plan, just before another or at its end. */
    public Cup withStepBefore(Optional<PlanStep> before, PlanStep step) {
        List<PlanStep> steps = new ArrayList<>(plan);
        steps.add(before.map(this::placeOf).orElse(plan.size()), step);
        return with(steps);
    }

    /** This cup without a step of its plan. */
    public Cup without(PlanStep step) {
        return with(plan.stream().filter(one -> one.number() != step.number()).toList());
    }

    /** When work on it began: when it was taken up here, or with the earliest that was written down of it since. */
    public Instant begunAt() {
        return happened().stream()
                .map(entry -> entry.mark().happenedAt())
                .filter(startedAt::isAfter)
                .min(Instant::compareTo)
                .orElse(startedAt);
    }

    /** Minutes from its start, the clock its layers are counted by. */
    public double minute(Instant at) {
        return Duration.between(startedAt, at).toSeconds() / SECONDS_PER_MINUTE;
    }

    /** A number no step of this cup ever bore, also none that was taken out again. */
    public int freeNumber() {
        return stepsEver + 1;
    }

    public Cup with(List<PlanStep> steps) {
        return new Cup(id, code, about, blank, resins, schools, steps, stepsEver, startedAt, log, promise, leftAt);
    }

    public Cup withLog(List<LogEntry> entries) {
        return new Cup(id, code, about, blank, resins, schools, plan, stepsEver, startedAt, entries, promise, leftAt);
    }

    /** This cup with its coats to come from other resins; what is poured stays what it is. */
    public Cup with(Resins others) {
        List<LogEntry> kept = log.stream()
                .map(entry -> entry instanceof Poured pour && pour.pot().isEmpty() ? fromItsOwnPot(pour) : entry)
                .toList();
        return new Cup(id, code, about, blank, others, schools, plan, stepsEver, startedAt, kept, promise, leftAt);
    }

    private LogEntry fromItsOwnPot(Poured pour) {
        Pot pot = Pot.of(resinFor(step(pour)), OptionalLong.empty());
        return pour.from(pot);
    }

    public Cup with(Promise other) {
        return new Cup(id, code, about, blank, resins, schools, plan, stepsEver, startedAt, log, other, leftAt);
    }

    public Cup with(Schools others) {
        return new Cup(id, code, about, blank, resins, others, plan, stepsEver, startedAt, log, promise, leftAt);
    }

    public Cup known(long number, About as) {
        return new Cup(number, code, as, blank, resins, schools, plan, stepsEver, startedAt, log, promise, leftAt);
    }
}

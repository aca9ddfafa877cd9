package nursery.core.log;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Window;
import nursery.core.log.NextAction.Kind;
import nursery.core.surface.Bound;
import nursery.core.surface.Bound.Side;
import nursery.core.surface.Cell;
import nursery.core.surface.Doing;
import nursery.core.surface.Opening;
import nursery.core.surface.Opening.Placed;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/** Says what a cup needs next: its step's window, why, and what follows if it is missed. */
final class NextStep {

    private static final String NOTHING = "Nothing to wait for.";

    private final PlanStep step;
    private final OnTheCup on;
    private final Cup cup;
    private final List<Bound> bounds;
    private final Opening opening;
    private final Instant earliest;
    private final Instant now;

    private NextStep(PlanStep step, OnTheCup on, Cup cup, List<Bound> bounds, Instant earliest, Instant now) {
        this.step = step;
        this.on = on;
        this.cup = cup;
        this.bounds = bounds;
        this.opening = Opening.advised(bounds, on.moments());
        this.earliest = earliest;
        this.now = now;
    }

    /**
     * @param bounds all that bounds the step on the cup as it is
     * @param earliest when the work before it was logged: it cannot have been done sooner
     */
    static NextAction of(PlanStep step, OnTheCup on, Cup cup, List<Bound> bounds, Instant earliest, Instant now) {
        return new NextStep(step, on, cup, bounds, earliest, now).action();
    }

    private NextAction action() {
        Optional<Bound> lacks =
                opening.because().stream().filter(Bound::forbids).findFirst();
        if (lacks.isPresent()) {
            return lacking(lacks.get());
        }
        Optional<Bound> scuff = opening.placed().stream()
                .filter(one -> one.bound().cell().isMendedByScuffing() && one.isBrokenAt(ms(now)))
                .map(Placed::bound)
                .findFirst();
        if (scuff.isPresent() && mayBeScuffed()) {
            return scuffing(scuff.get());
        }
        return itself();
    }

    /** What was left out, or never planned, and has to come before. */
    private NextAction lacking(Bound lacks) {
        Optional<Doing> first = lacks.cell().remedy();
        Instant from = first.map(doing -> on.bounds(doing, cup.labelFor(step).times(), List.of(Doing.of(step.kind()))))
                .map(found -> instant(Opening.advised(found, on.moments()).from()))
                .orElse(earliest);
        return new NextAction(
                Kind.SOMETHING_FIRST,
                step,
                first,
                Window.from(later(from, earliest)),
                Optional.of(lacks.cell()),
                lacks.cell().words(),
                on.named(lacks),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** Whether paper may touch it: what lies open would be sanded off, and forgotten tape be torn. */
    private boolean mayBeScuffed() {
        Opening scuff = Opening.of(on.scuffingFor(step, cup), on.moments());
        return !scuff.never() && ms(now) < scuff.until();
    }

    /** When what lies beside it, and paper would meet as well, is firm. */
    private Instant elsewhereFrom() {
        return instant(Opening.of(on.scuffingFor(step, cup), on.moments()).from());
    }

    private NextAction scuffing(Bound late) {
        CoatTimes times = on.moments().pour(late.work());
        return new NextAction(
                Kind.SCUFF_FIRST,
                step,
                Optional.of(Doing.SCUFF),
                Window.from(later(later(times.sandableFrom(), elsewhereFrom()), earliest)),
                Optional.of(late.cell()),
                "Too long since the coat below: unsanded, this one will not grip.",
                on.named(late),
                false,
                Optional.empty(),
                Optional.of(times.sandableSure()),
                Optional.empty());
    }

    private NextAction itself() {
        Opening opening = this.opening;
        if (opening.until() <= ms(now)
                && bounds.stream().anyMatch(bound -> bound.cell().isOfLostGrip())) {
            // No scuffing would mend it any more: it goes on as long as nothing forbids it.
            opening = Opening.of(bounds, on.moments());
        }
        Instant opens = later(instant(opening.from()), earliest);
        Window window = opening.until() == Double.POSITIVE_INFINITY
                ? Window.from(opens)
                : Window.between(opens, instant(opening.until()));
        Optional<Instant> grips =
                placed(Cell::isFading).map(one -> instant(one.at())).filter(fades -> !window.hasClosedBy(fades));
        Optional<Placed> decides = opening.placed().stream()
                .filter(one -> one.bound().side() == Side.FROM
                        && one.bound().cell().grave().isTold())
                .max(Comparator.comparingDouble(Placed::at));
        double until = opening.until();
        Optional<Cell> closes = opening.placed().stream()
                .filter(one -> one.bound().side() == Side.UNTIL && one.at() == until)
                .map(one -> one.bound().cell())
                .filter(cell -> cell.grave().isTold())
                .findFirst();
        return new NextAction(
                Kind.STEP,
                step,
                Optional.empty(),
                window,
                decides.map(one -> one.bound().cell()),
                decides.map(one -> why(one, grips)).orElse(NOTHING),
                decides.flatMap(one -> on.named(one.bound())),
                Opening.isWet(Doing.of(step.kind()), bounds),
                closes.map(Cell::ifMissed),
                placed(cell -> cell == Cell.NOT_SANDABLE)
                        .map(one -> on.moments().pour(one.bound().work()).sandableSure()),
                grips);
    }

    private String why(Placed decides, Optional<Instant> grips) {
        Cell cell = decides.bound().cell();
        if (cell == Cell.OWN_WAY) {
            return ownWay(decides.bound()).words() + ".";
        }
        if (ms(now) < decides.at()) {
            return cell.words();
        }
        if (cell != Cell.COAT_WET) {
            return capitalise(cell.cameTrue()) + ".";
        }
        Optional<Placed> fades = placed(Cell::isFading);
        if (fades.isEmpty()) {
            return "The coat below is scuffed: this one will grip.";
        }
        if (grips.filter(at -> !now.isBefore(at)).isEmpty()) {
            return "Grips straight on: no cleaning, no sanding.";
        }
        return fades.get().bound().cell() == Cell.GRIP_FADES
                ? "Straight on still works, but grips less by the hour: a light scuff makes sure."
                : "Straight on still works, but grips less by the hour: do not let it wait.";
    }

    /** As this cup's resin has it: of the hours for a slow one and for a fast one only those that were poured on. */
    private Wait ownWay(Bound bound) {
        Wait own = step.waiting();
        return own.kind() == Wait.Kind.AGE ? Wait.age(bound.amount()) : own;
    }

    /** The first of a kind to be reached. */
    private Optional<Placed> placed(Predicate<Cell> which) {
        return opening.placed().stream()
                .filter(one -> which.test(one.bound().cell()))
                .min(Comparator.comparingDouble(Placed::at));
    }

    private Instant instant(double epochMs) {
        return epochMs == Double.NEGATIVE_INFINITY ? earliest : Instant.ofEpochMilli((long) Math.ceil(epochMs));
    }

    private static String capitalise(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static double ms(Instant at) {
        return at.toEpochMilli();
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }
}

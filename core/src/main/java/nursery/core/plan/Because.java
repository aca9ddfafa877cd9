package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Span;
import nursery.core.surface.Cell;
import nursery.core.technique.Need;

/**
 * Why a step stands where it stands, read off the finished plan: what ends right before it, what it would have met
 * earlier, and what it shares by waiting. Nothing of the search is remembered, so a plan that was kept explains itself
 * as well.
 *
 * @param at when something came true that the step waited for
 * @param what in a few words
 */
public record Because(Instant at, What what, String words) {

    /** What came true sooner than a slot before held nothing up. */
    private static final Duration SLOT = Duration.ofMinutes(Grid.MINUTES);

    private static final int MOST = 2;
    /** Goes without saying. */
    private static final String BEFORE = "the step before is done";

    /** What a step waits for. */
    public enum What {
        WINDOW,
        HANDS,
        BENCH,
        BOOTH,
        SPINDLE,
        MIX,
        SESSION,
        STRAIGHT_ON,
        PIN,
        FREE
    }

    /** The reasons, the one that came true last first. */
    public static List<Because> of(WeekPlan plan, PlannedStep step) {
        List<Because> reasons = new ArrayList<>();
        Instant opens = step.action().window().opensAt();
        if (plan.workshop().pins().stream()
                .anyMatch(pin -> pin.cup().equals(step.cup())
                        && pin.step() == step.step().number())) {
            reasons.add(new Because(step.begins(), What.PIN, "you pinned it there"));
        }
        if (opens.isAfter(plan.workshop().now())) {
            reasons.add(new Because(opens, What.WINDOW, window(step)));
        }
        if (step.isHandsOn()) {
            bench(plan, step).ifPresent(reasons::add);
            booth(plan, step).ifPresent(reasons::add);
            hands(plan, step).ifPresent(reasons::add);
        }
        spindle(plan, step).ifPresent(reasons::add);
        List<Because> binding = reasons.stream()
                .filter(reason -> binds(reason, step))
                .sorted(Comparator.comparing(Because::at).reversed())
                .toList();
        Instant earliest = earliest(plan, step, reasons);
        if (binding.isEmpty()) {
            return step.begins().isBefore(earliest.plus(SLOT)) ? List.of() : List.of(chosen(plan, step, earliest));
        }
        return binding.stream()
                .filter(reason -> !reason.words().equals(BEFORE))
                .limit(MOST)
                .toList();
    }

    /** Whether the step could not have been a slot earlier for it. */
    private static boolean binds(Because reason, PlannedStep step) {
        Instant held = reason.what() == What.SPINDLE ? step.at() : step.begins();
        return !reason.at().isAfter(held) && reason.at().isAfter(held.minus(SLOT));
    }

    /** What the step's window was for, as it came true. */
    private static String window(PlannedStep step) {
        if (step.scuffFirst()) {
            return "the coat below can be scuffed";
        }
        return step.action()
                .rests()
                .map(Cell::cameTrue)
                .filter(words -> !words.isEmpty())
                .orElse(BEFORE);
    }

    private static Optional<Because> bench(WeekPlan plan, PlannedStep step) {
        return begun(plan.workshop().hours().benchSpans(plan.workshop().now(), step.ends()), step, plan)
                .map(at -> new Because(at, What.BENCH, "your bench hours begin"));
    }

    private static Optional<Because> booth(WeekPlan plan, PlannedStep step) {
        return step.step().needs().contains(Need.BOOTH)
                ? begun(plan.workshop().hours().boothSpans(plan.workshop().now(), step.ends()), step, plan)
                        .map(at -> new Because(at, What.BOOTH, "the booth is free"))
                : Optional.empty();
    }

    /** When the stretch the step lies in began, if that is what it waited for. */
    private static Optional<Instant> begun(List<Span> spans, PlannedStep step, WeekPlan plan) {
        return spans.stream()
                .map(Span::from)
                .filter(from -> !from.isAfter(step.begins())
                        && from.isAfter(plan.workshop().now())
                        && from.isAfter(step.action().window().opensAt()))
                .max(Instant::compareTo);
    }

    /** The work right before it, without a gap. */
    private static Optional<Because> hands(WeekPlan plan, PlannedStep step) {
        return plan.steps().stream()
                .filter(other -> other.isHandsOn() && other.ends().equals(step.begins()) && !other.equals(step))
                .map(other -> new Because(
                        other.ends(), What.HANDS, "hands come free from %s: %s".formatted(other.cup(), other.title())))
                .findFirst();
    }

    /** The coat whose gelling frees the spindle it goes on. */
    private static Optional<Because> spindle(WeekPlan plan, PlannedStep step) {
        return step.turns().flatMap(turns -> plan.steps().stream()
                .filter(other -> !other.cup().equals(step.cup())
                        && other.turns()
                                .filter(before -> before.spindle().equals(turns.spindle())
                                        && !before.untilExclusive().isAfter(step.at()))
                                .isPresent())
                .map(other -> other.turns().orElseThrow().untilExclusive())
                .max(Instant::compareTo)
                .filter(at -> at.isAfter(step.action().window().opensAt()))
                .map(at -> new Because(
                        at,
                        What.SPINDLE,
                        "%s comes free".formatted(turns.spindle().name()))));
    }

    /** When the last of what it depends on had come true. */
    private static Instant earliest(WeekPlan plan, PlannedStep step, List<Because> reasons) {
        return reasons.stream()
                .map(Because::at)
                .filter(at -> !at.isAfter(step.begins()))
                .max(Instant::compareTo)
                .orElse(plan.workshop().now());
    }

    /**
     * Nothing held it back, so waiting was worth something: each is told only if the step were worse off without it.
     */
    private static Because chosen(WeekPlan plan, PlannedStep step, Instant earliest) {
        return sharing(plan, step, earliest)
                .or(() -> straightOn(plan, step, earliest))
                .or(() -> joining(plan, step, earliest))
                .orElseGet(() -> new Because(step.begins(), What.FREE, "it fits there; earlier is as good"));
    }

    /** It shares a mix with a coat that could not have been poured when this one could. */
    private static Optional<Because> sharing(WeekPlan plan, PlannedStep step, Instant earliest) {
        List<PlannedStep> others = plan.mixOf(step).stream()
                .flatMap(mix -> mix.pours().stream())
                .filter(pour -> !pour.cup().equals(step.cup()))
                .toList();
        boolean waits = others.stream()
                .anyMatch(other -> other.action().window().opensAt().isAfter(earliest)
                        || other.ends().equals(step.begins()));
        return waits
                ? Optional.of(new Because(
                        step.begins(),
                        What.MIX,
                        "it shares a mix with "
                                + String.join(
                                        ", ",
                                        others.stream().map(PlannedStep::cup).toList())))
                : Optional.empty();
    }

    /** Poured at once, the coat on top of it would come when it must be scuffed already. */
    private static Optional<Because> straightOn(WeekPlan plan, PlannedStep step, Instant earliest) {
        if (!step.step().kind().isPour()) {
            return Optional.empty();
        }
        Duration sooner = Duration.between(earliest, step.begins());
        return plan.of(step.cup()).stream()
                .filter(other -> other.begins().isAfter(step.at()) && !other.scuffFirst())
                .findFirst()
                .filter(next -> next.action()
                        .window()
                        .closesAtExclusive()
                        .filter(closes -> !closes.minus(sooner).isAfter(next.begins()))
                        .isPresent())
                .map(next -> new Because(
                        step.begins(),
                        What.STRAIGHT_ON,
                        "so that %s falls into its window"
                                .formatted(Character.toLowerCase(next.title().charAt(0))
                                        + next.title().substring(1))));
    }

    /** Done at once, it would be work on its own. */
    private static Optional<Because> joining(WeekPlan plan, PlannedStep step, Instant earliest) {
        return plan.sessions().stream()
                .filter(session -> session.steps().size() > 1 && session.steps().contains(step))
                .filter(session -> earliest.isBefore(session.begins()))
                .findFirst()
                .map(session -> new Because(
                        step.begins(),
                        What.SESSION,
                        "it joins the session of %d steps"
                                .formatted(session.steps().size())));
    }
}

package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Span;
import nursery.core.technique.Need;
import nursery.core.technique.Wait;

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
        PIN
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
        return binding.isEmpty()
                ? chosen(plan, step).stream().toList()
                : binding.stream()
                        .filter(reason -> !reason.words().equals(BEFORE))
                        .limit(MOST)
                        .toList();
    }

    /** Whether the step could not have been a slot earlier for it. */
    private static boolean binds(Because reason, PlannedStep step) {
        Instant held = reason.what() == What.SPINDLE ? step.at() : step.begins();
        return !reason.at().isAfter(held) && reason.at().isAfter(held.minus(SLOT));
    }

    /** What the step's own wait was for, as it came true. */
    private static String window(PlannedStep step) {
        Wait wait = step.action().waiting();
        return switch (wait.kind()) {
            case NONE -> BEFORE;
            case DRY -> "it has dried for %d min".formatted(wait.atLeast().toMinutes());
            case SETTLE -> "it has settled";
            case INTO_COAT -> "the coat is %d min old".formatted(wait.atLeast().toMinutes());
            case AGE -> "the coat below has set";
            case STRAIGHT_ON ->
                step.scuffFirst()
                        ? "the coat below can be scuffed"
                        : step.action().window().closesAtExclusive().isPresent()
                                ? "the coat below takes the next"
                                : BEFORE;
            case SANDABLE -> "the coat below is sandable";
            case CURED -> "the coat below is cured enough to work on";
        };
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

    /** Nothing held it back, so waiting was worth something. */
    private static Optional<Because> chosen(WeekPlan plan, PlannedStep step) {
        Optional<PlannedMix> mix =
                plan.mixOf(step).filter(shared -> shared.pours().size() > 1);
        if (mix.isPresent()) {
            List<String> others = mix.get().pours().stream()
                    .map(PlannedStep::cup)
                    .filter(cup -> !cup.equals(step.cup()))
                    .toList();
            return Optional.of(
                    new Because(step.begins(), What.MIX, "it shares a mix with " + String.join(", ", others)));
        }
        Optional<PlannedStep> next = plan.of(step.cup()).stream()
                .filter(other -> other.begins().isAfter(step.at())
                        && other.action().window().closesAtExclusive().isPresent()
                        && !other.scuffFirst())
                .findFirst();
        if (step.step().kind().isPour() && next.isPresent()) {
            return Optional.of(new Because(
                    step.begins(),
                    What.STRAIGHT_ON,
                    "so that %s falls into its window"
                            .formatted(Character.toLowerCase(next.get().title().charAt(0))
                                    + next.get().title().substring(1))));
        }
        return plan.sessions().stream()
                .filter(session -> session.steps().size() > 1 && session.steps().contains(step))
                .findFirst()
                .map(session -> new Because(
                        step.begins(),
                        What.SESSION,
                        "it joins the session of %d steps"
                                .formatted(session.steps().size())));
    }
}

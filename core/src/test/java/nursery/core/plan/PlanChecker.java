package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.log.Cup;
import nursery.core.log.CupFold;
import nursery.core.log.CupState;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.NextAction;
import nursery.core.technique.Need;

/**
 * Judges a plan from the rules of the craft and the workshop's limits alone: it plays the plan into the cups' own logs
 * and asks the fold, and shares no code with what made the plan.
 */
final class PlanChecker {

    private final WeekPlan plan;
    private final Workshop shop;
    private final List<String> wrong = new ArrayList<>();
    private final Map<String, CupState> ends = new HashMap<>();

    private PlanChecker(WeekPlan plan) {
        this.plan = plan;
        this.shop = plan.workshop();
    }

    /** All that is wrong with it. */
    static List<String> faultsOf(WeekPlan plan) {
        PlanChecker checker = new PlanChecker(plan);
        plan.workshop().cups().forEach(checker::cup);
        checker.hands();
        checker.spindles();
        checker.score();
        return checker.wrong;
    }

    private void cup(Cup cup) {
        CupFold fold = CupFold.of(cup, shop.room());
        Instant handsOff = shop.now();
        for (PlannedStep step : plan.of(cup.code())) {
            require(
                    !step.begins().isBefore(handsOff),
                    step,
                    "is begun before hands are off the step before, " + handsOff);
            Optional<NextAction> next = fold.stateAt(step.begins()).next();
            require(
                    next.isPresent()
                            && next.get().step().number() == step.step().number(),
                    step,
                    "is not what the cup needs next");
            if (step.scuffFirst()) {
                require(
                        next.orElseThrow().kind() == NextAction.Kind.SCUFF_FIRST
                                && next.get().window().isOpenAt(step.begins()),
                        step,
                        "scuffs a coat that is not to be scuffed: " + next.get().window());
                fold.add(LogEntry.scuffed(mark(step.at())));
                require(
                        Duration.between(step.begins(), step.at()).toMinutes() == 10,
                        step,
                        "gives scuffing other than ten minutes");
            }
            NextAction action = fold.stateAt(step.at()).next().orElseThrow();
            require(
                    action.kind() == NextAction.Kind.STEP
                            || action.kind() == NextAction.Kind.SOMETHING_FIRST && step.missed(),
                    step,
                    "needs something else first");
            require(
                    action.window().hasOpenedBy(step.at()),
                    step,
                    "is before its window opens, " + action.window().opensAt());
            Instant ends = step.at().plus(Duration.ofMinutes(step.step().kind().handsOnMinutes()));
            boolean wet = action.isWet();
            require(step.missed() || !action.window().hasClosedBy(step.at()), step, "is after its window closed");
            require(
                    step.missed()
                            || !wet
                            || action.window()
                                    .closesAtExclusive()
                                    .map(closes -> !ends.isAfter(closes))
                                    .orElse(true),
                    step,
                    "ends after its window closed");
            LogEntry entry = step.step().kind().isPour()
                    ? new LogEntry.Poured(mark(step.at()), step.step().number(), 20, Optional.empty())
                    : new LogEntry.StepDone(mark(ends), step.step().number());
            require(
                    step.missed()
                            || LegalMoves.concernsAbout(fold.stateAt(step.at()), cup, entry).stream()
                                    .allMatch(CupState.Concern::isAdvice),
                    step,
                    "is asked about when it is logged as planned");
            fold.add(entry);
            handsOff = ends;
        }
        CupState end = fold.stateAt(handsOff);
        ends.put(cup.code(), end);
        boolean told = plan.notPlaced().stream().anyMatch(not -> not.cup().equals(cup.code()));
        if (end.isFinished() == told) {
            wrong.add(cup.code()
                    + (told
                            ? " is planned to its end but told as not placed"
                            : " is forgotten: " + end.next().orElseThrow().title()));
        }
    }

    private void hands() {
        List<PlannedStep> work = plan.steps().stream()
                .filter(step -> step.step().kind().handsOnMinutes() > 0)
                .sorted(Comparator.comparing(PlannedStep::begins))
                .toList();
        for (int i = 0; i < work.size(); i++) {
            PlannedStep step = work.get(i);
            Instant end = step.at().plus(Duration.ofMinutes(step.step().kind().handsOnMinutes()));
            require(
                    i + 1 == work.size() || !work.get(i + 1).begins().isBefore(end),
                    step,
                    "takes the hands of the next");
            for (Instant at = step.begins(); at.isBefore(end); at = at.plus(Duration.ofMinutes(1))) {
                Instant minute = at;
                require(isAtBench(minute), step, "lies outside the bench hours at " + minute);
                require(
                        !step.step().needs().contains(Need.BOOTH)
                                || within(
                                        shop.hours()
                                                .booth()
                                                .getOrDefault(
                                                        minute.atZone(shop.hours()
                                                                        .zone())
                                                                .getDayOfWeek(),
                                                        DayHours.NONE),
                                        minute),
                        step,
                        "sprays outside the booth's hours");
            }
        }
    }

    /** The hours begun since the coat below gripped well, for a coat that goes straight on. */
    private long fadedHours(PlannedStep step) {
        return step.scuffFirst()
                ? 0
                : step.action()
                        .gripsUntil()
                        // A slot's clock is rounded to the safe side, by less than a millisecond.
                        .map(until -> until.minusMillis(1))
                        // What faded before the plan's first slot no plan can help.
                        .map(until -> until.isBefore(shop.now()) ? Grid.ceil(shop.now()) : until)
                        .filter(until -> !step.at().isBefore(until))
                        .map(until -> (slots(until, step.at()) + 12) / 12)
                        .orElse(0L);
    }

    /** Whole slots of five minutes between the first one at or after a moment and another. */
    private static long slots(Instant from, Instant to) {
        return Duration.between(from, to).toSeconds() / 300;
    }

    private boolean isAtBench(Instant at) {
        return !shop.hours().quiet().isQuiet(at)
                && within(shop.hours().on(at.atZone(shop.hours().zone()).toLocalDate()), at);
    }

    private boolean within(DayHours day, Instant at) {
        ZonedDateTime local = at.atZone(shop.hours().zone());
        return day.hours().stream()
                .anyMatch(hours -> !local.toLocalTime().isBefore(hours.from())
                        && (hours.untilExclusive().equals(LocalTime.MIDNIGHT)
                                || local.toLocalTime().isBefore(hours.untilExclusive())));
    }

    private record Taken(String cup, Instant from, Instant untilExclusive) {}

    private void spindles() {
        Map<Long, List<Taken>> taken = new HashMap<>();
        for (Cup cup : shop.cups()) {
            cup.at(shop.room(), shop.now()).hold().ifPresent(hold -> taken.computeIfAbsent(
                            hold.spindle().id(), id -> new ArrayList<>())
                    .add(new Taken(cup.code(), hold.since(), hold.mayComeOffAt())));
            for (PlannedStep step : plan.of(cup.code())) {
                if (cup.turns(step.step())) {
                    Instant gelled = new CoatTimes(cup.labelFor(step.step()), shop.room(), step.at()).offTurnerFrom();
                    taken.computeIfAbsent(step.turns().orElseThrow().spindle().id(), id -> new ArrayList<>())
                            .add(new Taken(cup.code(), step.at(), gelled));
                }
            }
        }
        taken.forEach((spindle, coats) -> {
            coats.sort(Comparator.comparing(Taken::from));
            for (int i = 1; i < coats.size(); i++) {
                if (coats.get(i).from().isBefore(coats.get(i - 1).untilExclusive())
                        && !coats.get(i).cup().equals(coats.get(i - 1).cup())) {
                    wrong.add(
                            "Spindle %d turns two cups: %s and %s".formatted(spindle, coats.get(i - 1), coats.get(i)));
                }
            }
        });
    }

    private void score() {
        long late = 0;
        for (Cup cup : shop.cups()) {
            CupState end = Objects.requireNonNull(ends.get(cup.code()));
            if (cup.promise().dueAt().isPresent() && end.isFinished()) {
                Instant cured = end.fullCureAt().orElse(end.lastDoneAt());
                Instant handsOff = plan.of(cup.code()).stream()
                        .map(PlannedStep::ends)
                        .max(Instant::compareTo)
                        .orElse(cured);
                Instant ready = cured.isAfter(handsOff) ? cured : handsOff;
                long minutes =
                        Duration.between(cup.promise().dueAt().get(), ready).toMinutes();
                late += minutes > 0 ? minutes * cup.promise().matters() : 0;
            }
        }
        long faded = plan.steps().stream().mapToLong(this::fadedHours).sum();
        long scuffs = plan.steps().stream().filter(PlannedStep::scuffFirst).count();
        // A slot's rounding for each cup, and what is not placed counts as late until the horizon.
        long rounding = shop.cups().stream()
                .mapToLong(cup -> 30L * cup.promise().matters())
                .sum();
        if (plan.notPlaced().isEmpty() && Math.abs(late - plan.score().lateMinutes()) > rounding) {
            wrong.add("The lateness is %d min, not %d."
                    .formatted(late, plan.score().lateMinutes()));
        }
        int steps = shop.cups().stream()
                .mapToInt(cup -> (int) cup.plan().stream()
                        .filter(step -> !cup.at(shop.room(), shop.now()).done().containsKey(step.number()))
                        .count())
                .sum();
        if (steps - plan.steps().size() != plan.score().notPlaced()
                || plan.notPlaced().stream().mapToInt(NotPlaced::steps).sum()
                        != plan.score().notPlaced()) {
            wrong.add("Of %d steps %d are placed, but %d not."
                    .formatted(steps, plan.steps().size(), plan.score().notPlaced()));
        }
        if (scuffs != plan.score().scuffs()
                || faded != plan.score().fadedHours()
                || plan.sessions().size() != plan.score().sessions()
                || plan.mixes().size() != plan.score().mixes()) {
            wrong.add("The score %s is not the plan's: %d scuffs, %d sessions, %d faded, %d mixes."
                    .formatted(
                            plan.score(),
                            scuffs,
                            plan.sessions().size(),
                            faded,
                            plan.mixes().size()));
        }
    }

    private void require(boolean holds, PlannedStep step, String fault) {
        if (!holds) {
            wrong.add("%s %s at %s %s.".formatted(step.cup(), step.step().title(), step.at(), fault));
        }
    }

    private static Mark mark(Instant at) {
        return new Mark(0, at, at, "", "");
    }
}

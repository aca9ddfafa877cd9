package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.plan.DayHours.Hours;
import nursery.core.resin.Resin;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * What would bring a late cup in on time, found by planning the shop anew with one thing changed.
 *
 * @param wish what to change
 * @param late how late the cup would be then; zero if in time, empty if it would still find no place
 * @param othersLate how many other cups would be late that are not late now
 */
public record Rescue(Wish wish, Optional<Duration> late, int othersLate) {

    private static final Hours ONE_MORE_EVENING = new Hours(LocalTime.of(18, 0), LocalTime.of(22, 0));
    private static final int EVENINGS_TRIED = 3;

    public boolean saves() {
        return late.filter(Duration::isZero).isPresent();
    }

    /**
     * What helps, what saves the cup first.
     *
     * @param fast the fastest resin on the shelf
     * @param steps how long to look for a plan for each change
     */
    public static List<Rescue> of(WeekPlan plan, Cup cup, Optional<Resin> fast, long steps) {
        Workshop shop = plan.workshop();
        Map<Integer, LogEntry> done = cup.at(shop.room(), shop.now()).done();
        List<Wish> wishes = new ArrayList<>();
        wishes.add(new Wish.MoreSpindles(1));
        fast.filter(resin -> isFaster(resin, cup, done))
                .ifPresent(resin -> wishes.add(new Wish.OtherResin(cup.code(), resin)));
        evenings(shop, cup).forEach(day -> wishes.add(new Wish.Hours(day, new DayHours(List.of(ONE_MORE_EVENING)))));
        spareCoat(cup, done).ifPresent(step -> wishes.add(new Wish.CoatLess(cup.code(), step.number())));
        Duration now = plan.lateness(cup).orElse(Duration.ofDays(shop.horizon().toDays()));
        return wishes.stream()
                .map(wish -> tried(wish, plan, cup, steps))
                .filter(rescue ->
                        rescue.late().filter(late -> late.compareTo(now) < 0).isPresent())
                .sorted(Comparator.comparing((Rescue rescue) -> rescue.late().orElseThrow())
                        .thenComparing(Rescue::othersLate))
                .toList();
    }

    private static Rescue tried(Wish wish, WeekPlan plan, Cup cup, long steps) {
        Planner planner = Planner.after(plan.placements(), wish.in(plan.workshop()));
        planner.mend(steps);
        WeekPlan other = planner.best();
        Optional<Duration> late = other.readyAt().containsKey(cup.code())
                ? Optional.of(other.lateness(cup).orElse(Duration.ZERO))
                : Optional.empty();
        List<String> lateNow = plan.late().stream().map(Cup::code).toList();
        return new Rescue(wish, late, (int) other.late().stream()
                .filter(one -> !one.code().equals(cup.code()) && !lateNow.contains(one.code()))
                .count());
    }

    /** Whether another resin for the coats to come would be fully cured sooner than the last of them. */
    private static boolean isFaster(Resin resin, Cup cup, Map<Integer, LogEntry> done) {
        Optional<PlanStep> lastToPour = cup.plan().stream()
                .filter(step -> step.kind().isPour() && !done.containsKey(step.number()))
                .reduce((a, b) -> b);
        return lastToPour
                .filter(step -> resin.label().times().fullCureH()
                        < cup.labelFor(step).times().fullCureH())
                .isPresent();
    }

    /** A second or thin coat that is still to come, if there is one: the last of them. */
    private static Optional<PlanStep> spareCoat(Cup cup, Map<Integer, LogEntry> done) {
        return cup.plan().stream()
                .filter(step -> (step.kind() == StepKind.BUILD_COAT || step.kind() == StepKind.THIN_COAT)
                        && !done.containsKey(step.number())
                        && isSoundWithout(cup, step))
                .reduce((a, b) -> b);
    }

    /** Whether the plan breaks no rule more without a coat: sanding through to the glitter is no rescue. */
    private static boolean isSoundWithout(Cup cup, PlanStep step) {
        return faults(cup.without(step)) <= faults(cup);
    }

    private static long faults(Cup cup) {
        return Judgement.offered(
                        cup.plan(),
                        cup.resins().base().label(),
                        cup.resins().last().label(),
                        cup.blank())
                .stream()
                .filter(finding -> !finding.isAdvice())
                .count();
    }

    /** The next days without bench hours, before it is due. */
    private static List<LocalDate> evenings(Workshop shop, Cup cup) {
        List<LocalDate> days = new ArrayList<>();
        LocalDate first = shop.now().atZone(shop.hours().zone()).toLocalDate();
        Instant until = cup.promise().dueAt().orElse(shop.now());
        for (LocalDate day = first;
                days.size() < EVENINGS_TRIED
                        && day.atStartOfDay(shop.hours().zone()).toInstant().isBefore(until);
                day = day.plusDays(1)) {
            if (shop.hours().on(day).isEmpty()) {
                days.add(day);
            }
        }
        return days;
    }
}

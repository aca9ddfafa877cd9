package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nursery.core.log.CupFile;
import nursery.core.log.CupFold;
import nursery.core.log.LogEntry;
import nursery.core.plan.DayHours.Hours;
import nursery.core.resin.Label;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * What would bring a late cup in on time, found by planning the shop anew with one thing changed.
 *
 * @param words what to change
 * @param late  how late the cup would be then; zero if in time, empty if it would still find no place
 * @param othersLate how many other cups would be late that are not late now
 */
public record Rescue(String words, Optional<Duration> late, int othersLate) {

    private static final Hours ONE_MORE_EVENING = new Hours(LocalTime.of(18, 0), LocalTime.of(22, 0));
    private static final int EVENINGS_TRIED = 3;

    /** A resin that could be used instead. */
    public record OtherResin(String name, Label label) {}

    public boolean saves() {
        return late.filter(Duration::isZero).isPresent();
    }

    /**
     * What helps, what saves the cup first.
     *
     * @param steps how long to look for a plan for each change
     */
    public static List<Rescue> of(WeekPlan plan, PlanCup cup, Optional<OtherResin> fast, long steps) {
        Workshop shop = plan.workshop();
        List<Rescue> found = new ArrayList<>();
        found.add(tried("with one more spindle", plan, cup, shop.withMoreSpindles(1), steps));
        fast.flatMap(resin -> withFast(shop, cup, resin)).ifPresent(other -> found.add(tried("with %s for the coats to come".formatted(fast.orElseThrow().name()), plan, cup, replaced(shop, cup, other), steps)));
        evenings(shop, cup).forEach(day -> found.add(tried("with the evening of %s, %s".formatted(dayName(day), new DayHours(List.of(ONE_MORE_EVENING)).written()), plan, cup,
                shop.with(shop.hours().with(day, new DayHours(List.of(ONE_MORE_EVENING)))), steps)));
        withoutACoat(shop, cup).ifPresent(less -> found.add(tried("without one of its middle coats", plan, cup, replaced(shop, cup, less), steps)));
        Duration now = plan.lateness(cup).orElse(Duration.ofDays(shop.horizon().toDays()));
        return found.stream().filter(rescue -> rescue.late().filter(late -> late.compareTo(now) < 0).isPresent())
                .sorted(Comparator.comparing((Rescue rescue) -> rescue.late().orElseThrow()).thenComparing(Rescue::othersLate)).toList();
    }

    private static Rescue tried(String words, WeekPlan plan, PlanCup cup, Workshop changed, long steps) {
        Planner planner = Planner.after(plan.placements(), changed);
        planner.improve(Budget.of(steps));
        WeekPlan other = planner.best();
        PlanCup then = changed.cups().stream().filter(one -> one.code().equals(cup.code())).findFirst().orElseThrow();
        Optional<Duration> late = other.readyAt().containsKey(cup.code()) ? Optional.of(other.lateness(then).orElse(Duration.ZERO)) : Optional.empty();
        List<String> lateNow = plan.late().stream().map(PlanCup::code).toList();
        return new Rescue(words, late, (int) other.late().stream().filter(one -> !one.code().equals(cup.code()) && !lateNow.contains(one.code())).count());
    }

    private static Workshop replaced(Workshop shop, PlanCup cup, PlanCup with) {
        return shop.withCups(shop.cups().stream().map(one -> one.code().equals(cup.code()) ? with : one).toList());
    }

    /** The cup with the coats still to come from another resin; a coat that is on it stays what it is. */
    private static Optional<PlanCup> withFast(Workshop shop, PlanCup cup, OtherResin fast) {
        CupFile file = cup.file();
        Map<Integer, LogEntry> done = CupFold.stateOf(file, shop.room(), shop.now()).done();
        List<PlanStep> pours = file.plan().stream().filter(step -> step.kind().isPour()).toList();
        boolean base = pours.stream().anyMatch(step -> step.kind() != StepKind.FINISHING_COAT) && pours.stream().noneMatch(step -> step.kind() != StepKind.FINISHING_COAT && done.containsKey(step.number()));
        boolean last = pours.stream().anyMatch(step -> step.kind() == StepKind.FINISHING_COAT && !done.containsKey(step.number()));
        if (!base && !last || fast.label().times().fullCureH() >= file.last().times().fullCureH()) {
            return Optional.empty();
        }
        CupFile other = new CupFile(file.blank(), base ? fast.label() : file.base(), last ? fast.label() : file.last(), file.plan(), file.startedAt(), file.log());
        return Optional.of(new PlanCup(cup.code(), other, base ? fast.name() : cup.base(), last ? fast.name() : cup.last(), cup.dueAt(), cup.matters()));
    }

    /** The cup without a second or thin coat that is still to come, if it has one. */
    private static Optional<PlanCup> withoutACoat(Workshop shop, PlanCup cup) {
        Map<Integer, LogEntry> done = CupFold.stateOf(cup.file(), shop.room(), shop.now()).done();
        Optional<PlanStep> spare = cup.file().plan().stream().filter(step -> (step.kind() == StepKind.BUILD_COAT || step.kind() == StepKind.THIN_COAT) && !done.containsKey(step.number())).reduce((a, b) -> b);
        return spare.map(step -> {
            CupFile file = cup.file();
            List<PlanStep> less = file.plan().stream().filter(one -> one != step).toList();
            return cup.with(new CupFile(file.blank(), file.base(), file.last(), less, file.startedAt(), file.log()));
        });
    }

    /** The next days without bench hours, before it is due. */
    private static List<LocalDate> evenings(Workshop shop, PlanCup cup) {
        List<LocalDate> days = new ArrayList<>();
        LocalDate first = shop.now().atZone(shop.hours().zone()).toLocalDate();
        Instant until = cup.dueAt().orElse(shop.now());
        for (LocalDate day = first; days.size() < EVENINGS_TRIED && day.atStartOfDay(shop.hours().zone()).toInstant().isBefore(until); day = day.plusDays(1)) {
            if (shop.hours().on(day).isEmpty()) {
                days.add(day);
            }
        }
        return days;
    }

    private static String dayName(LocalDate day) {
        return day.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " " + day.getDayOfMonth();
    }
}

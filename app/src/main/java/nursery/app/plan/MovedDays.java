package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.platform.Show;
import nursery.core.plan.Changes;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.WeekPlan;

/**
 * The days a change touches, each as it was and as it would be: what stays pale, what moves in full. Places are per
 * cent of the hours that are worked on any of them.
 *
 * @param ticks the hours along the top
 * @param more days that are touched beyond those that are shown
 */
record MovedDays(List<Day> days, List<Tick> ticks, int more) {

    private static final int MOST = 8;
    private static final double HOUR_MIN = 60;
    private static final int DAY_H = 24;
    /** Ticks closer together than this run into one another on a telephone. */
    private static final int MOST_TICKS = 5;
    /** What is narrower is not seen. */
    private static final double NARROWEST = 0.8;

    /** @param was its steps so far; @param is those it would have */
    record Day(String label, List<Block> was, List<Block> is, String says) {}

    /** Hands on one step. */
    record Block(double x, double width, boolean isMoved) {}

    record Tick(double x, String label) {}

    /** The first and the last minute of the day that are drawn, in whole hours. */
    private record Hours(double fromMin, double untilMin) {
        double percent(double minute) {
            return Math.round(10_000 * Math.max(0, Math.min(1, (minute - fromMin) / (untilMin - fromMin)))) / 100.0;
        }
    }

    static MovedDays of(WeekPlan before, WeekPlan after, Changes changes, Show show) {
        Set<String> moved =
                changes.moved().stream().map(move -> key(move.after())).collect(Collectors.toSet());
        TreeSet<LocalDate> days = changes.moved().stream()
                .flatMap(move -> Stream.of(move.before(), move.after()))
                .filter(PlannedStep::isHandsOn)
                .map(step -> day(step, show))
                .collect(Collectors.toCollection(TreeSet::new));
        List<LocalDate> shown = days.stream().limit(MOST).toList();
        Hours hours = hours(
                Stream.of(before, after)
                        .flatMap(plan -> plan.steps().stream())
                        .filter(PlannedStep::isHandsOn)
                        .filter(step -> shown.contains(day(step, show)))
                        .toList(),
                show);
        return new MovedDays(
                shown.stream()
                        .map(day -> day(day, before, after, moved, hours, show))
                        .toList(),
                ticks(hours, show),
                days.size() - shown.size());
    }

    private static Day day(LocalDate day, WeekPlan before, WeekPlan after, Set<String> moved, Hours hours, Show show) {
        List<Block> was = blocks(day, before, moved, hours, show);
        List<Block> is = blocks(day, after, moved, hours, show);
        return new Day(
                show.date(day),
                was,
                is,
                was.size() == is.size()
                        ? steps(is.size())
                        : "%d → %s".formatted(was.size(), is.isEmpty() ? "none" : steps(is.size())));
    }

    private static String steps(int count) {
        return count == 1 ? "1 step" : count + " steps";
    }

    private static List<Block> blocks(LocalDate day, WeekPlan plan, Set<String> moved, Hours hours, Show show) {
        return plan.steps().stream()
                .filter(step -> step.isHandsOn() && day(step, show).equals(day))
                .map(step -> {
                    double begins = minute(step.begins(), show);
                    double x = hours.percent(begins);
                    double width = hours.percent(begins + step.handsOn().toMinutes()) - x;
                    return new Block(x, Math.max(NARROWEST, width), moved.contains(key(step)));
                })
                .toList();
    }

    private static Hours hours(List<PlannedStep> steps, Show show) {
        double from = steps.stream()
                .mapToDouble(step -> minute(step.begins(), show))
                .min()
                .orElse(0);
        double until = steps.stream()
                .mapToDouble(
                        step -> minute(step.begins(), show) + step.handsOn().toMinutes())
                .max()
                .orElse(HOUR_MIN);
        return new Hours(Math.floor(from / HOUR_MIN) * HOUR_MIN, Math.ceil(until / HOUR_MIN) * HOUR_MIN);
    }

    private static List<Tick> ticks(Hours hours, Show show) {
        int first = (int) Math.round(hours.fromMin() / HOUR_MIN);
        int last = (int) Math.round(hours.untilMin() / HOUR_MIN);
        int step = Math.max(1, (int) Math.ceil((last - first) / (double) MOST_TICKS));
        List<Tick> ticks = new ArrayList<>();
        for (int hour = first; hour <= last; hour += step) {
            ticks.add(new Tick(hours.percent(hour * HOUR_MIN), show.time(LocalTime.of(hour % DAY_H, 0))));
        }
        return ticks;
    }

    private static LocalDate day(PlannedStep step, Show show) {
        return step.begins().atZone(show.zone()).toLocalDate();
    }

    /** Minutes since midnight on the wall's clock. */
    private static double minute(Instant at, Show show) {
        ZonedDateTime local = at.atZone(show.zone());
        return Duration.between(local.toLocalDate().atStartOfDay(), local.toLocalDateTime())
                        .toSeconds()
                / HOUR_MIN;
    }

    private static String key(PlannedStep step) {
        return step.cup() + " " + step.step().number();
    }
}

package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.log.Cup;

/**
 * What a new plan changes against the one before.
 *
 * @param moved steps in both that hands begin at another time, by more than a slot; what only lasts is nobody's work
 * @param cups how each cup's promise changed
 */
public record Changes(List<Moved> moved, List<CupChange> cups) {

    /** A step that moved; later if {@code by} is positive. */
    public record Moved(PlannedStep before, PlannedStep after, Duration by) {}

    /**
     * A cup whose day changed.
     *
     * @param before how late it was, zero if in time; empty if it had no place or was not there
     * @param after how late it will be
     */
    public record CupChange(Cup cup, Optional<Duration> before, Optional<Duration> after) {

        public boolean isNowLate() {
            return isLate(after) && !isLate(before);
        }

        public boolean isNoLongerLate() {
            return !isLate(after) && isLate(before);
        }

        public boolean isLaterStill() {
            return isLate(after)
                    && isLate(before)
                    && before.isPresent()
                    && after.filter(late -> late.compareTo(before.get()) <= 0).isEmpty();
        }

        /** A cup without a place is late for ever. */
        private static boolean isLate(Optional<Duration> late) {
            return late.filter(Duration::isZero).isEmpty();
        }
    }

    public static Changes between(WeekPlan before, WeekPlan after) {
        List<Moved> moved = new ArrayList<>();
        for (PlannedStep step :
                after.steps().stream().filter(PlannedStep::isHandsOn).toList()) {
            before.find(step.cup(), step.step().number()).ifPresent(old -> {
                Duration by = Duration.between(old.begins(), step.begins());
                if (by.abs().toMinutes() > Grid.MINUTES) {
                    moved.add(new Moved(old, step, by));
                }
            });
        }
        List<CupChange> cups = after.workshop().cups().stream()
                .filter(cup -> cup.promise().dueAt().isPresent())
                .map(cup -> new CupChange(cup, late(before, cup), late(after, cup)))
                .filter(change -> !change.before().equals(change.after()))
                .toList();
        return new Changes(List.copyOf(moved), cups);
    }

    /** How many of the steps that move do so to another day. */
    public long toAnotherDay(ZoneId zone) {
        return moved.stream()
                .filter(move -> !day(move.before(), zone).equals(day(move.after(), zone)))
                .count();
    }

    private static LocalDate day(PlannedStep step, ZoneId zone) {
        return step.begins().atZone(zone).toLocalDate();
    }

    /** Until when everything stays where it was; empty where nothing moves. */
    public Optional<Instant> staysUntil() {
        return moved.stream()
                .flatMap(move -> Stream.of(move.before().begins(), move.after().begins()))
                .min(Comparator.naturalOrder());
    }

    public boolean isNothing() {
        return moved.isEmpty() && cups.isEmpty();
    }

    /** Cups that were late and will be so by more, or find no place any more. */
    public List<CupChange> laterStill() {
        return cups.stream().filter(CupChange::isLaterStill).toList();
    }

    public List<CupChange> nowLate() {
        return cups.stream().filter(CupChange::isNowLate).toList();
    }

    public List<CupChange> noLongerLate() {
        return cups.stream().filter(CupChange::isNoLongerLate).toList();
    }

    private static Optional<Duration> late(WeekPlan plan, Cup cup) {
        return Optional.ofNullable(plan.readyAt().get(cup.code())).map(ready -> {
            Duration over = Duration.between(cup.promise().dueAt().orElseThrow(), ready);
            return over.isNegative() ? Duration.ZERO : over;
        });
    }
}

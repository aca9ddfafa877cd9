package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Span;
import nursery.core.plan.Problem.Job;

/** Says what stands in the way of a step that found no place. */
final class NotPlacedReason {

    private NotPlacedReason() {}

    static Optional<NotPlaced> of(Problem problem, Layout layout, Job job) {
        for (int i = 0; i < job.acts().size(); i++) {
            if (layout.at()[job.first() + i] == Layout.NOWHERE) {
                Act act = job.acts().get(i);
                return Optional.of(new NotPlaced(
                        job.cup().code(), job.acts().size() - i, act.step().title(), why(problem, act)));
            }
        }
        return Optional.empty();
    }

    private static String why(Problem problem, Act act) {
        Workshop workshop = problem.workshop;
        Instant end = problem.grid.instant(problem.grid.slots());
        List<Span> spans = workshop.hours().benchSpans(problem.grid.origin(), end);
        int needed = act.hands() * Grid.MINUTES;
        if (spans.isEmpty()) {
            return "there are no bench hours at all: set them, or give one evening.";
        }
        long longest = longestMinutes(spans);
        if (needed > longest) {
            return "it takes %d min and the longest session has %d: give one longer evening."
                    .formatted(needed, longest);
        }
        if (act.inBooth() && needed > longestMinutes(workshop.hours().boothSpans(problem.grid.origin(), end))) {
            return "the booth is never free for %d min: set its hours.".formatted(needed);
        }
        if (act.onSpindle() && problem.spindles == 0) {
            return "there is no spindle to turn it on.";
        }
        return "hands, booth and spindles are taken until the end of the %d weeks that are planned."
                .formatted(workshop.horizon().toDays() / 7);
    }

    private static long longestMinutes(List<Span> spans) {
        return spans.stream()
                .mapToLong(span ->
                        Duration.between(span.from(), span.untilExclusive()).toMinutes())
                .max()
                .orElse(0);
    }
}

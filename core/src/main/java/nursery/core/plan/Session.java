package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** A stretch at the bench without a gap of over an hour. */
public record Session(List<PlannedStep> steps) {

    /** Sessions of steps in order of their begin; what needs no hands belongs to none. */
    public static List<Session> of(List<PlannedStep> inOrder) {
        List<Session> sessions = new ArrayList<>();
        List<PlannedStep> current = new ArrayList<>();
        for (PlannedStep step : inOrder.stream().filter(PlannedStep::isHandsOn).toList()) {
            if (!current.isEmpty()
                    && Duration.between(current.get(current.size() - 1).ends(), step.begins())
                                    .toMinutes()
                            > Score.BREAK_MINUTES) {
                sessions.add(new Session(List.copyOf(current)));
                current.clear();
            }
            current.add(step);
        }
        if (!current.isEmpty()) {
            sessions.add(new Session(List.copyOf(current)));
        }
        return List.copyOf(sessions);
    }

    public Instant begins() {
        return steps.get(0).begins();
    }

    public Instant ends() {
        return steps.stream().map(PlannedStep::ends).max(Instant::compareTo).orElseThrow();
    }

    /** Minutes of work in it. */
    public long handsOnMinutes() {
        return steps.stream().mapToLong(step -> step.handsOn().toMinutes()).sum();
    }
}

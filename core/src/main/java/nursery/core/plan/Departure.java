package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nursery.core.log.Cup;
import nursery.core.surface.Cell;

/**
 * Where life has departed from a plan that was kept.
 *
 * @param cup whose step it is
 * @param step its number in that cup's plan
 * @param kind how it departs
 * @param by how far it moved, zero where nothing did
 */
public record Departure(String cup, int step, Kind kind, Duration by, String words) {

    /** Nobody is called unpunctual over less. */
    static final Duration LEEWAY = Duration.ofMinutes(20);

    /** How life departs. */
    public enum Kind {
        OVERDUE,
        MOVED,
        NOT_PLANNED,
        NO_PLACE
    }

    /**
     * All departures, the soonest first.
     *
     * @param kept the plan as it was kept
     * @param now the same plan laid out as things stand now, by {@link Planner#kept}
     */
    public static List<Departure> of(List<Placement> kept, WeekPlan now) {
        Map<String, Map<Integer, Instant>> before = new HashMap<>();
        kept.forEach(placement -> before.computeIfAbsent(placement.cup(), cup -> new HashMap<>())
                .put(placement.step(), placement.begins()));
        List<Departure> found = new ArrayList<>();
        for (Cup cup : now.workshop().cups()) {
            Map<Integer, Instant> own = before.getOrDefault(cup.code(), Map.of());
            // What follows from one delay is no departure of its own: the first of a cup tells it.
            now.of(cup.code()).stream()
                    .map(step -> of(step, own, now.workshop().now()))
                    .filter(list -> !list.isEmpty())
                    .findFirst()
                    .ifPresent(found::addAll);
        }
        now.notPlaced().stream()
                .filter(not -> before.containsKey(not.cup()))
                .forEach(not -> found.add(new Departure(
                        not.cup(),
                        0,
                        Kind.NO_PLACE,
                        Duration.ZERO,
                        "%s finds no place any more: %s".formatted(not.first(), not.why()))));
        return List.copyOf(found);
    }

    private static List<Departure> of(PlannedStep step, Map<Integer, Instant> before, Instant now) {
        Instant was = before.get(step.step().number());
        if (was == null) {
            String words =
                    before.isEmpty() ? "is not in the plan yet" : "%s is not in the plan".formatted(step.title());
            return List.of(new Departure(step.cup(), step.step().number(), Kind.NOT_PLANNED, Duration.ZERO, words));
        }
        Duration by = Duration.between(was, step.begins());
        if (by.compareTo(LEEWAY) <= 0) {
            return List.of();
        }
        boolean overdue = was.isBefore(now) && step.action().window().hasOpenedBy(now);
        String words = overdue
                ? "%s was planned and is not logged".formatted(step.title())
                : "%s cannot be where it was planned (%s)".formatted(step.title(), reason(step, was));
        return List.of(new Departure(step.cup(), step.step().number(), overdue ? Kind.OVERDUE : Kind.MOVED, by, words));
    }

    /** The coat was not ready then, or what it needs was taken. */
    private static String reason(PlannedStep step, Instant was) {
        if (!step.action().window().opensAt().isAfter(was)) {
            return "hands or spindles are taken then";
        }
        String why = step.action().rests().map(Cell::words).orElse(step.action().why());
        return Character.toLowerCase(why.charAt(0))
                + (why.endsWith(".") ? why.substring(1, why.length() - 1) : why.substring(1));
    }
}

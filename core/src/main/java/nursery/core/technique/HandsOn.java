package nursery.core.technique;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * How many minutes hands are on a cup for each kind of step here: the starting values of {@link StepKind}, moved by
 * what was timed. The starting value counts like two cups that were timed, and of what was timed the middle counts, so
 * that the afternoon a maker was called away does not.
 *
 * @param learned whole minutes, only of kinds that were timed
 * @param timed how often each was timed, of the newest that count
 */
public record HandsOn(Map<StepKind, Integer> learned, Map<StepKind, Integer> timed) {

    /** Of older ones nothing is learned: hands get quicker. */
    public static final int NEWEST = 20;
    /** Minutes on one cup; beyond them something else was timed. */
    public static final double SHORTEST_MIN = 0.5;

    public static final double LONGEST_MIN = 240;

    /** Nothing timed yet. */
    public static final HandsOn STARTING = new HandsOn(Map.of(), Map.of());

    private static final double STARTING_COUNTS = 2;

    public HandsOn {
        learned = Map.copyOf(learned);
        timed = Map.copyOf(timed);
    }

    /** Minutes on one cup. */
    public record Timed(StepKind kind, double minutes) {}

    /** @param newestFirst what was timed; of each kind the first {@value #NEWEST} count */
    public static HandsOn learned(List<Timed> newestFirst) {
        Map<StepKind, List<Double>> byKind = new EnumMap<>(StepKind.class);
        for (Timed one : newestFirst) {
            List<Double> known = byKind.computeIfAbsent(one.kind(), kind -> new ArrayList<>());
            if (known.size() < NEWEST
                    && isPlausible(one.minutes())
                    && one.kind().handsOnMinutes() > 0) {
                known.add(one.minutes());
            }
        }
        Map<StepKind, Integer> learned = new EnumMap<>(StepKind.class);
        Map<StepKind, Integer> timed = new EnumMap<>(StepKind.class);
        byKind.forEach((kind, minutes) -> {
            if (!minutes.isEmpty()) {
                double weighted = STARTING_COUNTS * kind.handsOnMinutes() + minutes.size() * middle(minutes);
                learned.put(kind, (int) Math.max(1, Math.round(weighted / (STARTING_COUNTS + minutes.size()))));
                timed.put(kind, minutes.size());
            }
        });
        return new HandsOn(learned, timed);
    }

    public static boolean isPlausible(double minutes) {
        return minutes >= SHORTEST_MIN && minutes <= LONGEST_MIN;
    }

    private static double middle(List<Double> minutes) {
        List<Double> sorted = minutes.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    public int minutesOf(StepKind kind) {
        return learned.getOrDefault(kind, kind.handsOnMinutes());
    }

    /** A plan whose steps take as long as they do here. */
    public List<PlanStep> on(List<PlanStep> plan) {
        return plan.stream().map(step -> step.taking(minutesOf(step.kind()))).toList();
    }
}

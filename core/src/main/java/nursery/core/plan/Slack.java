package nursery.core.plan;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * Looks for a plan in which more promises hold: each is aimed at as much earlier as its cup may come later, or half of
 * that, once with as few steps moved as may be and once with all of them free.
 *
 * @param plan in which more promises hold, with nothing missed or late that was not
 * @param held how many held before
 * @param holding how many hold in it
 */
public record Slack(WeekPlan plan, long held, long holding) {

    private static final double[] PARTS = {1, 0.5};

    /**
     * @param doubt how surely the plan holds
     * @param chance with which a promise is to hold
     * @param budget for each of four searches
     * @return empty if no such plan was found
     */
    public static Optional<Slack> find(
            WeekPlan plan, Doubt doubt, Doubt.Ranges ranges, double chance, Supplier<Budget> budget) {
        Map<String, Duration> slack = doubt.slack(chance);
        long held = held(plan, doubt, chance);
        Optional<Slack> best = Optional.empty();
        for (double part : PARTS) {
            Map<String, Duration> earlier = slack.entrySet().stream()
                    .collect(Collectors.toMap(
                            Map.Entry::getKey,
                            one -> Duration.ofMinutes(
                                    Math.round(part * one.getValue().toMinutes()))));
            Workshop aiming = plan.workshop().aimingEarlier(earlier);
            for (boolean calm : new boolean[] {true, false}) {
                Planner planner =
                        calm ? Planner.after(plan.placements(), aiming) : Planner.anew(plan.placements(), aiming);
                planner.improve(budget.get());
                WeekPlan found = Planner.kept(planner.best().placements(), plan.workshop());
                long most = best.map(Slack::holding).orElse(held);
                if (!isWorse(found.score(), plan.score())) {
                    long holding = held(found, Doubt.of(found, ranges), chance);
                    best = holding > most ? Optional.of(new Slack(found, held, holding)) : best;
                }
            }
        }
        return best;
    }

    private static boolean isWorse(Score found, Score known) {
        return found.notPlaced() > known.notPlaced()
                || found.missed() > known.missed()
                || found.lateMinutes() > known.lateMinutes();
    }

    private static long held(WeekPlan plan, Doubt doubt, double chance) {
        return plan.workshop().cups().stream()
                .filter(cup -> doubt.holds(cup, chance))
                .count();
    }
}

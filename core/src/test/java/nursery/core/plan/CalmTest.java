package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.ortools.sat.CpSolverStatus;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import nursery.core.log.QuietHours;
import nursery.core.plan.ExactModel.Calmest;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A change moves what it must. An evening away is the hardest: where the others are full, one pushes the next. */
class CalmTest {

    private static final QuietHours QUIET = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);

    /** A plan, and the same with nobody at the bench on the fullest of its next evenings. */
    private record Away(WeekPlan before, Workshop changed, Instant from, long there) {

        static Away of(Workshop shop, int steps) {
            WeekPlan before = Planner.plan(shop, Budget.of(steps));
            Map<LocalDate, Long> byDay = before.steps().stream()
                    .collect(Collectors.groupingBy(
                            step -> step.begins().atZone(ZoneOffset.UTC).toLocalDate(),
                            TreeMap::new,
                            Collectors.counting()));
            LocalDate day = byDay.keySet().stream()
                    .skip(1)
                    .limit(6)
                    .max(Comparator.comparing(byDay::get))
                    .orElse(shop.now().atZone(ZoneOffset.UTC).toLocalDate());
            return new Away(
                    before,
                    shop.with(shop.hours().with(day, DayHours.NONE)),
                    day.atStartOfDay(ZoneOffset.UTC).toInstant(),
                    byDay.getOrDefault(day, 0L));
        }

        WeekPlan after(int steps) {
            Planner planner = Planner.after(before.placements(), changed, before.workshop());
            planner.improve(Budget.of(steps));
            return planner.best();
        }
    }

    /** Ninety minutes an evening for five cups: what finds no place any more pushes what comes after. */
    @Tag("simulation")
    @Test
    void whereEveningsAreFullNoMoreMovesThanMust() {
        int moved = 0;
        int least = 0;
        for (long seed = 0; seed < 25; seed++) {
            Workshop last = RandomWorkshop.lastSteps(seed, 5, 2, 7);
            Away away = Away.of(last.with(BenchHours.daily(DayHours.parse("18:00-19:30"), QUIET)), 1000);
            WeekPlan after = away.after(500);
            assertThat(PlanChecker.faultsOf(after)).as("shop %d", seed).isEmpty();
            Calmest exact =
                    ExactModel.calmest(away.changed(), after, away.before().placements(), away.from(), 2);
            assertThat(exact.status()).as("shop %d", seed).isEqualTo(CpSolverStatus.OPTIMAL);
            assertThat(after.score().lateMinutes() / Grid.MINUTES)
                    .as("shop %d is as little late as can be", seed)
                    .isEqualTo(exact.weighed());
            assertThat(after.score().scuffs()).as("shop %d", seed).isEqualTo(exact.scuffs());
            moved += Changes.between(away.before(), after).moved().size();
            least += exact.moved();
        }
        System.out.printf("An evening away moves %d steps in 25 full shops; %d must be.%n", moved, least);
        assertThat(moved).isBetween(least, least + least / 10);
    }

    /** Of twenty shops of twenty cups: the fullest evening of the week, and nothing before it moves. */
    @Tag("simulation")
    @Test
    void nothingMovesBeforeTheEveningThatIsAway() {
        int moved = 0;
        long there = 0;
        for (long seed = 1; seed <= 20; seed++) {
            Away away = Away.of(RandomWorkshop.of(seed, 20, 5), 500);
            WeekPlan after = away.after(300);
            assertThat(PlanChecker.faultsOf(after)).as("shop %d", seed).isEmpty();
            List<Changes.Moved> moves = Changes.between(away.before(), after).moved();
            assertThat(moves)
                    .as("shop %d", seed)
                    .noneMatch(move -> move.before().begins().isBefore(away.from()));
            if (after.score().lateMinutes() <= away.before().score().lateMinutes()) {
                moved += moves.size();
                there += away.there();
            }
        }
        System.out.printf("In shops no later than before, %d steps move for %d that lay there.%n", moved, there);
        assertThat(there).isPositive();
        assertThat((long) moved).isLessThanOrEqualTo(2 * there);
    }

    /** Planned anew around what life did, with nothing taken away, a plan may be less late than it was. */
    @Test
    void whereNothingWasTakenAwayAPlanMayBeBetter() {
        Workshop shop = RandomWorkshop.of(11, 12, 3);
        WeekPlan good = Planner.plan(shop, Budget.of(600));
        // What life left of it: every step two days later.
        List<Placement> late = good.placements().stream()
                .map(one -> new Placement(one.cup(), one.step(), one.begins().plusSeconds(2 * 86_400)))
                .toList();
        Score before = Planner.kept(late, shop).score();
        Planner planner = Planner.after(late, shop, shop);
        planner.improve(Budget.of(600));
        assertThat(before.lateMinutes()).isPositive();
        assertThat(planner.score().lateMinutes()).isLessThan(before.lateMinutes());
    }

    /** A cup more, a resin, a spindle: at once. Other hours: from the first that is another. */
    @Test
    void anotherShopIsOtherwiseFromAMomentOn() {
        Workshop shop = RandomWorkshop.of(3, 4, 2).with(BenchHours.daily(DayHours.parse("18:00-22:00"), QUIET));
        LocalDate day = LocalDate.of(2026, 3, 4);
        assertThat(shop.otherwiseFrom(shop)).isEqualTo(shop.now().plus(shop.horizon()));
        assertThat(shop.withMoreSpindles(1).otherwiseFrom(shop)).isEqualTo(shop.now());
        assertThat(shop.withCups(shop.cups().subList(0, 2)).otherwiseFrom(shop)).isEqualTo(shop.now());
        assertThat(with(shop, day, "").otherwiseFrom(shop)).isEqualTo(Instant.parse("2026-03-04T18:00:00Z"));
        assertThat(shop.otherwiseFrom(with(shop, day, ""))).isEqualTo(Instant.parse("2026-03-04T18:00:00Z"));
        assertThat(with(shop, day, "18:00-20:00").otherwiseFrom(shop))
                .as("the first two hours are as they were")
                .isEqualTo(Instant.parse("2026-03-04T20:00:00Z"));
        assertThat(with(shop, day, "07:00-09:00, 18:00-22:00").otherwiseFrom(shop))
                .isEqualTo(Instant.parse("2026-03-04T07:00:00Z"));
        assertThat(with(shop, day, "19:00-22:00").otherwiseFrom(shop)).isEqualTo(Instant.parse("2026-03-04T18:00:00Z"));
        assertThat(with(shop, day, "").hasNoMoreThan(shop)).isTrue();
        assertThat(with(shop, day, "19:00-20:00").hasNoMoreThan(shop)).isTrue();
        assertThat(with(shop, day, "19:00-22:10").hasNoMoreThan(shop)).isFalse();
        assertThat(shop.withMoreSpindles(1).hasNoMoreThan(shop)).isFalse();
    }

    private static Workshop with(Workshop shop, LocalDate day, String hours) {
        return shop.with(shop.hours().with(day, DayHours.parse(hours)));
    }
}

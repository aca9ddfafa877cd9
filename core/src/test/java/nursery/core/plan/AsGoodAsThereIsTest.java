package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Small shops of which CP-SAT has proven the best plan there is ({@link ExactModel}, its cost beside each): the search
 * finds one as good within the steps it took when this was written, and no plan is better than that. A search that
 * takes longer has become worse at what it does; one that takes less may have its figures written anew.
 */
class AsGoodAsThereIsTest {

    private static final int AT_ONCE = 20;

    @ParameterizedTest
    @CsvSource({
        "0, 3, 980, 215002247",
        "2, 5, 420, 3108011661246215",
        "3, 6, 240, 129431436",
        "4, 3, 80, 829463905",
        "7, 6, 60, 239553421",
        "10, 5, 580, 1041836424",
        "18, 5, 60, 215002048",
        "19, 6, 540, 725610480",
        "26, 5, 220, 2167645081",
        "28, 3, 480, 1152130695",
        "29, 4, 700, 1451225958",
        "33, 4, 460, 4037460860",
        "34, 5, 1560, 837088635",
        "35, 6, 420, 8643103464171",
        "36, 3, 100, 239553302",
        "37, 4, 1040, 226803340",
        "40, 3, 1080, 160581392",
        "43, 6, 340, 139285384173832",
        "46, 5, 340, 1346979137",
        "48, 3, 480, 53503337849888",
        "49, 4, 220, 3587222948",
        "53, 4, 1420, 23505716898"
    })
    void theSearchFindsAPlanAsGoodAsTheBest(long seed, int mostCups, long steps, long proven) {
        Workshop shop = RandomWorkshop.small(seed, mostCups);
        Planner planner = new Planner(shop, Planner.SEED);
        assertThat(planner.best().score().missed()).isZero();
        for (long done = 0; done < steps; done += AT_ONCE) {
            assertThat(ExactModel.cost(shop, planner.score()))
                    .as("not yet the best, after %d steps", done)
                    .isGreaterThan(proven);
            planner.improve(Budget.of(AT_ONCE));
        }
        assertThat(ExactModel.cost(shop, planner.score())).isEqualTo(proven);
        assertThat(PlanChecker.faultsOf(planner.best())).isEmpty();
    }
}

package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What counts before what: the order of the planner's aims. */
class ScoreTest {

    /**
     * Each is worse than the one before by one in a figure that counts more, however much better it is in all that
     * follow.
     */
    private static final List<Score> EVER_WORSE = List.of(
            new Score(0, 0, 0, 0, 0, 0, 0, 0),
            new Score(0, 0, 0, 0, 0, 0, 0, 5),
            new Score(0, 0, 0, 0, 0, 0, 1, 0),
            new Score(0, 0, 0, 0, 0, 1, 0, 0),
            new Score(0, 0, 0, 0, 1, 0, 0, 0),
            new Score(0, 0, 0, 1, 0, 0, 0, 0),
            new Score(0, 0, 5, 0, 0, 0, 0, 0),
            new Score(0, 1, 0, 0, 0, 0, 0, 0),
            new Score(1, 0, 0, 0, 0, 0, 0, 0));

    @Test
    void anEarlierFigureOutweighsAllThatFollow() {
        for (int i = 1; i < EVER_WORSE.size(); i++) {
            assertThat(EVER_WORSE.get(i)).isGreaterThan(EVER_WORSE.get(i - 1));
        }
        assertThat(new Score(0, 0, 5, 0, 0, 0, 0, 0)).isGreaterThan(new Score(0, 0, 0, 99, 99, 99, 99, 999_999));
    }

    @Test
    void theExactModelsWeightsKeepTheSameOrder() {
        Workshop shop = RandomWorkshop.small(3, 5);

        for (int i = 1; i < EVER_WORSE.size() - 2; i++) {
            assertThat(ExactModel.cost(shop, EVER_WORSE.get(i)))
                    .isGreaterThan(ExactModel.cost(shop, EVER_WORSE.get(i - 1)));
        }
        assertThat(ExactModel.cost(shop, new Score(0, 0, 5, 0, 0, 0, 0, 0)))
                .isGreaterThan(ExactModel.cost(shop, new Score(0, 0, 0, 15, 15, 15, 15, 20_000)));
    }

    @Test
    void latenessIsToldInWholeHours() {
        assertThat(new Score(0, 0, 95, 0, 0, 0, 0, 0).lateHours()).isEqualTo(2);
    }

    /** Sessions, grip, mixes and days hurt nobody; each of the four before them does. */
    @Test
    void onlyWhatIsMissedLateOrScuffedHurts() {
        assertThat(new Score(0, 0, 0, 0, 9, 9, 9, 9).hurtsNobody()).isTrue();
        assertThat(new Score(1, 0, 0, 0, 0, 0, 0, 0).hurtsNobody()).isFalse();
        assertThat(new Score(0, 1, 0, 0, 0, 0, 0, 0).hurtsNobody()).isFalse();
        assertThat(new Score(0, 0, 1, 0, 0, 0, 0, 0).hurtsNobody()).isFalse();
        assertThat(new Score(0, 0, 0, 1, 0, 0, 0, 0).hurtsNobody()).isFalse();
    }
}

package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How a chance is said. What lacks a little of nine in ten is not said to be nine in ten. */
class ChanceTest {

    @ParameterizedTest
    @CsvSource({
        "1, over 99 of 100, as good as always",
        "0.998, over 99 of 100, as good as always",
        "0.93, 93 of 100, 9 of 10",
        "0.9, 90 of 100, 9 of 10",
        "0.898, 89 of 100, 9 of 10",
        "0.76, 76 of 100, 8 of 10",
        "0.64, 64 of 100, 2 in 3",
        "0.5, 50 of 100, 1 in 2",
        "0.2, 20 of 100, 1 in 5",
        "0.025, 2 of 100, 1 in 40",
        "0.01, 1 of 100, 1 in 100",
        "0.008, hardly ever, hardly ever",
        "0, hardly ever, hardly ever"
    })
    void itIsSaidAsAMakerWould(double share, String well, String wrong) {
        assertThat(new Chance(share).ofHundred()).isEqualTo(well);
        assertThat(new Chance(share).oneIn()).isEqualTo(wrong);
    }
}

package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BubblesTest {

    /** Stokes, v = 2/9·ρ·g·a²/μ, at 1.1 g/ml, worked by hand for a film of 0.5 mm. */
    @ParameterizedTest
    @CsvSource({"0.2,1,5.2", "0.05,1,83", "0.02,1,521", "0.2,0.3,1.6", "0.05,0.3,25", "0.02,0.3,156"})
    void aSmallBubbleStaysInAThickResinAndLeavesAWarmedOne(double radiusMm, double viscosityPaS, double seconds) {
        assertThat(Bubbles.riseSeconds(radiusMm, 0.5, viscosityPaS, 1.1))
                .isCloseTo(seconds, within(0.012 * seconds + 0.05));
    }
}

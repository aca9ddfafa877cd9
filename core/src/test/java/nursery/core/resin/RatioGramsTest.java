package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RatioGramsTest {

    /** Grams are millilitres times density; 1.15 and 0.96 g/ml are the starting profile's, from memory. */
    @Test
    void whatIsMissingIsToldInGramsToo() {
        Densities densities = new Densities(1.15, 0.96);
        RatioCheck littleHardener = RatioCheck.of(StartingProfile.REGULAR.label(), 20, 15);
        assertThat(littleHardener.addBGrams(densities)).isCloseTo(5 * 0.96, within(1e-9));
        assertThat(littleHardener.addAGrams(densities)).isZero();
        RatioCheck littleResin = RatioCheck.of(StartingProfile.REGULAR.label(), 12, 20);
        assertThat(littleResin.addAGrams(densities)).isCloseTo(8 * 1.15, within(1e-9));
    }
}

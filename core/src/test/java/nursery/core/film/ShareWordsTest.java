package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Densities;
import nursery.core.resin.RatioCheck;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

class ShareWordsTest {

    private static Share share(double heightMm, double aroundMm, CoatRole role, boolean generous) {
        Blank blank = new Blank(new Straight(heightMm, aroundMm), true, 0, 0, 0, OptionalDouble.empty());
        return Share.of(blank, blank, role, Texture.SMOOTH, 1, generous);
    }

    /** P7 speaks of cups from 12 to 32 oz; a shot cup and a bucket are neither. */
    @Test
    void aBlankThatPracticeDoesNotSpeakOfSaysSo() {
        Share tiny = share(60, 130, CoatRole.BUILD, false);
        assertThat(tiny.agreement()).isEqualTo(Share.Agreement.BELOW);
        assertThat(tiny.agreementWords()).contains("smaller than the cups practice speaks of");
        assertThat(tiny.raisedToSmallestBatch()).isTrue();
        assertThat(tiny.toMixMl()).isEqualTo(Share.SMALLEST_BATCH_ML);
        Share huge = share(400, 600, CoatRole.BUILD, false);
        assertThat(huge.agreement()).isEqualTo(Share.Agreement.ABOVE);
        assertThat(huge.agreementWords()).contains("larger than the cups practice speaks of");
        assertThat(huge.raisedToSmallestBatch()).isFalse();
        assertThat(huge.toMixMl()).isEqualTo(huge.suggestedMl());
    }

    /** P8: the two schools. */
    @Test
    void theSchoolThatIsFollowedIsNamed() {
        Share generous = share(205, 229, CoatRole.BUILD, true);
        assertThat(generous.agreementWords()).contains("few generous coats");
        Share thin = share(205, 229, CoatRole.BUILD, false);
        assertThat(thin.suggestedMl()).isLessThan(generous.suggestedMl());
        assertThat(thin.agreementWords()).doesNotContain("few generous");
    }

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

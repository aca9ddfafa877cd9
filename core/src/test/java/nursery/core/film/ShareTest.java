package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.Share.Agreement;
import org.junit.jupiter.api.Test;

class ShareTest {

    private static Blank slim(double acrossMm, double tallMm, double oz) {
        return new Blank(new Straight(tallMm, Math.PI * acrossMm), true, 0, 0, 0, OptionalDouble.of(oz));
    }

    private static final Blank TWENTY = slim(73, 205, 20);

    /** Common practice, worked: on 512 cm², 20 ml is 0.39 mm of film, 30 ml 0.59 mm, 1 ml 0.02 mm. */
    @Test
    void filmsOnATwentyOunceSlim() {
        assertThat(Film.thicknessMm(20, 512)).isCloseTo(0.39, within(0.005));
        assertThat(Film.thicknessMm(30, 512)).isCloseTo(0.59, within(0.005));
        assertThat(Film.thicknessMm(1, 512)).isCloseTo(0.02, within(0.0005));
    }

    @Property
    void volumeAndThicknessAreEachOthersInverse(
            @ForAll @DoubleRange(min = 0.1, max = 200) double ml,
            @ForAll @DoubleRange(min = 50, max = 2000) double cm2) {
        assertThat(Film.volumeMl(Film.thicknessMm(ml, cm2), cm2)).isCloseTo(ml, within(1e-9));
    }

    /** P7, common practice: 20–25 ml floods a 20 oz slim, about 1 ml sticks its glitter, 10–20 ml finish it. */
    @Test
    void onTheCupPracticeKnowsBestTheyAgree() {
        assertThat(Share.of(TWENTY, CoatRole.FLOOD, Texture.FINE, 0).suggestedMl())
                .isBetween(20.0, 25.0);
        assertThat(Share.of(TWENTY, CoatRole.ADHESIVE_THIN, Texture.FINE, 0).suggestedMl())
                .isCloseTo(1, within(0.05));
        assertThat(Share.of(TWENTY, CoatRole.ADHESIVE_GENEROUS, Texture.FINE, 0).suggestedMl())
                .isBetween(5.0, 10.0);
        assertThat(Share.of(TWENTY, CoatRole.FINISHING, Texture.FINE, 0).suggestedMl())
                .isBetween(10.0, 20.0);
        for (CoatRole role : CoatRole.values()) {
            assertThat(Share.of(TWENTY, role, Texture.FINE, 0).agreement())
                    .as(role.word())
                    .isEqualTo(Agreement.WITHIN);
        }
    }

    /** P7, P8: practice floods a 12 oz slim with 30 to 60 ml: 30 by the school of thin coats, 60 by the other. */
    @Test
    void theProposalLiesInsidePracticeByTheSchoolChosen() {
        Blank twelve = slim(66, 155, 12);
        Share flood = Share.of(twelve, CoatRole.FLOOD, Texture.FINE, 0);
        assertThat(flood.suggestedMl()).isEqualTo(30);
        assertThat(flood.agreementWords()).contains("The area alone asks for 1", "practice pours no less");
        Share generous = Share.of(twelve, twelve, CoatRole.FLOOD, Texture.FINE, 0, true);
        assertThat(generous.suggestedMl()).isEqualTo(60);
        assertThat(generous.agreementWords()).contains("few generous coats");
        assertThat(Share.of(TWENTY, TWENTY, CoatRole.FLOOD, Texture.FINE, 0, true)
                        .suggestedMl())
                .isEqualTo(25);
        for (int oz : new int[] {12, 20}) {
            for (CoatRole role : CoatRole.values()) {
                for (Texture texture : Texture.values()) {
                    for (boolean few : new boolean[] {false, true}) {
                        Share share =
                                Share.of(oz == 12 ? twelve : TWENTY, oz == 12 ? twelve : TWENTY, role, texture, 0, few);
                        boolean spokenOf = share.practice().nominalOz().isEmpty()
                                || share.practice().nominalOz().getAsDouble() == oz;
                        assertThat(!spokenOf || share.agreement() == Agreement.WITHIN)
                                .as("%s, %d oz, %s", role.word(), oz, texture)
                                .isTrue();
                    }
                }
            }
        }
    }

    @Test
    void onACupNobodySpeaksOfTheAreaDecidesAndItIsSaid() {
        Share big = Share.of(slim(110, 300, 64), CoatRole.FINISHING, Texture.FINE, 0);
        assertThat(big.agreement()).isEqualTo(Agreement.ABOVE);
        assertThat(big.agreementWords()).contains("larger than the cups practice speaks of");
        Blank taped = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        Share bloom = Share.of(taped, CoatRole.BLOOM, Texture.SMOOTH, 0);
        assertThat(bloom.suggestedMl()).isEqualTo(30);
        assertThat(bloom.byAreaMl()).as("29.3 beside 30 is the same").isBetween(28.6, 29.9);
        assertThat(bloom.agreementWords()).startsWith("They agree");
        Share chunky = Share.of(TWENTY, CoatRole.FLOOD, Texture.CHUNKY, 0);
        assertThat(chunky.agreementWords())
                .as("an ordinary cup under coarse glitter is no large blank")
                .doesNotContain("larger");
    }

    /** P3, common practice: nobody trusts a batch under 5 ml. */
    @Test
    void aBatchIsNeverSmallerThanCanBeMeasured() {
        Share adhesive = Share.of(TWENTY, CoatRole.ADHESIVE_THIN, Texture.FINE, 0);
        assertThat(adhesive.toMixMl()).isEqualTo(5);
        assertThat(adhesive.raisedToSmallestBatch()).isTrue();
        assertThat(Share.of(TWENTY, CoatRole.FLOOD, Texture.FINE, 0).raisedToSmallestBatch())
                .isFalse();
    }

    /**
     * Common practice: two coats usually before anything is smooth; chunky glitter takes more (step 5 of the order of
     * work, P33).
     */
    @Test
    void textureIsFeltUntilEnoughCoatsLieOverIt() {
        assertThat(Texture.FINE.isFeltUnder(1)).isTrue();
        assertThat(Texture.FINE.isFeltUnder(2)).isFalse();
        assertThat(Texture.CHUNKY.isFeltUnder(2)).isTrue();
        assertThat(Texture.CHUNKY.isFeltUnder(3)).isFalse();
        assertThat(Texture.SMOOTH.isFeltUnder(0)).isFalse();
    }

    /** 0.1 mm more on 512 cm² is 5.1 ml; an adhesive film below the glitter meets none of it. */
    @Test
    void chunkyGlitterAsksForMoreUntilItIsBuried() {
        double fineMl = Share.of(TWENTY, CoatRole.FLOOD, Texture.FINE, 0).suggestedMl();
        Share chunky = Share.of(TWENTY, CoatRole.FLOOD, Texture.CHUNKY, 0);
        assertThat(chunky.suggestedMl() - fineMl).isCloseTo(5.1, within(0.05));
        assertThat(chunky.below()).contains("chunky glitter, no coat over it yet: still felt, 0.1 mm more");
        assertThat(Share.of(TWENTY, CoatRole.FINISHING, Texture.CHUNKY, 3).below())
                .contains("3 coats over it: smooth")
                .doesNotContain("more");
        assertThat(Share.of(TWENTY, CoatRole.ADHESIVE_THIN, Texture.CHUNKY, 0).suggestedMl())
                .isEqualTo(Share.of(TWENTY, CoatRole.ADHESIVE_THIN, Texture.SMOOTH, 0)
                        .suggestedMl());
    }
}

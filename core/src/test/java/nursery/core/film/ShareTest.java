package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

class ShareTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Carrier USUAL = Carrier.spindle(6, 22);

    private static Blank slim(double acrossMm, double tallMm) {
        return new Blank(new Straight(tallMm, Math.PI * acrossMm), true, 0, 0, 0, OptionalDouble.empty());
    }

    /** A plain cup of so much coated area, as slim as the 12 oz. */
    private static Blank ofArea(double cm2) {
        Blank cup = new Blank(
                new Straight(cm2 * 100 / (Math.PI * 66), Math.PI * 66), false, 0, 0, 0, OptionalDouble.empty());
        assertThat(cup.area().coatedCm2()).isCloseTo(cm2, within(1e-9));
        return cup;
    }

    private static final Blank TWELVE = slim(66, 150);
    private static final Blank TWENTY = slim(73, 205);

    private static Share share(Blank blank, CoatRole role, Onto onto, Way way, Carrier carrier) {
        return Share.of(blank, blank, role, onto, way, REGULAR, carrier);
    }

    private static double ml(Blank blank, CoatRole role, Way way) {
        return share(blank, role, new Onto(Texture.FINE, 0, Onto.Below.THIN_FILM), way, USUAL)
                .suggestedMl();
    }

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

    /** P7, common practice: 20–25 ml flood a 20 oz slim, about 1 ml sticks its glitter, 10–20 ml finish it. */
    @Test
    void whatIsPouredOnTheTwentyOunceSlim() {
        assertThat(ml(TWENTY, CoatRole.FLOOD, Way.THIN)).isBetween(20.0, 25.0);
        assertThat(ml(TWENTY, CoatRole.ADHESIVE_THIN, Way.THIN)).isCloseTo(1, within(0.05));
        assertThat(ml(TWENTY, CoatRole.ADHESIVE_GENEROUS, Way.THIN)).isBetween(5.0, 10.0);
        for (Way way : Way.values()) {
            assertThat(ml(TWENTY, CoatRole.FINISHING, way)).as("%s", way).isBetween(10.0, 20.0);
            assertThat(ml(TWENTY, CoatRole.SEAL, way)).as("%s", way).isBetween(10.0, 15.0);
            assertThat(ml(TWENTY, CoatRole.OVERLAY, way)).as("%s", way).isCloseTo(20, within(0.5));
            assertThat(ml(TWENTY, CoatRole.BLOOM, way)).as("%s", way).isCloseTo(30, within(0.5));
            assertThat(ml(TWENTY, CoatRole.BUILD, way)).as("%s", way).isBetween(20.0, 30.0);
        }
    }

    /** P7, common practice: 30 ml flood a 12 oz slim, 20 ml are its second coat, 15 to 20 go over its decals. */
    @Test
    void whatIsPouredOnTheTwelveOunceSlim() {
        assertThat(TWELVE.area().coatedCm2()).isCloseTo(345, within(1.0));
        assertThat(ml(TWELVE, CoatRole.FLOOD, Way.GENEROUS)).isCloseTo(30, within(0.5));
        assertThat(ml(TWELVE, CoatRole.BUILD, Way.GENEROUS)).isCloseTo(20, within(0.5));
        assertThat(ml(TWELVE, CoatRole.DECALS, Way.THIN)).isCloseTo(15, within(0.5));
        assertThat(ml(TWELVE, CoatRole.DECALS, Way.GENEROUS)).isCloseTo(20, within(0.5));
        assertThat(ml(TWELVE, CoatRole.ADHESIVE_THIN, Way.THIN)).isLessThan(1);
    }

    /** P7: 10 to 20 ml over a generous film; from the 12 oz slim to the 20 oz, by either way, over any flakes. */
    @Test
    void overAGenerousFilmTheFloodIsThinner() {
        for (Blank cup : List.of(TWELVE, TWENTY)) {
            for (Way way : Way.values()) {
                for (Texture texture : Texture.values()) {
                    assertThat(share(cup, CoatRole.FLOOD, new Onto(texture, 0, Onto.Below.GENEROUS_FILM), way, USUAL)
                                    .suggestedMl())
                            .as("%s, %s", way, texture)
                            .isBetween(10.0, 20.0);
                }
            }
        }
    }

    /** It was 60 ml at 280 cm² and 12.6 at 279, and 36 at 801 cm²: the amount knew sizes of cups. */
    @Test
    void thereIsNoEdgeAtAnyArea() {
        for (CoatRole role : CoatRole.values()) {
            for (Way way : Way.values()) {
                double before = ml(ofArea(60), role, way);
                for (double cm2 = 61; cm2 < 1200; cm2++) {
                    double here = ml(ofArea(cm2), role, way);
                    assertThat(here - before)
                            .as("%s, %s, %s cm²", role, way, cm2)
                            .isBetween(0.0, 0.09);
                    before = here;
                }
            }
        }
    }

    /** 60 ml were asked of a 12 oz slim: 1.74 mm where its turner carries 1.06. */
    @Test
    void itIsNeverMoreThanTheTurnerCarries() {
        Share slow = share(
                TWELVE,
                CoatRole.FLOOD,
                new Onto(Texture.FINE, 0, Onto.Below.THIN_FILM),
                Way.GENEROUS,
                Carrier.spindle(1, 22));
        assertThat(slow.suggestedMl())
                .isLessThan(slow.carriedMl().orElseThrow())
                .isLessThan(30);
        assertThat(slow.isHeldBack()).isTrue();
        assertThat(slow.words()).startsWith("The film would take 30").contains("but this turner carries no more than");
        assertThat(PourCheck.against(TWELVE, REGULAR, slow.suggestedMl(), OptionalDouble.of(1), 22))
                .as("what is offered is not questioned")
                .isEmpty();
    }

    @Property
    void moreAreaOrCoarserFlakesNeverTakeLessAndNothingTakesMoreThanStays(
            @ForAll CoatRole role,
            @ForAll Way way,
            @ForAll Texture texture,
            @ForAll Onto.Below below,
            @ForAll Carrier.By by,
            @ForAll @DoubleRange(min = 0.2, max = 30) double rpm,
            @ForAll @DoubleRange(min = 5, max = 40) double roomC,
            @ForAll @DoubleRange(min = 30, max = 250) double acrossMm,
            @ForAll @DoubleRange(min = 40, max = 400) double tallMm,
            @ForAll @DoubleRange(min = 0, max = 60) double moreMm) {
        Carrier carrier = new Carrier(by, by == Carrier.By.HUNG ? 0 : rpm, roomC);
        Onto onto = new Onto(texture, 0, below);
        Blank cup = slim(acrossMm, tallMm);
        Share share = share(cup, role, onto, way, carrier);
        assertThat(share.suggestedMl())
                .isPositive()
                .isLessThan(share.carriedMl().orElseThrow());
        assertThat(share.suggestedMl()).isLessThanOrEqualTo(share.byAreaMl());
        assertThat(share(slim(acrossMm, tallMm + moreMm), role, onto, way, carrier)
                        .suggestedMl())
                .as("taller")
                .isGreaterThanOrEqualTo(share.suggestedMl() - 1e-9);
        assertThat(share(slim(acrossMm + moreMm, tallMm), role, onto, way, carrier)
                        .suggestedMl())
                .as("wider")
                .isGreaterThanOrEqualTo(share.suggestedMl() - 1e-9);
        assertThat(share(cup, role, onto, Way.GENEROUS, carrier).suggestedMl())
                .as("generous")
                .isGreaterThanOrEqualTo(
                        share(cup, role, onto, Way.THIN, carrier).suggestedMl());
        for (Texture coarser : Texture.values()) {
            if (coarser.compareTo(texture) >= 0) {
                assertThat(share(cup, role, new Onto(coarser, 0, below), way, carrier)
                                .suggestedMl())
                        .as("%s", coarser)
                        .isGreaterThanOrEqualTo(share.suggestedMl());
            }
        }
        assertThat(share(cup, role, new Onto(texture, 0, Onto.Below.GENEROUS_FILM), way, carrier)
                        .suggestedMl())
                .as("a generous film below leaves less to fill")
                .isLessThanOrEqualTo(share(cup, role, new Onto(texture, 0, Onto.Below.THIN_FILM), way, carrier)
                        .suggestedMl());
    }

    /** P19: a thin film may hang; a flood may not, and is not offered as if it could. */
    @Test
    void whatHangsHoldsAThinFilmAndLittleMore() {
        Onto steel = new Onto(Texture.SMOOTH, 0, Onto.Below.COAT);
        Share film = share(TWENTY, CoatRole.ADHESIVE_THIN, steel, Way.THIN, Carrier.hung(22));
        assertThat(film.isHeldBack()).isFalse();
        Share flood = share(TWENTY, CoatRole.FLOOD, steel, Way.THIN, Carrier.hung(22));
        assertThat(flood.isHeldBack()).isTrue();
        assertThat(PourCheck.against(TWENTY, REGULAR, flood.suggestedMl(), OptionalDouble.empty(), 22))
                .isEmpty();
        assertThat(PourCheck.against(
                        TWENTY, REGULAR, flood.carriedMl().orElseThrow() * 1.01, OptionalDouble.empty(), 22))
                .as("a hundredth more than stays is told")
                .isPresent();
    }

    /** P8: the two ways, each with what the other would take. */
    @Test
    void theWayIsNamedAndTheOtherOneWithIt() {
        Onto coat = Onto.coat(Texture.SMOOTH, 1);
        assertThat(share(TWENTY, CoatRole.BUILD, coat, Way.GENEROUS, USUAL).words())
                .isEqualTo("A generous coat; a thin one takes 20.5 ml.");
        assertThat(share(TWENTY, CoatRole.BUILD, coat, Way.THIN, USUAL).words())
                .startsWith("A thin coat; a generous one takes 29.");
        assertThat(share(TWENTY, CoatRole.OVERLAY, coat, Way.THIN, USUAL).words())
                .isEmpty();
        Share decided = share(TWENTY, CoatRole.BUILD, coat, Way.THIN, USUAL).decidedTo(12);
        assertThat(decided.words()).isEqualTo("Decided for this cup; the area asks for 20.5 ml.");
        assertThat(decided.isHeldBack()).isFalse();
    }

    /** P3, common practice: nobody trusts a batch under 5 ml. */
    @Test
    void aBatchIsNeverSmallerThanCanBeMeasured() {
        Onto steel = Onto.coat(Texture.SMOOTH, 0);
        Share adhesive = share(TWENTY, CoatRole.ADHESIVE_THIN, steel, Way.THIN, USUAL);
        assertThat(adhesive.toMixMl()).isEqualTo(5);
        assertThat(adhesive.raisedToSmallestBatch()).isTrue();
        assertThat(share(TWENTY, CoatRole.FLOOD, steel, Way.THIN, USUAL).raisedToSmallestBatch())
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
        Share chunky = share(TWENTY, CoatRole.FLOOD, Onto.coat(Texture.CHUNKY, 0), Way.THIN, USUAL);
        assertThat(chunky.suggestedMl() - ml(TWENTY, CoatRole.FLOOD, Way.THIN)).isCloseTo(5.1, within(0.05));
        assertThat(chunky.below()).contains("chunky glitter, no coat over it yet: still felt, 0.1 mm more");
        assertThat(share(TWENTY, CoatRole.FINISHING, Onto.coat(Texture.CHUNKY, 3), Way.THIN, USUAL)
                        .below())
                .contains("3 coats over it: smooth")
                .doesNotContain("more");
        assertThat(share(TWENTY, CoatRole.ADHESIVE_THIN, Onto.coat(Texture.CHUNKY, 0), Way.THIN, USUAL)
                        .suggestedMl())
                .isEqualTo(ml(TWENTY, CoatRole.ADHESIVE_THIN, Way.THIN));
    }
}

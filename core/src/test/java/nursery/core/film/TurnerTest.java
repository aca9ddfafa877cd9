package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.TurnerCheck.Verdict;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.assertj.core.data.Percentage;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.integration.RombergIntegrator;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.junit.jupiter.api.Test;

class TurnerTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank SLIM = new Blank(new Straight(205, Math.PI * 73), true, 0, 0, 0, OptionalDouble.of(20));

    /**
     * Moffatt's limit recomputed from {@code q = η − ⅓η³cos θ} at {@code q = 2/3}: the branch below the critical
     * thickness, found by a root finder for each angle and integrated around the cup.
     */
    @Test
    void theLimitIsThatOfTheFilmEquation() {
        UnivariateFunction film = theta -> {
            double cosine = Math.cos(theta);
            double highest = cosine > 0 ? 1 / Math.sqrt(cosine) : 2;
            return new BrentSolver(1e-13)
                    .solve(200, eta -> eta - cosine * eta * eta * eta / 3 - 2.0 / 3 * (1 - 1e-13), 0, highest);
        };
        double around = 2 * new RombergIntegrator(1e-9, 1e-10, 3, 30).integrate(20_000_000, film, 0, Math.PI);
        assertThat(around).isCloseTo(4.443, within(0.0005));
        assertThat(TurningLimit.MEAN_OVER_SCALE).isCloseTo(around / (2 * Math.PI), within(1e-5));
    }

    /**
     * By hand: h0 = √(1 · 0.6283 · 0.0365 / (1100 · 9.80665)) = 1.458 mm; · 0.7071 = 1.031 mm. And 0.3 Pa·s at 2 rpm:
     * 0.326 mm.
     */
    @Test
    void workedLimits() {
        assertThat(TurningLimit.filmMm(1, 6, 36.5, 1.1)).isCloseTo(1.03, within(0.005));
        assertThat(TurningLimit.filmMm(0.3, 2, 36.5, 1.1)).isCloseTo(0.33, within(0.005));
    }

    /**
     * Orchard, by hand: 3 · 1 · 0.02⁴ / (16 · π⁴ · 0.035 · 0.0004³) = 137.5 s. Half the film takes eight times as long.
     */
    @Test
    void workedLevelling() {
        assertThat(Levelling.timeConstantSeconds(1, 20, 0.4)).isCloseTo(137.5, within(0.5));
        assertThat(Levelling.timeConstantSeconds(1, 20, 0.2) / Levelling.timeConstantSeconds(1, 20, 0.4))
                .isCloseTo(8, Percentage.withPercentage(1e-9));
    }

    @Test
    void aGenerousShareOnASlowTurnerSags() {
        assertThat(TurnerCheck.of(SLIM, REGULAR, 20, 6, 22).orElseThrow().verdict())
                .isEqualTo(Verdict.HOLDS);
        TurnerCheck slow = TurnerCheck.of(SLIM, REGULAR, 40, 2, 22).orElseThrow();
        assertThat(slow.verdict()).isEqualTo(Verdict.SAGS);
        assertThat(slow.reason()).contains("pour less");
        assertThat(TurnerCheck.of(SLIM, REGULAR, slow.carriesMl() * 0.9, 2, 22)
                        .orElseThrow()
                        .verdict())
                .isEqualTo(Verdict.CLOSE_TO_SAGGING);
    }

    /** A warm room thins the mix, so it carries less; the limit goes with the root of the viscosity. */
    @Test
    void aWarmRoomCarriesLess() {
        double cool = TurnerCheck.of(SLIM, REGULAR, 20, 6, 15).orElseThrow().carriesMm();
        double warm = TurnerCheck.of(SLIM, REGULAR, 20, 6, 30).orElseThrow().carriesMm();
        assertThat(warm).isLessThan(cool);
        assertThat(cool / warm)
                .isCloseTo(
                        Math.sqrt(REGULAR.viscosityPaSAt(15).orElseThrow()
                                / REGULAR.viscosityPaSAt(30).orElseThrow()),
                        within(1e-9));
    }

    @Test
    void withoutAViscosityNothingIsClaimed() {
        Label unknown = new Label(REGULAR.ratio(), REGULAR.times(), 22, 50, Optional.empty(), OptionalDouble.empty());
        assertThat(TurnerCheck.of(SLIM, unknown, 20, 6, 22)).isEmpty();
    }

    @Test
    void aThinCoatKeepsItsLines() {
        assertThat(TurnerCheck.of(SLIM, REGULAR, 5, 6, 22).orElseThrow().keepsItsLines(40 * 60))
                .isTrue();
        assertThat(TurnerCheck.of(SLIM, REGULAR, 25, 6, 22).orElseThrow().keepsItsLines(40 * 60))
                .isFalse();
    }
}

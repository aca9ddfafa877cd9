package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.Phase;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatSimulation.Choice;
import nursery.core.film.CoatSimulation.Sample;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CoatSimulationTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    /** The film model's own cup: 73 mm across, 205 mm tall, 512 cm² with its base. */
    private static final Blank SLIM = new Blank(new Straight(205, Math.PI * 73), true, 0, 0, 0, OptionalDouble.of(20));

    private static CoatSimulation play(Label label, double shareMl, double rpm, double tilt, double roomC) {
        return CoatSimulation.of(
                new Choice(label, SLIM, shareMl, rpm, tilt, 50), RoomCourse.steady(roomC), START, Duration.ofHours(6));
    }

    private static Label withViscosity(double paS) {
        return new Label(
                REGULAR.ratio(),
                REGULAR.times(),
                REGULAR.referenceC(),
                REGULAR.activationKjPerMol(),
                Optional.empty(),
                OptionalDouble.of(paS));
    }

    /**
     * 1 Pa·s doubles within the 40 min of its pot life; a thinner one quadruples (from memory). 20 ml on 512 cm² is
     * 0.39 mm.
     */
    @Test
    void theFilmThickensByItsPotLife() {
        CoatSimulation coat = play(REGULAR, 20, 6, 0, 22);
        assertThat(coat.filmMm()).isCloseTo(0.39, within(0.005));
        assertThat(at(coat, 0).viscosityPaS()).hasValue(1);
        assertThat(at(coat, 39).viscosityPaS().orElseThrow()).isCloseTo(Math.pow(2, 39 / 40.0), within(0.01));
        assertThat(at(play(withViscosity(0.5), 20, 6, 0, 22), 39).viscosityPaS().orElseThrow())
                .isCloseTo(0.5 * Math.pow(4, 39 / 40.0), within(0.01));
        assertThat(coat.gelledAfter()).as("P13: 4 h").isEqualTo(Duration.ofHours(4));
        assertThat(at(coat, 300).viscosityPaS()).isEmpty();
        assertThat(at(coat, 300).phase()).isEqualTo(Phase.TACK);
    }

    private static Sample at(CoatSimulation coat, long minute) {
        return coat.samples().stream()
                .filter(sample -> sample.after().toMinutes() == minute)
                .findFirst()
                .orElseThrow();
    }

    /**
     * 1 Pa·s at 6 rpm on this radius carries 1.03 mm at 1100 kg/m³ (Moffatt); a film above it sags until it has
     * thickened.
     */
    @Test
    void aThickFilmSagsUntilItHasThickened() {
        assertThat(at(play(withViscosity(1), 20, 6, 0, 22), 0).carriesMm().orElseThrow())
                .isCloseTo(1.03, within(0.01));
        assertThat(play(REGULAR, 20, 6, 0, 22).stopsSaggingAt()).contains(Duration.ZERO);
        CoatSimulation thick = play(withViscosity(1), 70, 6, 0, 22);
        double doublings = 2 * Math.log(thick.filmMm() / 1.031) / Math.log(2);
        assertThat(thick.stopsSaggingAt().orElseThrow().toMinutes() / 60.0)
                .as("the limit grows with the root of the viscosity")
                .isCloseTo(doublings * 40 / 60, within(0.06));
    }

    /**
     * Orchard: 137 s for 1 Pa·s, 20 mm, 0.4 mm. A thicker film levels, a film of 0.1 mm keeps most of its brush lines.
     */
    @Test
    void thinFilmsKeepTheirLines() {
        assertThat(play(REGULAR, 20, 6, 0, 22).rippleLeft()).isLessThan(1e-3);
        assertThat(play(REGULAR, 4, 6, 0, 22).rippleLeft()).isGreaterThan(0.5);
    }

    /**
     * By hand: 1° out of level, 0.4 mm, 1 Pa·s, 1100 kg/m³: 1100·9.80665·sin 1°·(0.4e-3)³/3 = 4.016e-9 m²/s, on 229.3
     * mm of girth 9.2e-4 ml/s. Thickening twofold in 40 min, it runs for ∫2^(−t/40 min) dt = 40 min/ln 2 = 57.7 min in
     * all, less what is cut off at the gel: 3.14 ml.
     */
    @Test
    void outOfLevelItRunsToTheLowEnd() {
        CoatSimulation tilted =
                play(withViscosity(1), Film.volumeMl(0.4, SLIM.area().coatedCm2()), 6, 1, 22);
        double seconds = 40 * 60 / Math.log(2) * (1 - Math.pow(2, -240 / 40.0));
        assertThat(tilted.ranMl()).isCloseTo(4.016e-9 * Math.PI * 0.073 * 1e6 * seconds, Percentage.withPercentage(1));
        assertThat(play(withViscosity(1), 20, 6, 0, 22).ranMl()).isZero();
        assertThat(play(withViscosity(1), 20, 6, 2, 22).ranMl())
                .isGreaterThan(play(withViscosity(1), 20, 6, 1, 22).ranMl());
    }

    /**
     * P28: ten degrees colder and it gels about half as fast; the pot goes before the film, sooner the larger it is.
     */
    @Test
    void coldSlowsAndMassHastens() {
        assertThat(play(REGULAR, 20, 6, 0, 12).gelledAfter().toMinutes() / 240.0)
                .isBetween(1.8, 2.2);
        CoatSimulation large = CoatSimulation.of(
                new Choice(REGULAR, SLIM, 20, 6, 0, 800), RoomCourse.steady(22), START, Duration.ofHours(6));
        assertThat(large.potGoneAfter()).isLessThan(play(REGULAR, 20, 6, 0, 22).potGoneAfter());
    }

    @ParameterizedTest
    @CsvSource({"0, 6, 0, 50", "20, 0, 0, 50", "20, 6, 12, 50", "20, 6, -1, 50", "NaN, 6, 0, 50", "20, 6, 0, 0"})
    void whatCannotBeIsRefused(double shareMl, double rpm, double tilt, double batchMl) {
        assertThatThrownBy(() -> new Choice(REGULAR, SLIM, shareMl, rpm, tilt, batchMl))
                .isInstanceOf(nursery.core.measure.InvalidInput.class);
    }

    @Test
    void everyMomentOfTheSpanIsThere() {
        List<Sample> samples = play(REGULAR, 20, 6, 0, 22).samples();
        assertThat(samples.get(0).after()).isZero();
        assertThat(samples.get(samples.size() - 1).after()).isEqualTo(Duration.ofHours(6));
        assertThat(samples)
                .isSortedAccordingTo((a, b) -> a.after().compareTo(b.after()))
                .allSatisfy(sample -> assertThat(sample.rippleLeft()).isBetween(0.0, 1.0));
    }
}

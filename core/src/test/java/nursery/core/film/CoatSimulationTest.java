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
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.cup.Turned;
import nursery.core.cure.Phase;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatSimulation.Choice;
import nursery.core.film.CoatSimulation.Sample;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.resin.Viscosity;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CoatSimulationTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    /** The film model's own cup: 73 mm across, 205 mm tall, 512 cm² with its base. */
    private static final Blank SLIM = new Blank(new Straight(205, Math.PI * 73), true, 0, 0, 0, OptionalDouble.of(20));

    /** Its pot life as a part of its turning time is a sixth: {@code (5/6)^-n = 2}. */
    private static final double DOUBLING = Math.log(2) / Math.log(6 / 5.0);

    private static CoatSimulation play(Label label, double shareMl, double rpm, double tilt, double roomC) {
        return play(label, shareMl, rpm, tilt, roomC, Warmth.OF_THE_ROOM);
    }

    private static CoatSimulation play(
            Label label, double shareMl, double rpm, double tilt, double roomC, Warmth warmth) {
        return CoatSimulation.of(
                new Choice(label, SLIM, shareMl, rpm, tilt, 50, warmth),
                RoomCourse.steady(roomC),
                START,
                Duration.ofHours(6));
    }

    private static Label withViscosity(double paS) {
        return flowing(new Viscosity(paS, Optional.empty()));
    }

    private static Label flowing(Viscosity viscosity) {
        return new Label(
                REGULAR.ratio(),
                REGULAR.times(),
                REGULAR.referenceC(),
                REGULAR.activationKjPerMol(),
                Optional.empty(),
                Optional.of(viscosity),
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    /**
     * 1 Pa·s doubles within the 40 min of its pot life; a thinner one quadruples (from memory). 20 ml on 512 cm² is
     * 0.39 mm.
     */
    @Test
    void theFilmThickensByItsPotLife() {
        CoatSimulation coat = play(REGULAR, 20, 6, 0, 22);
        assertThat(coat.filmMm()).isCloseTo(0.39, within(0.005));
        assertThat(at(coat, 0).viscosityPaS().orElseThrow()).isCloseTo(1, within(1e-12));
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
        CoatSimulation thick = play(withViscosity(1), 70, 6, 0, 22);
        double thicker = Math.pow(thick.filmMm() / 1.031, 2);
        assertThat(thick.sagsFor().toSeconds() / 60.0)
                .as("the limit grows with the root of the viscosity")
                .isCloseTo(240 * (1 - Math.pow(thicker, -1 / DOUBLING)), within(0.5));
        assertThat(play(REGULAR, 20, 6, 0, 22).sagsFor()).isZero();
    }

    /**
     * Whatever is drawn, a coat that sags for a while does so; what a span of minutes cuts off happens all the same.
     */
    @ParameterizedTest
    @ValueSource(ints = {5, 31, 600, 5000})
    void nothingDependsOnTheSpanDrawn(int minutes) {
        Choice choice = new Choice(withViscosity(1), SLIM, 70, 6, 1.5, 50, Warmth.OF_THE_ROOM);
        CoatSimulation drawn = CoatSimulation.of(choice, RoomCourse.steady(22), START, Duration.ofMinutes(minutes));
        CoatSimulation whole = CoatSimulation.of(choice, RoomCourse.steady(22), START, Duration.ofHours(6));
        assertThat(drawn.sagsFor()).isEqualTo(whole.sagsFor()).isPositive();
        assertThat(drawn.ranMl()).isEqualTo(whole.ranMl());
        assertThat(drawn.rippleLeft()).isEqualTo(whole.rippleLeft());
    }

    /**
     * Orchard: 137 s for 1 Pa·s, 20 mm, 0.4 mm, and with the cube of the film. While it thickens it levels as long as a
     * fresh mix would in ∫(1 − t/g)^n dt = g/(n + 1): 50 minutes. A film of 0.1 mm keeps most of its brush lines.
     */
    @Test
    void thinFilmsKeepTheirLines() {
        assertThat(play(REGULAR, 20, 6, 0, 22).rippleLeft()).isLessThan(1e-3);
        assertThat(play(REGULAR, 4, 6, 0, 22).rippleLeft()).isGreaterThan(0.5);
        CoatSimulation thin = play(withViscosity(1), 10, 6, 0, 22);
        double seconds = 240 * 60 / (DOUBLING + 1);
        assertThat(-Math.log(thin.rippleLeft()))
                .isCloseTo(
                        seconds / Levelling.timeConstantSeconds(1, 20, thin.filmMm()), Percentage.withPercentage(0.1));
    }

    /**
     * P28: cold spreads badly. In a colder room it stays liquid for longer, but flow slows more than the cure; were
     * both of one activation energy, a coat would level the same in any room.
     */
    @Test
    void aColdCoatLevelsWorse() {
        double warm = -Math.log(play(REGULAR, 10, 6, 0, 22).rippleLeft());
        double cold = -Math.log(play(REGULAR, 10, 6, 0, 12).rippleLeft());
        double apart = (1 / 285.15 - 1 / 295.15) * 1000 / 8.314462618;
        assertThat(warm / cold)
                .as("70 kJ/mol against 50")
                .isCloseTo(Math.exp(20 * apart), Percentage.withPercentage(0.2));
        Label even = flowing(new Viscosity(1, Optional.of(new Viscosity.Second(Math.exp(50 * apart), 12))));
        assertThat(play(even, 10, 6, 0, 12).rippleLeft())
                .isCloseTo(play(even, 10, 6, 0, 22).rippleLeft(), within(1e-5));
        assertThat(play(REGULAR, 10, 6, 0, 12).spreadsBadly(REGULAR)).isTrue();
        assertThat(play(REGULAR, 10, 6, 0, 20).spreadsBadly(REGULAR)).isFalse();
    }

    @Test
    void aHeatPassShows() {
        Warmth passed = new Warmth(
                OptionalDouble.empty(),
                Optional.of(new Warmth.HeatPass(Duration.ofMinutes(15), Duration.ofMinutes(2), 50)));
        CoatSimulation still = play(REGULAR, 8, 6, 0, 20);
        CoatSimulation warmed = play(REGULAR, 8, 6, 0, 20, passed);
        assertThat(warmed.rippleLeft()).isLessThan(0.8 * still.rippleLeft());
        assertThat(warmed.gelledAfter()).isLessThan(still.gelledAfter());
        assertThat(at(warmed, 15).filmC()).isEqualTo(50);
        assertThat(at(warmed, 15).viscosityPaS().orElseThrow())
                .isLessThan(at(still, 15).viscosityPaS().orElseThrow() / 8);
        assertThat(at(warmed, 12).viscosityPaS()).isEqualTo(at(still, 12).viscosityPaS());
    }

    /** Five minutes to 37 % of what it was off by; half an hour, and it is as warm as the room. */
    @Test
    void aColdCupComesToTheRoom() {
        Warmth cellar = new Warmth(OptionalDouble.of(8), Optional.empty());
        CoatSimulation cold = play(REGULAR, 20, 6, 0, 22, cellar);
        assertThat(at(cold, 0).filmC()).isEqualTo(8);
        assertThat(at(cold, 6).filmC()).isCloseTo(22 - 14 * Math.exp(-6 / 5.0), within(0.01));
        assertThat(at(cold, 60).filmC()).isCloseTo(22, within(0.05));
        assertThat(cold.spreadsBadly(REGULAR)).isTrue();
        Warmth warmed = new Warmth(OptionalDouble.of(35), Optional.empty());
        assertThat(play(REGULAR, 8, 6, 0, 15, warmed).rippleLeft())
                .as("P28: warm it before a thin coat")
                .isLessThan(play(REGULAR, 8, 6, 0, 15).rippleLeft());
    }

    /**
     * By hand: 1° out of level, 0.4 mm, 1 Pa·s, 1100 kg/m³: 1100·9.80665·sin 1°·(0.4e-3)³/3 = 4.016e-9 m²/s, on 229.3
     * mm of girth 9.2e-4 ml/s of 20.5 ml. As the film thins by what runs, dh/dt = −k·h³, so that h0/h = √(1 +
     * 2·k·h0²·t) over the 50 minutes it flows like a fresh mix.
     */
    @Test
    void outOfLevelItRunsToTheLowEnd() {
        double shareMl = Film.volumeMl(0.4, SLIM.area().coatedCm2());
        CoatSimulation tilted = play(withViscosity(1), shareMl, 6, 1, 22);
        double perSecond = 4.016e-9 * Math.PI * 0.073 * 1e6 / shareMl;
        double seconds = 240 * 60 / (DOUBLING + 1);
        assertThat(tilted.ranMl())
                .isCloseTo(shareMl * (1 - 1 / Math.sqrt(1 + 2 * perSecond * seconds)), Percentage.withPercentage(0.3));
        assertThat(play(withViscosity(1), 20, 6, 0, 22).ranMl()).isZero();
        assertThat(play(withViscosity(1), 20, 6, 2, 22).ranMl())
                .isGreaterThan(play(withViscosity(1), 20, 6, 1, 22).ranMl());
        Sample last = tilted.samples().get(120);
        assertThat(last.filmMm() / tilted.filmMm())
                .as("the film is thinner by what ran")
                .isCloseTo(1 - tilted.ranMl() / shareMl, within(1e-9));
    }

    @Test
    void neverMoreRunsOffThanThereIs() {
        CoatSimulation emptied = play(withViscosity(0.05), 200, 6, 10, 22);
        assertThat(emptied.ranMl()).isBetween(150.0, 199.9);
        assertThat(emptied.samples())
                .isSortedAccordingTo((a, b) -> Double.compare(a.ranMl(), b.ranMl()))
                .allSatisfy(sample -> assertThat(sample.filmMm()).isPositive());
    }

    /** A maker who tapes many girths near the foot has the same cup. */
    @Test
    void girthsCountByTheHeightTheyStandFor() {
        Blank taped = new Blank(
                new Turned(List.of(
                        new Station(0, 180),
                        new Station(5, 182.5),
                        new Station(10, 185),
                        new Station(15, 187.5),
                        new Station(200, 280))),
                true,
                0,
                0,
                0,
                OptionalDouble.empty());
        Blank twice = new Blank(new Tapered(200, 180, 280), true, 0, 0, 0, OptionalDouble.empty());
        assertThat(ran(taped)).isCloseTo(ran(twice), Percentage.withPercentage(0.5));
    }

    private static double ran(Blank blank) {
        return CoatSimulation.of(
                        new Choice(REGULAR, blank, 25, 6, 1, 50, Warmth.OF_THE_ROOM),
                        RoomCourse.steady(22),
                        START,
                        Duration.ofHours(1))
                .ranMl();
    }

    /** Thinner than 1 Pa·s pot life is to quadruple, thicker to double (from memory): no jump where they meet. */
    @Test
    void aHairMoreViscosityIsAHairMore() {
        for (double paS : new double[] {0.5, 1}) {
            CoatSimulation below = play(withViscosity(paS - 1e-6), 60, 6, 1, 22);
            CoatSimulation above = play(withViscosity(paS + 1e-6), 60, 6, 1, 22);
            assertThat(below.ranMl()).isCloseTo(above.ranMl(), within(1e-4));
            assertThat(below.sagsFor().toSeconds()).isCloseTo(above.sagsFor().toSeconds(), within(10L));
        }
    }

    /** It rises ever faster and without a step, from the fresh mix to the gel. */
    @Test
    void theRiseToTheGelIsSmooth() {
        double before = 0;
        double beforeBy = 0;
        for (double ageH = 0; ageH < 4; ageH += 0.02) {
            double now = Math.log(REGULAR.viscosityPaSAt(22, ageH).orElseThrow());
            assertThat(now - before).isGreaterThanOrEqualTo(beforeBy - 1e-12);
            beforeBy = now - before;
            before = now;
        }
        assertThat(before).as("a thousandfold and more, just before the gel").isGreaterThan(Math.log(1000));
        assertThat(REGULAR.viscosityPaSAt(22, 4)).isEmpty();
    }

    @Test
    void twoViscositiesOnALabelSayHowWarmthThinsIt() {
        Label both = flowing(new Viscosity(0.9, Optional.of(new Viscosity.Second(2.1, 14))));
        assertThat(both.viscosityPaSAt(14).orElseThrow()).isCloseTo(2.1, within(1e-9));
        assertThat(both.viscosityPaSAt(22).orElseThrow()).isEqualTo(0.9);
        assertThat(both.viscosityPaSAt(30).orElseThrow()).isBetween(0.38, 0.45);
        assertThatThrownBy(() -> flowing(new Viscosity(0.9, Optional.of(new Viscosity.Second(0.5, 14)))))
                .hasMessageContaining("thicker when it is colder");
        assertThatThrownBy(() -> flowing(new Viscosity(0.9, Optional.of(new Viscosity.Second(1, 21)))))
                .hasMessageContaining("at least 3 K from");
    }

    /**
     * P28: ten degrees colder and it gels about half as fast; the pot goes before the film, sooner the larger it is.
     */
    @Test
    void coldSlowsAndMassHastens() {
        assertThat(play(REGULAR, 20, 6, 0, 12).gelledAfter().toMinutes() / 240.0)
                .isBetween(1.8, 2.2);
        CoatSimulation large = CoatSimulation.of(
                new Choice(REGULAR, SLIM, 20, 6, 0, 800, Warmth.OF_THE_ROOM),
                RoomCourse.steady(22),
                START,
                Duration.ofHours(6));
        assertThat(large.potGoneAfter()).isLessThan(play(REGULAR, 20, 6, 0, 22).potGoneAfter());
        assertThat(play(REGULAR, 20, 6, 0, 22).potGoneAfter()).isEqualTo(Duration.ofMinutes(40));
        assertThat(at(large, 39).potPaS()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, 6, 0, 50", "20, 0, 0, 50", "20, 6, 12, 50", "20, 6, -1, 50", "NaN, 6, 0, 50", "20, 6, 0, 0"})
    void whatCannotBeIsRefused(double shareMl, double rpm, double tilt, double batchMl) {
        assertThatThrownBy(() -> new Choice(REGULAR, SLIM, shareMl, rpm, tilt, batchMl, Warmth.OF_THE_ROOM))
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

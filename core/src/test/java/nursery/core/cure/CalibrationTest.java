package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nursery.core.cure.Calibration.Observation;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

class CalibrationTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");

    private static Observation at(double roomC, double hours, Touch touch) {
        return Observation.of(
                RoomCourse.steady(roomC), START, START.plus(Duration.ofSeconds(Math.round(hours * 3600))), touch);
    }

    /**
     * What a maker would feel on a coat whose thresholds differ from the label's by a speed, and a little from coat to
     * coat.
     */
    private static List<Observation> touches(
            double speed, double activation, int count, double[] roomsC, Random random) {
        CureClock clock = new CureClock(REGULAR.referenceC(), activation);
        LabelTimes times = REGULAR.times();
        List<Observation> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double roomC = roomsC[i % roomsC.length];
            double hours = (2 + 14 * random.nextDouble()) / clock.rateAt(roomC);
            double age =
                    hours * clock.rateAt(roomC) * speed * Math.exp(Calibration.COAT_SPREAD * random.nextGaussian());
            Touch touch = age < times.turningH()
                    ? Touch.STRINGS
                    : age < times.recoatUntilH()
                            ? Touch.TACKY
                            : age < times.sandableFromH()
                                    ? random.nextBoolean() ? Touch.GUMS_PAPER : Touch.FIRM_WITH_PRINT
                                    : Touch.SANDS_TO_DUST;
            all.add(at(roomC, hours, touch));
        }
        return all;
    }

    @Test
    void withoutATouchTheLabelStands() {
        Calibration nothing = Calibration.of(REGULAR, List.of());
        assertThat(nothing.speed()).isCloseTo(1, within(0.01));
        assertThat(nothing.activationKjPerMol()).isCloseTo(50, within(0.2));
        assertThat(nothing.differsFromTheLabel()).isFalse();
        assertThat(nothing.speedHigh() / nothing.speedLow())
                .as("as wide as the prior: exp(2·1.96·0.3)")
                .isCloseTo(Math.exp(2 * 1.96 * 0.3), within(0.05));
    }

    /**
     * A hundred shops with a resin a fifth faster than its label and 58 kJ/mol, forty touches each in three rooms: both
     * true values lie in the learner's own 95 % interval at least 90 times.
     */
    @Test
    void theTruthLiesInItsOwnInterval() {
        Random random = new Random(20260302);
        int speedInside = 0;
        int activationInside = 0;
        for (int shop = 0; shop < 100; shop++) {
            Calibration found = Calibration.of(REGULAR, touches(1.2, 58, 40, new double[] {14, 20, 27}, random));
            speedInside += found.speedLow() <= 1.2 && 1.2 <= found.speedHigh() ? 1 : 0;
            activationInside += Math.abs(found.activationKjPerMol() - 58) <= found.activationSpread() ? 1 : 0;
        }
        assertThat(speedInside).isGreaterThanOrEqualTo(90);
        assertThat(activationInside).isGreaterThanOrEqualTo(90);
    }

    @Test
    void itIsSurerWithMoreTouchesAndKnowsWhenOneRoomSaysNothingAboutWarmth() {
        Random random = new Random(7);
        Calibration few = Calibration.of(REGULAR, touches(1.2, 50, 6, new double[] {20}, random));
        Calibration many = Calibration.of(REGULAR, touches(1.2, 50, 60, new double[] {20}, random));
        assertThat(many.speedHigh() - many.speedLow()).isLessThan(few.speedHigh() - few.speedLow());
        assertThat(many.differsFromTheLabel()).isTrue();
        assertThat(many.activationSpread())
                .as("a room near the reference says little: the prior's 12 kJ/mol stay")
                .isGreaterThan(18);
        assertThat(Calibration.of(REGULAR, touches(1.2, 50, 60, new double[] {12, 20, 30}, random))
                        .activationSpread())
                .isLessThan(10);
    }

    /** A coat that is still sticky the next day because it was mixed wrong says nothing about the resin. */
    @Test
    void oneOddTouchDoesNotSwingIt() {
        Random random = new Random(3);
        List<Observation> touches = touches(1.1, 50, 25, new double[] {18, 24}, random);
        double before = Calibration.of(REGULAR, touches).speed();
        touches.add(at(22, 26, Touch.STICKY_NEXT_DAY));
        assertThat(Calibration.of(REGULAR, touches).speed()).isCloseTo(before, within(0.02));
    }

    /** Twice as fast: what the label says of 8 h is so at 4 h. */
    @Test
    void whatWasFoundIsAppliedToTheLabel() {
        Label found = new Calibration(2, 1.8, 2.2, 60, 5, 30).applyTo(REGULAR);
        assertThat(found.times().sandableFromH()).isEqualTo(4);
        assertThat(found.activationKjPerMol()).isEqualTo(60);
        assertThat(found.times().fullCureH())
                .as("no finger can tell full cure: never sooner than the label")
                .isEqualTo(72);
        assertThat(new Calibration(0.5, 0.4, 0.6, 50, 5, 30)
                        .applyTo(REGULAR)
                        .times()
                        .fullCureH())
                .isEqualTo(144);
        assertThat(found.viscosityPaS()).isEqualTo(REGULAR.viscosityPaS());
        assertThat(found.ratio()).isEqualTo(REGULAR.ratio());
    }

    @Test
    void everyTouchBracketsAnAge() {
        for (Touch touch : Touch.values()) {
            assertThat(touch.fromH(REGULAR.times())).as(touch.words()).isLessThan(touch.untilH(REGULAR.times()));
            assertThat(touch.fromH(REGULAR.times()) > 0 || Double.isFinite(touch.untilH(REGULAR.times())))
                    .as(touch.words() + " says something")
                    .isTrue();
        }
    }

    /** Five coats sanded to dust at half the label's age are not five slips. */
    @Test
    void manyTouchesFarFromTheLabelAreBelieved() {
        List<Observation> touches = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            touches.add(at(22, 4, Touch.SANDS_TO_DUST));
        }
        assertThat(Calibration.of(REGULAR, touches).speed()).isGreaterThan(1.6);
        assertThat(Calibration.of(REGULAR, touches).differsFromTheLabel()).isTrue();
    }
}

package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.core.cure.Calibration.Observation;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class CalibrationTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Label FAST = StartingProfile.FAST.label();
    private static final int SHOPS = 3;
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    /** A room of shops' winters and summers. */
    private static final double[] ROOMS = {14, 20, 27};

    private static Observation at(double roomC, long coat, double hours, Touch touch) {
        return Observation.of(
                RoomCourse.steady(roomC), coat, START, START.plus(Duration.ofSeconds(Math.round(hours * 3600))), touch);
    }

    /** A shop whose resin differs from its label, and how its maker touches. */
    private record Shop(Label label, double speed, double activation, boolean sloppy) {

        /** What this maker feels at a label's age: finer than the learner knows it, for a sloppy one coarser. */
        Touch felt(double age, Random random) {
            LabelTimes times = label.times();
            double tackEnds = Math.min(times.recoatUntilH(), times.sandableFromH());
            if (age < times.turningH()) {
                return age < times.turningH() / 2 && !sloppy ? Touch.WET : Touch.STRINGS;
            }
            if (age < tackEnds) {
                return sloppy && age > 0.8 * tackEnds ? Touch.GUMS_PAPER : Touch.TACKY;
            }
            if (age < times.sandableFromH()) {
                return random.nextBoolean() || sloppy ? Touch.GUMS_PAPER : Touch.FIRM_WITH_PRINT;
            }
            return random.nextInt(3) == 0 ? Touch.FIRM : Touch.SANDS_TO_DUST;
        }

        /** So many touches on so many coats; a sloppy maker writes them down up to half an hour late. */
        List<Observation> touches(int count, int coats, double[] roomsC, Random random) {
            CureClock clock = new CureClock(label.referenceC(), activation);
            double[] own = random.doubles(coats, -1, 1).toArray();
            for (int i = 0; i < coats; i++) {
                own[i] = Calibration.COAT_SPREAD * random.nextGaussian();
            }
            List<Observation> all = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                int coat = i % coats;
                double roomC = roomsC[coat % roomsC.length];
                double age = label.times().turningH() * (0.5 + 3.5 * random.nextDouble());
                double hours = age / speed / clock.rateAt(roomC);
                double felt = age * Math.exp(own[coat]);
                double late = sloppy ? 0.5 * random.nextDouble() : 0;
                all.add(at(roomC, coat, hours + late, felt(felt, random)));
            }
            return all;
        }
    }

    @Test
    void withoutATouchTheLabelStands() {
        Calibration nothing = Calibration.of(REGULAR, List.of());
        assertThat(nothing.speed()).isCloseTo(1, within(0.01));
        assertThat(nothing.activationKjPerMol()).isCloseTo(50, within(0.2));
        assertThat(nothing.differsFromTheLabel()).isFalse();
        assertThat(nothing.speedHigh() / nothing.speedLow())
                .as("as wide as the prior: exp(2·1.96·0.6)")
                .isCloseTo(Math.exp(2 * 1.96 * 0.6), within(1.5));
    }

    /**
     * Whatever the resin's true speed and however few the touches: in 92 to 98 of 100 shops the truth lies in the
     * learner's own 95 % interval, for makers that feel as the learner thinks and for sloppy ones.
     */
    @Tag("simulation")
    @Test
    void theTruthLiesInItsOwnInterval() {
        for (boolean sloppy : new boolean[] {false, true}) {
            Random random = new Random(20260302);
            int shops = 0;
            int speedInside = 0;
            int activationInside = 0;
            for (StartingProfile profile : StartingProfile.values()) {
                for (double speed : new double[] {0.5, 0.8, 1, 1.3, 1.8, 2.5}) {
                    for (int count : new int[] {3, 6, 12, 40}) {
                        for (int coats : new int[] {1, 3, 10}) {
                            for (int shop = 0; shop < SHOPS && coats <= count; shop++) {
                                double activation = 50 + 12 * random.nextGaussian();
                                Calibration found = Calibration.of(
                                        profile.label(),
                                        new Shop(profile.label(), speed, activation, sloppy)
                                                .touches(count, coats, ROOMS, random));
                                shops++;
                                speedInside += found.speedLow() <= speed && speed <= found.speedHigh() ? 1 : 0;
                                activationInside +=
                                        Math.abs(found.activationKjPerMol() - activation) <= found.activationSpread()
                                                ? 1
                                                : 0;
                            }
                        }
                    }
                }
            }
            assertThat((double) speedInside / shops).isBetween(0.92, 0.98);
            assertThat((double) activationInside / shops).isBetween(0.92, 0.98);
        }
    }

    @Test
    void itIsSurerWithMoreTouchesAndKnowsWhenOneRoomSaysNothingAboutWarmth() {
        Random random = new Random(7);
        Shop shop = new Shop(REGULAR, 1.2, 50, false);
        Calibration few = Calibration.of(REGULAR, shop.touches(6, 6, new double[] {20}, random));
        Calibration many = Calibration.of(REGULAR, shop.touches(60, 20, new double[] {20}, random));
        assertThat(many.speedHigh() - many.speedLow()).isLessThan(few.speedHigh() - few.speedLow());
        assertThat(many.differsFromTheLabel()).isTrue();
        assertThat(many.activationSpread())
                .as("a room near the reference says little: the prior's 12 kJ/mol stay")
                .isGreaterThan(18);
        assertThat(Calibration.of(REGULAR, shop.touches(60, 20, new double[] {12, 20, 30}, random))
                        .activationSpread())
                .isLessThan(14);
    }

    /** Many touches on one coat say no more of the resin than that coat can. */
    @Test
    void touchesOnOneCoatShareItsFate() {
        Shop shop = new Shop(REGULAR, 1.2, 50, false);
        Calibration one = Calibration.of(REGULAR, shop.touches(30, 1, new double[] {22}, new Random(5)));
        Calibration many = Calibration.of(REGULAR, shop.touches(30, 30, new double[] {22}, new Random(5)));
        assertThat(Math.log(one.speedHigh() / one.speedLow()))
                .isGreaterThan(2 * 1.9 * Calibration.COAT_SPREAD)
                .isGreaterThan(1.8 * Math.log(many.speedHigh() / many.speedLow()));
    }

    /** P15: a fast resin is sanded at about 2 h. Three honest touches on one that is as its label say so. */
    @Test
    void honestTouchesOnAFastResinLeaveItsLabelAlone() {
        List<Observation> honest =
                List.of(at(22, 1, 1.9, Touch.STRINGS), at(22, 2, 2.5, Touch.FIRM), at(22, 3, 2.6, Touch.SANDS_TO_DUST));
        Calibration found = Calibration.of(FAST, honest);
        assertThat(found.speed()).isBetween(0.8, 1.25);
        assertThat(found.differsFromTheLabel()).isFalse();
    }

    /** However far the touches lie from the label: figures, never NaN, and a label that still is one. */
    @Tag("simulation")
    @Test
    void noTouchesMakeItFail() {
        Random random = new Random(99);
        Label slow = new Label(
                REGULAR.ratio(),
                new LabelTimes(20, 60, 60, 200, 300, 400, 900, 1000, 1400),
                22,
                REGULAR.activationKjPerMol(),
                Optional.empty(),
                OptionalDouble.empty());
        for (Label label : List.of(REGULAR, FAST, slow)) {
            for (int i = 0; i < 60; i++) {
                List<Observation> any = new ArrayList<>();
                for (int touch = 0; touch < 1 + i % 7; touch++) {
                    any.add(at(
                            -10 + 60 * random.nextDouble(),
                            touch % 2,
                            Math.exp(12 * random.nextDouble() - 6),
                            Touch.values()[random.nextInt(Touch.values().length)]));
                }
                Calibration found = Calibration.of(label, any);
                assertThat(found.speedLow()).isPositive().isLessThanOrEqualTo(found.speed());
                assertThat(found.speedHigh()).isFinite().isGreaterThanOrEqualTo(found.speed());
                assertThat(found.activationSpread()).isPositive().isFinite();
                assertThat(found.applyTo(label).times().fullCureH()).isPositive();
            }
        }
    }

    /** A coat that is still sticky the next day because it was mixed wrong says nothing about the resin. */
    @Test
    void oneOddTouchDoesNotSwingItAndIsCalledASlip() {
        Random random = new Random(3);
        List<Observation> touches = new Shop(REGULAR, 1.1, 50, false).touches(25, 12, new double[] {18, 24}, random);
        Calibration before = Calibration.of(REGULAR, touches);
        touches.add(at(22, 77, 26, Touch.STICKY_NEXT_DAY));
        Calibration after = Calibration.of(REGULAR, touches);
        assertThat(after.speed()).isCloseTo(before.speed(), within(0.02));
        assertThat(after.slips()).isEqualTo(before.slips() + 1);
        assertThat(after.observations()).isEqualTo(26);
    }

    /** Twice as fast: what the label says of 8 h is so at 4 h. */
    @Test
    void whatWasFoundIsAppliedToTheLabel() {
        Label found = new Calibration(2, 1.8, 2.2, 60, 5, 30, 0).applyTo(REGULAR);
        assertThat(found.times().sandableFromH()).isEqualTo(4);
        assertThat(found.activationKjPerMol()).isEqualTo(60);
        assertThat(found.times().fullCureH())
                .as("no finger can tell full cure: never sooner than the label")
                .isEqualTo(72);
        assertThat(new Calibration(0.5, 0.4, 0.6, 50, 5, 30, 0)
                        .applyTo(REGULAR)
                        .times()
                        .fullCureH())
                .isEqualTo(144);
        assertThat(found.viscosity()).isEqualTo(REGULAR.viscosity());
        assertThat(found.ratio()).isEqualTo(REGULAR.ratio());
    }

    @Test
    void everyTouchBracketsAnAge() {
        // The third is an odd one: sandable before it may come off the turner for good, no doubt about when.
        LabelTimes odd = new LabelTimes(0.5, 3, 3, 3.5, 3, 3, 5, 8, 24);
        for (LabelTimes times : List.of(REGULAR.times(), FAST.times(), odd)) {
            for (Touch touch : Touch.values()) {
                assertThat(touch.fromH(times) * 1.04).as(touch.words()).isLessThan(touch.untilH(times));
                assertThat(touch.fromH(times) > 0 || Double.isFinite(touch.untilH(times)))
                        .as(touch.words() + " says something")
                        .isTrue();
            }
        }
    }

    /** Five coats sanded to dust at half the label's age are not five slips. */
    @Test
    void manyTouchesFarFromTheLabelAreBelieved() {
        List<Observation> touches = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            touches.add(at(22, i, 4, Touch.SANDS_TO_DUST));
        }
        assertThat(Calibration.of(REGULAR, touches).speed()).isGreaterThan(1.6);
        assertThat(Calibration.of(REGULAR, touches).differsFromTheLabel()).isTrue();
    }
}

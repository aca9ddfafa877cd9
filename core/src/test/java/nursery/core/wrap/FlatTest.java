package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.cup.Turned;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Flat patterns: development of a cylinder and a cone as in any handbook of sheet metal; gores of a globe. */
class FlatTest {

    static Side side(Outline outline) {
        return Side.of(new Blank(outline, true, 0, 0, 0, OptionalDouble.empty()));
    }

    private static final Side TAPER = side(new Tapered(172, 214, 281));

    private static SectorFlat sector(Outline outline) {
        return (SectorFlat) Flat.of(side(outline));
    }

    @Test
    void aStraightSideUnrollsToARectangle() {
        Flat flat = Flat.of(side(new Straight(205, 229.3)));
        assertThat(flat).isInstanceOf(RectangleFlat.class);
        assertThat(flat.sheetWidthMm()).isEqualTo(229.3, within(1e-9));
        assertThat(flat.sheetHeightMm()).isEqualTo(205);
        assertThat(flat.at(new OnCup(Math.PI, 100)).xMm()).isEqualTo(229.3 / 2, within(1e-9));
    }

    /** docs of the craft's science: base 214 mm and rim 281 mm around, 172 mm tall. */
    @Test
    void aTaperUnrollsToARingSector() {
        SectorFlat flat = sector(new Tapered(172, 214, 281));
        assertThat(flat.side().slantMm()).isCloseTo(172.33, within(0.005));
        assertThat(flat.outerRadiusMm()).isCloseTo(722.76, within(0.01));
        assertThat(flat.innerRadiusMm()).isCloseTo(550.43, within(0.01));
        assertThat(Math.toDegrees(flat.angle())).isCloseTo(22.276, within(0.001));
        assertThat(flat.sheetWidthMm()).isCloseTo(279.2, within(0.05));
        assertThat(flat.sheetHeightMm()).isCloseTo(182.7, within(0.05));
    }

    /**
     * By hand: radii 40 and 70 over a slant of 50 are 216 ° of a ring of 116.67; more than half a turn is as wide as
     * the ring, and 116.67·(1 − cos 108°) = 152.72 high.
     */
    @Test
    void aSheetForMoreThanHalfATurnReachesAcrossTheRing() {
        SectorFlat flat = sector(new Tapered(40, 2 * Math.PI * 40, 2 * Math.PI * 70));
        assertThat(flat.sheetWidthMm()).isCloseTo(2 * 116.667, within(0.01));
        assertThat(flat.sheetHeightMm()).isCloseTo(152.72, within(0.01));
    }

    /**
     * By hand, from right triangles of whole numbers: radii 30 and 50 over a slant of 52 (20, 48, 52) give 78, 130 and
     * 360·20/52 °; radii 40 and 70 over 50 (30, 40, 50) give 66.67, 116.67 and 216 °.
     */
    @ParameterizedTest
    @CsvSource({"30, 50, 48, 78, 130, 138.4615", "40, 70, 40, 66.66667, 116.66667, 216"})
    void twoConesByHand(double base, double rim, double tall, double inner, double outer, double degrees) {
        SectorFlat up = sector(new Tapered(tall, 2 * Math.PI * base, 2 * Math.PI * rim));
        SectorFlat down = sector(new Tapered(tall, 2 * Math.PI * rim, 2 * Math.PI * base));
        for (SectorFlat flat : List.of(up, down)) {
            assertThat(flat.innerRadiusMm()).isCloseTo(inner, within(1e-4));
            assertThat(flat.outerRadiusMm()).isCloseTo(outer, within(1e-4));
            assertThat(Math.toDegrees(flat.angle())).isCloseTo(degrees, within(1e-3));
        }
        // More than half a circle: its sheet is as wide as the whole circle.
        assertThat(up.sheetWidthMm())
                .isCloseTo(degrees > 180 ? 2 * outer : 2 * outer * Math.sin(Math.toRadians(degrees / 2)), within(1e-3));
    }

    @Test
    void stationsOnOneLineAreOneCone() {
        Outline measured = new Turned(List.of(new Station(0, 214), new Station(86, 247.5), new Station(172, 281)));
        assertThat(Flat.of(side(measured))).isInstanceOf(SectorFlat.class);
        assertThat(Flat.of(side(new Turned(List.of(new Station(0, 230), new Station(90, 230), new Station(180, 230))))))
                .isInstanceOf(RectangleFlat.class);
    }

    /** Worked values: a straight strip laid level at the middle of that cup. */
    @ParameterizedTest
    @CsvSource({"60, 0.7", "100, 2.0", "150, 4.4", "200, 7.8"})
    void theEndsOfAStraightStripClimb(double lengthMm, double climbMm) {
        assertThat(Flat.of(TAPER).climbMm(TAPER.slantMm() / 2, lengthMm)).isCloseTo(climbMm, within(0.06));
    }

    /** The strip itself, laid without bending: its ends are as much higher on the cup as the formula says. */
    @Test
    void aStripLaidAsItIsClimbsByTheFormula() {
        Flat flat = Flat.of(TAPER);
        double middle = TAPER.slantMm() / 2;
        OnFlat at = flat.at(new OnCup(0, middle));
        OnCup end = flat.onCup(new OnFlat(at.xMm() + 75, at.yMm()));
        assertThat(end.upMm() - middle).isCloseTo(flat.climbMm(middle, 150), within(1e-9));
        Flat narrowing = Flat.of(side(new Tapered(172, 281, 214)));
        OnCup lower = narrowing.onCup(
                new OnFlat(75, narrowing.at(new OnCup(0, middle)).yMm()));
        assertThat(lower.upMm()).as("it falls on one that narrows").isLessThan(middle);
    }

    /** A random curve on the side, as angles and heights of a smooth motion. */
    private static List<OnCup> curve(Random random, Side side, int steps) {
        double a = random.nextDouble() * 4 - 2;
        double b = random.nextDouble() * 2 - 1;
        double phase = random.nextDouble() * 6;
        List<OnCup> curve = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            double t = (double) i / steps;
            curve.add(new OnCup(
                    a * t + b * Math.sin(3 * t + phase),
                    side.slantMm() * (0.5 + 0.45 * Math.sin(2 * Math.PI * t + phase))));
        }
        return curve;
    }

    /** Lengths by the metric of a surface of revolution, ds² = dσ² + r(σ)²·dθ² (do Carmo 1976), against the flat's. */
    @Test
    void lengthsAreKeptOnAThousandRandomCurves() {
        Random random = new Random(7);
        for (int n = 0; n < 1000; n++) {
            Side side = side(
                    n % 3 == 0
                            ? new Straight(150 + n % 50, 229.3)
                            : new Tapered(120 + n % 80, 200 + random.nextInt(90), 190 + random.nextInt(120)));
            Flat flat = Flat.of(side);
            List<OnCup> curve = curve(random, side, 400);
            double onCup = 0;
            double onFlat = 0;
            for (int i = 1; i < curve.size(); i++) {
                OnCup p = curve.get(i - 1);
                OnCup q = curve.get(i);
                double radius = side.radiusMm((p.upMm() + q.upMm()) / 2);
                onCup += Math.hypot(q.upMm() - p.upMm(), radius * (q.angle() - p.angle()));
                onFlat += flat.at(p).distanceMm(flat.at(q));
            }
            assertThat(onFlat).as("curve %d", n).isCloseTo(onCup, within(1e-4 * onCup));
        }
    }

    /** Areas by Green's theorem on the flat and by ∮ A(σ) dθ/2π on the cup, A the frusta below (Pappus). */
    @Test
    void areasAreKeptOnAThousandRandomLoops() {
        Random random = new Random(11);
        for (int n = 0; n < 1000; n++) {
            Side side = side(new Tapered(120 + n % 80, 200 + random.nextInt(90), 190 + random.nextInt(120)));
            Flat flat = Flat.of(side);
            double middle = side.slantMm() / 2;
            double wide = 0.2 + random.nextDouble();
            double tall = side.slantMm() * (0.1 + 0.35 * random.nextDouble());
            double onCup = 0;
            double onFlat = 0;
            int steps = 720;
            for (int i = 0; i < steps; i++) {
                OnCup p = loop(middle, wide, tall, i, steps);
                OnCup q = loop(middle, wide, tall, i + 1, steps);
                OnFlat a = flat.at(p);
                OnFlat b = flat.at(q);
                onFlat += (a.xMm() * b.yMm() - b.xMm() * a.yMm()) / 2;
                onCup += WaveLine.areaBelow(side, (p.upMm() + q.upMm()) / 2) / (2 * Math.PI) * (p.angle() - q.angle());
            }
            assertThat(onFlat).as("loop %d", n).isCloseTo(onCup, within(2e-4 * Math.abs(onCup)));
        }
    }

    private static OnCup loop(double middle, double wide, double tall, int i, int steps) {
        double turn = 2 * Math.PI * i / steps;
        return new OnCup(wide * Math.cos(turn), middle + tall * Math.sin(turn));
    }

    static final Side BULGED = side(new Turned(List.of(
            new Station(0, 180),
            new Station(30, 235),
            new Station(70, 262),
            new Station(110, 250),
            new Station(150, 210))));

    @Test
    void fromFlatToCupAndBackIsTheSame() {
        Random random = new Random(3);
        List<Side> sides = List.of(
                side(new Straight(205, 229.3)),
                TAPER,
                side(new Tapered(160, 281, 214)),
                // A tenth of a millimetre of taper: its sector has a radius of 400 metres.
                side(new Tapered(172, 229.3, 229.4)),
                BULGED);
        for (Side side : sides) {
            Flat flat = Flat.of(side);
            for (int n = 0; n < 500; n++) {
                OnCup place = new OnCup((random.nextDouble() - 0.5) * 6.2, random.nextDouble() * side.slantMm());
                OnCup back = flat.onCup(flat.at(place));
                assertThat(back.angle()).isCloseTo(place.angle(), within(1e-9));
                assertThat(back.upMm()).isCloseTo(place.upMm(), within(1e-7));
            }
        }
    }

    /** n ≥ π·|r′|/√(2ε): an outline that leans 0.3 at its steepest takes 5 strips for 2 %, 7 for 1 %. */
    @Test
    void asFewStripsAsKeepTheStretchSmall() {
        double circumference = 2 * Math.PI * (40 + 0.3 * 50 / Math.sqrt(1 - 0.09));
        Side side = side(new Turned(List.of(
                new Station(0, 2 * Math.PI * 40), new Station(50, circumference), new Station(100, circumference))));
        assertThat(side.steepest()).isCloseTo(0.3, within(1e-9));
        StripsFlat two = (StripsFlat) Flat.of(side, 0.02);
        assertThat(two.count()).isEqualTo(5);
        assertThat(two.stretch()).isBetween(0.015, 0.02);
        assertThat(((StripsFlat) Flat.of(side, 0.01)).count()).isEqualTo(7);
        assertThat(two.isExact()).isFalse();
    }

    /**
     * A globe's gores: over a hemisphere twelve of them have an edge 1.69 % longer than their middle (exact), 1.71 % by
     * the series. Here from the equator to 70 ° by many stations, so both integrals end there.
     */
    @Test
    void theEdgesOfTwelveStripsOnAGlobe() {
        double radius = 100;
        double top = Math.toRadians(70);
        List<Station> stations = new ArrayList<>();
        for (int i = 0; i <= 56; i++) {
            double at = top * i / 56;
            stations.add(new Station(radius * Math.sin(at), 2 * Math.PI * radius * Math.cos(at)));
        }
        Side globe = side(new Turned(stations));
        StripsFlat flat = new StripsFlat(globe, 12);
        double edge = 0;
        int steps = 5000;
        OnFlat last = flat.in(0, new OnCup(Math.PI / 12, 0));
        for (int i = 1; i <= steps; i++) {
            OnFlat next = flat.in(0, new OnCup(Math.PI / 12, globe.slantMm() * i / steps));
            edge += last.distanceMm(next);
            last = next;
        }
        double exact = 0;
        double hemisphere = 0;
        for (int i = 0; i < steps; i++) {
            double lean = Math.PI / 12 * Math.sin(top * (i + 0.5) / steps);
            exact += Math.sqrt(1 + lean * lean) / steps;
            double whole = Math.PI / 12 * Math.sin(Math.PI / 2 * (i + 0.5) / steps);
            hemisphere += Math.sqrt(1 + whole * whole) / steps;
        }
        assertThat(hemisphere - 1).isCloseTo(0.0169, within(0.00005));
        assertThat(edge / globe.slantMm() - 1).isCloseTo(exact - 1, within(2e-5));
    }

    @Test
    void stripsCoverTheWholeSideAndNoMore() {
        StripsFlat flat = (StripsFlat) Flat.of(BULGED);
        double area = 0;
        int steps = 2000;
        for (int i = 0; i < steps; i++) {
            double up = BULGED.slantMm() * (i + 0.5) / steps;
            OnFlat left = flat.in(2, new OnCup(flat.middle(2) - Math.PI / flat.count(), up));
            OnFlat right = flat.in(2, new OnCup(flat.middle(2) + Math.PI / flat.count(), up));
            area += (right.xMm() - left.xMm()) * BULGED.slantMm() / steps * flat.count();
        }
        assertThat(area).isCloseTo(WaveLine.areaBelow(BULGED, BULGED.slantMm()), within(1e-3 * area));
        assertThat(WaveLine.areaBelow(BULGED, 1e9) / 100)
                .isCloseTo(BULGED.blank().area().sideCm2(), within(1e-9));
    }

    @Test
    void theBiggestRectangleOfAStraightCupIsItsCoatedSide() {
        Side side = Side.of(new Blank(new Straight(205, 229.3), true, 5, 3, 30, OptionalDouble.empty()));
        BiggestRectangle biggest = BiggestRectangle.anywhere(Flat.of(side));
        assertThat(biggest.widthMm()).isCloseTo(199.3, within(1e-9));
        assertThat(biggest.heightMm()).isCloseTo(197, within(1e-9));
    }

    /** Against rectangles tried at random: none that lies on the sector is bigger. */
    @Test
    void noRectangleOnATaperIsBigger() {
        Random random = new Random(5);
        for (Side side : List.of(
                Side.of(new Blank(new Tapered(172, 214, 281), true, 6, 4, 0, OptionalDouble.empty())),
                Side.of(new Blank(new Tapered(110, 280, 220), true, 6, 4, 35, OptionalDouble.empty())))) {
            Flat flat = Flat.of(side);
            BiggestRectangle biggest = BiggestRectangle.anywhere(flat);
            assertThat(fits(flat, biggest.fromMm(), biggest.widthMm(), biggest.heightMm()))
                    .isTrue();
            for (int n = 0; n < 20_000; n++) {
                double from = side.coatedFromMm() + random.nextDouble() * side.coatedMm();
                double wide = random.nextDouble() * side.aroundMm(from);
                double tall = random.nextDouble() * side.coatedMm();
                if (wide * tall > biggest.areaMm2() * 1.01) {
                    assertThat(fits(flat, from, wide, tall)).isFalse();
                }
            }
        }
    }

    private static boolean fits(Flat flat, double from, double wide, double tall) {
        Side side = flat.side();
        double low = flat.at(new OnCup(0, from)).yMm();
        for (int i = 0; i <= 40; i++) {
            for (double y : new double[] {low, low + tall}) {
                OnCup on = flat.onCup(new OnFlat(wide * (i / 40.0 - 0.5), y));
                if (on.upMm() < side.coatedFromMm() - 1e-6
                        || on.upMm() > side.coatedToMm() + 1e-6
                        || Math.abs(on.angle()) > Math.PI - side.handleHalfAngle(from) + 1e-6) {
                    return false;
                }
            }
        }
        return true;
    }
}

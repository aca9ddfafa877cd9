package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Lay.Bend;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** Art laid on a side: bent or as it is, seen, repeated. */
class LayingTest {

    static final Side TAPER = FlatTest.side(new Tapered(172, 214, 281));
    static final Side STRAIGHT = FlatTest.side(new Straight(205, 229.3));

    static Piece rectangle(double wide, double tall) {
        return new Piece(
                "bar", "#204060", Shapes.FACTORY.toGeometry(new Envelope(-wide / 2, wide / 2, -tall / 2, tall / 2)));
    }

    static Art bar(double wide, double tall) {
        return Art.of(List.of(rectangle(wide, tall)));
    }

    private static Lay at(double up, double wide, Bend bend) {
        return new Lay(up, 0, 0, wide, bend);
    }

    @Test
    void bentArtHasItsEdgesAtOneHeightAllTheWay() {
        Laid laid = Laid.of(Flat.of(TAPER), bar(200, 20), at(90, 200, Bend.LEVEL));
        for (Coordinate corner : laid.pieces().get(0).shape().getCoordinates()) {
            assertThat(Math.abs(corner.y - 90)).isCloseTo(10, within(1e-9));
        }
        assertThat(laid.angleTaken() * TAPER.radiusMm(90))
                .as("as long as it is, at its middle")
                .isCloseTo(200, within(1e-9));
        Geometry flat = laid.onFlat(laid.pieces().get(0).shape());
        SectorFlat sector = (SectorFlat) laid.flat();
        double middle = sector.levelRadiusMm(90).orElseThrow();
        for (Coordinate place : flat.getCoordinates()) {
            double off = Math.hypot(place.x, place.y + sector.levelRadiusMm(0).orElseThrow()) - middle;
            assertThat(Math.abs(off)).as("on an arc of the sector").isCloseTo(10, within(1e-6));
        }
    }

    /** A chord is nowhere further from its arc than the tolerance: sagitta L²/8R. */
    @Test
    void aBentLineIsTrueToItsTolerance() {
        Laid laid = Laid.of(Flat.of(TAPER), bar(250, 20), at(90, 250, Bend.LEVEL));
        Geometry flat = laid.onFlat(laid.pieces().get(0).shape());
        SectorFlat sector = (SectorFlat) laid.flat();
        Coordinate[] line = flat.getCoordinates();
        double centre = sector.levelRadiusMm(0).orElseThrow();
        for (int i = 1; i < line.length; i++) {
            double length = line[i].distance(line[i - 1]);
            double radius = Math.hypot(line[i].x, line[i].y + centre);
            double before = Math.hypot(line[i - 1].x, line[i - 1].y + centre);
            if (Math.abs(radius - before) > 1) {
                continue;
            }
            assertThat(length * length / 8 / radius).isLessThan(Laid.TOLERANCE_MM * 1.01);
        }
        assertThat(line.length).as("no more points than that takes").isLessThan(120);
    }

    @Test
    void whatIsLaidAsItIsKeepsEveryLength() {
        Random random = new Random(9);
        Flat flat = Flat.of(TAPER);
        for (int n = 0; n < 50; n++) {
            Lay place = new Lay(
                    40 + 90 * random.nextDouble(),
                    random.nextDouble() * 4 - 2,
                    random.nextDouble() * 60 - 30,
                    90,
                    Bend.STRAIGHT);
            Laid laid = Laid.of(flat, bar(90, 30), place);
            Geometry back = laid.onFlat(laid.pieces().get(0).shape());
            assertThat(back.getArea()).isCloseTo(2700, within(1.0));
            assertThat(back.getLength()).isCloseTo(240, within(0.1));
        }
    }

    @Test
    void onAStraightCupBentAndAsItIsAreTheSame() {
        Flat flat = Flat.of(STRAIGHT);
        Lay place = new Lay(80, 0.4, 12, 70, Bend.STRAIGHT);
        Geometry one = Laid.of(flat, bar(70, 20), place).pieces().get(0).shape();
        Geometry other = Laid.of(flat, bar(70, 20), new Lay(80, 0.4, 12, 70, Bend.LEVEL))
                .pieces()
                .get(0)
                .shape();
        assertThat(one.equalsExact(other, 1e-9)).isTrue();
    }

    /** A line at angle β climbs C·tan β in one turn of a straight cup. */
    @Test
    void aSpiralClimbsEvenly() {
        double turnMm = 229.3 / Math.cos(Math.toRadians(10));
        Laid laid = Laid.of(Flat.of(STRAIGHT), bar(turnMm, 0.5), new Lay(100, 0, 10, turnMm, Bend.LEVEL));
        Envelope box = laid.box();
        assertThat(box.getHeight()).isCloseTo(229.3 * Math.tan(Math.toRadians(10)), within(0.6));
        assertThat(laid.angleTaken()).isCloseTo(2 * Math.PI, within(0.01));
    }

    @Test
    void aRepeatClosesExactly() {
        Random random = new Random(2);
        for (int n = 0; n < 1000; n++) {
            double around = 180 + random.nextDouble() * 150;
            double period = 8 + random.nextDouble() * 60;
            Repeat repeat = Repeat.closing(around, period);
            assertThat(repeat.count() * period * repeat.scale()).isCloseTo(around, within(1e-9));
            assertThat(repeat.strips(3).stream().mapToInt(Integer::intValue).sum())
                    .isEqualTo(repeat.count());
        }
        // By hand: 229.3 mm around, a motif every 30: 8 of 28.66 mm, drawn at 95.5 %.
        Repeat hand = Repeat.closing(229.3, 30);
        assertThat(hand.count()).isEqualTo(8);
        assertThat(hand.scale()).isCloseTo(0.9554, within(5e-5));
        assertThat(hand.strips(3)).containsExactly(3, 3, 2);
        assertThatThrownBy(() -> Repeat.closing(229.3, 0)).isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> Repeat.closing(229.3, Double.NaN)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void motifsGoAroundOnceAndMeet() {
        Item item = new Item("star", bar(28, 10), at(100, 28, Bend.LEVEL), Sheet.VINYL, Item.Make.NOTHING, 8);
        Item closing = item.at(item.lay().wide(item.closingWidthMm(STRAIGHT, 2)));
        List<Laid> laid = closing.laid(Flat.of(STRAIGHT), Math.PI);
        assertThat(laid).hasSize(8);
        double pitch = laid.get(1).box().centre().x - laid.get(0).box().centre().x;
        assertThat(8 * pitch).isCloseTo(229.3, within(1e-9));
        assertThat(closing.lay().widthMm()).isCloseTo(28 * 229.3 / 8 / 30, within(1e-9));
    }

    @Test
    void oneDesignOnThreeCupsKeepsItsPlaceInProportion() {
        Design design = new Design(
                List.of(new Item(
                        "bar", bar(60, 20), new Lay(100, 0.5, 0, 60, Bend.LEVEL), Sheet.VINYL, Item.Make.NOTHING, 1)),
                Math.PI,
                List.of());
        Side small = Side.of(new Blank(new Straight(100, 229.3), true, 0, 0, 0, OptionalDouble.empty()));
        Lay there = design.onto(STRAIGHT, small).items().get(0).lay();
        assertThat(there.upMm()).isCloseTo(100 / 2.05, within(1e-9));
        assertThat(there.widthMm()).isEqualTo(60);
        assertThat(there.angle()).isEqualTo(0.5);
    }

    /** Seen from afar a point at arc a appears at r·sin(a/r); at 60 ° it is foreshortened to half. */
    @Test
    void aCupIsSeenFromAfar() {
        CupView front = new CupView(STRAIGHT, 0);
        double radius = STRAIGHT.radiusMm(0);
        double sixty = Math.toRadians(60);
        assertThat(front.at(new OnCup(sixty, 50)).xMm()).isCloseTo(radius * Math.sin(sixty), within(1e-9));
        double step = 1e-5;
        double seen = front.at(new OnCup(sixty + step, 50)).xMm()
                - front.at(new OnCup(sixty, 50)).xMm();
        assertThat(seen / (radius * step)).isCloseTo(0.5, within(1e-4));
        assertThat(front.at(new OnCup(0, 205)).yMm()).isCloseTo(radius * CupView.OPENNESS, within(1e-9));
    }

    @Test
    void whatIsBehindIsNotSeenAndWhatIsHalfBehindIsCutAtTheEdge() {
        Flat flat = Flat.of(STRAIGHT);
        Laid laid = Laid.of(flat, bar(40, 20), at(100, 40, Bend.LEVEL));
        Piece piece = laid.pieces().get(0);
        assertThat(new CupView(STRAIGHT, Math.PI).of(laid, piece).rings()).isEmpty();
        double radius = STRAIGHT.radiusMm(0);
        List<CupView.Point> half =
                new CupView(STRAIGHT, Math.PI / 2).of(laid, piece).rings().get(0);
        assertThat(half.stream().mapToDouble(CupView.Point::xMm).min().orElseThrow())
                .as("the front's middle is at the left edge from the right side")
                .isCloseTo(-radius, within(1e-9));
        assertThat(half.stream().mapToDouble(CupView.Point::xMm).max().orElseThrow())
                .isCloseTo(-radius * Math.cos(20 / radius), within(1e-9));
        assertThat(new CupView(STRAIGHT, 6 * Math.PI).of(laid, piece).rings()).hasSize(1);
    }

    @Test
    void aBandOnceAroundIsSeenFromEverySide() {
        Laid laid = Laid.of(Flat.of(STRAIGHT), bar(229.3, 20), at(100, 229.3, Bend.LEVEL));
        for (double yaw = -7; yaw < 7; yaw += 0.37) {
            CupView view = new CupView(STRAIGHT, yaw);
            List<List<CupView.Point>> rings =
                    view.of(laid, laid.pieces().get(0)).rings();
            double left = rings.stream()
                    .flatMap(List::stream)
                    .mapToDouble(CupView.Point::xMm)
                    .min()
                    .orElseThrow();
            double right = rings.stream()
                    .flatMap(List::stream)
                    .mapToDouble(CupView.Point::xMm)
                    .max()
                    .orElseThrow();
            assertThat(right - left).isCloseTo(2 * STRAIGHT.radiusMm(0), within(1e-6));
        }
    }

    /** On a cylinder the mean height is the share; on a cone by frusta (Pappus), by hand for a level line. */
    @Test
    void aWavesPartOfTheSide() {
        assertThat(new WaveLine(60, 110, 12, 3).areaBelowMm2(STRAIGHT)).isCloseTo(229.3 * 85, within(0.01));
        double half = TAPER.slantMm() / 2;
        double below = (214 + 247.5) / 2 * half;
        assertThat(WaveLine.level(half).areaBelowMm2(TAPER)).isCloseTo(below, within(0.01));
        Side bare = Side.of(new Blank(new Straight(200, 230), true, 10, 10, 0, OptionalDouble.empty()));
        assertThat(WaveLine.level(100).shareOf(bare)).isCloseTo(0.5, within(1e-9));
        assertThat(WaveLine.level(195).shareOf(bare)).isEqualTo(1);
        assertThat(WaveLine.level(5).shareOf(bare)).isZero();
        assertThatThrownBy(() -> new WaveLine(Double.NaN, 1, 0, 0)).isInstanceOf(InvalidInput.class);
    }
}

package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Lay.Bend;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;

/** Where a design begins not to fit, by how much, and where its way out leads; what is seen of it. By hand. */
class WrapEdgesTest {

    private static Side side(Outline outline, double handle) {
        return Side.of(new Blank(outline, true, 5, 3, handle, OptionalDouble.empty()));
    }

    /** Coated from 3 to 200 mm, 36.494 mm in radius. */
    private static final Side SLIM = side(new Straight(205, 229.3), 0);

    private static final Side MUG = side(new Straight(100, 260), 32);
    private static final double RADIUS = 229.3 / (2 * Math.PI);
    private static final double MUG_RADIUS = 260 / (2 * Math.PI);

    private static Item item(double wide, double tall, Lay lay, Sheet sheet, int motifs) {
        return new Item("bar", LayingTest.bar(wide, tall), lay, sheet, Item.Make.NOTHING, motifs);
    }

    private static Item bar(double wide, double tall, double up, double angle) {
        return item(wide, tall, new Lay(up, angle, 0, wide, Bend.LEVEL), Sheet.VINYL, 1);
    }

    private static Fitting fit(Side side, Item... items) {
        return Fitting.of(new Design(List.of(items), Math.PI, List.of()), Flat.of(side));
    }

    private static Concern only(Fitting fitting) {
        assertThat(fitting.concerns()).hasSize(1);
        return fitting.concerns().get(0);
    }

    /** 3 mm off the trim it is clear; nearer it is moved to there, from either side. */
    @ParameterizedTest
    @CsvSource({
        "190, PAST_THE_RIM, 10 mm over, 177",
        "180.1, PAST_THE_RIM, 0.1 mm over, 177",
        "180, NEAR_THE_TRIM, ends 0 mm from, 177",
        "178, NEAR_THE_TRIM, ends 2 mm from, 177",
        "24, NEAR_THE_TRIM, ends 1 mm from, 26",
        "22.9, PAST_THE_BASE, 0.1 mm below, 26",
        "10, PAST_THE_BASE, 13 mm below, 26"
    })
    void tooHighOrTooLowItIsMovedToWhereItIsClear(double up, Concern.Kind kind, String words, double to) {
        Concern concern = only(fit(SLIM, bar(60, 40, up, 0)));
        assertThat(concern.kind()).isEqualTo(kind);
        assertThat(concern.words()).contains(words);
        assertThat(concern.fix().orElseThrow().lay().upMm()).isCloseTo(to, within(1e-9));
    }

    @Test
    void clearOfTheTrimItIsFine() {
        assertThat(fit(SLIM, bar(60, 40, 177, 0)).concerns()).isEmpty();
        assertThat(fit(SLIM, bar(60, 40, 26, 0)).concerns()).isEmpty();
        assertThat(fit(SLIM, bar(60, 195, 101.5, 0)).concerns())
                .as("as far as there is room")
                .isEmpty();
        Concern off = only(fit(SLIM, bar(60, 195, 102, 0)));
        assertThat(off.words()).contains("ends 0.5 mm from");
        assertThat(off.fix().orElseThrow().lay().upMm()).isCloseTo(101.5, within(1e-9));
        assertThat(fit(SLIM, bar(60, 197, 101.5, 0)).concerns())
                .as("all of the coated side, 197 mm")
                .isEmpty();
    }

    /** 230 mm into 197 less 3 above and below: 191/230 of it, in the middle. */
    @Test
    void whatIsTooTallIsMadeToFit() {
        Concern concern = only(fit(SLIM, bar(60, 230, 90, 0)));
        assertThat(concern.words()).isEqualTo("bar is 230 mm tall, and only 197 mm of the side are coated.");
        Lay fixed = concern.fix().orElseThrow().lay();
        assertThat(fixed.widthMm()).isCloseTo(60 * 191 / 230.0, within(1e-9));
        assertThat(fixed.upMm()).isCloseTo(101.5, within(1e-9));
    }

    /** A wrap: laps up to 12 mm on purpose; from 5.2 radians on it is meant to close; half a millimetre is a slit. */
    @ParameterizedTest
    @CsvSource({
        "241.2, LAPS",
        "241.4, OVER_ITSELF",
        "229.4, LAPS",
        "229.3,",
        "229,",
        "228.7, GAPES",
        "190, GAPES",
        "189,"
    })
    void aWrapLapsGapesOrCloses(double wide, Concern.Kind kind) {
        Fitting fitting = fit(SLIM, item(wide, 150, new Lay(100, 0, 0, wide, Bend.LEVEL), Sheet.PAPER, 1));
        if (kind == null) {
            assertThat(fitting.concerns()).isEmpty();
        } else {
            assertThat(only(fitting).kind()).isEqualTo(kind);
        }
    }

    /** A third of 229.3 mm can be read from one side; what goes around several times has its part of the way. */
    @Test
    void whatTakesTooMuchOfTheWayAroundIsMadeToFit() {
        Concern long90 = only(fit(SLIM, bar(90, 20, 100, 0)));
        assertThat(long90.kind()).isEqualTo(Concern.Kind.TOO_LONG_TO_READ);
        assertThat(long90.words()).isEqualTo("bar takes 141 °; from one side 120 ° can be read, that is 76.4 mm here.");
        assertThat(long90.fix().orElseThrow().lay().widthMm()).isCloseTo(229.3 / 3, within(1e-6));
        Concern over = only(fit(SLIM, bar(240, 20, 100, 0)));
        assertThat(over.fix().orElseThrow().lay().widthMm()).isCloseTo(229.3, within(1e-6));
        Concern each = only(fit(SLIM, item(80, 20, new Lay(100, 0, 0, 80, Bend.LEVEL), Sheet.VINYL, 3)));
        assertThat(each.kind()).isEqualTo(Concern.Kind.OVER_ITSELF);
        assertThat(each.words()).isEqualTo("bar takes 80 mm around, and has 76.4 mm: it lies 3.6 mm over itself.");
        assertThat(each.fix().orElseThrow().lay().widthMm()).isCloseTo(229.3 / 3, within(1e-6));
        assertThat(fit(SLIM, item(76, 20, new Lay(100, 0, 0, 76, Bend.LEVEL), Sheet.VINYL, 3))
                        .concerns())
                .isEmpty();
    }

    /** What is tilted climbs past itself: a ribbon may go around more than once. */
    @Test
    void aRibbonThatClimbsIsNoFault() {
        assertThat(fit(SLIM, item(240, 10, new Lay(100, 0, 20, 240, Bend.LEVEL), Sheet.VINYL, 1))
                        .concerns())
                .extracting(Concern::kind)
                .doesNotContain(Concern.Kind.OVER_ITSELF, Concern.Kind.TOO_LONG_TO_READ);
        assertThat(fit(SLIM, item(90, 10, new Lay(100, 0, 20, 90, Bend.LEVEL), Sheet.VINYL, 1))
                        .concerns())
                .as("but less than half around it is a line")
                .extracting(Concern::kind)
                .containsExactly(Concern.Kind.TOO_LONG_TO_READ);
    }

    /** The handle takes 16 mm to each side of the back; a thousandth is left for the blade. */
    @Test
    void offTheHandleByAsLittleAsTakesIt() {
        double edge = (Math.PI - 16 / MUG_RADIUS) * 0.999;
        double half = 30 / MUG_RADIUS;
        for (double way : new double[] {1, -1}) {
            Concern concern = fit(MUG, bar(60, 20, 50, way * 2.2)).concerns().get(0);
            assertThat(concern.kind()).isEqualTo(Concern.Kind.ON_THE_HANDLE);
            assertThat(concern.words()).isEqualTo("bar runs 7 mm into the handle.");
            assertThat(concern.fix().orElseThrow().lay().angle()).isCloseTo(way * (edge - half), within(1e-9));
        }
        Concern wide = fit(MUG, bar(240, 20, 50, 0)).concerns().stream()
                .filter(concern -> concern.kind() == Concern.Kind.ON_THE_HANDLE)
                .findFirst()
                .orElseThrow();
        Lay narrower = wide.fix().orElseThrow().lay();
        assertThat(narrower.widthMm()).isCloseTo(2 * edge * MUG_RADIUS * 0.98, within(1e-6));
        assertThat(narrower.angle()).isCloseTo(0, within(1e-9));
        Concern several = fit(MUG, item(40, 20, new Lay(50, 0, 0, 40, Bend.LEVEL), Sheet.VINYL, 2))
                .concerns()
                .get(0);
        assertThat(several.kind()).isEqualTo(Concern.Kind.ON_THE_HANDLE);
        assertThat(several.fix()).as("one of several is left out, not turned").isEmpty();
        assertThat(MUG.hasHandle()).isTrue();
        assertThat(SLIM.hasHandle()).isFalse();
    }

    private static Fitting withWrap(double angle) {
        Item wrap = item(229.3, 150, new Lay(100, 0, 0, 229.3, Bend.LEVEL), Sheet.PAPER, 1);
        return fit(SLIM, wrap, bar(60, 20, 100, angle));
    }

    /** 60 mm take 1.644 rad; with its middle within 0.247 of the seam it covers it, past 0.822 it is clear. */
    @Test
    void acrossTheSeamItIsTurnedToItsOwnSide() {
        double half = 30 / RADIUS;
        for (double way : new double[] {1, -1}) {
            Concern concern = only(withWrap(Math.PI + way * 0.5));
            assertThat(concern.kind()).isEqualTo(Concern.Kind.ACROSS_THE_SEAM);
            assertThat(concern.words()).isEqualTo("bar lies 11.8 mm across the seam of the wrap.");
            assertThat(concern.fix().orElseThrow().lay().angle())
                    .isCloseTo(-way * (Math.PI - half * 1.01), within(1e-9));
            assertThat(only(withWrap(Math.PI + way * 0.25)).kind()).isEqualTo(Concern.Kind.ACROSS_THE_SEAM);
            assertThat(withWrap(Math.PI + way * 0.24).concerns()).isEmpty();
            assertThat(withWrap(Math.PI + way * 0.83).concerns()).isEmpty();
            assertThat(only(withWrap(Math.PI + way * 0.82)).kind()).isEqualTo(Concern.Kind.ACROSS_THE_SEAM);
        }
    }

    @Test
    void onATaperEndsClimbOrFall() {
        Lay straight = new Lay(90, 0, 0, 80, Bend.STRAIGHT);
        Concern up = only(fit(side(new Tapered(172, 214, 281), 0), item(80, 20, straight, Sheet.VINYL, 1)));
        assertThat(up.words()).matches("The ends of bar climb [\\d.]+ mm on this taper\\.");
        assertThat(up.fix().orElseThrow().lay().bend()).isEqualTo(Bend.LEVEL);
        Concern down = only(fit(side(new Tapered(172, 281, 214), 0), item(80, 20, straight, Sheet.VINYL, 1)));
        assertThat(down.words()).contains("fall");
        Lay slight = new Lay(90, 0, 0, 60, Bend.STRAIGHT);
        assertThat(fit(side(new Tapered(172, 214, 281), 0), item(60, 20, slight, Sheet.VINYL, 1))
                        .concerns())
                .as("by less than is seen")
                .isEmpty();
    }

    private static double area(List<CupView.Point> ring) {
        double sum = 0;
        for (int i = 0; i < ring.size(); i++) {
            CupView.Point a = ring.get(i);
            CupView.Point b = ring.get((i + 1) % ring.size());
            sum += a.xMm() * b.yMm() - b.xMm() * a.yMm();
        }
        return Math.abs(sum) / 2;
    }

    /**
     * What is seen of a piece from angle a to b is r·h·(sin b − sin a), each cut off at a quarter turn: the openness of
     * the picture moves it up and down and takes nothing away.
     */
    @Test
    void whatIsSeenHasTheAreaOfItsProjection() {
        Random random = new Random(12);
        Flat flat = Flat.of(SLIM);
        for (int round = 0; round < 200; round++) {
            double wide = 10 + 250 * random.nextDouble();
            double tall = 5 + 60 * random.nextDouble();
            double angle = 8 * random.nextDouble() - 4;
            double yaw = 14 * random.nextDouble() - 7;
            Laid laid = Laid.of(flat, LayingTest.bar(wide, tall), new Lay(90, angle, 0, wide, Bend.LEVEL));
            double expected = 0;
            for (int turn = -4; turn <= 4; turn++) {
                double from = Math.max(-Math.PI / 2, angle - wide / 2 / RADIUS - yaw + 2 * Math.PI * turn);
                double to = Math.min(Math.PI / 2, angle + wide / 2 / RADIUS - yaw + 2 * Math.PI * turn);
                expected += to > from ? RADIUS * tall * (Math.sin(to) - Math.sin(from)) : 0;
            }
            CupView.Seen seen = new CupView(SLIM, yaw).of(laid, laid.pieces().get(0));
            assertThat(seen.rings().stream().mapToDouble(WrapEdgesTest::area).sum())
                    .as("round %d", round)
                    .isCloseTo(expected, within(0.001 * RADIUS * tall));
            seen.rings().forEach(ring -> assertThat(ring).allSatisfy(point -> {
                double off = RADIUS * CupView.OPENNESS * Math.sqrt(Math.max(0, 1 - Math.pow(point.xMm() / RADIUS, 2)));
                assertThat(Math.abs(point.yMm() - off - 115)).isLessThanOrEqualTo(tall / 2 + 1e-6);
            }));
            assertThat(seen.colour()).isEqualTo("#204060");
        }
    }

    /** Points no further apart than the picture bends. */
    @Test
    void longLinesAreDrawnInSteps() {
        Laid laid = Laid.of(Flat.of(SLIM), LayingTest.bar(60, 60), new Lay(100, 0, 0, 60, Bend.LEVEL));
        List<CupView.Point> ring =
                new CupView(SLIM, 0).of(laid, laid.pieces().get(0)).rings().get(0);
        // 1.644 rad in steps of 0.08 are 21, 60 mm in steps of 6 are 10, each twice.
        assertThat(ring).hasSize(62);
    }

    private static CupView.Point at(double angle, double up, double yaw) {
        return new CupView.Point(
                RADIUS * Math.sin(angle - yaw), 205 - up + RADIUS * CupView.OPENNESS * Math.cos(angle - yaw));
    }

    private static void isAt(CupView.Point point, CupView.Point expected) {
        assertThat(point.xMm()).isCloseTo(expected.xMm(), within(1e-6));
        assertThat(point.yMm()).isCloseTo(expected.yMm(), within(1e-6));
    }

    /** A line around, 100 mm up in front and 60 at the back, seen from the side. */
    @Test
    void aLineAroundGoesFromEdgeToEdge() {
        WaveLine line = new WaveLine(100, 60, 5, 3);
        double yaw = 1;
        CupView view = new CupView(SLIM, yaw);
        List<CupView.Point> points = view.around(line);
        assertThat(points).hasSize(79);
        double left = yaw - Math.PI / 2;
        double there = 80 + 20 * Math.cos(left) + 5 * Math.sin(3 * left);
        assertThat(line.upMm(left)).isCloseTo(there, within(1e-9));
        isAt(points.get(0), at(left, there, yaw));
        isAt(points.get(39), at(left + 39 * 0.04, line.upMm(left + 39 * 0.04), yaw));
        isAt(view.at(new OnCup(yaw, 50)), at(yaw, 50, yaw));
    }

    @Test
    void theBodyIsSeenBetweenItsEdges() {
        List<CupView.Point> body = new CupView(SLIM, 0.7).body(10, 50);
        isAt(body.get(0), new CupView.Point(-RADIUS, 195));
        assertThat(body.stream().mapToDouble(CupView.Point::xMm).max().orElseThrow())
                .isCloseTo(RADIUS, within(1e-9));
        assertThat(area(body)).isCloseTo(2 * RADIUS * 40, within(1.0));
    }

    @Test
    void belowALineIsWhatLiesBetweenItAndAHeight() {
        CupView view = new CupView(SLIM, 0.7);
        assertThat(area(view.below(WaveLine.level(100), 20))).isCloseTo(2 * RADIUS * 80, within(2.0));
        assertThat(area(view.below(WaveLine.level(10), 20))).as("nothing").isCloseTo(0, within(0.2));
        List<CupView.Point> edge = view.below(WaveLine.level(100), 20);
        isAt(edge.get(0), new CupView.Point(-RADIUS, 105));
        assertThat(edge.stream().mapToDouble(CupView.Point::yMm).max().orElseThrow())
                .isCloseTo(185 + RADIUS * CupView.OPENNESS, within(1e-6));
    }

    private static Piece piece(String colour, double left, double low, double wide, double tall) {
        return new Piece(colour, colour, Shapes.FACTORY.toGeometry(new Envelope(left, left + wide, low, low + tall)));
    }

    /** Marks of 5 mm, 2 mm clear: a cross of arms 1 mm wide above left, a square below right. */
    @Test
    void marksStandAtTwoCorners() {
        Art two = Art.of(List.of(piece("#111111", 0, 0, 80, 40), piece("#eeeeee", 20, 10, 8, 6)));
        Item item = new Item("sign", two, new Lay(100, 0, 0, 80, Bend.LEVEL), Sheet.VINYL, Item.Make.NOTHING, 2);
        List<Cuts.Part> parts = Cuts.parts(fit(SLIM, item));
        assertThat(parts).extracting(Cuts.Part::name).containsExactly("sign 1", "sign 1", "sign 2", "sign 2");
        Polygon cross = parts.get(0).marks().get(0);
        Polygon square = parts.get(0).marks().get(1);
        assertThat(cross.isValid() && square.isValid()).isTrue();
        assertThat(square.getArea()).isCloseTo(25, within(1e-9));
        Envelope box = cross.getEnvelopeInternal();
        assertThat(box.getMinX()).isCloseTo(-40, within(1e-6));
        assertThat(box.getMaxX()).isCloseTo(-35, within(1e-6));
        assertThat(box.getMinY()).isCloseTo(122, within(1e-6));
        assertThat(box.getMaxY()).isCloseTo(127, within(1e-6));
        double arm = 5 - Math.sqrt(25 - cross.getArea());
        assertThat(arm).as("2·5·w − w² of it").isBetween(0.5, 2.0);
        Coordinate middle = box.centre();
        assertThat(cross.contains(Shapes.FACTORY.createPoint(middle))).isTrue();
        for (double[] away : new double[][] {{2.4, 0}, {-2.4, 0}, {0, 2.4}, {0, -2.4}}) {
            assertThat(cross.contains(
                            Shapes.FACTORY.createPoint(new Coordinate(middle.x + away[0], middle.y + away[1]))))
                    .isTrue();
            assertThat(cross.contains(Shapes.FACTORY.createPoint(
                            new Coordinate(middle.x + away[0] + away[1], middle.y + away[1] + away[0]))))
                    .as("no arm there")
                    .isFalse();
        }
        assertThat(square.getEnvelopeInternal().getMaxX()).isCloseTo(40, within(1e-6));
        assertThat(square.getEnvelopeInternal().getMaxY()).isCloseTo(78, within(1e-6));
        assertThat(parts.get(0).box().getMaxY()).isCloseTo(127, within(1e-6));
    }

    /** 6 m of cutting at 60 mm/s, 2 m lifted at 200, fifty lifts of 0.2 s: two minutes. */
    @Test
    void aBladeTakesItsTime() {
        assertThat(new BladeWay(6000, 2000, 50).minutes()).isCloseTo(2, within(1e-12));
        BladeWay way = BladeWay.of(List.of(
                new Coordinate[] {new Coordinate(3, 4), new Coordinate(3, 10)},
                new Coordinate[] {new Coordinate(11, 4), new Coordinate(11, 5), new Coordinate(12, 5)}));
        assertThat(way).isEqualTo(new BladeWay(8, 15, 2));
    }

    @Test
    void aPatternHasItsMotifsEvenlyAround() {
        Repeat repeat = Repeat.closing(230, 48);
        assertThat(repeat.count()).isEqualTo(5);
        assertThat(repeat.pitchMm()).isCloseTo(46, within(1e-12));
        assertThat(repeat.scale()).isCloseTo(46 / 48.0, within(1e-12));
        List<Double> angles = repeat.angles();
        assertThat(angles).hasSize(5);
        IntStream.range(0, 5).forEach(i -> assertThat(angles.get(i)).isCloseTo(2 * Math.PI * i / 5, within(1e-12)));
        assertThat(repeat.strips(2)).containsExactly(2, 2, 1);
        assertThat(repeat.strips(5)).containsExactly(5);
        assertThatThrownBy(() -> Repeat.closing(230, 0.4)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void whatASheetAndABendAreCalledIsRead() {
        for (Sheet sheet : Sheet.values()) {
            assertThat(Sheet.named(sheet.written())).contains(sheet);
            assertThat(sheet.words()).isNotBlank();
        }
        for (Bend bend : Bend.values()) {
            assertThat(Bend.named(bend.written())).contains(bend);
        }
        assertThat(Sheet.named("VINYL")).isEmpty();
        assertThat(Bend.named("LEVEL")).isEmpty();
        assertThat(Arrays.stream(Sheet.values()).filter(Sheet::isOpenings)).containsExactly(Sheet.STENCIL);
        assertThat(new OnFlat(2, 5).halfwayTo(new OnFlat(6, -1))).isEqualTo(new OnFlat(4, 2));
    }

    @Test
    void artIsAroundItsMiddleAndKnowsItsWords() {
        Art art = Art.of(List.of(piece("one", 10, 20, 30, 10), piece("two", 40, 20, 10, 30)));
        Envelope box = new Envelope();
        art.pieces().forEach(one -> box.expandToInclude(one.shape().getEnvelopeInternal()));
        assertThat(box.equals(new Envelope(-20, 20, -15, 15))).isTrue();
        assertThat(art.points())
                .isEqualTo(art.pieces().stream().mapToInt(Piece::points).sum())
                .isPositive();
        assertThat(art.words()).hasSize(2);
        assertThat(Art.of(List.of(piece("one", 0, 0, 3, 1))).words())
                .as("all is one word")
                .isEmpty();
        List<Piece> many = IntStream.range(0, 41)
                .mapToObj(i -> piece("w" + i, i, 0, 0.5, 1))
                .toList();
        assertThat(Art.of(many).words()).isEmpty();
        assertThat(Art.of(many.subList(0, 40)).words()).hasSize(40);
        Art wide = art.wide(80);
        assertThat(wide.heightMm()).isCloseTo(60, within(1e-12));
        assertThat(wide.pieces().get(0).shape().getArea()).isCloseTo(300 * 4, within(1e-9));
        assertThatThrownBy(() -> Art.of(List.of())).isInstanceOf(InvalidInput.class);
    }

    @Test
    void laidFurtherAroundItIsTheSameFurtherAround() {
        Laid laid = Laid.of(Flat.of(SLIM), LayingTest.bar(60, 20), new Lay(100, 0.2, 0, 30, Bend.LEVEL));
        assertThat(laid.heightMm()).isCloseTo(10, within(1e-12));
        assertThat(laid.turned(0)).isSameAs(laid);
        Laid turned = laid.turned(1);
        assertThat(turned.box().getMinX() - laid.box().getMinX()).isCloseTo(RADIUS, within(1e-9));
        assertThat(turned.box().getHeight()).isEqualTo(laid.box().getHeight());
        assertThat(turned.angleTaken()).isCloseTo(30 / RADIUS, within(1e-9));
        Item item = bar(60, 20, 100, 0);
        assertThat(item.scale()).isEqualTo(1);
        assertThat(item.at(item.lay().wide(30)).scale()).isCloseTo(0.5, within(1e-12));
        assertThat(item(40, 20, new Lay(100, 0, 0, 40, Bend.LEVEL), Sheet.VINYL, 5)
                        .strips(SLIM, 2))
                .containsExactly(2, 2, 1);
        Side taper = side(new Tapered(172, 214, 281), 0);
        assertThat(taper.heightMm(taper.slantMm())).isCloseTo(172, within(1e-9));
        assertThat(taper.heightMm(taper.slantMm() / 2)).isCloseTo(86, within(1e-9));
    }

    /** Tilted by 30° a bar's corners are where trigonometry has them. */
    @Test
    void aTiltTurnsItAboutItsMiddle() {
        Laid laid = Laid.of(Flat.of(SLIM), LayingTest.bar(60, 20), new Lay(100, 0.5, 30, 60, Bend.LEVEL));
        double cos = Math.cos(Math.PI / 6);
        double sin = Math.sin(Math.PI / 6);
        Envelope box = laid.box();
        assertThat(box.getMaxX()).isCloseTo(0.5 * RADIUS + 30 * cos + 10 * sin, within(1e-9));
        assertThat(box.getMinX()).isCloseTo(0.5 * RADIUS - 30 * cos - 10 * sin, within(1e-9));
        assertThat(box.getMaxY()).isCloseTo(100 + 30 * sin + 10 * cos, within(1e-9));
        assertThat(Arrays.stream(laid.pieces().get(0).shape().getCoordinates())
                        .anyMatch(corner -> Math.abs(corner.x - (0.5 * RADIUS + 30 * cos - 10 * sin)) < 1e-9
                                && Math.abs(corner.y - (100 + 30 * sin + 10 * cos)) < 1e-9))
                .as("its upper right corner")
                .isTrue();
    }

    private static final Side BULGED = FlatTest.BULGED;

    /** On a bulged side it is cut apart where its strips end: as much in all as it covers, each in its own strip. */
    @Test
    void onABulgeAPieceIsCutIntoItsStrips() {
        StripsFlat flat = (StripsFlat) Flat.of(BULGED);
        double up = 75;
        Laid laid = Laid.of(flat, LayingTest.bar(130, 30), new Lay(up, 0.3, 0, 130, Bend.LEVEL));
        double half = 65 / BULGED.radiusMm(up);
        List<Polygon> parts = Shapes.polygons(laid.cut().get(0).shape());
        int first = (int) Math.round((0.3 - half) * flat.count() / (2 * Math.PI));
        int last = (int) Math.round((0.3 + half) * flat.count() / (2 * Math.PI));
        assertThat(parts).hasSize(last - first + 1);
        double covered = 0;
        for (int i = 0; i < 1000; i++) {
            covered += 2 * half * BULGED.radiusMm(up - 15 + 30 * (i + 0.5) / 1000) * 30 / 1000;
        }
        assertThat(parts.stream().mapToDouble(Polygon::getArea).sum()).isCloseTo(covered, within(0.002 * covered));
        for (int i = 0; i < parts.size(); i++) {
            Envelope box = parts.get(i).getEnvelopeInternal();
            double middle = (first + i) * flat.pitchMm();
            assertThat(box.getMinX()).isGreaterThanOrEqualTo(middle - flat.pitchMm() / 2 - 1e-6);
            assertThat(box.getMaxX()).isLessThanOrEqualTo(middle + flat.pitchMm() / 2 + 1e-6);
            assertThat(box.getMinY()).isCloseTo(60, within(1e-6));
            assertThat(box.getMaxY()).isCloseTo(90, within(1e-6));
        }
    }

    @Test
    void aFlatKnowsItsSheet() {
        StripsFlat strips = (StripsFlat) Flat.of(BULGED);
        assertThat(strips.pitchMm()).isCloseTo(262.0 / strips.count(), within(1e-9));
        assertThat(strips.sheetWidthMm()).isCloseTo(262, within(1e-9));
        assertThat(strips.sheetHeightMm()).isEqualTo(BULGED.slantMm());
        assertThat(strips.levelRadiusMm(50)).isEmpty();
        assertThat(strips.isExact()).isFalse();
        assertThat(Flat.of(SLIM).isExact()).isTrue();
        assertThat(Flat.of(side(new Tapered(172, 214, 281), 0)).isExact()).isTrue();
        Fitting fitting = fit(SLIM, bar(60, 20, 100, 0));
        assertThat(fitting.flat().side()).isEqualTo(SLIM);
        assertThat(Cuts.parts(fitting).get(0).areaMm2()).isCloseTo(1200, within(0.01));
        for (Concern.Kind kind : Concern.Kind.values()) {
            assertThat(kind.title()).isNotBlank();
        }
    }
}

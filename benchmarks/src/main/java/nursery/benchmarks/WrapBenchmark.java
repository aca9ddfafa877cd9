package nursery.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import nursery.core.cup.Blank;
import nursery.core.cup.Tapered;
import nursery.core.wrap.Art;
import nursery.core.wrap.CupView;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Item;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import org.locationtech.jts.geom.Coordinate;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A design of so many points on a taper: laid, bent and checked; and drawn from one side. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class WrapBenchmark {

    @Param({"5000", "50000"})
    private int points = 5000;

    private final Flat flat =
            Flat.of(Side.of(new Blank(new Tapered(172, 214, 281), true, 5, 3, 0, OptionalDouble.empty())));
    private Design design = new Design(List.of(), 0, List.of());
    private Fitting fitted = Fitting.of(design, flat);

    /** Fifty flowers with wavy edges. */
    @Setup
    public void draw() {
        List<Piece> pieces = new ArrayList<>();
        int each = points / 50;
        for (int flower = 0; flower < 50; flower++) {
            Coordinate[] edge = new Coordinate[each + 1];
            for (int i = 0; i < each; i++) {
                double turn = 2 * Math.PI * i / each;
                double radius = 5 + Math.cos(12 * turn);
                edge[i] = new Coordinate(
                        flower % 10 * 13 + radius * Math.cos(turn), flower / 10 * 13 + radius * Math.sin(turn));
            }
            edge[each] = edge[0].copy();
            pieces.add(new Piece("flower " + flower, "#9d2f2b", Shapes.FACTORY.createPolygon(edge)));
        }
        Item item = new Item(
                "flowers", Art.of(pieces), new Lay(86, 0, 0, 85, Lay.Bend.LEVEL), Sheet.VINYL, Item.Make.NOTHING, 1);
        design = new Design(List.of(item), Math.PI, List.of());
        fitted = Fitting.of(design, flat);
    }

    @Benchmark
    public List<Piece> laidBentAndChecked() {
        Fitting fitting = Fitting.of(design, flat);
        List<Piece> cut = new ArrayList<>();
        for (List<Laid> item : fitting.laid()) {
            item.forEach(laid -> cut.addAll(laid.cut()));
        }
        return cut;
    }

    @Benchmark
    public List<CupView.Seen> seenFromOneSide() {
        CupView view = new CupView(flat.side(), 0.3);
        List<CupView.Seen> seen = new ArrayList<>();
        for (Laid laid : fitted.laid().get(0)) {
            laid.pieces().forEach(piece -> seen.add(view.of(laid, piece)));
        }
        return seen;
    }
}

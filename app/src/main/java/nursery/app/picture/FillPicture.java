package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Show;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;

/**
 * A measuring cup in its own shape with the two fill lines: resin up to the first, then hardener up to the second.
 * Drawn in a box 300 wide and 330 high, the cup's bottom at 315 and its last mark at 35, whatever its size.
 *
 * @param wall the cup's outline
 * @param partA the resin standing in it
 * @param partB the hardener on top
 * @param lineA where A ends; {@code lineB} where both together end
 */
public record FillPicture(
        String wall,
        String partA,
        String partB,
        List<Tick> ticks,
        double lineA,
        double lineB,
        double labelA,
        double labelB,
        String toA,
        String toB) {

    private static final double BOTTOM = 315;
    private static final double TOP = 35;
    private static final double BRIM = 12;
    private static final double MIDDLE = 120;
    private static final double WIDEST = 80;
    private static final int MOST_LABELS = 7;
    private static final int MOST_MARKS = 60;
    private static final double LABEL_GAP = 46;

    /** A mark: its height, where it starts and ends, and its label, empty for those between. */
    public record Tick(double y, double from, double to, String label) {}

    /** @param fill one cupful */
    public static FillPicture of(Mix fill, MeasuringCup cup, Show shop) {
        Show show = shop.onMarks(cup);
        double lineA = y(cup, fill.partAMl());
        double lineB = y(cup, fill.totalMl());
        // The two labels keep clear of each other however thin the layers are.
        double labelB = Math.min(lineB, lineA - LABEL_GAP);
        return new FillPicture(
                shape(cup, BOTTOM, BRIM),
                shape(cup, BOTTOM, lineA),
                shape(cup, lineA, lineB),
                ticks(cup, show),
                lineA,
                lineB,
                lineA,
                labelB,
                show.mark(fill.partAMl()),
                show.mark(fill.totalMl()));
    }

    private static List<Tick> ticks(MeasuringCup cup, Show show) {
        List<Tick> ticks = new ArrayList<>();
        int marks = (int) Math.floor(cup.capacityMl() / cup.markMl() + 1e-9);
        int every = Math.max(1, (int) Math.ceil((double) marks / MOST_MARKS));
        int labelled = every * Math.max(1, (int) Math.ceil((double) marks / every / MOST_LABELS));
        for (int i = every; i <= marks; i += every) {
            double y = y(cup, i * cup.markMl());
            double right = MIDDLE + halfWidth(cup, y);
            boolean named = i % labelled == 0;
            ticks.add(new Tick(
                    y,
                    Figures.rounded(right - (named ? 40 : 22)),
                    Figures.rounded(right),
                    named ? show.markNumber(i * cup.markMl()) : ""));
        }
        return ticks;
    }

    private static double y(MeasuringCup cup, double ml) {
        return Figures.rounded(BOTTOM - (BOTTOM - TOP) * cup.levelMm(ml) / cup.heightMm());
    }

    private static double halfWidth(MeasuringCup cup, double y) {
        double levelMm = (BOTTOM - y) / (BOTTOM - TOP) * cup.heightMm();
        return WIDEST * cup.radiusMm(levelMm) / (Math.max(cup.bottomDiameterMm(), cup.topDiameterMm()) / 2);
    }

    private static String shape(MeasuringCup cup, double lower, double upper) {
        double low = halfWidth(cup, lower);
        double high = halfWidth(cup, upper);
        return "M%sL%sL%sL%sZ"
                .formatted(
                        Figures.coordinates(MIDDLE - high, upper),
                        Figures.coordinates(MIDDLE - low, lower),
                        Figures.coordinates(MIDDLE + low, lower),
                        Figures.coordinates(MIDDLE + high, upper));
    }
}

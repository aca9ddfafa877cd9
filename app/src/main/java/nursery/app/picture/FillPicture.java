package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Show;
import nursery.core.resin.Mix;

/**
 * A straight measuring cup with the two fill lines: resin up to the first, then hardener up to the second. Heights
 * are percentages of the cup from its brim, so the words beside the lines keep their size.
 *
 * @param lineA    where A ends
 * @param lineB    where A and B together end
 * @param cupfuls  how many times the cup must be filled like this
 */
public record FillPicture(List<Tick> ticks, double lineA, double lineB, String toA, String toB, String onlyB, int cupfuls) {

    private static final int MOST_LABELS = 7;

    public record Tick(double y, String label) {}

    /** @param cupMl what the cup holds up to its last mark */
    public static FillPicture of(Mix mix, double markMl, double cupMl, Show show) {
        int cupfuls = (int) Math.ceil(mix.totalMl() / cupMl - 1e-9);
        double a = mix.partAMl() / cupfuls;
        double total = mix.totalMl() / cupfuls;
        List<Tick> ticks = new ArrayList<>();
        int marks = (int) Math.floor(cupMl / markMl + 1e-9);
        int every = Math.max(1, (int) Math.ceil(marks / 60.0));
        int labelled = every * Math.max(1, (int) Math.ceil((double) marks / every / MOST_LABELS));
        for (int i = every; i <= marks; i += every) {
            ticks.add(new Tick(height(i * markMl, cupMl), i % labelled == 0 ? show.volumeNumber(i * markMl) : ""));
        }
        return new FillPicture(ticks, height(a, cupMl), height(total, cupMl), show.volume(a), show.volume(total), show.volume(total - a), cupfuls);
    }

    /** A tenth of the drawing stays free above the last mark. */
    private static double height(double ml, double cupMl) {
        return Math.round((100 - 90 * ml / cupMl) * 100) / 100.0;
    }
}

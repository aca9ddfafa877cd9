package nursery.core.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/** What a design takes of sheets: of each colour of each item the rectangle its pieces are cut from. */
public final class Cuts {

    private static final double CM2_PER_MM2 = 0.01;

    private Cuts() {}

    /**
     * What is cut out of one sheet.
     *
     * @param colour as it is cut, {@code #rrggbb}; of a stencil, which is one film whatever shows through it, the first
     * @param cm2 of the sheet, what falls out of it as well
     */
    public record Cut(Sheet sheet, String colour, double cm2) {}

    public static List<Cut> of(Fitting fitting) {
        List<Cut> cuts = new ArrayList<>();
        Side side = fitting.flat().side();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            // The way around is kept in mm at the widest; a sheet lies higher or lower.
            double narrower = side.radiusMm(item.lay().upMm()) / side.widestRadiusMm();
            Map<String, Envelope> boxes = new LinkedHashMap<>();
            for (Piece piece : fitting.laid().get(i).get(0).pieces()) {
                String colour = item.sheet().isOpenings() && !boxes.isEmpty()
                        ? boxes.keySet().iterator().next()
                        : piece.colour();
                boxes.computeIfAbsent(colour, fresh -> new Envelope())
                        .expandToInclude(piece.shape().getEnvelopeInternal());
            }
            boxes.forEach((colour, box) -> cuts.add(new Cut(
                    item.sheet(), colour, box.getWidth() * narrower * box.getHeight() * item.motifs() * CM2_PER_MM2)));
        }
        return cuts;
    }
}

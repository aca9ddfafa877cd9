package nursery.app.wrap;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Published;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Art;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * A drawing out of an SVG 1.1 file, in true millimetres: paths, basic shapes, groups, transforms, viewBox, units and
 * fills. Nothing outside the file is read, nothing in it is run; what cannot be cut is named.
 *
 * @param lines the closed and open lines it draws, in the order they stand there, y downwards
 * @param left what was left out, and what to do about it
 */
@Published
public record SvgDrawing(List<Filled> lines, double widthMm, double heightMm, List<String> left) {

    public static final int LARGEST_BYTES = 4 * 1024 * 1024;

    /**
     * A shape the drawing fills, as lines.
     *
     * @param name its id, or that of the group it lies in, or what it is and how many-th
     * @param colour {@code #rrggbb}
     */
    public record Filled(String name, String colour, boolean evenOdd, List<Coordinate[]> rings) {}

    /** @throws InvalidInput if it is no SVG that can be read, with what to do */
    public static SvgDrawing read(byte[] file) {
        return SvgReader.read(file);
    }

    /** Its shapes as pieces to be cut, y upwards. Throws what {@link Art#of} throws. */
    public Art art() {
        List<Piece> pieces = new ArrayList<>();
        for (Filled filled : lines) {
            List<Coordinate[]> up =
                    filled.rings().stream().map(SvgDrawing::upwards).toList();
            var shape = Shapes.filling(up, filled.evenOdd());
            if (!shape.isEmpty()) {
                pieces.add(new Piece(filled.name(), filled.colour(), shape));
            }
        }
        return Art.of(pieces);
    }

    /** Pieces by themselves as a file, in true millimetres, as large as they are. */
    public static String file(List<Piece> pieces) {
        Envelope box = new Envelope();
        pieces.forEach(piece -> box.expandToInclude(piece.shape().getEnvelopeInternal()));
        AffineTransformation toCorner = AffineTransformation.translationInstance(-box.getMinX(), -box.getMaxY());
        StringBuilder svg = new StringBuilder(CutFile.head(box.getWidth(), box.getHeight()));
        for (Piece piece : pieces) {
            svg.append("  <path fill=\"")
                    .append(piece.colour())
                    .append("\" fill-rule=\"evenodd\" d=\"")
                    .append(SvgPath.exact(toCorner.transform(piece.shape())))
                    .append("\"/>\n");
        }
        return svg.append("</svg>\n").toString();
    }

    private static Coordinate[] upwards(Coordinate[] ring) {
        Coordinate[] up = new Coordinate[ring.length];
        for (int i = 0; i < ring.length; i++) {
            up[i] = new Coordinate(ring[i].x, -ring[i].y);
        }
        return up;
    }
}

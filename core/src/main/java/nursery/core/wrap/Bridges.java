package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;

/** Islands of a stencil: film inside an opening, held by nothing once the opening is weeded. */
final class Bridges {

    private Bridges() {}

    static int islands(Geometry openings) {
        return Shapes.polygons(openings).stream()
                .mapToInt(Polygon::getNumInteriorRing)
                .sum();
    }

    /** Openings with film left standing above and below each island, so wide. */
    static Geometry across(Geometry openings, double mm) {
        List<Geometry> bars = new ArrayList<>();
        for (Polygon polygon : Shapes.polygons(openings)) {
            Envelope whole = polygon.getEnvelopeInternal();
            for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                LinearRing island = polygon.getInteriorRingN(i);
                Coordinate middle = Shapes.FACTORY
                        .createPolygon(island.getCoordinateSequence())
                        .getInteriorPoint()
                        .getCoordinate();
                bars.add(Shapes.FACTORY.toGeometry(
                        new Envelope(middle.x - mm / 2, middle.x + mm / 2, whole.getMinY() - 1, whole.getMaxY() + 1)));
            }
        }
        return bars.isEmpty() ? openings : Shapes.beside(openings, Shapes.joined(bars));
    }
}

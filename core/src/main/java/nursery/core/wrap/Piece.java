package nursery.core.wrap;

import org.locationtech.jts.geom.Geometry;

/**
 * A shape that is cut out.
 *
 * @param name as the maker knows it
 * @param colour as {@code #rrggbb}
 * @param shape polygons, in mm
 */
public record Piece(String name, String colour, Geometry shape) {

    public Piece with(Geometry other) {
        return new Piece(name, colour, other);
    }

    public Piece coloured(String other) {
        return new Piece(name, other, shape);
    }

    public double areaMm2() {
        return shape.getArea();
    }

    public int points() {
        return shape.getNumPoints();
    }
}

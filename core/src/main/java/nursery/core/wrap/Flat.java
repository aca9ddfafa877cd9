package nursery.core.wrap;

import java.util.OptionalDouble;

/**
 * The flat pattern of a cup's side: what a sheet must be cut to so that it covers the side once around.
 *
 * <p>A straight side unrolls to a rectangle, a taper to a ring sector (development of a cone, any handbook of sheet
 * metal); both keep every length and every angle. A bulged one has no flat pattern: it is cut into upright strips.
 */
public sealed interface Flat permits RectangleFlat, SectorFlat, StripsFlat {

    /** Vinyl is stretched so far cold, without creeping back; from memory. */
    double STRETCH = 0.02;

    static Flat of(Side side) {
        return of(side, STRETCH);
    }

    /** @param stretch the most a strip's edge may have to stretch, as a share */
    static Flat of(Side side, double stretch) {
        if (!side.isOneCone()) {
            return StripsFlat.of(side, stretch);
        }
        return side.steepest() < 1e-9 ? new RectangleFlat(side) : new SectorFlat(side);
    }

    Side side();

    OnFlat at(OnCup place);

    OnCup onCup(OnFlat place);

    /** The sheet it is cut from, once around. */
    double sheetWidthMm();

    double sheetHeightMm();

    /** Whether lengths are kept: nothing stretches. */
    boolean isExact();

    /** The radius a level line has on the flat at a height, mm; empty where it is straight. */
    OptionalDouble levelRadiusMm(double upMm);

    /**
     * How far the ends of a straight strip climb that is laid with its middle level: {@code √(R² + (L/2)²) − R}, since
     * a straight line stays straight on the flat.
     */
    default double climbMm(double upMm, double lengthMm) {
        OptionalDouble radius = levelRadiusMm(upMm);
        if (radius.isEmpty()) {
            return 0;
        }
        double bend = radius.getAsDouble();
        return Math.hypot(bend, lengthMm / 2) - bend;
    }
}

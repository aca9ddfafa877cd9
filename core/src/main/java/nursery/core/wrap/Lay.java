package nursery.core.wrap;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import nursery.core.measure.Faults;

/**
 * Where art lies on a cup.
 *
 * @param upMm its middle, along the side from the base, mm
 * @param angle its middle, around from the front, radians
 * @param tiltDeg how far it climbs to the right, degrees
 * @param widthMm how wide it is, measured at its middle, mm
 * @param bend whether it is bent so that it looks level
 */
public record Lay(double upMm, double angle, double tiltDeg, double widthMm, Bend bend) {

    public static final double MOST_WIDTH_MM = 5000;

    /** How a flat piece meets a side that is not. */
    public enum Bend {
        /** Bent: what is level in the art is level on the cup. */
        LEVEL,
        /** Laid as it is: nothing is bent, its ends climb or fall on a taper. */
        STRAIGHT;

        public String written() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static Optional<Bend> named(String written) {
            return Arrays.stream(values())
                    .filter(bend -> bend.written().equals(written))
                    .findFirst();
        }
    }

    public Lay {
        Faults faults = new Faults();
        faults.within("up", "The height", upMm, -1000, 2000, "mm");
        faults.within("angle", "The way around", angle, -20, 20, "");
        faults.within("tilt", "The tilt", tiltDeg, -180, 180, "°");
        faults.within("width", "The width", widthMm, 0.5, MOST_WIDTH_MM, "mm");
        faults.throwIfAny();
    }

    public Lay up(double mm) {
        return new Lay(mm, angle, tiltDeg, widthMm, bend);
    }

    public Lay around(double radians) {
        return new Lay(upMm, radians, tiltDeg, widthMm, bend);
    }

    public Lay wide(double mm) {
        return new Lay(upMm, angle, tiltDeg, mm, bend);
    }

    /**
     * The same place on another cup: as far up its coated side in proportion, as far around in degrees, as wide in mm.
     */
    public Lay onto(Side from, Side to) {
        double share = (upMm - from.coatedFromMm()) / from.coatedMm();
        return up(to.coatedFromMm() + share * to.coatedMm());
    }
}

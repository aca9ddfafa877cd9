package nursery.core.stock;

import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/** How far apart two colours look: CIE 1976 ΔE*ab of sRGB colours (IEC 61966-2-1) under D65 (ISO/CIE 11664-4). */
public final class Colours {

    /** Nearer than this and one is taken for the other in a hurry; from memory. */
    public static final int ALIKE = 12;

    private static final double EPSILON = 216.0 / 24389;
    private static final double KAPPA = 24389.0 / 27;

    private Colours() {}

    public static double distance(String one, String other) {
        double[] a = lab(one);
        double[] b = lab(other);
        return Math.sqrt(square(a[0] - b[0]) + square(a[1] - b[1]) + square(a[2] - b[2]));
    }

    /** What of several looks most like a colour; the first of those as near. */
    public static <T> T nearest(String colour, List<T> several, Function<T, String> colourOf) {
        return several.stream()
                .min(Comparator.comparingDouble(one -> distance(colour, colourOf.apply(one))))
                .orElseThrow();
    }

    /** L*, a*, b* of a colour written {@code #rrggbb}. */
    static double[] lab(String colour) {
        double r = linear(colour, 1);
        double g = linear(colour, 3);
        double b = linear(colour, 5);
        double x = bent((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047);
        double y = bent(0.2126729 * r + 0.7151522 * g + 0.0721750 * b);
        double z = bent((0.0193339 * r + 0.1191920 * g + 0.9503041 * b) / 1.08883);
        return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
    }

    static double linear(String colour, int at) {
        double c = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    /** The reverse, as a byte. */
    static int eightBit(double linear) {
        double c = linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
        return (int) Math.round(255 * Math.max(0, Math.min(1, c)));
    }

    private static double bent(double t) {
        return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
    }

    private static double square(double value) {
        return value * value;
    }
}

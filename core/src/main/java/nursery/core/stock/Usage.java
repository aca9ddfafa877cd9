package nursery.core.stock;

import java.util.List;

/**
 * What a square centimetre takes of a material (or a step, where it is counted in pieces), learned from what was
 * weighed before and after. The starting value counts like two cups that had been weighed: with the first weighings it
 * moves, after a dozen it hardly counts.
 *
 * @param perUnit in the kind's measure
 * @param weighed how often it was weighed
 */
public record Usage(double perUnit, int weighed) {

    private static final double TWO_CUPS_CM2 = 900;

    /** One weighing: what was used, and on how much, as {@link MaterialKind#basis} has it. */
    public record Weighed(double basis, double used) {}

    public static Usage learned(MaterialKind kind, List<Weighed> weighings) {
        double basis = kind.measure() == MaterialKind.Measure.PIECE ? 2 : TWO_CUPS_CM2;
        double used = basis * kind.perUnit();
        for (Weighed one : weighings) {
            basis += one.basis();
            used += one.used();
        }
        return new Usage(used / basis, weighings.size());
    }

    public boolean isFromMemory() {
        return weighed == 0;
    }

    public double on(double basis) {
        return perUnit * basis;
    }
}

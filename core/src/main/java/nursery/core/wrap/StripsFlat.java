package nursery.core.wrap;

import java.util.OptionalDouble;

/**
 * The flat of a bulged side: so many upright strips (gores), each as wide at every height as its part of the way
 * around. A strip's edge is longer than its middle by the share {@code (π·r′/n)²/2}, r′ the slope of the outline; that
 * is what the vinyl has to stretch.
 *
 * @param count of strips
 */
public record StripsFlat(Side side, int count) implements Flat {

    private static final int FEWEST = 3;
    private static final int MOST = 200;

    /** As few as keep the stretch under a share: {@code n ≥ π·|r′|/√(2ε)}. */
    static StripsFlat of(Side side, double stretch) {
        double fewest = Math.PI * side.steepest() / Math.sqrt(2 * stretch);
        return new StripsFlat(side, (int) Math.max(FEWEST, Math.min(MOST, Math.ceil(fewest - 1e-9))));
    }

    /** What the edges of its strips have to stretch at the steepest place, as a share. */
    public double stretch() {
        double lean = Math.PI * side.steepest() / count;
        return lean * lean / 2;
    }

    /** From the middle of one strip to the middle of the next on the sheet. */
    public double pitchMm() {
        return 2 * Math.PI * side.widestRadiusMm() / count;
    }

    /** The strip a place lies in; the first is in the middle of the front, others count to both sides. */
    int strip(double angle) {
        return (int) Math.round(angle * count / (2 * Math.PI));
    }

    double middle(int strip) {
        return strip * 2 * Math.PI / count;
    }

    @Override
    public OnFlat at(OnCup place) {
        return in(strip(place.angle()), place);
    }

    /** The same on a certain strip, also a little beyond its edge. */
    OnFlat in(int strip, OnCup place) {
        return new OnFlat(
                strip * pitchMm() + side.radiusMm(place.upMm()) * (place.angle() - middle(strip)), place.upMm());
    }

    @Override
    public OnCup onCup(OnFlat place) {
        int strip = (int) Math.round(place.xMm() / pitchMm());
        return new OnCup(middle(strip) + (place.xMm() - strip * pitchMm()) / side.radiusMm(place.yMm()), place.yMm());
    }

    @Override
    public double sheetWidthMm() {
        return count * pitchMm();
    }

    @Override
    public double sheetHeightMm() {
        return side.slantMm();
    }

    @Override
    public boolean isExact() {
        return false;
    }

    @Override
    public OptionalDouble levelRadiusMm(double upMm) {
        return OptionalDouble.empty();
    }
}

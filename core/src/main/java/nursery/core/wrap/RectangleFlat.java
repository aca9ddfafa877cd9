package nursery.core.wrap;

import java.util.OptionalDouble;

/** The flat of a straight side. */
public record RectangleFlat(Side side) implements Flat {

    private double radiusMm() {
        return side.radiusMm(0);
    }

    @Override
    public OnFlat at(OnCup place) {
        return new OnFlat(place.angle() * radiusMm(), place.upMm());
    }

    @Override
    public OnCup onCup(OnFlat place) {
        return new OnCup(place.xMm() / radiusMm(), place.yMm());
    }

    @Override
    public double sheetWidthMm() {
        return side.aroundMm(0);
    }

    @Override
    public double sheetHeightMm() {
        return side.slantMm();
    }

    @Override
    public boolean isExact() {
        return true;
    }

    @Override
    public OptionalDouble levelRadiusMm(double upMm) {
        return OptionalDouble.empty();
    }
}

package nursery.core.wrap;

import java.util.OptionalDouble;

/**
 * The flat of a taper: a ring sector of the angle {@code (C_wide − C_narrow)/s}, its radii {@code C·s/(C_wide −
 * C_narrow)}, with {@code s} the slant. Its centre lies below a cup that widens upwards and above one that narrows.
 */
public record SectorFlat(Side side) implements Flat {

    private double narrowMm() {
        return Math.min(side.aroundMm(0), side.aroundMm(side.slantMm()));
    }

    private double wideMm() {
        return Math.max(side.aroundMm(0), side.aroundMm(side.slantMm()));
    }

    public double outerRadiusMm() {
        return wideMm() * side.slantMm() / (wideMm() - narrowMm());
    }

    public double innerRadiusMm() {
        return narrowMm() * side.slantMm() / (wideMm() - narrowMm());
    }

    /** Of the whole way around, radians. */
    public double angle() {
        return (wideMm() - narrowMm()) / side.slantMm();
    }

    private boolean widensUp() {
        return side.aroundMm(side.slantMm()) > side.aroundMm(0);
    }

    /** The radius of a place once around less far than a whole turn: an angle on the cup is so much on the sector. */
    private double perTurn() {
        return angle() / (2 * Math.PI);
    }

    private double baseRadiusMm() {
        return widensUp() ? innerRadiusMm() : outerRadiusMm();
    }

    @Override
    public OnFlat at(OnCup place) {
        double up = widensUp() ? place.upMm() : -place.upMm();
        double radius = baseRadiusMm() + up;
        double turn = place.angle() * perTurn();
        double half = Math.sin(turn / 2);
        // Not R·cos − R₀: a slim taper has a radius of kilometres, and a difference of such loses its digits.
        double y = up - 2 * radius * half * half;
        return new OnFlat(radius * Math.sin(turn), widensUp() ? y : -y);
    }

    @Override
    public OnCup onCup(OnFlat place) {
        double y = widensUp() ? place.yMm() : -place.yMm();
        double radius = Math.hypot(place.xMm(), baseRadiusMm() + y);
        double turn = Math.atan2(place.xMm(), baseRadiusMm() + y);
        double half = Math.sin(turn / 2);
        double up = y + 2 * radius * half * half;
        return new OnCup(turn / perTurn(), widensUp() ? up : -up);
    }

    @Override
    public double sheetWidthMm() {
        double half = angle() / 2;
        return half >= Math.PI / 2 ? 2 * outerRadiusMm() : 2 * outerRadiusMm() * Math.sin(half);
    }

    @Override
    public double sheetHeightMm() {
        double half = angle() / 2;
        double nearest = half >= Math.PI / 2 ? outerRadiusMm() : innerRadiusMm();
        return outerRadiusMm() - nearest * Math.cos(half);
    }

    @Override
    public boolean isExact() {
        return true;
    }

    @Override
    public OptionalDouble levelRadiusMm(double upMm) {
        return OptionalDouble.of(baseRadiusMm() + (widensUp() ? upMm : -upMm));
    }
}

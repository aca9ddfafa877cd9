package nursery.core.technique;

import nursery.core.measure.Faults;

/** How wide, around the cup, and how high a decal, stencil or wrap is cut. */
public record DecalSize(double widthMm, double heightMm) {

    public DecalSize {
        Faults faults = new Faults();
        faults.within("widthMm", "The width", widthMm, 1, 1000, "mm");
        faults.within("heightMm", "The height", heightMm, 1, 600, "mm");
        faults.throwIfAny();
    }
}

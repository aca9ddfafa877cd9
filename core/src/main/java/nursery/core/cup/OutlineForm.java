package nursery.core.cup;

import java.util.List;

/** The forms an outline is described by. */
public enum OutlineForm {
    STRAIGHT,
    TAPERED,
    TURNED;

    public static OutlineForm of(Outline outline) {
        if (outline instanceof Straight) {
            return STRAIGHT;
        }
        return outline instanceof Tapered ? TAPERED : TURNED;
    }

    /** The outline of this form through stations it can pass. */
    public Outline through(List<Station> stations) {
        Station base = stations.get(0);
        Station rim = stations.get(stations.size() - 1);
        return switch (this) {
            case STRAIGHT -> new Straight(rim.heightMm(), rim.circumferenceMm());
            case TAPERED -> new Tapered(rim.heightMm(), base.circumferenceMm(), rim.circumferenceMm());
            case TURNED -> new Turned(stations);
        };
    }
}

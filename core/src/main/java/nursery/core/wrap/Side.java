package nursery.core.wrap;

import java.util.List;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.Station;

/** The side of a cup as a surface: how wide and how high it is at so many mm along it from the base. */
public final class Side {

    /** Slopes closer than this are one cone: a tape does not tell them apart. */
    private static final double ONE_CONE = 1e-6;

    private final Blank blank;
    private final double[] upMm;
    private final double[] radiusMm;
    private final double[] heightMm;

    private Side(Blank blank) {
        this.blank = blank;
        List<Station> stations = blank.outline().stations();
        int count = stations.size();
        upMm = new double[count];
        radiusMm = new double[count];
        heightMm = new double[count];
        for (int i = 0; i < count; i++) {
            radiusMm[i] = stations.get(i).radiusMm();
            heightMm[i] = stations.get(i).heightMm();
            upMm[i] =
                    i == 0 ? 0 : upMm[i - 1] + Math.hypot(heightMm[i] - heightMm[i - 1], radiusMm[i] - radiusMm[i - 1]);
        }
    }

    public static Side of(Blank blank) {
        return new Side(blank);
    }

    public Blank blank() {
        return blank;
    }

    public Outline outline() {
        return blank.outline();
    }

    /** From base to rim along the side. */
    public double slantMm() {
        return upMm[upMm.length - 1];
    }

    public double radiusMm(double up) {
        return along(radiusMm, up);
    }

    public double aroundMm(double up) {
        return 2 * Math.PI * radiusMm(up);
    }

    public double heightMm(double up) {
        return along(heightMm, up);
    }

    public double widestRadiusMm() {
        return outline().widestRadiusMm();
    }

    /** Where the coat begins. */
    public double coatedFromMm() {
        return blank.baseBareMm();
    }

    /** Where the coat ends. */
    public double coatedToMm() {
        return slantMm() - blank.rimBareMm();
    }

    public double coatedMm() {
        return coatedToMm() - coatedFromMm();
    }

    public boolean hasHandle() {
        return blank.handleGapMm() > 0;
    }

    /** Half the angle a handle takes at a height; 0 without one. */
    public double handleHalfAngle(double up) {
        return blank.handleGapMm() / 2 / radiusMm(up);
    }

    /** The steepest the side leans outwards or inwards: dr/ds, without its sign. */
    double steepest() {
        double steepest = 0;
        for (int i = 1; i < upMm.length; i++) {
            steepest = Math.max(steepest, Math.abs(slope(i)));
        }
        return steepest;
    }

    private double slope(int to) {
        return (radiusMm[to] - radiusMm[to - 1]) / (upMm[to] - upMm[to - 1]);
    }

    /** Whether it is one cone or one cylinder, however many stations it was measured at. */
    boolean isOneCone() {
        for (int i = 2; i < upMm.length; i++) {
            if (Math.abs(slope(i) - slope(1)) > ONE_CONE) {
                return false;
            }
        }
        return true;
    }

    /** The heights along the side where its slope changes, with both ends. */
    public double[] stationsMm() {
        return upMm.clone();
    }

    /** Beyond its ends a side goes on as it ended: art that is too tall shows how far it stands over. */
    private double along(double[] values, double up) {
        int i = 1;
        while (i < upMm.length - 1 && up > upMm[i]) {
            i++;
        }
        double part = (up - upMm[i - 1]) / (upMm[i] - upMm[i - 1]);
        return values[i - 1] + (values[i] - values[i - 1]) * part;
    }
}

package nursery.core.wrap;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.index.intervalrtree.SortedPackedIntervalRTree;

/** How often closed lines wind around a point: crossings of the ray to its right, by their direction. */
final class Windings {

    private record Stretch(Coordinate a, Coordinate b) {}

    private final SortedPackedIntervalRTree byHeight = new SortedPackedIntervalRTree();

    Windings(List<Coordinate[]> rings) {
        for (Coordinate[] ring : rings) {
            for (int i = 1; i < ring.length; i++) {
                Coordinate a = ring[i - 1];
                Coordinate b = ring[i];
                byHeight.insert(Math.min(a.y, b.y), Math.max(a.y, b.y), new Stretch(a, b));
            }
        }
    }

    int around(Coordinate at) {
        int[] winds = {0};
        byHeight.query(at.y, at.y, found -> {
            Coordinate a = ((Stretch) found).a();
            Coordinate b = ((Stretch) found).b();
            if (a.y <= at.y != b.y <= at.y) {
                double left = (b.x - a.x) * (at.y - a.y) - (at.x - a.x) * (b.y - a.y);
                if (b.y > a.y && left > 0) {
                    winds[0]++;
                } else if (b.y < a.y && left < 0) {
                    winds[0]--;
                }
            }
        });
        return winds[0];
    }
}

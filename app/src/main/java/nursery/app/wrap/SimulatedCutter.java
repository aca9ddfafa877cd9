package nursery.app.wrap;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import nursery.core.wrap.BladeWay;
import org.locationtech.jts.geom.Coordinate;

/**
 * A stand-in for a cutter: it knows nothing but the file it is given, and does what a blade would.
 *
 * @param path the blade's way, mm, y downwards
 * @param widthMm of the sheet the file says it is on
 * @param heightMm the same upwards
 * @param cannot what it could not cut
 */
record SimulatedCutter(String path, BladeWay way, double widthMm, double heightMm, List<String> cannot) {

    static SimulatedCutter cut(String svg) {
        SvgDrawing drawing = SvgDrawing.read(svg.getBytes(StandardCharsets.UTF_8));
        List<Coordinate[]> lines = new ArrayList<>();
        List<String> cannot = new ArrayList<>(drawing.left());
        StringBuilder path = new StringBuilder();
        int outside = 0;
        for (SvgDrawing.Filled filled : drawing.lines()) {
            for (Coordinate[] ring : filled.rings()) {
                boolean inside = true;
                for (int i = 0; i < ring.length; i++) {
                    inside &= ring[i].x >= -0.01
                            && ring[i].x <= drawing.widthMm() + 0.01
                            && ring[i].y >= -0.01
                            && ring[i].y <= drawing.heightMm() + 0.01;
                    path.append(i == 0 ? 'M' : 'L').append("%.2f %.2f".formatted(ring[i].x, ring[i].y));
                }
                outside += inside ? 0 : 1;
                lines.add(ring);
            }
        }
        if (outside > 0) {
            cannot.add("%d lines lie outside the sheet.".formatted(outside));
        }
        return new SimulatedCutter(path.toString(), BladeWay.of(lines), drawing.widthMm(), drawing.heightMm(), cannot);
    }
}

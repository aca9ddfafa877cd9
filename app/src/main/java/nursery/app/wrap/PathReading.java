package nursery.app.wrap;

import java.awt.geom.Path2D;
import org.apache.batik.parser.DefaultPathHandler;
import org.apache.batik.parser.PathParser;

/**
 * The data of a path (SVG 1.1, section 8.3) as a line. The library knows the grammar; what a command without a control
 * point reflects is kept here, since after a curve of another kind that is the current point, and the library's own
 * maker of shapes reflects all the same.
 */
final class PathReading extends DefaultPathHandler {

    /** What the command before left to be reflected. */
    private enum Before {
        CUBIC,
        QUADRATIC,
        OTHER
    }

    private final Path2D.Double path = new Path2D.Double();
    private Before before = Before.OTHER;
    private double x;
    private double y;
    private double startX;
    private double startY;
    private double controlX;
    private double controlY;

    private PathReading() {}

    static Path2D of(String data) {
        PathReading reading = new PathReading();
        PathParser parser = new PathParser();
        parser.setPathHandler(reading);
        parser.parse(data);
        return reading.path;
    }

    private void at(double toX, double toY, Before what) {
        x = toX;
        y = toY;
        before = what;
    }

    private double reflectedX(Before kind) {
        return before == kind ? 2 * x - controlX : x;
    }

    private double reflectedY(Before kind) {
        return before == kind ? 2 * y - controlY : y;
    }

    /** After a path is closed the next command begins where it began. */
    private void begun() {
        if (path.getCurrentPoint() == null) {
            path.moveTo(x, y);
        }
    }

    @Override
    public void movetoRel(float dx, float dy) {
        movetoAbs((float) (x + dx), (float) (y + dy));
    }

    @Override
    public void movetoAbs(float toX, float toY) {
        path.moveTo(toX, toY);
        startX = toX;
        startY = toY;
        at(toX, toY, Before.OTHER);
    }

    @Override
    public void closePath() {
        path.closePath();
        // Java's path stands where it was closed; SVG's where the part began.
        path.moveTo(startX, startY);
        at(startX, startY, Before.OTHER);
    }

    private void line(double toX, double toY) {
        begun();
        path.lineTo(toX, toY);
        at(toX, toY, Before.OTHER);
    }

    @Override
    public void linetoRel(float dx, float dy) {
        line(x + dx, y + dy);
    }

    @Override
    public void linetoAbs(float toX, float toY) {
        line(toX, toY);
    }

    @Override
    public void linetoHorizontalRel(float dx) {
        line(x + dx, y);
    }

    @Override
    public void linetoHorizontalAbs(float toX) {
        line(toX, y);
    }

    @Override
    public void linetoVerticalRel(float dy) {
        line(x, y + dy);
    }

    @Override
    public void linetoVerticalAbs(float toY) {
        line(x, toY);
    }

    private void cubic(double x1, double y1, double x2, double y2, double toX, double toY) {
        begun();
        path.curveTo(x1, y1, x2, y2, toX, toY);
        controlX = x2;
        controlY = y2;
        at(toX, toY, Before.CUBIC);
    }

    @Override
    public void curvetoCubicRel(float x1, float y1, float x2, float y2, float dx, float dy) {
        cubic(x + x1, y + y1, x + x2, y + y2, x + dx, y + dy);
    }

    @Override
    public void curvetoCubicAbs(float x1, float y1, float x2, float y2, float toX, float toY) {
        cubic(x1, y1, x2, y2, toX, toY);
    }

    @Override
    public void curvetoCubicSmoothRel(float x2, float y2, float dx, float dy) {
        cubic(reflectedX(Before.CUBIC), reflectedY(Before.CUBIC), x + x2, y + y2, x + dx, y + dy);
    }

    @Override
    public void curvetoCubicSmoothAbs(float x2, float y2, float toX, float toY) {
        cubic(reflectedX(Before.CUBIC), reflectedY(Before.CUBIC), x2, y2, toX, toY);
    }

    private void quadratic(double x1, double y1, double toX, double toY) {
        begun();
        path.quadTo(x1, y1, toX, toY);
        controlX = x1;
        controlY = y1;
        at(toX, toY, Before.QUADRATIC);
    }

    @Override
    public void curvetoQuadraticRel(float x1, float y1, float dx, float dy) {
        quadratic(x + x1, y + y1, x + dx, y + dy);
    }

    @Override
    public void curvetoQuadraticAbs(float x1, float y1, float toX, float toY) {
        quadratic(x1, y1, toX, toY);
    }

    @Override
    public void curvetoQuadraticSmoothRel(float dx, float dy) {
        quadratic(reflectedX(Before.QUADRATIC), reflectedY(Before.QUADRATIC), x + dx, y + dy);
    }

    @Override
    public void curvetoQuadraticSmoothAbs(float toX, float toY) {
        quadratic(reflectedX(Before.QUADRATIC), reflectedY(Before.QUADRATIC), toX, toY);
    }

    private void arc(double rx, double ry, double turned, boolean large, boolean sweep, double toX, double toY) {
        begun();
        // F.6.2: an arc of no radius is a line, one that goes nowhere is nothing.
        if (rx == 0 || ry == 0) {
            line(toX, toY);
            return;
        }
        if (x != toX || y != toY) {
            new EllipticalArc(x, y, rx, ry, turned, large, sweep, toX, toY).appendTo(path, toX, toY);
        }
        at(toX, toY, Before.OTHER);
    }

    @Override
    public void arcRel(float rx, float ry, float turned, boolean large, boolean sweep, float dx, float dy) {
        arc(rx, ry, turned, large, sweep, x + dx, y + dy);
    }

    @Override
    public void arcAbs(float rx, float ry, float turned, boolean large, boolean sweep, float toX, float toY) {
        arc(rx, ry, turned, large, sweep, toX, toY);
    }
}

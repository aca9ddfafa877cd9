package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import nursery.core.measure.Numbers;

/**
 * One curve over a scale, with a level and a point marked. Drawn in a box 640 wide and 300 high; its ticks carry plain numbers and
 * its axes say of what.
 *
 * @param line   the curve as an SVG path
 * @param levelY where a marked level lies
 */
public record Chart(String xTitle, String yTitle, String line, List<Tick> xTicks, List<Tick> yTicks, double levelY, double pointX, double pointY) {

    private static final double LEFT = 64;
    private static final double RIGHT = 624;
    private static final double TOP = 16;
    private static final double BOTTOM = 248;
    private static final int STEPS = 80;
    private static final int FEWEST_TICKS = 4;

    public record Tick(double at, String label) {}

    /** An axis: what it measures, and from where to where. */
    public record Axis(String title, double low, double high) {}

    /**
     * @param level a value of y to mark across
     * @param here  a value of x to mark on the curve
     */
    public static Chart of(Axis x, Axis y, DoubleUnaryOperator curve, double level, double here) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= STEPS; i++) {
            double at = x.low() + (x.high() - x.low()) * i / STEPS;
            path.append(i == 0 ? "M" : "L").append(CupPicture.coordinates(x(x, at), y(y, Math.min(y.high(), curve.applyAsDouble(at)))));
        }
        return new Chart(x.title(), y.title(), path.toString(), ticks(x, true), ticks(y, false), y(y, Math.min(level, y.high())), x(x, here), y(y, Math.min(y.high(), curve.applyAsDouble(here))));
    }

    private static double x(Axis axis, double value) {
        return round(LEFT + (RIGHT - LEFT) * (value - axis.low()) / (axis.high() - axis.low()));
    }

    private static double y(Axis axis, double value) {
        return round(BOTTOM - (BOTTOM - TOP) * (value - axis.low()) / (axis.high() - axis.low()));
    }

    private static List<Tick> ticks(Axis axis, boolean across) {
        double step = step(axis.high() - axis.low());
        List<Tick> ticks = new ArrayList<>();
        for (double at = Math.ceil(axis.low() / step) * step; at <= axis.high() + step / 1000; at += step) {
            ticks.add(new Tick(across ? x(axis, at) : y(axis, at), Numbers.show(at, 2)));
        }
        return ticks;
    }

    /** 1, 2 or 5 times a power of ten, so that at least four ticks fit. */
    private static double step(double span) {
        double step = Math.pow(10, Math.floor(Math.log10(span / FEWEST_TICKS)));
        for (double factor : new double[] {5, 2}) {
            if (span / (step * factor) >= FEWEST_TICKS) {
                return step * factor;
            }
        }
        return step;
    }

    private static double round(double value) {
        return Double.parseDouble(String.format(Locale.ROOT, "%.1f", value));
    }
}

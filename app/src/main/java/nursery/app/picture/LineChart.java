package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.core.measure.Numbers;

/**
 * Several curves over one scale, in a box 640 wide and 230 high. A value that is not a number leaves a gap.
 *
 * @param id tells its parts from another chart's
 * @param levelY where a marked level lies, if there is one
 * @param here a point marked on the first curve, if there is one
 */
public record LineChart(
        String id,
        String xTitle,
        String yTitle,
        List<Curve> curves,
        List<Tick> xTicks,
        List<Tick> yTicks,
        Optional<Double> levelY,
        String levelWord,
        Optional<Point> here) {

    public static final double LEFT = 64;
    public static final double RIGHT = 624;
    private static final double TOP = 14;
    private static final double BOTTOM = 184;
    private static final int FEWEST_TICKS = 4;

    public record Tick(double at, String label) {}

    public record Point(double x, double y) {}

    /** A level marked across the chart. */
    public record Level(double at, String word) {}

    /** A curve as it is drawn, with its name and where that stands. */
    public record Curve(String name, String style, String path, double nameX, double nameY) {}

    /** A curve's values, at the chart's own x values. */
    public record Series(String name, String style, double[] values) {}

    /** @param logarithmic whether equal steps mean equal factors */
    public static LineChart of(
            String id,
            String xTitle,
            double[] x,
            String yTitle,
            boolean logarithmic,
            List<Series> series,
            Optional<Level> level,
            Optional<Point> here) {
        double high = IntStream.range(0, series.size())
                .boxed()
                .flatMap(i -> java.util.Arrays.stream(series.get(i).values()).boxed())
                .filter(Double::isFinite)
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(1);
        double low = IntStream.range(0, series.size())
                .boxed()
                .flatMap(i -> java.util.Arrays.stream(series.get(i).values()).boxed())
                .filter(Double::isFinite)
                .mapToDouble(Double::doubleValue)
                .min()
                .orElse(0);
        double top = Math.max(high, level.map(Level::at).orElse(high)) * (logarithmic ? 1.3 : 1.08);
        double foot = logarithmic ? Math.max(1e-3, low * 0.8) : 0;
        Frame frame = new Frame(x[0], x[x.length - 1], foot, top, logarithmic);
        return new LineChart(
                id,
                xTitle,
                yTitle,
                series.stream().map(one -> frame.curve(one, x)).toList(),
                frame.xTicks(),
                frame.yTicks(),
                level.map(Level::at).map(frame::y),
                level.map(Level::word).orElse(""),
                here.map(point -> new Point(frame.x(point.x()), frame.y(point.y()))));
    }

    private record Frame(double x0, double x1, double foot, double top, boolean logarithmic) {

        double x(double value) {
            return Figures.rounded(LEFT + (RIGHT - LEFT) * (value - x0) / (x1 - x0));
        }

        double y(double value) {
            double part = logarithmic
                    ? Math.log(Math.max(foot, value) / foot) / Math.log(top / foot)
                    : (value - foot) / (top - foot);
            return Figures.rounded(BOTTOM - (BOTTOM - TOP) * Math.max(0, Math.min(1, part)));
        }

        Curve curve(Series series, double[] x) {
            StringBuilder path = new StringBuilder();
            boolean pen = false;
            double lastX = LEFT;
            double lastY = BOTTOM;
            for (int i = 0; i < x.length; i++) {
                double value = series.values()[i];
                if (Double.isFinite(value)) {
                    lastX = x(x[i]);
                    lastY = y(value);
                    path.append(pen ? "L" : "M").append(Figures.coordinates(lastX, lastY));
                }
                pen = Double.isFinite(value);
            }
            return new Curve(
                    series.name(),
                    series.style(),
                    path.toString(),
                    Math.min(lastX, RIGHT - 40),
                    Math.max(TOP + 12, lastY - 8));
        }

        List<Tick> xTicks() {
            double step = step(x1 - x0);
            List<Tick> ticks = new ArrayList<>();
            for (double at = Math.ceil(x0 / step) * step; at <= x1 + step / 1000; at += step) {
                ticks.add(new Tick(x(at), Numbers.show(at, 2)));
            }
            return ticks;
        }

        List<Tick> yTicks() {
            List<Tick> ticks = new ArrayList<>();
            if (logarithmic) {
                for (double decade = Math.pow(10, Math.floor(Math.log10(foot))); decade <= top; decade *= 10) {
                    for (double factor : top / foot > 200 ? new double[] {1} : new double[] {1, 2, 5}) {
                        if (decade * factor >= foot && decade * factor <= top) {
                            ticks.add(new Tick(y(decade * factor), Numbers.show(decade * factor)));
                        }
                    }
                }
                return ticks;
            }
            double step = step(top - foot);
            for (double at = foot; at <= top; at += step) {
                ticks.add(new Tick(y(at), Numbers.show(at, 2)));
            }
            return ticks;
        }

        private static double step(double span) {
            double step = Math.pow(10, Math.floor(Math.log10(span / FEWEST_TICKS)));
            return span / (step * 5) >= FEWEST_TICKS ? step * 5 : span / (step * 2) >= FEWEST_TICKS ? step * 2 : step;
        }
    }
}

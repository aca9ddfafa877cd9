package nursery.app.picture;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Published;

/**
 * What was begun beside what was finished and given up, week by week, as a drawing 640 by 200.
 *
 * @param lines across, each with its number
 */
@Published
public record WeeksChart(List<Line> lines, List<Bar> bars, List<Label> labels) {

    private static final double FOOT = 170;
    private static final double TALL = 150;
    private static final double LEFT = 40;
    private static final double WEEK = 50;
    private static final double BAR = 18;
    private static final int MOST_LINES = 6;

    /** A week's numbers. */
    public record Week(LocalDate from, int begun, int finished, int spoiled) {}

    public record Line(double y, double textY, int number) {}

    /** @param style the class it is drawn by */
    public record Bar(double x, double y, double height, String style) {}

    public record Label(double x, String words) {}

    public static WeeksChart of(List<Week> weeks) {
        int most = Math.max(
                1,
                weeks.stream()
                        .mapToInt(week -> Math.max(week.begun(), week.finished() + week.spoiled()))
                        .max()
                        .orElse(0));
        double each = TALL / most;
        int step = most > MOST_LINES ? 5 : 1;
        List<Line> lines = new ArrayList<>();
        for (int number = 0; number <= most; number += step) {
            lines.add(new Line(FOOT - number * each, FOOT - number * each + 4, number));
        }
        List<Bar> bars = new ArrayList<>();
        List<Label> labels = new ArrayList<>();
        for (int i = 0; i < weeks.size(); i++) {
            Week week = weeks.get(i);
            double x = LEFT + i * WEEK;
            double done = week.finished() * each;
            double spoiled = week.spoiled() * each;
            bars.add(new Bar(x, FOOT - week.begun() * each, week.begun() * each, "weeks-begun"));
            bars.add(new Bar(x + BAR + 2, FOOT - done, done, "weeks-done"));
            bars.add(new Bar(x + BAR + 2, FOOT - done - spoiled, spoiled, "weeks-spoiled"));
            labels.add(new Label(
                    x + BAR + 1,
                    "%d.%d.".formatted(week.from().getDayOfMonth(), week.from().getMonthValue())));
        }
        return new WeeksChart(lines, bars, labels);
    }
}

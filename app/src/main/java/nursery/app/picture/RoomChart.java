package nursery.app.picture;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nursery.app.platform.Show;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Air;
import nursery.core.measure.Numbers;
import nursery.core.measure.Span;

/**
 * The room's temperature over a span of time, what is expected of it, and the cups' coats under it, each in its phases.
 * Drawn in a box 960 wide: the room on top, a lane for each coat below.
 *
 * @param known the course that was read, as an SVG path
 * @param expected the course ahead
 * @param band how far it may be off
 */
public record RoomChart(
        String unit,
        String known,
        String expected,
        String band,
        List<Tick> across,
        List<Tick> up,
        List<Lane> lanes,
        double nowX,
        double heightPx) {

    private static final double LEFT = 64;
    private static final double RIGHT = 950;
    private static final double TOP = 14;
    private static final double BOTTOM = 190;
    private static final double LANE = 26;
    private static final double FIRST_LANE = BOTTOM + 36;
    private static final double MARGIN_C = 1.5;
    private static final int POINTS = 240;

    public record Tick(double at, String label) {}

    /** A coat's lane: the pieces of its phases, and whose it is. */
    public record Lane(String code, String title, double y, List<Piece> pieces) {}

    public record Piece(double x, double width, String style, String title) {}

    /** A coat to lay under the room. */
    public record Coat(String code, String title, CoatTimes times) {}

    public static RoomChart of(Air air, Span shown, Instant now, List<Coat> coats, Show show) {
        Instant from = shown.from();
        Instant until = shown.untilExclusive();
        Frame frame = new Frame(air, from, until, now, show);
        List<Lane> lanes = new ArrayList<>();
        for (Coat coat : coats) {
            lanes.add(
                    new Lane(coat.code(), coat.title(), FIRST_LANE + lanes.size() * LANE, frame.pieces(coat.times())));
        }
        return new RoomChart(
                show.temperatureUnit().symbol(),
                frame.line(from, now, at -> 0),
                frame.line(now, until, at -> 0),
                frame.band(),
                frame.hours(),
                frame.degrees(),
                List.copyOf(lanes),
                frame.x(now),
                FIRST_LANE + Math.max(1, coats.size()) * LANE + 8);
    }

    /** Where a moment and a temperature lie. */
    private record Frame(
            RoomCourse room,
            ToDoubleFunction<Instant> spreadC,
            Instant from,
            Instant until,
            Instant now,
            Show show,
            double lowC,
            double highC) {
        Frame(Air air, Instant from, Instant until, Instant now, Show show) {
            this(
                    air.course(),
                    at -> air.spreadC(now, at),
                    from,
                    until,
                    now,
                    show,
                    extreme(air, from, until, now, -1) - MARGIN_C,
                    extreme(air, from, until, now, 1) + MARGIN_C);
        }

        private static double extreme(Air air, Instant from, Instant until, Instant now, int sign) {
            double extreme = -1e9;
            for (int i = 0; i <= POINTS; i++) {
                Instant at = along(from, until, i);
                double off = at.isAfter(now) ? air.spreadC(now, at) : 0;
                extreme = Math.max(extreme, sign * air.course().temperatureCAt(at) + off);
            }
            return sign * extreme;
        }

        private static Instant along(Instant from, Instant until, int i) {
            return from.plus(Duration.between(from, until).multipliedBy(i).dividedBy(POINTS));
        }

        double x(Instant at) {
            double part = (double) Duration.between(from, at).toMillis()
                    / Duration.between(from, until).toMillis();
            return Figures.rounded(LEFT + (RIGHT - LEFT) * Math.max(0, Math.min(1, part)));
        }

        double y(double celsius) {
            return Figures.rounded(
                    BOTTOM - (BOTTOM - TOP) * Math.max(0, Math.min(1, (celsius - lowC) / (highC - lowC))));
        }

        String line(Instant start, Instant end, ToDoubleFunction<Instant> byC) {
            StringBuilder path = new StringBuilder();
            for (int i = 0; i <= POINTS; i++) {
                Instant at = along(start, end, i);
                path.append(i == 0 ? "M" : "L")
                        .append(Figures.coordinates(x(at), y(room.temperatureCAt(at) + byC.applyAsDouble(at))));
            }
            return path.toString();
        }

        String band() {
            StringBuilder path = new StringBuilder(line(now, until, spreadC));
            for (int i = POINTS; i >= 0; i--) {
                Instant at = along(now, until, i);
                path.append("L")
                        .append(Figures.coordinates(x(at), y(room.temperatureCAt(at) - spreadC.applyAsDouble(at))));
            }
            return path.append("Z").toString();
        }

        List<Tick> hours() {
            long span = Duration.between(from, until).toHours();
            int step = span > 72 ? 24 : 6;
            List<Tick> ticks = new ArrayList<>();
            ZonedDateTime at = from.atZone(show.zone()).truncatedTo(java.time.temporal.ChronoUnit.DAYS);
            for (; at.toInstant().isBefore(until); at = at.plusHours(step)) {
                if (!at.toInstant().isBefore(from)) {
                    ticks.add(new Tick(
                            x(at.toInstant()),
                            at.getHour() == 0
                                    ? at.getDayOfWeek().getDisplayName(java.time.format.TextStyle.SHORT, Locale.ENGLISH)
                                            + " " + at.getDayOfMonth()
                                    : show.clock().tick(at.toLocalTime())));
                }
            }
            return ticks;
        }

        List<Tick> degrees() {
            double low = show.temperatureUnit().fromBase(lowC);
            double high = show.temperatureUnit().fromBase(highC);
            double step = high - low > 24 ? 10 : high - low > 9 ? 5 : 2;
            List<Tick> ticks = new ArrayList<>();
            for (double at = Math.ceil(low / step) * step; at <= high; at += step) {
                ticks.add(new Tick(y(show.temperatureUnit().toBase(at)), Numbers.show(at, 0)));
            }
            return ticks;
        }

        List<Piece> pieces(CoatTimes times) {
            List<CoatTimes.PhaseBegin> spans = times.phases();
            List<Piece> pieces = new ArrayList<>();
            for (int i = 0; i < spans.size(); i++) {
                Instant start = spans.get(i).startsAt();
                Optional<Instant> end =
                        i + 1 < spans.size() ? Optional.of(spans.get(i + 1).startsAt()) : Optional.empty();
                double x = x(start);
                double width = x(end.orElse(until)) - x;
                if (width > 0) {
                    pieces.add(new Piece(
                            x,
                            Figures.rounded(width),
                            TimeBar.styleOf(spans.get(i).phase()),
                            "%s from %s".formatted(spans.get(i).phase().word(), show.at(start))));
                }
            }
            return pieces;
        }
    }
}

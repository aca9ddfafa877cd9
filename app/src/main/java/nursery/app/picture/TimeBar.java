package nursery.app.picture;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.CoatTimes.PhaseBegin;
import nursery.core.cure.Phase;
import nursery.core.cure.Window;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.Span;

/**
 * A stretch of time drawn across: a coat's phases, a window to act in, quiet hours and the hours themselves. Positions
 * are percentages of its width, so it stretches without bending its words.
 */
public record TimeBar(
        long fromMs, long untilMs, List<Piece> phases, Optional<Piece> window, List<Piece> quiet, List<Tick> ticks) {

    private static final double NARROWEST_WORD = 11;
    private static final double NARROWEST_PIECE = 0.4;
    private static final int MOST_TICKS = 9;
    private static final int[] TICK_HOURS = {1, 2, 3, 4, 6, 12, 24, 48, 96, 168};
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);

    /** Something that lasts: its place, its class for colour and pattern, its word, empty where it does not fit. */
    public record Piece(double x, double width, String style, String word, String title) {}

    public record Tick(double x, String label) {}

    /** The frame of a bar: what it covers, and the shop's quiet hours. */
    public record Frame(Span span, QuietHours quiet, Clock clock) {
        double percent(Instant moment) {
            double part = (double) Duration.between(span.from(), moment).toMillis()
                    / span.length().toMillis();
            return Math.round(Math.max(0, Math.min(1, part)) * 10000) / 100.0;
        }

        boolean covers(Span other) {
            return span.within(other).isPresent();
        }

        ZoneId zone() {
            return quiet.zone();
        }
    }

    public static TimeBar of(Frame frame, Optional<CoatTimes> coat, Optional<Window> window) {
        return new TimeBar(
                frame.span().from().toEpochMilli(),
                frame.span().untilExclusive().toEpochMilli(),
                coat.map(times -> phases(frame, times)).orElse(List.of()),
                window.flatMap(w -> window(frame, w)),
                quiet(frame),
                ticks(frame));
    }

    public static String styleOf(Phase phase) {
        return phase.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static List<Piece> phases(Frame frame, CoatTimes times) {
        List<PhaseBegin> spans = times.phases();
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < spans.size(); i++) {
            Instant end = i + 1 < spans.size()
                    ? spans.get(i + 1).startsAt()
                    : frame.span().untilExclusive();
            piece(
                            frame,
                            spans.get(i).startsAt(),
                            end,
                            styleOf(spans.get(i).phase()),
                            spans.get(i).phase().word())
                    .ifPresent(pieces::add);
        }
        return pieces;
    }

    private static Optional<Piece> window(Frame frame, Window window) {
        return piece(
                frame,
                window.opensAt(),
                window.closesAtExclusive().orElse(frame.span().untilExclusive()),
                window.closesAtExclusive().isPresent() ? "closing" : "open",
                "");
    }

    static List<Piece> quiet(Frame frame) {
        List<Piece> nights = new ArrayList<>();
        if (frame.quiet().from().equals(frame.quiet().untilExclusive())) {
            return nights;
        }
        LocalDate last = frame.span().untilExclusive().atZone(frame.zone()).toLocalDate();
        for (LocalDate day =
                        frame.span().from().atZone(frame.zone()).toLocalDate().minusDays(1);
                !day.isAfter(last);
                day = day.plusDays(1)) {
            LocalDate ends =
                    frame.quiet().untilExclusive().isAfter(frame.quiet().from()) ? day : day.plusDays(1);
            piece(
                            frame,
                            day.atTime(frame.quiet().from())
                                    .atZone(frame.zone())
                                    .toInstant(),
                            ends.atTime(frame.quiet().untilExclusive())
                                    .atZone(frame.zone())
                                    .toInstant(),
                            "quiet",
                            "")
                    .ifPresent(nights::add);
        }
        return nights;
    }

    static List<Tick> ticks(Frame frame) {
        long hours = Math.max(
                1,
                Duration.between(frame.span().from(), frame.span().untilExclusive())
                        .toHours());
        int step = TICK_HOURS[TICK_HOURS.length - 1];
        for (int i = TICK_HOURS.length - 1; i >= 0 && hours / TICK_HOURS[i] <= MOST_TICKS; i--) {
            step = TICK_HOURS[i];
        }
        List<Tick> ticks = new ArrayList<>();
        ZonedDateTime midnight =
                frame.span().from().atZone(frame.zone()).toLocalDate().atStartOfDay(frame.zone());
        for (ZonedDateTime at = midnight; at.toInstant().isBefore(frame.span().untilExclusive()); at = next(at, step)) {
            if (at.toInstant().isAfter(frame.span().from())) {
                ticks.add(new Tick(
                        frame.percent(at.toInstant()),
                        at.toLocalTime().equals(LocalTime.MIDNIGHT)
                                ? at.format(DAY)
                                : frame.clock().tick(at.toLocalTime())));
            }
        }
        return ticks;
    }

    /** Counted on the wall clock from midnight, so that a night the clocks change does not shift the hours. */
    private static ZonedDateTime next(ZonedDateTime at, int hours) {
        return hours >= 24
                ? at.plusDays(hours / 24)
                : at.toLocalDateTime().plusHours(hours).atZone(at.getZone());
    }

    static Optional<Piece> piece(Frame frame, Instant start, Instant end, String style, String word) {
        if (!start.isBefore(end) || !frame.covers(new Span(start, end))) {
            return Optional.empty();
        }
        double x = frame.percent(start);
        double width = Math.max(NARROWEST_PIECE, Math.round((frame.percent(end) - x) * 100) / 100.0);
        return Optional.of(
                new Piece(x, width, style, width >= Math.max(NARROWEST_WORD, word.length() * 0.9) ? word : "", word));
    }
}

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
import nursery.core.cure.CoatTimes.Span;
import nursery.core.cure.Phase;
import nursery.core.cure.Window;

/**
 * A stretch of time drawn across: a coat's phases, a window to act in, quiet hours and the hours themselves.
 * Positions are percentages of its width, so it stretches without bending its words.
 */
public record TimeBar(long fromMs, long untilMs, List<Piece> phases, Optional<Piece> window, List<Piece> quiet, List<Tick> ticks) {

    private static final double NARROWEST_WORD = 11;
    private static final int MOST_TICKS = 9;
    private static final int[] TICK_HOURS = {1, 2, 3, 4, 6, 12, 24, 48, 96, 168};
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);

    /** Something that lasts: its place, its class for colour and pattern, its word, empty where it does not fit. */
    public record Piece(double x, double width, String style, String word, String title) {}

    public record Tick(double x, String label) {}

    /** The frame of a bar: what it covers, and the shop's zone and quiet hours. */
    public record Frame(Instant from, Instant until, ZoneId zone, LocalTime quietFrom, LocalTime quietUntil) {

        double percent(Instant moment) {
            double part = (double) Duration.between(from, moment).toMillis() / Duration.between(from, until).toMillis();
            return Math.round(Math.max(0, Math.min(1, part)) * 10000) / 100.0;
        }

        boolean covers(Instant start, Instant end) {
            return end.isAfter(from) && start.isBefore(until);
        }
    }

    public static TimeBar of(Frame frame, Optional<CoatTimes> coat, Optional<Window> window) {
        return new TimeBar(frame.from().toEpochMilli(), frame.until().toEpochMilli(),
                coat.map(times -> phases(frame, times)).orElse(List.of()), window.flatMap(w -> window(frame, w)), quiet(frame), ticks(frame));
    }

    public static String styleOf(Phase phase) {
        return phase.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static List<Piece> phases(Frame frame, CoatTimes times) {
        List<Span> spans = times.phases();
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < spans.size(); i++) {
            Instant end = i + 1 < spans.size() ? spans.get(i + 1).startsAt() : frame.until();
            piece(frame, spans.get(i).startsAt(), end, styleOf(spans.get(i).phase()), spans.get(i).phase().word()).ifPresent(pieces::add);
        }
        return pieces;
    }

    private static Optional<Piece> window(Frame frame, Window window) {
        return piece(frame, window.opensAt(), window.closesAtExclusive().orElse(frame.until()),
                window.closesAtExclusive().isPresent() ? "closing" : "open", "");
    }

    static List<Piece> quiet(Frame frame) {
        List<Piece> nights = new ArrayList<>();
        if (frame.quietFrom().equals(frame.quietUntil())) {
            return nights;
        }
        LocalDate last = frame.until().atZone(frame.zone()).toLocalDate();
        for (LocalDate day = frame.from().atZone(frame.zone()).toLocalDate().minusDays(1); !day.isAfter(last); day = day.plusDays(1)) {
            LocalDate ends = frame.quietUntil().isAfter(frame.quietFrom()) ? day : day.plusDays(1);
            piece(frame, day.atTime(frame.quietFrom()).atZone(frame.zone()).toInstant(),
                    ends.atTime(frame.quietUntil()).atZone(frame.zone()).toInstant(), "quiet", "").ifPresent(nights::add);
        }
        return nights;
    }

    static List<Tick> ticks(Frame frame) {
        long hours = Math.max(1, Duration.between(frame.from(), frame.until()).toHours());
        int step = TICK_HOURS[TICK_HOURS.length - 1];
        for (int i = TICK_HOURS.length - 1; i >= 0 && hours / TICK_HOURS[i] <= MOST_TICKS; i--) {
            step = TICK_HOURS[i];
        }
        List<Tick> ticks = new ArrayList<>();
        ZonedDateTime midnight = frame.from().atZone(frame.zone()).toLocalDate().atStartOfDay(frame.zone());
        for (ZonedDateTime at = midnight; at.toInstant().isBefore(frame.until()); at = next(at, step)) {
            if (at.toInstant().isAfter(frame.from())) {
                ticks.add(new Tick(frame.percent(at.toInstant()), at.toLocalTime().equals(LocalTime.MIDNIGHT) ? at.format(DAY) : at.format(HOUR)));
            }
        }
        return ticks;
    }

    /** Counted on the wall clock from midnight, so that a night the clocks change does not shift the hours. */
    private static ZonedDateTime next(ZonedDateTime at, int hours) {
        return hours >= 24 ? at.plusDays(hours / 24) : at.toLocalDateTime().plusHours(hours).atZone(at.getZone());
    }

    static Optional<Piece> piece(Frame frame, Instant start, Instant end, String style, String word) {
        if (!frame.covers(start, end)) {
            return Optional.empty();
        }
        double x = frame.percent(start);
        double width = Math.max(0.4, Math.round((frame.percent(end) - x) * 100) / 100.0);
        return Optional.of(new Piece(x, width, style, width >= Math.max(NARROWEST_WORD, word.length() * 0.9) ? word : "", word));
    }
}

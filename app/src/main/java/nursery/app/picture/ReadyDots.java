package nursery.app.picture;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nursery.app.platform.Published;

/**
 * When a cup may be ready, drawn as twenty dots of which each is as likely: those behind the day it is promised for are
 * late. Places are per cent of the width; dots that would lie on one another are piled up.
 *
 * @param ticks the midnights along the foot
 * @param piled how many dots the highest pile has
 */
@Published
public record ReadyDots(List<Dot> dots, double dueX, List<Tick> ticks, int piled) {

    public static final int DOTS = 20;

    private static final double PILE_WIDTH = 3.2;
    private static final double MARGIN = 0.06;
    private static final Duration SHORTEST = Duration.ofHours(36);
    private static final int MOST_TICKS = 5;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);

    /** @param level how many dots lie below it */
    public record Dot(double x, int level, boolean isLate) {}

    public record Tick(double x, String label) {}

    /** @param ready as likely moments, soonest first, at least one */
    public static ReadyDots of(List<Instant> ready, Instant due, ZoneId zone) {
        List<Instant> twenty = new ArrayList<>();
        for (int i = 0; i < DOTS; i++) {
            twenty.add(ready.get((int) ((i + 0.5) / DOTS * ready.size())));
        }
        Instant first = earlier(twenty.get(0), due);
        Instant last = earlier(due, twenty.get(DOTS - 1)).equals(due) ? twenty.get(DOTS - 1) : due;
        Duration span = Duration.between(first, last);
        Duration shown = span.compareTo(SHORTEST) < 0 ? SHORTEST : span;
        Duration margin = shown.minus(span).dividedBy(2).plusMillis((long) (MARGIN * shown.toMillis()));
        Instant from = first.minus(margin);
        double length = shown.toMillis() * (1 + 2 * MARGIN);
        List<Dot> dots = new ArrayList<>();
        double pile = Double.NEGATIVE_INFINITY;
        int level = 0;
        int piled = 0;
        for (Instant at : twenty) {
            double x = percent(from, at, length);
            boolean isLate = at.isAfter(due);
            // On either side of the day promised dots have piles of their own.
            boolean isOnPile =
                    x - pile < PILE_WIDTH && dots.get(dots.size() - 1).isLate() == isLate;
            level = isOnPile ? level + 1 : 0;
            pile = level == 0 ? x : pile;
            piled = Math.max(piled, level + 1);
            dots.add(new Dot(pile, level, isLate));
        }
        return new ReadyDots(dots, percent(from, due, length), ticks(from, length, zone), piled);
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static double percent(Instant from, Instant at, double length) {
        return Math.round(1000 * Duration.between(from, at).toMillis() / length) / 10.0;
    }

    private static List<Tick> ticks(Instant from, double length, ZoneId zone) {
        LocalDate day = from.atZone(zone).toLocalDate().plusDays(1);
        Instant end = from.plusMillis((long) length);
        long days = Math.max(
                1, Duration.between(day.atStartOfDay(zone).toInstant(), end).toDays() + 1);
        long every = (days + MOST_TICKS - 1) / MOST_TICKS;
        List<Tick> ticks = new ArrayList<>();
        for (; day.atStartOfDay(zone).toInstant().isBefore(end); day = day.plusDays(every)) {
            ticks.add(new Tick(percent(from, day.atStartOfDay(zone).toInstant(), length), day.format(DAY)));
        }
        return ticks;
    }
}

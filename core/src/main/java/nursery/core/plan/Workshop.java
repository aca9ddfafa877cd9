package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.cure.RoomCourse;
import nursery.core.log.Cup;
import nursery.core.log.Spindle;
import nursery.core.measure.Span;

/**
 * All that a plan is made from.
 *
 * @param now nothing is planned before
 * @param room the room as it was, and behind it as it is expected
 * @param spindles every place a coat may turn
 * @param cups those with steps left; finished ones are left aside
 * @param pins steps the maker wants at a moment of their own
 * @param horizon how far ahead is planned: what finds no place until then is told as not placed
 */
public record Workshop(
        Instant now,
        RoomCourse room,
        BenchHours hours,
        List<Spindle> spindles,
        List<Cup> cups,
        List<Pin> pins,
        Duration horizon) {

    public static final Duration USUAL_HORIZON = Duration.ofDays(26 * 7);

    public Workshop {
        spindles = List.copyOf(spindles);
        cups = List.copyOf(cups);
        pins = List.copyOf(pins);
    }

    public Workshop(Instant now, RoomCourse room, BenchHours hours, List<Spindle> spindles, List<Cup> cups) {
        this(now, room, hours, spindles, cups, List.of(), USUAL_HORIZON);
    }

    /** The cup with this code, if it has steps left. */
    public Optional<Cup> find(String code) {
        return cups.stream().filter(cup -> cup.code().equals(code)).findFirst();
    }

    public Workshop with(BenchHours other) {
        return new Workshop(now, room, other, spindles, cups, pins, horizon);
    }

    public Workshop withCups(List<Cup> others) {
        return new Workshop(now, room, hours, spindles, others, pins, horizon);
    }

    /** This workshop with each cup promised so much earlier, to be aimed at instead of the day itself. */
    public Workshop aimingEarlier(Map<String, Duration> by) {
        return withCups(cups.stream()
                .map(cup -> cup.with(new Cup.Promise(
                        cup.promise().dueAt().map(due -> due.minus(by.getOrDefault(cup.code(), Duration.ZERO))),
                        cup.promise().matters())))
                .toList());
    }

    public Workshop withPins(List<Pin> others) {
        return new Workshop(now, room, hours, spindles, cups, others, horizon);
    }

    public Workshop withSpindles(List<Spindle> others) {
        return new Workshop(now, room, hours, others, cups, pins, horizon);
    }

    /**
     * From when on it is another shop than before: at once, but where only the bench hours are others, from there on.
     */
    public Instant otherwiseFrom(Workshop before) {
        if (!with(before.hours()).equals(before)) {
            return now;
        }
        Instant end = now.plus(horizon);
        return Stream.of(
                        firstDifference(
                                hours.benchSpans(now, end), before.hours().benchSpans(now, end), end),
                        firstDifference(
                                hours.boothSpans(now, end), before.hours().boothSpans(now, end), end))
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** Whether it is the same shop with hands or booth at no hour they were not at before. */
    boolean hasNoMoreThan(Workshop before) {
        Instant end = now.plus(horizon);
        return with(before.hours()).equals(before)
                && lieWithin(hours.benchSpans(now, end), before.hours().benchSpans(now, end))
                && lieWithin(hours.boothSpans(now, end), before.hours().boothSpans(now, end));
    }

    private static boolean lieWithin(List<Span> some, List<Span> others) {
        return some.stream().allMatch(one -> others.stream()
                .anyMatch(other -> other.within(one).equals(Optional.of(one))));
    }

    private static Instant firstDifference(List<Span> some, List<Span> others, Instant end) {
        int same = 0;
        while (same < Math.min(some.size(), others.size()) && some.get(same).equals(others.get(same))) {
            same++;
        }
        Optional<Span> one = some.stream().skip(same).findFirst();
        Optional<Span> other = others.stream().skip(same).findFirst();
        boolean beginAlike = one.map(Span::from).equals(other.map(Span::from));
        return Stream.of(one, other)
                .flatMap(Optional::stream)
                .map(beginAlike ? Span::untilExclusive : Span::from)
                .min(Comparator.naturalOrder())
                .orElse(end);
    }

    /** This workshop with more spindles than it has. */
    public Workshop withMoreSpindles(int count) {
        List<Spindle> more = new ArrayList<>(spindles);
        for (int i = 1; i <= count; i++) {
            more.add(new Spindle(-i, count == 1 ? "one more spindle" : "more spindle " + i));
        }
        return withSpindles(more);
    }
}

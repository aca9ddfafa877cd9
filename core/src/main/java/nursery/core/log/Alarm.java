package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.log.CupState.SpindleHold;

/**
 * Something a maker wants to be told of a cup: a window that opens or closes, a turner that may stop, tape that is due.
 *
 * @param key names the matter, not the moment: it stays when the window moves
 * @param title in a few words, with the cup's code
 * @param at when to tell
 * @param until until when it matters, if that ends
 * @param why what it rests on, and what follows if it is missed
 */
public record Alarm(String key, Kind kind, String title, Instant at, Optional<Instant> until, String why) {

    /** A closing window is told so long before, or at half time if it is shorter than twice that; from memory. */
    private static final Duration BEFORE_CLOSING = Duration.ofMinutes(30);

    private static final Duration BEFORE_THE_NIGHT = Duration.ofMinutes(15);

    /** What is told. */
    public enum Kind {
        OPENS,
        CLOSES,
        TURNER_MAY_STOP
    }

    /** All there is to tell of a cup from a moment on, the next first. */
    public static List<Alarm> of(String code, CupState state, Instant from) {
        List<Alarm> alarms = new ArrayList<>();
        state.next().ifPresent(next -> {
            String key = "%s-step-%d".formatted(code, next.step().number());
            String why = (next.why() + " "
                            + next.ifMissed().map("If missed: "::concat).orElse(""))
                    .strip();
            alarms.add(new Alarm(
                    key + "-opens",
                    Kind.OPENS,
                    "%s: %s".formatted(code, next.title()),
                    next.window().opensAt(),
                    next.window().closesAtExclusive(),
                    why));
            next.window()
                    .closesAtExclusive()
                    .ifPresent(closes -> alarms.add(new Alarm(
                            key + "-closes",
                            Kind.CLOSES,
                            "%s: %s closes".formatted(code, next.title()),
                            warning(next.window().opensAt(), closes),
                            Optional.of(closes),
                            why)));
        });
        state.hold().map(hold -> stop(code, hold)).ifPresent(alarms::add);
        return alarms.stream()
                .filter(alarm -> !alarm.until().orElse(alarm.at()).isBefore(from))
                .sorted((a, b) -> a.at().compareTo(b.at()))
                .toList();
    }

    private static Instant warning(Instant opens, Instant closes) {
        Duration half = Duration.between(opens, closes).dividedBy(2);
        return closes.minus(half.compareTo(BEFORE_CLOSING) < 0 ? half : BEFORE_CLOSING);
    }

    private static Alarm stop(String code, SpindleHold hold) {
        return new Alarm(
                "%s-spindle-%d-%d"
                        .formatted(code, hold.spindle().id(), hold.since().getEpochSecond()),
                Kind.TURNER_MAY_STOP,
                "%s: %s may stop".formatted(code, hold.spindle().name()),
                hold.mayComeOffAt(),
                Optional.empty(),
                "The coat has gelled: it holds its shape.");
    }

    /**
     * When to be heard. In the quiet hours nothing is: what opens then is told when they end, if it is still open; what
     * closes then is told just before they begin.
     */
    public Optional<Instant> heardAt(QuietHours quiet) {
        if (!quiet.isQuiet(at)) {
            return Optional.of(at);
        }
        Instant awake = quiet.nextAwake(at);
        if (kind == Kind.CLOSES
                && until.filter(closes -> !closes.isAfter(awake)).isPresent()) {
            return Optional.of(quiet.begins(at).minus(BEFORE_THE_NIGHT));
        }
        return until.filter(closes -> !closes.isAfter(awake)).isPresent() ? Optional.empty() : Optional.of(awake);
    }
}

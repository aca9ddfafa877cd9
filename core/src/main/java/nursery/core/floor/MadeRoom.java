package nursery.core.floor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.Mark;

/**
 * A spindle carries one cup: whoever was poured on it last is on it, and the one before came off then. That is read
 * from the pours of all cups; it is written into nobody's log, so it goes when the pour is taken back.
 */
public final class MadeRoom {

    private MadeRoom() {}

    /** The cups as they are with each spindle given to the one poured on it last. */
    public static List<CupNow> on(List<CupNow> cups, RoomCourse room, Instant now) {
        List<CupNow> settled = new ArrayList<>();
        for (CupNow cup : cups) {
            settled.add(cup.state()
                    .hold()
                    .flatMap(hold -> taken(cups, cup, hold))
                    .map(off -> with(cup, off, room, now))
                    .orElse(cup));
        }
        return settled;
    }

    private static CupNow with(CupNow cup, LogEntry off, RoomCourse room, Instant now) {
        var more = cup.cup()
                .withLog(Stream.concat(cup.cup().log().stream(), Stream.of(off)).toList());
        return new CupNow(more, more.at(room, now));
    }

    /** That a cup came off, if another was poured on its spindle since; no earlier than what its own log says. */
    private static Optional<LogEntry> taken(List<CupNow> cups, CupNow cup, SpindleHold hold) {
        return cups.stream()
                .filter(other -> !other.code().equals(cup.code()))
                .flatMap(other -> pours(other, hold).map(pour -> off(cup, hold, pour.mark(), other.code())))
                .min(Comparator.comparing(entry -> entry.mark().happenedAt()));
    }

    /** What could come off before the other was poured came off at some time nobody wrote down: nothing is told. */
    private static LogEntry off(CupNow cup, SpindleHold hold, Mark pour, String other) {
        boolean wasFree = !pour.happenedAt().isBefore(hold.mayComeOffAt());
        Instant since = wasFree ? hold.mayComeOffAt() : pour.happenedAt();
        Instant last = cup.state().lastDoneAt();
        return LogEntry.takenOff(Mark.unnumbered(
                since.isBefore(last) ? last : since,
                pour.recordedAt(),
                pour.recordedBy(),
                wasFree ? "" : "Made room for %s.".formatted(other)));
    }

    private static Stream<Poured> pours(CupNow other, SpindleHold hold) {
        boolean any = other.cup().log().stream().anyMatch(entry -> isOn(entry, hold));
        return any
                ? other.cup().happened().stream()
                        .filter(entry -> isOn(entry, hold))
                        .map(Poured.class::cast)
                : Stream.empty();
    }

    private static boolean isOn(LogEntry entry, SpindleHold hold) {
        return entry instanceof Poured pour
                && pour.mark().happenedAt().isAfter(hold.since())
                && pour.spindle()
                        .filter(spindle -> spindle.id() == hold.spindle().id())
                        .isPresent();
    }
}

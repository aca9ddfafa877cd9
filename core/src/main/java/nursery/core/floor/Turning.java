package nursery.core.floor;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.Spindle;

/**
 * How long a coat had its spindle to itself: from its pour until it could come off, or until its own log says that it
 * did. Two that overlap on one spindle cannot both be true, whichever was written down first.
 *
 * @param code the cup it is on
 * @param until when the spindle was free again, exclusive
 */
public record Turning(String code, Instant from, Instant until) {

    /** The other cup's coat that turned on a spindle while this one had to, the earliest of several. */
    public static Optional<Turning> beside(Poured pour, Cup cup, List<CupNow> cups, RoomCourse room) {
        if (pour.spindle().isEmpty()) {
            return Optional.empty();
        }
        Turning own = of(pour, cup, List.of(), room);
        return cups.stream()
                .map(CupNow::cup)
                .filter(other -> !other.code().equals(cup.code()))
                .flatMap(other -> on(pour.spindle().get(), other, room))
                .filter(own::overlaps)
                .min(Comparator.comparing(Turning::from));
    }

    private static Stream<Turning> on(Spindle spindle, Cup cup, RoomCourse room) {
        if (cup.log().stream().noneMatch(entry -> isOn(spindle, entry))) {
            return Stream.empty();
        }
        List<LogEntry> happened = cup.happened();
        return happened.stream()
                .filter(entry -> isOn(spindle, entry))
                .map(entry ->
                        of((Poured) entry, cup, happened.subList(happened.indexOf(entry) + 1, happened.size()), room));
    }

    private static boolean isOn(Spindle spindle, LogEntry entry) {
        return entry instanceof Poured pour
                && pour.spindle().filter(one -> one.id() == spindle.id()).isPresent();
    }

    private static Turning of(Poured pour, Cup cup, List<LogEntry> later, RoomCourse room) {
        Instant from = pour.mark().happenedAt();
        Instant may = new CoatTimes(cup.labelOf(pour), room, from).offTurnerFrom();
        return new Turning(
                cup.code(),
                from,
                later.stream()
                        .filter(entry -> entry.mark().isInTheBook() && takesOff(entry, cup))
                        .map(entry -> entry.mark().happenedAt())
                        .findFirst()
                        .filter(may::isAfter)
                        .orElse(may));
    }

    private static boolean takesOff(LogEntry entry, Cup cup) {
        return switch (entry.kind()) {
            case TAKEN_OFF, HANDED_OVER, ABANDONED, SCUFFED, POURED -> true;
            case DONE ->
                cup.find(((LogEntry.OfStep) entry).step())
                        .filter(step -> step.kind().endsTurning() || step.kind().scuffsTheBody())
                        .isPresent();
            case REMEDY_CHOSEN -> ((LogEntry.RemedyChosen) entry).strips();
            case SKIPPED, FAULTS_SEEN, REOPENED, TOUCHED, NOTED, CAUSE_KNOWN, CANCELLED -> false;
        };
    }

    private boolean overlaps(Turning other) {
        return from.isBefore(other.until) && other.from.isBefore(until);
    }
}

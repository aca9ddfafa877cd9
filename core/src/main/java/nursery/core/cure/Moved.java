package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.core.resin.Label;

/**
 * How far the room has moved a coat's sanding, against a room that had stayed as it was at the pour.
 *
 * @param from when it would have been sandable
 * @param to when it will be
 * @param extremeC how cold, or how warm, the room got meanwhile
 * @param extremeAt when
 */
public record Moved(Instant from, Instant to, double extremeC, Instant extremeAt) {

    /** Less than this is not worth telling. */
    private static final Duration WORTH_TELLING = Duration.ofMinutes(30);

    /**
     * @param room what the room did, with its forecast behind
     * @param known until when the room is known; what lies after is forecast
     */
    public static Optional<Moved> of(Label label, Instant pouredAt, RoomCourse room, Instant known) {
        Instant from = new CoatTimes(label, RoomCourse.steady(room.temperatureCAt(pouredAt)), pouredAt).sandableFrom();
        Instant to = new CoatTimes(label, room, pouredAt).sandableFrom();
        List<RoomReading> since = room.readings(pouredAt, known.isBefore(to) ? known : to);
        if (Duration.between(from, to).abs().compareTo(WORTH_TELLING) < 0 || since.isEmpty()) {
            return Optional.empty();
        }
        Comparator<RoomReading> warmer = Comparator.comparing(RoomReading::temperatureC);
        RoomReading extreme =
                (to.isAfter(from) ? since.stream().min(warmer) : since.stream().max(warmer)).orElseThrow();
        boolean tellsWhy = to.isAfter(from) == extreme.temperatureC() < room.temperatureCAt(pouredAt);
        return tellsWhy ? Optional.of(new Moved(from, to, extreme.temperatureC(), extreme.at())) : Optional.empty();
    }

    public boolean isLater() {
        return to.isAfter(from);
    }
}

package nursery.core.film;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.measure.Faults;

/**
 * How warm the film is where that is not the room: a cup brought in cold or warmed before the pour, and one heat pass.
 *
 * <p>Model: what is warmer or colder than the room comes back to it as {@code exp(−t/τ)}, {@code τ} the heat held by a
 * square metre of half a millimetre of steel and as much resin (8000·500·0.0005 + 1100·1900·0.0005 J/K) over what still
 * air takes from it (10 W/K): 5 minutes. Material values from memory. During the pass the film is as warm as stated.
 *
 * @param cupC of the cup at the pour; empty for as warm as the room
 */
public record Warmth(OptionalDouble cupC, Optional<HeatPass> pass) {

    /** As warm as the room. */
    public static final Warmth OF_THE_ROOM = new Warmth(OptionalDouble.empty(), Optional.empty());

    private static final Duration SETTLES = Duration.ofMinutes(5);
    private static final Duration STEP = Duration.ofSeconds(10);
    private static final int SETTLED_AFTER = 6;

    /**
     * @param after since the pour
     * @param filmC as warm as the film gets
     */
    public record HeatPass(Duration after, Duration lasts, double filmC) {
        public HeatPass {
            Faults faults = new Faults();
            faults.within("passAfter", "The heat pass after", after.toSeconds() / 60.0, 0, 24 * 60, "min");
            faults.within("passFor", "How long it lasts", lasts.toSeconds() / 60.0, 0.1, 15, "min");
            faults.within("passAt", "The film in the heat pass", filmC, 20, RoomReading.WARMEST_C, "°C");
            faults.throwIfAny();
        }
    }

    public Warmth {
        Faults faults = new Faults();
        cupC.ifPresent(c -> faults.within("cup", "The cup at the pour", c, 0, RoomReading.WARMEST_C, "°C"));
        faults.throwIfAny();
    }

    /** The temperature of a film poured at a moment in a room. */
    RoomCourse course(RoomCourse room, Instant pouredAt) {
        RoomCourse course = cupC.isPresent() ? settling(room, pouredAt, cupC.getAsDouble(), pouredAt) : room;
        if (pass.isPresent()) {
            Instant from = pouredAt.plus(pass.get().after());
            course = settling(
                    course, from, pass.get().filmC(), from.plus(pass.get().lasts()));
        }
        return course;
    }

    /** A course at a temperature between two moments, and then on its way back to what it would have been. */
    private static RoomCourse settling(RoomCourse to, Instant from, double filmC, Instant until) {
        List<RoomReading> course = new ArrayList<>(to.readings(Instant.MIN, from.minusMillis(1)));
        course.add(new RoomReading(from.minusMillis(1), to.temperatureCAt(from)));
        course.add(new RoomReading(from, filmC));
        double off = filmC - to.temperatureCAt(until);
        Instant settled = until.plus(SETTLES.multipliedBy(SETTLED_AFTER));
        for (Instant at = until; at.isBefore(settled); at = at.plus(STEP)) {
            double part = Duration.between(until, at).toMillis() / (double) SETTLES.toMillis();
            course.add(new RoomReading(at, to.temperatureCAt(at) + off * Math.exp(-part)));
        }
        course.addAll(to.readings(settled, Instant.MAX));
        if (to.readings(settled, Instant.MAX).isEmpty()) {
            course.add(new RoomReading(settled, to.temperatureCAt(settled)));
        }
        return new RoomCourse(course);
    }
}

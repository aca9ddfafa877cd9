package nursery.app.room;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.app.platform.Published;
import nursery.core.cure.RoomReading;

/**
 * A stand-in for a sensor in a garage workshop: it follows the day outside, a heating, a window left open on one night,
 * trembles a little, and is silent now and then. The same seed and moment give the same reading.
 *
 * @param coldNight when the window is left open, if it is; the room falls for eight hours from then
 */
@Published
public record SimulatedThermometer(long seed, ZoneId zone, double heatedC, double nightC, Optional<Instant> coldNight) {

    private static final LocalTime HEATING_ON = LocalTime.of(6, 30);
    private static final LocalTime HEATING_OFF = LocalTime.of(22, 0);
    private static final double SWING_C = 1.2;
    private static final double NOISE_C = 0.15;
    private static final double WINDOW_C = 8;
    private static final Duration WINDOW_OPEN = Duration.ofHours(8);
    private static final double DROPOUTS = 0.03;
    /** Water in the air stays nearly the same, so the humidity falls as the room warms: about 3 % for a degree. */
    private static final double PERCENT_PER_C = 3;

    private static final double USUAL_PERCENT = 48;

    /** Empty while it is silent. */
    public Optional<RoomReading> read(Instant at) {
        Random random = new Random(seed ^ at.getEpochSecond());
        if (random.nextDouble() < DROPOUTS) {
            return Optional.empty();
        }
        double minutes = at.atZone(zone).toLocalTime().toSecondOfDay() / 60.0;
        double celsius = between(minutes)
                - SWING_C * Math.cos(2 * Math.PI * (minutes / 1440 - 0.62))
                - windowC(at)
                + NOISE_C * random.nextGaussian();
        double percent =
                Math.max(25, Math.min(90, USUAL_PERCENT + PERCENT_PER_C * (heatedC - celsius) + random.nextGaussian()));
        return Optional.of(new RoomReading(
                at, Math.round(celsius * 100) / 100.0, OptionalDouble.of(Math.round(percent * 10) / 10.0)));
    }

    /** The heating's own course: up within two hours, down over five. */
    private double between(double minutes) {
        double on = HEATING_ON.toSecondOfDay() / 60.0;
        double off = HEATING_OFF.toSecondOfDay() / 60.0;
        if (minutes >= on && minutes < off) {
            return heatedC - (heatedC - nightC) * Math.exp(-(minutes - on) / 50);
        }
        double since = minutes >= off ? minutes - off : minutes + 1440 - off;
        return nightC + (heatedC - nightC) * Math.exp(-since / 170);
    }

    private double windowC(Instant at) {
        return coldNight
                .filter(from -> !at.isBefore(from))
                .map(from -> {
                    double open = Duration.between(from, at).toMinutes();
                    double lasting = WINDOW_OPEN.toMinutes();
                    double deep = WINDOW_C * (1 - Math.exp(-Math.min(open, lasting) / 70));
                    return open <= lasting ? deep : deep * Math.exp(-(open - lasting) / 80);
                })
                .orElse(0.0);
    }
}

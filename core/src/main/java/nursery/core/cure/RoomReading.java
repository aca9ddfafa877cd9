package nursery.core.cure;

import java.time.Instant;
import java.util.OptionalDouble;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;

/**
 * The room at one moment.
 *
 * @param humidityPercent relative humidity, if it was read
 */
public record RoomReading(Instant at, double temperatureC, OptionalDouble humidityPercent) {

    public static final double DRIEST_PERCENT = 1;

    public static final double COLDEST_C = -30;
    public static final double WARMEST_C = 60;

    public RoomReading {
        if (!(temperatureC >= COLDEST_C && temperatureC <= WARMEST_C)) {
            double ifFahrenheitC = TemperatureUnit.F.toBase(temperatureC);
            String hint = ifFahrenheitC >= COLDEST_C && ifFahrenheitC <= WARMEST_C
                    ? "did you mean %s °F (%s °C)?"
                            .formatted(Numbers.show(temperatureC), Numbers.show(ifFahrenheitC, 1))
                    : "check the thermometer.";
            throw new IllegalArgumentException("A room at %s °C is outside %s–%s °C: %s"
                    .formatted(Numbers.show(temperatureC), Numbers.show(COLDEST_C), Numbers.show(WARMEST_C), hint));
        }
        humidityPercent.ifPresent(percent -> {
            if (!(percent >= DRIEST_PERCENT && percent <= 100)) {
                throw new IllegalArgumentException("A humidity of %s %% is outside %s–100 %%: check the hygrometer."
                        .formatted(Numbers.show(percent), Numbers.show(DRIEST_PERCENT)));
            }
        });
    }

    /** The nearest temperature a room can have. */
    static double possibleC(double celsius) {
        return Math.max(COLDEST_C, Math.min(WARMEST_C, celsius));
    }

    /** A reading of the temperature alone. */
    public RoomReading(Instant at, double temperatureC) {
        this(at, temperatureC, OptionalDouble.empty());
    }
}

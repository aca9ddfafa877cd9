package nursery.core.cure;

import java.time.Instant;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;

/** The room's temperature at one moment. */
public record RoomReading(Instant at, double temperatureC) {

    public static final double COLDEST_C = -30;
    public static final double WARMEST_C = 60;

    public RoomReading {
        if (!(temperatureC >= COLDEST_C && temperatureC <= WARMEST_C)) {
            double ifFahrenheitC = TemperatureUnit.F.toBase(temperatureC);
            String hint = ifFahrenheitC >= COLDEST_C && ifFahrenheitC <= WARMEST_C
                    ? "did you mean %s °F (%s °C)?".formatted(Numbers.show(temperatureC), Numbers.show(ifFahrenheitC, 1))
                    : "check the thermometer.";
            throw new IllegalArgumentException("A room at %s °C is outside %s–%s °C: %s".formatted(Numbers.show(temperatureC),
                    Numbers.show(COLDEST_C), Numbers.show(WARMEST_C), hint));
        }
    }
}

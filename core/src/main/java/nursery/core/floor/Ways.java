package nursery.core.floor;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.OptionalDouble;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Losses;

/**
 * The shop's own ways.
 *
 * @param quiet when the maker sleeps; its zone is the shop's
 * @param losses what a batch leaves on cups, sticks and gloves here
 * @param clock how it reads the time of day; {@code weekStarts} the day its week begins with
 * @param minutesPerCup how long a cup takes here, if the maker has said so; else the log teaches it
 */
public record Ways(
        LengthUnit lengthUnit,
        VolumeUnit volumeUnit,
        TemperatureUnit temperatureUnit,
        QuietHours quiet,
        Losses losses,
        OptionalDouble minutesPerCup,
        Clock clock,
        DayOfWeek weekStarts) {

    /** Until the maker says otherwise; the quiet hours are from memory. */
    public static Ways starting(ZoneId zone) {
        return new Ways(
                LengthUnit.MM,
                VolumeUnit.ML,
                TemperatureUnit.C,
                new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), zone),
                Losses.USUAL,
                OptionalDouble.empty(),
                Clock.H24,
                DayOfWeek.MONDAY);
    }

    public ZoneId zone() {
        return quiet.zone();
    }
}

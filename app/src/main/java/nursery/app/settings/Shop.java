package nursery.app.settings;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.OptionalDouble;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.QuietHours;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Losses;
import org.jspecify.annotations.Nullable;

/** The shop's own ways. */
@Published
public record Shop(LengthUnit lengthUnit, VolumeUnit volumeUnit, TemperatureUnit temperatureUnit, String zone,
        LocalTime quietFrom, LocalTime quietUntil, double lossFillMl, double lossCupMl, @Nullable Double minutesPerCup) {

    static Shop starting(ZoneId zone) {
        return new Shop(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, zone.getId(), LocalTime.of(22, 30), LocalTime.of(6, 30),
                Losses.USUAL.perFillMl(), Losses.USUAL.perCupMl(), null);
    }

    /** What a batch leaves on cups, sticks and gloves here. */
    public Losses losses() {
        return new Losses(lossFillMl, lossCupMl);
    }

    /** How long a cup takes here, if the maker has said so; else the log teaches it. */
    public OptionalDouble setMinutesPerCup() {
        return minutesPerCup == null ? OptionalDouble.empty() : OptionalDouble.of(minutesPerCup);
    }

    /** When the maker sleeps. */
    public QuietHours quiet() {
        return new QuietHours(quietFrom, quietUntil, zoneId());
    }

    public ZoneId zoneId() {
        return ZoneId.of(zone);
    }

    public Show show(Instant now) {
        return new Show(lengthUnit, volumeUnit, temperatureUnit, zoneId(), now);
    }
}

package nursery.app.settings;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;

/** The shop's own ways. */
@Published
public record Shop(LengthUnit lengthUnit, VolumeUnit volumeUnit, TemperatureUnit temperatureUnit, String zone,
        LocalTime quietFrom, LocalTime quietUntil) {

    static Shop starting(ZoneId zone) {
        return new Shop(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, zone.getId(), LocalTime.of(22, 30), LocalTime.of(6, 30));
    }

    public ZoneId zoneId() {
        return ZoneId.of(zone);
    }

    public Show show(Instant now) {
        return new Show(lengthUnit, volumeUnit, temperatureUnit, zoneId(), now);
    }
}

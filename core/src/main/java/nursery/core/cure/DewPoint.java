package nursery.core.cure;

import nursery.core.measure.Faults;

/**
 * The temperature at which the air's moisture would settle on a surface: Magnus form of WMO-No. 8 (Guide to Instruments
 * and Methods of Observation, annex 4.B), {@code γ = ln(RH/100) + 17.62·t/(243.12 + t)}, {@code t_d = 243.12·γ/(17.62 −
 * γ)}. Over water, from −45 to 60 °C.
 */
public final class DewPoint {

    private static final double MAGNUS_B = 17.62;
    private static final double MAGNUS_C = 243.12;

    private DewPoint() {}

    /**
     * @param airC the air, °C
     * @param humidityPercent relative humidity, above 0 and at most 100
     * @throws nursery.core.measure.InvalidInput if that is no air
     */
    public static double celsius(double airC, double humidityPercent) {
        Faults faults = new Faults();
        faults.within("temperature", "The air", airC, -45, 60, "°C");
        faults.within("humidity", "The humidity", humidityPercent, RoomReading.DRIEST_PERCENT, 100, "%");
        faults.throwIfAny();
        double gamma = Math.log(humidityPercent / 100) + MAGNUS_B * airC / (MAGNUS_C + airC);
        return MAGNUS_C * gamma / (MAGNUS_B - gamma);
    }

    /**
     * What the same moisture is in relative humidity at another temperature; at most 100 %, because the rest settles.
     */
    public static double humidityPercentAt(double otherC, double airC, double humidityPercent) {
        double saturation = MAGNUS_B * airC / (MAGNUS_C + airC) - MAGNUS_B * otherC / (MAGNUS_C + otherC);
        return Math.max(RoomReading.DRIEST_PERCENT, Math.min(100, humidityPercent * Math.exp(saturation)));
    }
}

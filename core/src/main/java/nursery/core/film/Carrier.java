package nursery.core.film;

import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.resin.Label;

/**
 * What keeps a coat where it was poured: a spindle, a pair of hands, or nothing but the mix itself on a cup that hangs.
 *
 * @param rpm turns a minute; of a hung cup none
 * @param roomC the room's temperature, which the mix is as thick as
 */
public record Carrier(By by, double rpm, double roomC) {

    /** Turns a minute of a turner until somebody counts them; from memory. */
    public static final double USUAL_RPM = 6;

    /** As slow as a hand that turns a cup until the mix thickens becomes; from memory. */
    public static final double HAND_RPM = 3;

    /** So near to what is carried nobody is sent: a hand pours a little more, the room warms up; from memory. */
    static final double AT_MOST = 0.95;

    /** By what. */
    public enum By {
        SPINDLE("this turner carries"),
        HAND("hands carry"),
        HUNG("a cup that hangs holds");

        private final String carries;

        By(String carries) {
            this.carries = carries;
        }

        /** With its verb: "this turner carries". */
        public String carries() {
            return carries;
        }
    }

    public static Carrier spindle(double rpm, double roomC) {
        return new Carrier(By.SPINDLE, rpm, roomC);
    }

    public static Carrier hand(double roomC) {
        return new Carrier(By.HAND, HAND_RPM, roomC);
    }

    public static Carrier hung(double roomC) {
        return new Carrier(By.HUNG, 0, roomC);
    }

    /**
     * The thickest mean film that stays, mm: turned, Moffatt's limit at the narrowest place ({@link TurningLimit}), and
     * empty where the label states no viscosity; hung, what runs no farther than nobody sees ({@link PourCheck}).
     */
    public OptionalDouble carriesMm(Blank on, Label label) {
        if (by == By.HUNG) {
            return OptionalDouble.of(PourCheck.staysHungMm(label, roomC));
        }
        OptionalDouble viscosity = label.viscosityPaSAt(roomC);
        if (viscosity.isEmpty()) {
            return OptionalDouble.empty();
        }
        double narrowestMm = on.coatedStations().stream()
                .mapToDouble(Station::radiusMm)
                .min()
                .orElseThrow();
        return OptionalDouble.of(
                TurningLimit.filmMm(viscosity.getAsDouble(), rpm, narrowestMm, label.mixDensityGPerMl()));
    }

    /** The same as an amount on that cup, ml. */
    public OptionalDouble carriesMl(Blank on, Label label) {
        OptionalDouble mm = carriesMm(on, label);
        return mm.isPresent()
                ? OptionalDouble.of(Film.volumeMl(mm.getAsDouble(), on.area().coatedCm2()))
                : mm;
    }
}

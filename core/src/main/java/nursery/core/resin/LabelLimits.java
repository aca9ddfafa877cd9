package nursery.core.resin;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;

/** What a label can say at all. */
final class LabelLimits {

    private static final double COLDEST_C = 5;
    private static final double WARMEST_C = 45;

    private LabelLimits() {}

    static void check(
            double referenceC,
            double activationKjPerMol,
            Optional<Viscosity> viscosity,
            OptionalDouble potLifeMin,
            OptionalDouble tolerancePercent) {
        Faults faults = new Faults();
        if (!(referenceC >= COLDEST_C && referenceC <= WARMEST_C)) {
            double ifFahrenheitC = TemperatureUnit.F.toBase(referenceC);
            String hint = ifFahrenheitC >= COLDEST_C && ifFahrenheitC <= WARMEST_C
                    ? "did you mean %s °F (%s °C)?".formatted(Numbers.show(referenceC), Numbers.show(ifFahrenheitC, 1))
                    : "labels are for a heated room.";
            faults.add(
                    "reference",
                    "A reference temperature of %s °C is outside %s–%s °C: %s"
                            .formatted(
                                    Numbers.show(referenceC), Numbers.show(COLDEST_C), Numbers.show(WARMEST_C), hint));
        }
        faults.within("activation", "The activation energy", activationKjPerMol, 0, 200, "kJ/mol");
        viscosity.ifPresent(stated -> stated.check(faults, referenceC));
        potLifeMin.ifPresent(minutes -> faults.within("potLife", "The pot life", minutes, 1, 24 * 60, "min"));
        tolerancePercent.ifPresent(
                percent -> faults.within("tolerance", "The ratio's tolerance", percent, 0.5, 25, "%"));
        faults.throwIfAny();
    }
}

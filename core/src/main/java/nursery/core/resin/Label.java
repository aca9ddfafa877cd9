package nursery.core.resin;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a resin's label says. Every time is an age of the coat in hours from pouring, at the label's reference
 * temperature; the cure clock turns ages into times of day.
 *
 * @param ratio resin to hardener by volume
 * @param times the ages at which a coat changes
 * @param referenceC the temperature the times are stated for, °C
 * @param activationKjPerMol how strongly temperature speeds the cure
 * @param densities for mixing by scale, if known
 * @param viscosity how the mix flows, if known
 * @param potLifeMin how long {@link PotLife#LABEL_MASS_G} of it last in the pot, minutes, if stated
 * @param tolerancePercent how far the ratio may be off, per cent, if stated
 */
public record Label(
        MixRatio ratio,
        LabelTimes times,
        double referenceC,
        double activationKjPerMol,
        Optional<Densities> densities,
        Optional<Viscosity> viscosity,
        OptionalDouble potLifeMin,
        OptionalDouble tolerancePercent) {

    /** About a factor of two in speed for 10 °C: common practice (P28). */
    public static final double DEFAULT_ACTIVATION_KJ_PER_MOL = 50;

    /** Of a mix whose densities are not known, g/ml; from memory. */
    private static final double USUAL_DENSITY_G_PER_ML = 1.1;

    private static final double MINUTES_PER_HOUR = 60;
    private static final Viscosity USUAL_VISCOSITY = new Viscosity(1, Optional.empty());

    public Label {
        LabelLimits.check(referenceC, activationKjPerMol, viscosity, potLifeMin, tolerancePercent);
    }

    /** A label that states neither pot life nor tolerance. */
    public Label(
            MixRatio ratio,
            LabelTimes times,
            double referenceC,
            double activationKjPerMol,
            Optional<Densities> densities,
            OptionalDouble viscosityPaS) {
        this(
                ratio,
                times,
                referenceC,
                activationKjPerMol,
                densities,
                Viscosity.of(viscosityPaS),
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    /** This label at another ratio: what a batch was measured by stays with it when the label is corrected. */
    public Label at(MixRatio other) {
        return new Label(
                other, times, referenceC, activationKjPerMol, densities, viscosity, potLifeMin, tolerancePercent);
    }

    /**
     * This label as a shop has found its resin to be: every age divided by how much faster it is, and another
     * activation energy. Pot life and viscosity stay the label's own: a finger on a coat says nothing about the pot.
     */
    public Label found(double speed, double otherActivationKjPerMol) {
        OptionalDouble pot = OptionalDouble.of(potLifeMin.orElse(times.workingH() * MINUTES_PER_HOUR));
        return new Label(
                ratio,
                times.faster(speed),
                referenceC,
                otherActivationKjPerMol,
                densities,
                viscosity,
                pot,
                tolerancePercent);
    }

    /** Density of the mix, g/ml: the two parts' masses over their volumes. */
    public double mixDensityGPerMl() {
        return densities
                .map(d -> (d.partAGPerMl() * ratio.partsA() + d.partBGPerMl() * ratio.partsB()) / ratio.parts())
                .orElse(USUAL_DENSITY_G_PER_ML);
    }

    /** Viscosity of the fresh mix at the reference temperature, Pa·s, if the label states one. */
    public OptionalDouble viscosityPaS() {
        return viscosity.stream().mapToDouble(Viscosity::freshPaS).findFirst();
    }

    /** Viscosity of the fresh mix at a temperature, if the label states one. */
    public OptionalDouble viscosityPaSAt(double temperatureC) {
        return viscosity.stream()
                .mapToDouble(stated -> stated.freshPaSAt(referenceC, temperatureC))
                .findFirst();
    }

    /**
     * For how many hours in a steady room a mix would have to flow as when it was fresh, to flow as far as it does
     * until it gels. A label without a viscosity is taken to thicken as one of 1 Pa·s does.
     */
    public double freshHoursAt(double temperatureC) {
        return viscosity
                        .orElse(USUAL_VISCOSITY)
                        .freshHours(PotLife.statedMin(this) / MINUTES_PER_HOUR, times.turningH())
                / Arrhenius.factor(activationKjPerMol, referenceC, temperatureC);
    }

    /** Viscosity at a temperature of a mix that old on the cure clock; empty once it has gelled, or none is stated. */
    public OptionalDouble viscosityPaSAt(double temperatureC, double ageH) {
        return ageH >= times.turningH()
                ? OptionalDouble.empty()
                : viscosity.stream()
                        .mapToDouble(stated -> stated.freshPaSAt(referenceC, temperatureC)
                                * stated.thickerAt(ageH, PotLife.statedMin(this) / MINUTES_PER_HOUR, times.turningH()))
                        .findFirst();
    }
}

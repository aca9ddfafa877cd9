package nursery.core.resin;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a resin's label says. Every time is an age of the coat in hours from pouring, at the label's reference
 * temperature; the cure clock turns ages into times of day.
 *
 * @param ratio             resin to hardener by volume
 * @param times             the ages at which a coat changes
 * @param referenceC        the temperature the times are stated for, °C
 * @param activationKjPerMol how strongly temperature speeds the cure
 * @param densities         for mixing by scale, if known
 * @param viscosityPaS      of the fresh mix at the reference temperature, if known
 */
public record Label(MixRatio ratio, LabelTimes times, double referenceC, double activationKjPerMol,
        Optional<Densities> densities, OptionalDouble viscosityPaS) {

    /** About a factor of two in speed for 10 °C: common practice (P28). */
    public static final double DEFAULT_ACTIVATION_KJ_PER_MOL = 50;

    public Label {
        LabelLimits.check(referenceC, activationKjPerMol, viscosityPaS);
    }
}

package nursery.core.film;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;

/**
 * A planned share against what a turner can carry and how it levels.
 *
 * @param filmMm the mean film the share makes
 * @param carriesMm the thickest film this turner carries here
 * @param carriesMl the same as an amount on this blank
 * @param levelsWithinS the time constant of a brush-wide ripple, seconds
 */
public record TurnerCheck(double filmMm, double carriesMm, double carriesMl, double levelsWithinS) {

    /** The ripples a finger or a brush leaves, mm; from memory. */
    public static final double RIPPLE_MM = 20;
    /**
     * Beyond this share of the limit a coat still holds but its thickness already varies around the cup; from memory.
     */
    private static final double CLOSE = 0.8;

    public enum Verdict {
        HOLDS,
        CLOSE_TO_SAGGING,
        SAGS
    }

    /** Empty if the label states no viscosity. */
    public static Optional<TurnerCheck> of(Blank blank, Label label, double shareMl, double rpm, double roomC) {
        OptionalDouble viscosity = label.viscosityPaSAt(roomC);
        if (viscosity.isEmpty()) {
            return Optional.empty();
        }
        double areaCm2 = blank.area().coatedCm2();
        double filmMm = Film.thicknessMm(shareMl, areaCm2);
        double carriesMm = Carrier.spindle(rpm, roomC).carriesMm(blank, label).orElseThrow();
        return Optional.of(new TurnerCheck(
                filmMm,
                carriesMm,
                Film.volumeMl(carriesMm, areaCm2),
                Levelling.timeConstantSeconds(viscosity.getAsDouble(), RIPPLE_MM, filmMm)));
    }

    public Verdict verdict() {
        if (filmMm > carriesMm) {
            return Verdict.SAGS;
        }
        return filmMm > CLOSE * carriesMm ? Verdict.CLOSE_TO_SAGGING : Verdict.HOLDS;
    }

    public String reason() {
        return switch (verdict()) {
            case HOLDS -> "The film turns faster than it can run.";
            case CLOSE_TO_SAGGING -> "It holds, but thicker on the rising side: level the cup, watch the ends.";
            case SAGS ->
                "The film runs faster than the cup turns: pour less, in two coats, turn faster, or let the mix "
                        + "thicken first.";
        };
    }

    /** How slowly it levels, for thin coats that keep their brush lines. */
    public boolean keepsItsLines(double workingSeconds) {
        return levelsWithinS > workingSeconds;
    }
}

package nursery.core.inspect;

import java.util.Arrays;
import java.util.Optional;

/** What a log, a room or a maker can know about a coat, as a number; yes is 1 and no is 0. */
public enum Fact {
    /** How far the measured pair was off the ratio: (B/A)/(b/a) − 1. */
    RATIO_ERROR("ratioError"),
    /** The same without its sign. */
    RATIO_OFF("ratioOff"),
    /** The room's mean from the pour until it gelled. */
    AMBIENT_C("ambientC"),
    /** The least the room was above its dew point in that time. */
    DEW_MARGIN_C("dewMarginC"),
    /** The highest humidity in that time, per cent. */
    HUMIDITY("humidity"),
    /** Hours of cure at the label's temperature. */
    AGE_H("ageH"),
    /** The same as a share of what makes it cured. */
    OF_CURED("ofCured"),
    FILM_MM("filmMm"),
    CARRIES_MM("carriesMm"),
    /** The film as a share of what its turner carried. */
    OF_CARRIED("ofCarried"),
    /** From the moment A and B met until the last stir was done, by the guide. */
    SECONDS_STIRRED("secondsStirred"),
    /** Whether it was stirred again in a second cup. */
    TWO_CUPS("twoCups"),
    /** Whether the mix was left to rest. */
    RESTED("rested"),
    /** From mixing to pouring, as a share of the pot life. */
    OF_POT_LIFE("ofPotLife"),
    MIX_ML("mixMl"),
    HEAT_PASS("heatPass"),
    /** How long a bubble of 0.05 mm radius takes through the film, as a share of the working time (Stokes). */
    BUBBLE_OF_WORKING("bubbleOfWorking"),
    /** How long a ripple of 20 mm takes to fall to a third, as a share of the time until it gels (Orchard). */
    RIPPLE_OF_GEL("rippleOfGel"),
    /** How long it turned, as a share of what its label asks. */
    OF_TURNING("ofTurning"),
    /** Whether the coat below was scuffed before this one. */
    SCUFFED("scuffed"),
    /** How old the coat below was, as a share of the age after which it must be scuffed. */
    BELOW_OF_WINDOW("belowOfWindow"),
    /** Whether what lay below had dried long enough. */
    BELOW_DRY("belowDry"),
    SOLVENT_OFF("solventOff"),
    /** Whether paint that lay open below it was lifted with solvent. */
    DISTRESSED("distressed"),
    /** Whether what that loosened was wiped off with alcohol. */
    RESIDUE_WIPED("residueWiped"),
    SEALED("sealed"),
    STENCIL("stencil"),
    SLIDE("slide"),
    METALLIC("metallic"),
    INK("ink"),
    GLUE("glue"),
    COARSE("coarse"),
    CLEAR_COATS("clearCoats"),
    /** The coarsest grit the cup was sanded with. */
    GRIT("grit"),
    /** Whether it was sanded or touched by hand before it was sandable. */
    WORKED_TOO_SOON("workedTooSoon"),
    STEEL_LINE("steelLine"),
    /** How long the hardener's bottle had been open when the coat was poured. */
    OPEN_DAYS("openDays");

    private final String key;

    Fact(String key) {
        this.key = key;
    }

    public String key() {
        return key;
    }

    public static Optional<Fact> named(String key) {
        return Arrays.stream(values()).filter(fact -> fact.key.equals(key)).findFirst();
    }
}

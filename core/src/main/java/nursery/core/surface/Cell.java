package nursery.core.surface;

import java.util.Optional;

/**
 * One thing that practice asks where a doing meets what lies on a cup: how grave it is to go against it, where it
 * stands, in one sentence, and what mends it. Figures beside the rules of {@link Table}.
 */
public enum Cell {
    STEEL_BARE(Grave.RISKS, "step 1", "Bare steel was not scuffed: what goes on it may come off.", Doing.PREP),
    PAINT_WET(Grave.RISKS, "P25", "The paint must be dry first: it lifts, or gasses into what covers it."),
    PAINT_FRESH(Grave.ADVICE, "P25", "Let the paint dry first: two thin coats beat a thick one."),
    GLUE_WET(Grave.RISKS, "P20, P21", "The glue must be stiff first: it gasses, and the coat fish-eyes."),
    GLUE_TACKY(Grave.ADVICE, "P20", "A glue is dry enough for the next thing after half an hour."),
    GLUE_DRY(Grave.ADVICE, "P72", "Glue takes flakes while it is wet, and it dries fast.", Doing.GLUE),
    SEALER_WET(Grave.RISKS, "P21", "The sealer must be dry first: it gasses, and the coat fish-eyes."),
    SEALER_FRESH(Grave.ADVICE, "P21", "Let the sealer dry first."),
    FILM_NOT_SET(Grave.RUINS, "P19", "The film under the glitter must be set first: the coat drags it along."),
    FILM_SETTLES(Grave.ADVICE, "P19", "Let it settle for two minutes: the brush lines close."),
    FILM_DONE(Grave.RISKS, "P18", "The film holds no glitter any more: scuff it and spread a new one.", Doing.SCUFF),
    NOTHING_HOLDS(Grave.RISKS, "step 3", "There is nothing wet for the flakes to stick to.", Doing.ADHESIVE),
    COAT_WET(Grave.RUINS, "P14", "The coat must hold the next one first: on a wet one it sags and stays soft."),
    COAT_RUNS(Grave.RUINS, "P13", "The coat still runs: what is laid on it sinks, drags and marks it."),
    GRIP_FADES(Grave.ADVICE, "P14, P16", "It grips less by the hour: a light scuff makes sure.", Doing.SCUFF),
    GRIP_WEAK(Grave.ADVICE, "P16", "After a day a scuff is advised: unsanded it grips weakly.", Doing.SCUFF),
    MAY_PEEL(Grave.RISKS, "P16", "After three days an unscuffed coat holds nothing: it may peel.", Doing.SCUFF),
    GRIP_FADES_BELOW(
            Grave.ADVICE,
            "P14, P16",
            "It grips less by the hour, and cannot be scuffed under what lies open: do not let it wait."),
    GRIP_WEAK_BELOW(
            Grave.ADVICE,
            "P16",
            "After a day it grips weakly, and cannot be scuffed under what lies open: brush sealer over it first.",
            Doing.SEAL),
    MAY_PEEL_BELOW(
            Grave.RISKS,
            "P16",
            "After three days an unscuffed coat holds nothing: brush sealer over it first, or it may peel.",
            Doing.SEAL),
    DUST_LEFT(Grave.RISKS, "step 6", "Sanding dust is still on it.", Doing.WASH),
    DUST_UNDER_PAINT(Grave.RISKS, "step 7", "Sanding dust is still on it, and shows through paint.", Doing.WASH),
    SCRATCHES_SHOW(Grave.RISKS, "step 7", "It was sanded coarser than 220: the scratches show.", Doing.SAND),
    RATIO_WRONG(
            Grave.RUINS,
            "P39",
            "That coat was mixed wrong and stays soft: scrape it off, never cover it.",
            Doing.STRIP),
    SOFT_BELOW(
            Grave.RISKS,
            "P39",
            "That coat is soft and was not measured: warm it and feel again, or scrape it off.",
            Doing.STRIP),
    INK_WET(Grave.RISKS, "P23", "The ink must be dry first: it bleeds."),
    INK_UNDER_VINYL(Grave.RISKS, "P23", "Vinyl straight on ink wants a day: it does not bond before."),
    INK_OPEN(Grave.ADVICE, "P38", "Ink may fade under epoxy: who wants to be sure seals it first.", Doing.SEAL),
    INK_TOO_LATE(Grave.RUINS, "P18", "The coat takes no ink any more: let it harden, scuff it, pour another."),
    FLAKES_TOO_LATE(
            Grave.RISKS,
            "P18",
            "The coat takes no glitter any more: let it harden, scuff it, pour another.",
            Doing.SCUFF),
    INK_ON_HOT(Grave.RISKS, "P26", "Heated epoxy must cool first: the ink spreads and fades."),
    INK_AND_FAST(Grave.RISKS, "P18, P26", "A fast resin leaves the ink no time to spread: use a regular one here."),
    VINYL_BONDS(Grave.RISKS, "P23", "Vinyl straight on ink bonds for an hour first."),
    VINYL_FRESH(Grave.ADVICE, "from memory", "Give the vinyl an hour to bond."),
    METALLIC_OPEN(Grave.ADVICE, "P37", "Metallic or textured vinyl may lift: some seal its edges.", Doing.SEAL),
    FLAKES_OPEN(Grave.ADVICE, "step 4", "Coarse or mixed flakes are not sealed: the hand drags them.", Doing.SEAL),
    FLAKES_BELOW(
            Grave.RISKS,
            "step 5, step 7",
            "Open flakes hold no design and no wave, and show through paint: a coat over them first.",
            Doing.FLOOD_COAT),
    TEXTURE_FELT(
            Grave.ADVICE,
            "step 5, P33",
            "Under so few coats the flakes may still be felt: if they are, one more coat first.",
            Doing.BUILD_COAT),
    WAVE_FLAKES(Grave.ADVICE, "P77", "Big flakes in a wave wick a thin coat away: some seal them first.", Doing.SEAL),
    STENCIL_ON(Grave.RUINS, "step 7", "The stencil is still on.", Doing.PEEL),
    STENCIL_PERMANENT(Grave.RISKS, "step 7, P30", "Its adhesive stays behind, and the next coat fish-eyes."),
    SLIDE_WET(Grave.RUINS, "P24", "The water-slide must dry overnight first: the coat clouds."),
    SLIDE_OPEN(Grave.RISKS, "P63", "Over a water-slide without a coat this buckles.", Doing.THIN_COAT),
    SLIDE_ON_SCRATCHES(Grave.RISKS, "P41", "Scratches show through a water-slide.", Doing.THIN_COAT),
    DESIGN_EARLY(Grave.SCHOOL, "P17", "Some let a coat harden overnight before a design goes on."),
    SOOT_OPEN(Grave.RISKS, "P38", "Soot fades and smears under epoxy unless it is sealed.", Doing.SEAL),
    SOAP_ON(Grave.RUINS, "P59", "The soap of the resist is still on.", Doing.WASH),
    SOLVENT_WET(Grave.RISKS, "step 7, P36", "The solvent must flash off first: the coat hazes."),
    VAPOUR(Grave.RISKS, "P45", "Solvent or propellant is still about: it can catch fire."),
    NOT_SANDABLE(Grave.RISKS, "P15", "The coat must be sandable first: it gums the paper and tears."),
    STILL_ROUGH(Grave.RISKS, "P33", "The texture is still felt: this is where it is sanded through.", Doing.THIN_COAT),
    TOO_COARSE(Grave.RISKS, "step 6", "Coarse paper on the body, close over glitter, goes through."),
    SANDED_AWAY(Grave.RUINS, "step 6", "This would be sanded away.", Doing.THIN_COAT),
    LAST_SANDED(Grave.RISKS, "step 9", "The last coat is never sanded: nothing covers it."),
    TAPE_PAST_GEL(Grave.RISKS, "P22", "The coat gels round the tape: cut along it, or it tears the edge."),
    TAPE_ON(Grave.RISKS, "P22", "The tape is still on.", Doing.PULL_TAPE),
    SANDED_BARE(Grave.RISKS, "step 9", "It was sanded and nothing covers it: it stays dull.", Doing.FINISHING_COAT),
    DECAL_OPEN(Grave.ADVICE, "step 7", "A decal is neither coated nor sealed: it wears off.", Doing.SEAL),
    LAID_OPEN(Grave.ADVICE, "step 7", "Glitter, ink, foil, mica or soot lies open: it rubs off.", Doing.FINISHING_COAT),
    NOT_CURED(Grave.RISKS, "step 9", "The last coat must be cured before it is rubbed matte: it smears."),
    NOT_INSPECTED(Grave.RISKS, "step 9", "A polish shows every fault: inspect the last coat first.", Doing.INSPECT),
    TAKES_PRINTS(Grave.RISKS, "step 10", "For 8 to 12 h the last coat still takes prints."),
    NOT_FULLY_CURED(Grave.ADVICE, "step 10", "Before full cure: it may dent, print and smell until then."),
    /** What a plan or a maker waits for beyond what practice asks; it only lengthens. */
    OWN_WAY(Grave.ADVICE, "the plan", "Its own plan waits longer here.");

    /** How much it matters to go against it, from nothing to the worst. */
    public enum Grave {
        FINE,
        /** Told. */
        ADVICE,
        /** One school's own way: told to who chose another, and to nobody who chose none. */
        SCHOOL,
        /** Asked before it is logged. */
        RISKS,
        RUINS;

        /** Whether it is asked about, and so never offered. */
        public boolean isAsked() {
            return this == RISKS || this == RUINS;
        }

        /** Whether it is said at all; a school's own way only to who chose another. */
        public boolean isTold() {
            return isAsked() || this == ADVICE;
        }
    }

    private final Grave grave;
    private final String source;
    private final String words;
    private final Optional<Doing> remedy;

    Cell(Grave grave, String source, String words) {
        this.grave = grave;
        this.source = source;
        this.words = words;
        this.remedy = Optional.empty();
    }

    Cell(Grave grave, String source, String words, Doing remedy) {
        this.grave = grave;
        this.source = source;
        this.words = words;
        this.remedy = Optional.of(remedy);
    }

    public Grave grave() {
        return grave;
    }

    /** Where practice says so. */
    public String source() {
        return source;
    }

    public String words() {
        return words;
    }

    /** What would mend it. */
    public Optional<Doing> remedy() {
        return remedy;
    }

    /** Whether the coat below grips less than it did: best not waited for. */
    public boolean isFading() {
        return this == GRIP_FADES || this == GRIP_FADES_BELOW;
    }

    /** Whether the coat below hardly grips. */
    public boolean isWeak() {
        return this == GRIP_WEAK || this == GRIP_WEAK_BELOW;
    }

    /** Whether the coat below grips too little, or not at all. */
    public boolean isOfLostGrip() {
        return isWeak() || this == MAY_PEEL || this == MAY_PEEL_BELOW;
    }

    /** Whether a light scuff of the coat below makes it as new. */
    public boolean isMendedByScuffing() {
        return this == GRIP_WEAK || this == MAY_PEEL;
    }

    /** Whether it ends the time in which something wet may be worked on. */
    public boolean isOfTheWet() {
        return switch (this) {
            case FILM_DONE, FLAKES_TOO_LATE, INK_TOO_LATE, TAPE_PAST_GEL, OWN_WAY -> true;
            default -> false;
        };
    }

    /** What has come about when it no longer holds anything up: "the paint is dry"; empty where time brings nothing. */
    public String cameTrue() {
        return switch (this) {
            case PAINT_WET, PAINT_FRESH -> "the paint is dry";
            case GLUE_WET -> "the glue is stiff";
            case GLUE_TACKY -> "the glue is dry";
            case SEALER_WET, SEALER_FRESH -> "the sealer is dry";
            case FILM_NOT_SET -> "the film is set";
            case FILM_SETTLES -> "the film has settled";
            case COAT_WET -> "the coat below takes the next";
            case COAT_RUNS -> "the coat below has gelled";
            case INK_WET, INK_UNDER_VINYL -> "the ink is dry";
            case INK_ON_HOT -> "the coat has cooled";
            case VINYL_BONDS, VINYL_FRESH -> "the vinyl has bonded";
            case SLIDE_WET -> "the water-slide is dry";
            case SOLVENT_WET, VAPOUR -> "the solvent has flashed off";
            case NOT_SANDABLE -> "the coat below is sandable";
            case NOT_CURED -> "the coat below is cured enough to work on";
            case TAKES_PRINTS -> "the last coat is firm";
            case NOT_FULLY_CURED -> "it is fully cured";
            case OWN_WAY -> "its own plan has waited";
            case STEEL_BARE,
                    GLUE_DRY,
                    FILM_DONE,
                    FLAKES_TOO_LATE,
                    NOTHING_HOLDS,
                    GRIP_FADES,
                    GRIP_FADES_BELOW,
                    GRIP_WEAK,
                    GRIP_WEAK_BELOW,
                    MAY_PEEL,
                    MAY_PEEL_BELOW,
                    DUST_LEFT,
                    DUST_UNDER_PAINT,
                    SCRATCHES_SHOW,
                    RATIO_WRONG,
                    SOFT_BELOW,
                    INK_OPEN,
                    INK_TOO_LATE,
                    INK_AND_FAST,
                    METALLIC_OPEN,
                    FLAKES_OPEN,
                    FLAKES_BELOW,
                    TEXTURE_FELT,
                    WAVE_FLAKES,
                    STENCIL_ON,
                    STENCIL_PERMANENT,
                    SLIDE_OPEN,
                    SLIDE_ON_SCRATCHES,
                    DESIGN_EARLY,
                    SOOT_OPEN,
                    SOAP_ON,
                    STILL_ROUGH,
                    TOO_COARSE,
                    SANDED_AWAY,
                    LAST_SANDED,
                    TAPE_PAST_GEL,
                    TAPE_ON,
                    SANDED_BARE,
                    DECAL_OPEN,
                    LAID_OPEN,
                    NOT_INSPECTED -> "";
        };
    }

    /** What follows once its time has passed. */
    public String ifMissed() {
        return switch (this) {
            case GRIP_WEAK, MAY_PEEL -> "Let it harden, scuff it, then coat.";
            case GRIP_WEAK_BELOW ->
                "It grips weakly then, and cannot be scuffed under what lies open: brush sealer over it first.";
            case OWN_WAY -> "The coat is past being worked: let it harden.";
            default -> words;
        };
    }

    /**
     * The name it is answered by, in a log and to whoever asks for a judgement: one that was promised long before there
     * were cells stays what it was.
     */
    public String rule() {
        return switch (this) {
            case GRIP_WEAK, GRIP_WEAK_BELOW, MAY_PEEL, MAY_PEEL_BELOW -> "TACK_WINDOW";
            case GRIP_FADES, GRIP_FADES_BELOW -> "GRIP_FADING";
            case COAT_WET -> "COAT_TOO_SOON";
            case COAT_RUNS -> "COAT_STILL_WET";
            case NOT_SANDABLE -> "SAND_TOO_SOON";
            case STILL_ROUGH -> "SAND_TEXTURE";
            case SLIDE_ON_SCRATCHES -> "SAND_UNDER_SLIDE";
            case DUST_UNDER_PAINT, SCRATCHES_SHOW -> "SAND_UNDER_PAINT";
            case LAST_SANDED -> "SAND_LAST_COAT";
            case INK_WET, INK_UNDER_VINYL -> "INK_NOT_DRY";
            case SLIDE_WET -> "SLIDE_NOT_DRY";
            case SLIDE_OPEN -> "SLIDE_UNCOATED";
            case SOLVENT_WET -> "SOLVENT_NOT_GONE";
            case INK_OPEN -> "INK_UNSEALED";
            case SOOT_OPEN -> "SOOT_UNSEALED";
            case FLAKES_OPEN -> "FLAKES_UNSEALED";
            case SOAP_ON -> "SOAP_NOT_RINSED";
            case METALLIC_OPEN -> "METALLIC_UNSEALED";
            case INK_AND_FAST -> "FAST_RESIN";
            case FILM_NOT_SET -> "ADHESIVE_NOT_SET";
            case GLUE_WET, SEALER_WET -> "GLUE_NOT_DRY";
            case PAINT_WET -> "PAINT_NOT_DRY";
            case INK_ON_HOT -> "HOT_INK";
            case NOT_CURED -> "POLISH_TOO_SOON";
            case NOT_INSPECTED -> "POLISH_ON_FAULTS";
            case VAPOUR -> "FLAME_WITH_SOLVENT";
            case TAKES_PRINTS -> "FINISH_TOO_SOON";
            case STEEL_BARE,
                    PAINT_FRESH,
                    GLUE_TACKY,
                    GLUE_DRY,
                    SEALER_FRESH,
                    FILM_SETTLES,
                    FILM_DONE,
                    FLAKES_TOO_LATE,
                    NOTHING_HOLDS,
                    DUST_LEFT,
                    RATIO_WRONG,
                    SOFT_BELOW,
                    INK_TOO_LATE,
                    VINYL_BONDS,
                    VINYL_FRESH,
                    FLAKES_BELOW,
                    TEXTURE_FELT,
                    WAVE_FLAKES,
                    STENCIL_ON,
                    STENCIL_PERMANENT,
                    DESIGN_EARLY,
                    TOO_COARSE,
                    SANDED_AWAY,
                    TAPE_PAST_GEL,
                    TAPE_ON,
                    SANDED_BARE,
                    DECAL_OPEN,
                    LAID_OPEN,
                    NOT_FULLY_CURED,
                    OWN_WAY -> name();
        };
    }
}

package nursery.core.surface;

import java.util.Optional;

/** What a hand can touch on a cup. */
public enum Lay {
    STEEL,
    FACTORY_COAT,
    PAINT,
    CRAFT_GLUE,
    SPRAY_GLUE,
    FOIL_GLUE,
    FILM,
    GLITTER,
    SEALER,
    COAT,
    INK,
    VINYL,
    STENCIL,
    FOIL,
    SLIDE,
    MICA,
    SOOT,
    SOAP;

    /** What a doing leaves on the cup; empty where it lays nothing. */
    static Optional<Lay> of(Doing doing) {
        return Optional.ofNullable(
                switch (doing) {
                    case PAINT -> PAINT;
                    case GLUE -> CRAFT_GLUE;
                    case SPRAY_ADHESIVE -> SPRAY_GLUE;
                    case FOIL_ADHESIVE -> FOIL_GLUE;
                    case ADHESIVE -> FILM;
                    case GLITTER -> GLITTER;
                    case SEAL, MICA_SEAL -> SEALER;
                    case FLOOD_COAT, BUILD_COAT, THIN_COAT, PARTIAL_COAT, FINISHING_COAT -> COAT;
                    case INK, TOUCH_UP -> INK;
                    case VINYL -> VINYL;
                    case STENCIL -> STENCIL;
                    case FOIL -> FOIL;
                    case WATER_SLIDE -> SLIDE;
                    case SPONGE -> MICA;
                    case SMOKE -> SOOT;
                    case SOAP -> SOAP;
                    case PREP,
                            CLEAN,
                            MASK,
                            PULL_TAPE,
                            SETTLE,
                            PRESS_FLAT,
                            INK_BLOOM,
                            HEAT,
                            TINT,
                            TURN,
                            HANG,
                            REST,
                            TRIM,
                            SAND_RIM,
                            SAND,
                            TRIM_AND_SAND,
                            WASH,
                            WIPE,
                            FLASH_OFF,
                            PEEL,
                            POLISH,
                            INSPECT,
                            FINISH,
                            PHOTOGRAPH,
                            PACK,
                            SCUFF,
                            STRIP,
                            HAND_OVER,
                            FAULT_SEEN -> null;
                });
    }

    /** Whether it is laid in spots unless it is said otherwise: then what lies between them is still met. */
    boolean liesInSpots() {
        return switch (this) {
            case INK, VINYL, STENCIL, FOIL, SLIDE, MICA, SOOT, SOAP, FOIL_GLUE -> true;
            case STEEL, FACTORY_COAT, PAINT, CRAFT_GLUE, SPRAY_GLUE, FILM, GLITTER, SEALER, COAT -> false;
        };
    }

    /** Whether a sanding of the body takes it with it. */
    boolean isSandedAway() {
        return switch (this) {
            case CRAFT_GLUE, SPRAY_GLUE, FOIL_GLUE, GLITTER, INK, VINYL, STENCIL, FOIL, SLIDE, MICA, SOOT -> true;
            case STEEL, FACTORY_COAT, PAINT, FILM, SEALER, COAT, SOAP -> false;
        };
    }

    /** Epoxy, which readies on the cure clock. */
    public boolean isEpoxy() {
        return this == COAT || this == FILM;
    }

    /** Whether glitter and flakes stick to it. */
    boolean isAdhesive() {
        return isGlue() || this == FILM;
    }

    /** What foil is laid on, and takes. */
    boolean isGlue() {
        return this == CRAFT_GLUE || this == SPRAY_GLUE || this == FOIL_GLUE;
    }
}

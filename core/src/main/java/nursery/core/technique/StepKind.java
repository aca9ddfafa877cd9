package nursery.core.technique;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The kinds of step a plan is made of. Minutes are starting values from memory; 15 to 30 minutes of hands-on work a day
 * is common practice (P1).
 */
public enum StepKind {
    PREP("Scuff, clean and mask", Nature.WORK, 15, Caution.DUST_AND_SOLVENT),
    CLEAN("Clean and dry", Nature.WORK, 5, Caution.SOLVENT),
    MASK("Tape what stays bare", Nature.WORK, 5, Caution.NONE),
    PULL_TAPE("Pull the tape", Nature.WORK, 3, Caution.SOLVENT),
    PAINT("Paint the base colour", Nature.WORK, 10, Caution.AEROSOL, Need.BOOTH),
    ADHESIVE("Spread the epoxy adhesive", Nature.POUR, 10, Caution.EPOXY),
    GLUE("Brush on craft glue", Nature.WORK, 10, Caution.NONE),
    FOIL_ADHESIVE("Dab on foil adhesive", Nature.WORK, 5, Caution.NONE),
    SPRAY_ADHESIVE("Spray adhesive", Nature.WORK, 5, Caution.AEROSOL, Need.BOOTH),
    GLITTER("Glitter", Nature.WORK, 15, Caution.EPOXY),
    SETTLE("Let it settle", Nature.WORK, 0, Caution.NONE),
    PRESS_FLAT("Press the flakes flat", Nature.WORK, 5, Caution.NONE),
    SEAL("Seal the glitter", Nature.WORK, 5, Caution.AEROSOL, Need.BOOTH),
    INK("Dab the ink", Nature.WORK, 20, Caution.SOLVENT),
    INK_BLOOM("Drop ink into the wet coat", Nature.WORK, 5, Caution.SOLVENT),
    HEAT("Heat pass", Nature.WORK, 3, Caution.FLAME),
    FLOOD_COAT("Flood coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT, Need.SPINDLE),
    BUILD_COAT("Second coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT, Need.SPINDLE),
    THIN_COAT("Thin coat", Nature.POUR, 12, Caution.EPOXY_AND_HEAT, Need.SPINDLE),
    PARTIAL_COAT("Partial coat", Nature.POUR, 20, Caution.EPOXY_AND_HEAT, Need.SPINDLE),
    FINISHING_COAT("Finishing coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT, Need.SPINDLE),
    TINT("Tint what is set aside", Nature.WORK, 3, Caution.EPOXY),
    TURN("Keep it turning", Nature.WORK, 0, Caution.NONE, Need.SPINDLE),
    HANG("Hang it", Nature.WORK, 0, Caution.NONE),
    REST("Let it rest", Nature.WORK, 0, Caution.NONE),
    TRIM("Trim the rim", Nature.WORK, 5, Caution.BLADE),
    SAND_RIM("Sand the rim", Nature.SANDING, 10, Caution.DUST),
    SAND("Sand the body", Nature.SANDING, 15, Caution.DUST),
    TRIM_AND_SAND("Trim the rim and sand", Nature.SANDING, 25, Caution.DUST_AND_BLADE),
    WASH("Wash and dry", Nature.WORK, 5, Caution.NONE),
    WIPE("Wipe with solvent", Nature.WORK, 3, Caution.SOLVENT),
    FLASH_OFF("Let the solvent flash off", Nature.WORK, 0, Caution.FLASH_OFF),
    VINYL("Lay the vinyl", Nature.WORK, 30, Caution.BLADE),
    STENCIL("Lay the stencil", Nature.WORK, 20, Caution.BLADE),
    PEEL("Peel the stencil", Nature.WORK, 10, Caution.NONE),
    WATER_SLIDE("Lay the water-slide", Nature.WORK, 15, Caution.NONE),
    FOIL("Lay the foil", Nature.WORK, 15, Caution.NONE),
    SPONGE("Sponge the mica on", Nature.WORK, 15, Caution.POWDER),
    MICA_SEAL("Brush on mica in sealer", Nature.WORK, 10, Caution.POWDER),
    SOAP("Dab on soap as a resist", Nature.WORK, 5, Caution.NONE),
    TOUCH_UP("Touch up a spot", Nature.WORK, 5, Caution.SOLVENT),
    SMOKE("Smoke it", Nature.WORK, 10, Caution.SMOKE, Need.BOOTH, Need.SECOND_HANDS),
    POLISH("Rub it matte", Nature.WORK, 30, Caution.POWDER),
    INSPECT("Inspect it in a raking light", Nature.WORK, 5, Caution.NONE, Need.NO_DAYLIGHT),
    FINISH("Clean, inspect and pack", Nature.WORK, 15, Caution.FINISH),
    PHOTOGRAPH("Photograph it", Nature.WORK, 5, Caution.MARKS),
    PACK("Pack it", Nature.WORK, 5, Caution.OWNER);

    /** What kind of work a step is, as far as the next coat cares. */
    public enum Nature {
        WORK,
        POUR,
        SANDING
    }

    private final String title;
    private final Nature nature;
    private final int handsOnMinutes;
    private final Caution caution;
    private final List<Need> needs;

    StepKind(String title, Nature nature, int handsOnMinutes, Caution caution, Need... needs) {
        this.title = title;
        this.nature = nature;
        this.handsOnMinutes = handsOnMinutes;
        this.caution = caution;
        this.needs = List.of(needs);
    }

    /** The kind with this name in a technique file, such as {@code water-slide}. */
    public static Optional<StepKind> named(String written) {
        return Arrays.stream(values())
                .filter(kind -> kind.written().equals(written))
                .findFirst();
    }

    /** Its name in a technique file. */
    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String title() {
        return title;
    }

    public boolean isPour() {
        return nature == Nature.POUR;
    }

    public boolean isSanding() {
        return nature == Nature.SANDING;
    }

    /** Whether the body is sanded, so that the next coat grips; a sanded rim alone does not help it. */
    public boolean scuffsTheBody() {
        return isSanding() && this != SAND_RIM;
    }

    /** A coat over the decoration, as opposed to the adhesive below it. */
    public boolean isClearCoat() {
        return isPour() && this != ADHESIVE;
    }

    /** A clear coat over the whole cup. */
    public boolean isWholeCoat() {
        return isClearCoat() && this != PARTIAL_COAT;
    }

    /** Whether it cannot be done to a cup on a turner, so that who does it has taken the cup off. */
    public boolean endsTurning() {
        return switch (this) {
            case PAINT,
                    GLUE,
                    FOIL_ADHESIVE,
                    SPRAY_ADHESIVE,
                    SEAL,
                    MICA_SEAL,
                    SOAP,
                    TOUCH_UP,
                    INK,
                    HANG,
                    TRIM,
                    SAND_RIM,
                    SAND,
                    TRIM_AND_SAND,
                    WASH,
                    VINYL,
                    STENCIL,
                    PEEL,
                    WATER_SLIDE,
                    FOIL,
                    SPONGE,
                    SMOKE,
                    POLISH,
                    FINISH,
                    PACK -> true;
            case PREP,
                    CLEAN,
                    MASK,
                    PULL_TAPE,
                    ADHESIVE,
                    GLITTER,
                    SETTLE,
                    PRESS_FLAT,
                    INK_BLOOM,
                    HEAT,
                    FLOOD_COAT,
                    BUILD_COAT,
                    THIN_COAT,
                    PARTIAL_COAT,
                    FINISHING_COAT,
                    TINT,
                    TURN,
                    REST,
                    WIPE,
                    FLASH_OFF,
                    INSPECT,
                    PHOTOGRAPH -> false;
        };
    }

    /** Whether what is laid is cut to a size. */
    public boolean isCut() {
        return this == VINYL || this == STENCIL || this == WATER_SLIDE;
    }

    public int handsOnMinutes() {
        return handsOnMinutes;
    }

    public Caution caution() {
        return caution;
    }

    public List<Need> needs() {
        return needs;
    }
}

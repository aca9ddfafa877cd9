package nursery.core.technique;

/** The kinds of step a plan is made of. */
public enum StepKind {
    PREP("Scuff, clean and mask", Nature.WORK, 15, Caution.SOLVENT),
    PAINT("Paint the base colour", Nature.WORK, 10, Caution.AEROSOL),
    ADHESIVE("Spread the epoxy adhesive", Nature.POUR, 10, Caution.EPOXY),
    GLITTER("Glitter", Nature.WORK, 15, Caution.EPOXY),
    SEAL("Seal the glitter", Nature.WORK, 5, Caution.AEROSOL),
    FLOOD_COAT("Flood coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT),
    BUILD_COAT("Second coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT),
    SAND("Sand the body", Nature.SANDING, 15, Caution.DUST),
    TRIM_AND_SAND("Trim the rim and sand", Nature.SANDING, 25, Caution.DUST_AND_BLADE),
    FINISHING_COAT("Finishing coat", Nature.POUR, 15, Caution.EPOXY_AND_HEAT),
    FINISH("Clean, inspect and pack", Nature.WORK, 15, Caution.FINISH);

    /** What kind of work a step is, as far as the next coat cares. */
    public enum Nature { WORK, POUR, SANDING }

    private final String title;
    private final Nature nature;
    private final int handsOnMinutes;
    private final Caution caution;

    StepKind(String title, Nature nature, int handsOnMinutes, Caution caution) {
        this.title = title;
        this.nature = nature;
        this.handsOnMinutes = handsOnMinutes;
        this.caution = caution;
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

    /** A coat over the decoration, as opposed to the adhesive below it. */
    public boolean isClearCoat() {
        return isPour() && this != ADHESIVE;
    }

    /** A starting value, from memory; 15 to 30 minutes of hands-on work a day is common practice (P1). */
    public int handsOnMinutes() {
        return handsOnMinutes;
    }

    public Caution caution() {
        return caution;
    }
}

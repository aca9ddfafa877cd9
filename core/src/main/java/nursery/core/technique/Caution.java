package nursery.core.technique;

/** What a step can do to a person, once and short (P43–P51). The product's safety data sheet and local rules decide. */
public enum Caution {
    NONE(""),
    EPOXY("Nitrile gloves, long sleeves, fresh air and an organic-vapour respirator, even if it does not smell. "
            + "Skin: soap, never solvent. The safety data sheet decides."),
    EPOXY_AND_HEAT(
            "Nitrile gloves, sleeves, fresh air, organic-vapour respirator. Before torch or heat gun: solvents put "
                    + "away and flashed off, extinguisher at hand. Never leave surplus in the pot: it can boil. The "
                    + "safety data sheet decides."),
    FLAME("Solvents and spray cans put away and flashed off first. Extinguisher at hand, hair and sleeves tied back."),
    SMOKE("Open flame: outdoors or under a hood, nothing with solvent or gas near, extinguisher at hand, one "
            + "person holds, one smokes."),
    DUST_AND_SOLVENT(
            "Wet-sand or wear a dust respirator. Acetone and alcohol: fresh air, gloves, no flame in the room. "
                    + "The safety data sheet decides."),
    SOLVENT("Acetone, alcohol, alcohol ink: fresh air, gloves, no flame in the room. The safety data sheet decides."),
    FLASH_OFF("No flame, no heat gun until it is gone."),
    AEROSOL("Spray outside or in a vented booth, with a respirator, away from any flame. Read the can."),
    DUST("Wear a dust respirator, or sand wet."),
    DUST_AND_BLADE("Wear a dust respirator, or sand wet. Cut away from your hand."),
    BLADE("Cut away from your hand."),
    POWDER("Fine powder: dust respirator, or keep it wet."),
    FINISH("Blade away from your hand; solvents in fresh air, no flame. Tell the owner: hand wash only, full cure "
            + "before use."),
    MARKS("Team, school and company marks need their owner’s permission."),
    OWNER("Tell the owner: hand wash only, no dishwasher, microwave or soaking; full cure before use.");

    private final String words;

    Caution(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}

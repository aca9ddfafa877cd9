package nursery.core.resin;

/**
 * How long a mix stays usable in the pot.
 *
 * <p>A label's pot life is for a stated mass, often 100 g, at a stated temperature (ASTM D2471, ISO 9514). Two things
 * shorten it: warmth, by the same Arrhenius factor as the cure, and mass, because a big pot keeps the heat it makes.
 * The mass rule here is a rule of thumb from memory: heat is lost through the surface, which per gram falls with the
 * cube root of the mass, so the time is divided by {@code ∛(mass/100 g)}. A smaller pot is not promised more than the
 * label says. Without a stated pot life the working time stands in for it.
 */
public final class PotLife {

    public static final double LABEL_MASS_G = 100;
    /** Above this a pot can get hot enough to boil and smoke (P47); the figure is from memory. */
    public static final double HOT_MASS_G = 250;

    private static final double MINUTES_PER_HOUR = 60;

    private PotLife() {}

    /** Minutes from mixing until the pot is too thick, for this much mix in this room. */
    public static double minutes(Label label, double totalMl, double roomC) {
        double mass = Math.max(1, Math.cbrt(massG(label, totalMl) / LABEL_MASS_G));
        return statedMin(label) / mass / Arrhenius.factor(label.activationKjPerMol(), label.referenceC(), roomC);
    }

    /**
     * Minutes at the label's reference for {@value #LABEL_MASS_G} g of it; the working time stands in for what no label
     * states.
     */
    public static double statedMin(Label label) {
        return label.potLifeMin().orElse(label.times().workingH() * MINUTES_PER_HOUR);
    }

    public static double massG(Label label, double totalMl) {
        return totalMl * label.mixDensityGPerMl();
    }

    public static boolean mayRunHot(Label label, double totalMl) {
        return massG(label, totalMl) > HOT_MASS_G;
    }
}

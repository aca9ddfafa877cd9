package nursery.core.surface;

import java.util.Optional;
import java.util.regex.Pattern;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Said;
import nursery.core.technique.StepKind;

/**
 * Reads once, as fields, what steps of the first kind of file say in words. Where the words are unclear, what asks for
 * more care is taken.
 */
public final class Words {

    /** Of what names a flame as well, the flame counts. */
    private static final Pattern LOW = Pattern.compile("(?i)^(?!.*(torch|flame)).*\\b(on low|low heat)");

    private static final Pattern AIR = Pattern.compile("(?i)^(?!.*(torch|flame)).*\\b(warm air|dryer)");

    private Words() {}

    /**
     * A step of a plan as a work.
     *
     * @param on what it is done to: flakes that go into a wet coat are told from those on a film by that
     */
    public static Work work(int id, PlanStep step, LabelTimes label, Surface on) {
        return Work.of(
                id,
                Doing.of(step.kind()),
                how(step, isSprinkled(step, on)),
                step.kind().isPour() ? Optional.of(label) : Optional.empty());
    }

    private static boolean isSprinkled(PlanStep step, Surface on) {
        return step.kind() == StepKind.GLITTER
                && step.waiting().isWhileWet()
                && on.met(Place.ALL).stream().anyMatch(patch -> patch.layer().lay() == Lay.COAT);
    }

    /** Only what matters of what is done is read: the same words beside something else say nothing. */
    private static How how(PlanStep step, boolean isSprinkled) {
        Doing doing = Doing.of(step.kind());
        How usual = How.USUAL;
        boolean sands = doing.family() == Doing.Family.SAND;
        boolean cleans = doing.family() == Doing.Family.WIPE || doing == Doing.PREP || doing == Doing.PULL_TAPE;
        return new How(
                doing == Doing.SEAL ? sealer(step.said()) : usual.sealer(),
                cleans ? cleaner(step.said()) : usual.cleaner(),
                doing == Doing.HEAT ? heat(step.title() + " " + step.detail()) : usual.heat(),
                grain(step.material()),
                step.material() == Material.MIXED_GLITTER,
                vinyl(step.material(), step.kind() == StepKind.STENCIL ? How.Vinyl.REMOVABLE : How.Vinyl.PERMANENT),
                sands ? new Said(step.grit()).finestGrit().orElse(0) : 0,
                step.role().filter(CoatRole.ADHESIVE_GENEROUS::equals).isPresent(),
                step.role().filter(CoatRole.BLOOM::equals).isPresent(),
                isSprinkled,
                sands && step.said().isWashed(),
                How.Ratio.RIGHT);
    }

    public static How.Sealer sealer(Said said) {
        return said.isBrushed() ? How.Sealer.BRUSHED : How.Sealer.AEROSOL;
    }

    public static How.Cleaner cleaner(Said said) {
        if (said.isAcetone()) {
            return How.Cleaner.ACETONE;
        }
        if (said.isAlcohol()) {
            return How.Cleaner.ALCOHOL;
        }
        return said.isPaste() ? How.Cleaner.PASTE : said.isWithoutSolvent() ? How.Cleaner.SOAP : How.Cleaner.ACETONE;
    }

    private static How.Heat heat(String said) {
        if (LOW.matcher(said).find()) {
            return How.Heat.GUN_LOW;
        }
        return AIR.matcher(said).find() ? How.Heat.WARM_AIR : How.Heat.TORCH;
    }

    private static How.Grain grain(Material material) {
        return material.isCoarse() ? How.Grain.COARSE : How.Grain.FINE;
    }

    /** @param usual what it is if nothing is said */
    public static How.Vinyl vinyl(Material material, How.Vinyl usual) {
        return switch (material) {
            case METALLIC_VINYL -> How.Vinyl.METALLIC;
            case REMOVABLE_VINYL -> How.Vinyl.REMOVABLE;
            case PERMANENT_VINYL -> How.Vinyl.PERMANENT;
            case ORDINARY, FINE_GLITTER, CHUNKY_GLITTER, MIXED_GLITTER -> usual;
        };
    }
}

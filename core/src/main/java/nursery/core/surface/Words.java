package nursery.core.surface;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * Reads once, as fields, what steps of the first kind of file say in words. Where the words are unclear, what asks for
 * more care is taken.
 */
public final class Words {

    private static final Pattern GRIT = Pattern.compile("\\d{2,4}");

    private Words() {}

    /** A step of a plan as a work. */
    public static Work work(int id, PlanStep step, LabelTimes label) {
        return Work.of(
                id, Doing.of(step.kind()), how(step), step.kind().isPour() ? Optional.of(label) : Optional.empty());
    }

    static How how(PlanStep step) {
        String said = (step.title() + " " + step.detail()).toLowerCase(Locale.ROOT);
        return new How(
                sealer(said),
                cleaner(said),
                heat(said),
                grain(step.material()),
                step.material() == Material.MIXED_GLITTER,
                vinyl(step.material(), step.kind() == StepKind.STENCIL ? How.Vinyl.REMOVABLE : How.Vinyl.PERMANENT),
                grit(step.grit()).orElse(0),
                step.role().filter(CoatRole.ADHESIVE_GENEROUS::equals).isPresent(),
                step.role().filter(CoatRole.BLOOM::equals).isPresent(),
                // Flakes that wait for a film settle as well: those on a coat are told apart by what they lie on.
                false,
                How.Ratio.RIGHT);
    }

    /** A can that also says brush is a can. */
    public static How.Sealer sealer(String said) {
        boolean isCan = says(said, "aerosol", "spray", "can ");
        return !isCan && says(said, "brush") ? How.Sealer.BRUSHED : How.Sealer.AEROSOL;
    }

    public static How.Cleaner cleaner(String said) {
        if (says(said, "acetone")) {
            return How.Cleaner.ACETONE;
        }
        if (says(said, "alcohol", "ipa", "isopropyl")) {
            return How.Cleaner.ALCOHOL;
        }
        if (says(said, "paste")) {
            return How.Cleaner.PASTE;
        }
        return says(said, "soap") ? How.Cleaner.SOAP : How.Cleaner.ACETONE;
    }

    private static How.Heat heat(String said) {
        if (says(said, "torch", "flame")) {
            return How.Heat.TORCH;
        }
        if (says(said, "warm air", "dryer")) {
            return How.Heat.WARM_AIR;
        }
        return says(said, "on low", "low heat") ? How.Heat.GUN_LOW : How.Heat.TORCH;
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

    /** The finest that is named: that is what it ends with. */
    public static OptionalInt grit(String said) {
        Matcher numbers = GRIT.matcher(said);
        OptionalInt finest = OptionalInt.empty();
        while (numbers.find()) {
            int grit = Integer.parseInt(numbers.group());
            finest = OptionalInt.of(Math.max(grit, finest.orElse(0)));
        }
        return finest;
    }

    private static boolean says(String said, String... words) {
        for (String word : words) {
            if (Pattern.compile("\\b" + word).matcher(said).find()) {
                return true;
            }
        }
        return false;
    }
}

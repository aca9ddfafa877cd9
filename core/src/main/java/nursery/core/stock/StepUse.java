package nursery.core.stock;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.core.technique.DecalSize;
import nursery.core.technique.PlanStep;

/** What a step is expected to use of its materials. */
public final class StepUse {

    /** What is laid by a step that has no size of its own and no design; a decal about 8 by 8 cm, from memory. */
    private static final double LAID_CM2 = 60;

    private StepUse() {}

    /** A piece of a design that a step lays, as large as the sheet it is cut from. */
    public record Cut(String colour, double cm2) {}

    /**
     * Of each material in its kind's measure.
     *
     * @param coatedCm2 of the part of the cup that the step goes over
     * @param cuts what a design says is laid; nothing if the cup has none
     * @param usage what is known of each material
     */
    public static Map<Material, Double> of(
            PlanStep step,
            double coatedCm2,
            List<Cut> cuts,
            List<Material> materials,
            Function<Material, Usage> usage) {
        Map<Material, Double> expected = new LinkedHashMap<>();
        bases(step, coatedCm2, cuts, materials)
                .forEach((material, basis) ->
                        expected.put(material, usage.apply(material).on(basis)));
        return expected;
    }

    /**
     * On how much each is used, as {@link MaterialKind#basis} counts it. Several of one kind share what there is to
     * cover; of sheets each gives the pieces whose colour is nearest to its own.
     */
    public static Map<Material, Double> bases(
            PlanStep step, double coatedCm2, List<Cut> cuts, List<Material> materials) {
        Map<MaterialKind, List<Material>> ofKind = materials.stream()
                .collect(Collectors.groupingBy(Material::kind, LinkedHashMap::new, Collectors.toList()));
        double laid = cuts.isEmpty()
                ? step.size().map(StepUse::cm2).orElse(LAID_CM2)
                : cuts.stream().mapToDouble(Cut::cm2).sum();
        Map<Material, Double> bases = new LinkedHashMap<>();
        ofKind.forEach((kind, alike) -> {
            Map<Material, Double> own = kind.isCut() ? byColour(cuts, alike) : Map.of();
            for (Material material : alike) {
                // One that no piece is nearest to is used all the same: it was named.
                bases.put(
                        material,
                        own.size() == alike.size()
                                ? own.getOrDefault(material, 0.0)
                                : kind.basis(coatedCm2, laid) / alike.size());
            }
        });
        return bases;
    }

    private static Map<Material, Double> byColour(List<Cut> cuts, List<Material> alike) {
        Map<Material, Double> own = new LinkedHashMap<>();
        for (Cut cut : cuts) {
            own.merge(Colours.nearest(cut.colour(), alike, Material::colour), cut.cm2(), Double::sum);
        }
        return own;
    }

    private static double cm2(DecalSize size) {
        return size.widthMm() * size.heightMm() / 100;
    }
}

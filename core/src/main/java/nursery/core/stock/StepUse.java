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

    /** What is laid by a step that has no size of its own; a decal about 8 by 8 cm, from memory. */
    private static final double LAID_CM2 = 60;

    private StepUse() {}

    /**
     * Of each material in its kind's measure; several of one kind share what there is to cover.
     *
     * @param coatedCm2 of the cup
     * @param usage what is known of each material
     */
    public static Map<Material, Double> of(
            PlanStep step, double coatedCm2, List<Material> materials, Function<Material, Usage> usage) {
        Map<MaterialKind, Long> ofKind =
                materials.stream().collect(Collectors.groupingBy(Material::kind, Collectors.counting()));
        double laid = step.size().map(StepUse::cm2).orElse(LAID_CM2);
        Map<Material, Double> expected = new LinkedHashMap<>();
        for (Material material : materials) {
            double basis = material.kind().basis(coatedCm2, laid) / ofKind.getOrDefault(material.kind(), 1L);
            expected.put(material, usage.apply(material).on(basis));
        }
        return expected;
    }

    private static double cm2(DecalSize size) {
        return size.widthMm() * size.heightMm() / 100;
    }
}

package nursery.app.shelf;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MixRatio;
import org.jspecify.annotations.Nullable;

/** A resin as the table keeps it. */
record ResinRow(@Nullable Long id, String name, String ratio, double workingH, double turningH, double recoatFromH, double recoatUntilH,
        double sandableFromH, double sandableSureH, double scuffAfterH, double curedH, double fullCureH, double referenceC,
        double activation, @Nullable Double densityA, @Nullable Double densityB, @Nullable Double viscosity, @Nullable Double potLife,
        @Nullable Double tolerance, String source, int version) {

    static ResinRow of(@Nullable Long id, String name, Label label, String source, int version) {
        LabelTimes times = label.times();
        return new ResinRow(id, name, label.ratio().toString(), times.workingH(), times.turningH(), times.recoatFromH(), times.recoatUntilH(),
                times.sandableFromH(), times.sandableSureH(), times.scuffAfterH(), times.curedH(), times.fullCureH(), label.referenceC(),
                label.activationKjPerMol(), label.densities().map(Densities::partAGPerMl).orElse(null),
                label.densities().map(Densities::partBGPerMl).orElse(null),
                orNull(label.viscosityPaS()), orNull(label.potLifeMin()), orNull(label.tolerancePercent()), source, version);
    }

    ShelfResin toResin() {
        Optional<Densities> densities = densityA == null || densityB == null ? Optional.empty() : Optional.of(new Densities(densityA, densityB));
        LabelTimes times = new LabelTimes(workingH, turningH, recoatFromH, recoatUntilH, sandableFromH, sandableSureH, scuffAfterH, curedH, fullCureH);
        Label label = new Label(MixRatio.parse(ratio), times, referenceC, activation, densities,
                optional(viscosity), optional(potLife), optional(tolerance));
        return new ShelfResin(id == null ? 0 : id, name, label, source, version, Optional.empty());
    }

    private static @Nullable Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static OptionalDouble optional(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}

package nursery.app.shelf;

import java.time.Instant;
import java.util.OptionalDouble;
import nursery.core.measure.Edition;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.Resin;
import nursery.core.resin.Viscosity;
import org.jspecify.annotations.Nullable;

/** An edition of a resin's label as its table keeps it. */
record ResinEditionRow(
        int number,
        int product,
        Instant madeAt,
        String madeBy,
        String why,
        String ratio,
        LabelTimes times,
        double referenceC,
        double activation,
        @Nullable Double densityA,
        @Nullable Double densityB,
        @Nullable Double viscosity,
        @Nullable Double viscosity2,
        @Nullable Double viscosity2C,
        @Nullable Double potLife,
        @Nullable Double tolerance,
        String source,
        @Nullable Double foundSpeed,
        @Nullable Double foundActivation,
        @Nullable Integer foundObservations) {

    static ResinEditionRow of(Edition<Resin.Copy> edition) {
        Resin.Copy copy = edition.value();
        Label label = copy.printed();
        return new ResinEditionRow(
                edition.number(),
                edition.product(),
                edition.madeAt(),
                edition.madeBy(),
                edition.why().name(),
                label.ratio().toString(),
                label.times(),
                label.referenceC(),
                label.activationKjPerMol(),
                label.densities().map(Densities::partAGPerMl).orElse(null),
                label.densities().map(Densities::partBGPerMl).orElse(null),
                orNull(label.viscosityPaS()),
                label.viscosity()
                        .flatMap(Viscosity::second)
                        .map(Viscosity.Second::paS)
                        .orElse(null),
                label.viscosity()
                        .flatMap(Viscosity::second)
                        .map(Viscosity.Second::atC)
                        .orElse(null),
                orNull(label.potLifeMin()),
                orNull(label.tolerancePercent()),
                copy.source(),
                copy.found().map(Resin.Found::speed).orElse(null),
                copy.found().map(Resin.Found::activationKjPerMol).orElse(null),
                copy.found().map(Resin.Found::observations).orElse(null));
    }

    private static @Nullable Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}

package nursery.app.mix;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.floor.Batch;
import nursery.core.floor.ShelfCup;
import nursery.core.measure.MassUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Densities;
import nursery.core.resin.Mix;
import org.springframework.stereotype.Component;

/** What is in the mixing cup: as it is planned, and as it was really measured, by its marks or by the scale. */
@Component
class Measured {

    private final MixBook mixes;
    private final Floors floors;

    Measured(MixBook mixes, Floors floors) {
        this.mixes = mixes;
        this.floors = floors;
    }

    ShelfCup cupOf(Batch batch) {
        return floors.shelf().measuringCups().stream()
                .filter(found -> found.id() == batch.measuringCupId())
                .findFirst()
                .orElseThrow();
    }

    /** What will be in the cup if it is measured as planned: by its marks, or all fillings together on a scale. */
    Map<String, String> asPlanned(Batch batch, boolean byScale, Show marks) {
        Mix planned = batch.planned();
        List<MixSheet.Grams> whole = MixSheet.Grams.of(mixes.resin(batch).label(), List.of(planned));
        return byScale
                ? Map.of(
                        "partA", Numbers.show(whole.get(0).partA(), 1),
                        "partB", Numbers.show(whole.get(0).total(), 1),
                        "by", "scale")
                : Map.of(
                        "partA", marks.markNumber(planned.partAMl()),
                        "partB", marks.markNumber(planned.partBMl()),
                        "by", "cup");
    }

    /** What was measured, in ml: typed as volumes, or as what the scale showed after A and after B on top. */
    Mix read(Batch batch, FormReader reader) {
        if (!"scale".equals(reader.raw("by"))) {
            VolumeUnit marks = cupOf(batch).cup().marks();
            return new Mix(reader.quantity("partA", "A", marks), reader.quantity("partB", "B", marks));
        }
        double afterA = reader.quantity("partA", "The scale after A", MassUnit.G);
        double afterB = reader.quantity("partB", "The scale after B", MassUnit.G);
        Optional<Densities> densities = mixes.resin(batch).label().densities();
        reader.faults()
                .require(
                        densities.isPresent(),
                        "by",
                        "This resin's densities are not known, so a weight says nothing about its volume: measure "
                                + "by volume, or add them to its label.");
        reader.faults()
                .require(
                        !(afterB <= afterA),
                        "partB",
                        "The scale after B must show more than after A: enter the total, without taring in between.");
        return densities.map(found -> found.volumes(afterA, afterB - afterA)).orElse(new Mix(Double.NaN, Double.NaN));
    }
}

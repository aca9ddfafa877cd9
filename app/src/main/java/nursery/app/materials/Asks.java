package nursery.app.materials;

import java.util.Optional;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.MassUnit;
import nursery.core.measure.Unit;
import nursery.core.measure.VolumeUnit;
import nursery.core.stock.MaterialKind.Measure;

/**
 * What a shop's forms ask a material's amounts in, wherever they ask.
 *
 * @param volumes what the shop measures volumes in
 * @param lengths and lengths, which says what areas are told in
 */
@Published
public record Asks(VolumeUnit volumes, LengthUnit lengths) {

    /** As the core computes, and as files are written. */
    static final Asks BASE = new Asks(VolumeUnit.ML, LengthUnit.MM);

    /** Empty for what is counted. */
    Optional<Unit> unit(Measure measure) {
        return switch (measure) {
            case GRAM -> Optional.of(MassUnit.G);
            case ML -> Optional.of(volumes);
            case CM2 -> Optional.of(lengths.areaUnit());
            case PIECE -> Optional.empty();
        };
    }

    public String symbol(Measure measure) {
        return unit(measure).map(Unit::symbol).orElse(measure.symbol());
    }

    /** An amount in what its kind is asked in, or in the unit behind it: a bottle of paint may say 4 fl oz. */
    public double amount(FormReader reader, String field, String what, Measure measure, double most) {
        Optional<Unit> unit = unit(measure);
        if (unit.isPresent()) {
            return reader.quantity(field, what, unit.get(), 0, most);
        }
        double pieces = reader.number(field, what);
        reader.faults().within(field, what, pieces, 0, most, measure.symbol());
        return pieces;
    }
}

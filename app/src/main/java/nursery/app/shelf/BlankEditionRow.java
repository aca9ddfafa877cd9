package nursery.app.shelf;

import java.time.Instant;
import nursery.core.cup.Blank;
import nursery.core.cup.OutlineForm;
import nursery.core.measure.Edition;
import org.jspecify.annotations.Nullable;

/** An edition of a blank as its table keeps it; its stations are rows of their own. */
record BlankEditionRow(
        int number,
        int product,
        Instant madeAt,
        String madeBy,
        String why,
        String form,
        boolean baseCoated,
        double rimBareMm,
        double baseBareMm,
        double handleGapMm,
        @Nullable Double nominalOz,
        boolean factoryCoat) {

    static BlankEditionRow of(Edition<Blank> edition) {
        Blank blank = edition.value();
        return new BlankEditionRow(
                edition.number(),
                edition.product(),
                edition.madeAt(),
                edition.madeBy(),
                edition.why().name(),
                OutlineForm.of(blank.outline()).name(),
                blank.baseCoated(),
                blank.rimBareMm(),
                blank.baseBareMm(),
                blank.handleGapMm(),
                blank.nominalOz().isPresent() ? blank.nominalOz().getAsDouble() : null,
                blank.factoryCoat());
    }
}

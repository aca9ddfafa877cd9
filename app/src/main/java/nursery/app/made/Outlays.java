package nursery.app.made;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Used;
import nursery.app.shelf.StockBook;
import nursery.app.shelf.StockBook.PaidDraw;
import org.springframework.stereotype.Component;

/** What went out of bottles and packs for cups, read at once for however many. */
@Component
class Outlays {

    private final MaterialBook materials;
    private final StockBook stock;

    Outlays(MaterialBook materials, StockBook stock) {
        this.materials = materials;
        this.stock = stock;
    }

    /** Of one cup. */
    record Outlay(List<PaidDraw> resin, List<Used> materials) {
        static final Outlay NOTHING = new Outlay(List.of(), List.of());
    }

    /** @param digits decimals of the currency */
    Map<Long, Outlay> of(Collection<Long> cups, int digits) {
        if (cups.isEmpty()) {
            return Map.of();
        }
        Map<Long, List<PaidDraw>> resin = stock.paidFor(cups, digits);
        Map<Long, List<Used>> used = materials.usedBy(cups, digits);
        Map<Long, Outlay> outlays = new LinkedHashMap<>();
        cups.forEach(cup ->
                outlays.put(cup, new Outlay(resin.getOrDefault(cup, List.of()), used.getOrDefault(cup, List.of()))));
        return outlays;
    }
}

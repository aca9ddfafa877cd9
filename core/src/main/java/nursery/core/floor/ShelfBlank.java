package nursery.core.floor;

import java.util.Optional;
import nursery.core.cup.Blank;
import nursery.core.measure.Editions;

/**
 * A blank with the name the maker knows it by. A cup keeps the edition it was started on.
 *
 * @param taped how it was measured, if that is known
 */
public record ShelfBlank(long id, String name, Editions<Blank> editions, Optional<Taped> taped, int version) {

    public Blank blank() {
        return editions.current().value();
    }
}

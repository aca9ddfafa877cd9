package nursery.core.floor;

import java.util.Optional;
import nursery.core.cup.Blank;
import nursery.core.measure.Editions;
import nursery.core.measure.LengthUnit;

/**
 * A blank with the name the maker knows it by. A cup keeps the edition it was started on.
 *
 * @param tapedIn the unit it was measured in, if that is known
 */
public record ShelfBlank(long id, String name, Editions<Blank> editions, Optional<LengthUnit> tapedIn, int version) {

    public Blank blank() {
        return editions.current().value();
    }
}

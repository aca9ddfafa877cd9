package nursery.core.floor;

import nursery.core.cup.Blank;
import nursery.core.measure.Editions;

/** A blank with the name the maker knows it by. A cup keeps the edition it was started on. */
public record ShelfBlank(long id, String name, Editions<Blank> editions, int version) {

    public Blank blank() {
        return editions.current().value();
    }
}

package nursery.app.shelf;

import nursery.app.platform.Published;
import nursery.core.cup.Blank;

/** A blank with the name the maker knows it by. */
@Published
public record ShelfBlank(long id, String name, Blank blank, int version) {}

package nursery.app.shelf;

import nursery.app.platform.Published;
import nursery.core.resin.Label;

/**
 * A resin with the name the maker knows it by.
 *
 * @param source where its figures come from, in words
 */
@Published
public record ShelfResin(long id, String name, Label label, String source, int version) {}

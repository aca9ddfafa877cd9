/**
 * Blanks, resins and spindles: what a maker owns. Publishes {@link nursery.app.shelf.Shelf}.
 */
@NullMarked
package nursery.app.shelf;

import org.jspecify.annotations.NullMarked;

/**
 * Blanks, resins, turners, measuring cups and bottles: what a maker owns. Publishes {@link nursery.app.shelf.ShelfBook}
 * and {@link nursery.app.shelf.StockBook}.
 */
@NullMarked
package nursery.app.shelf;

import org.jspecify.annotations.NullMarked;

/**
 * Materials beside resins and blanks: their lots, what steps use of them, and the shop's money. Publishes
 * {@link nursery.app.materials.MaterialBook} and {@link nursery.app.materials.MoneyBook}.
 */
@NullMarked
package nursery.app.materials;

import org.jspecify.annotations.NullMarked;

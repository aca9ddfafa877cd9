/**
 * What lies on the shelf beside resins and blanks: materials, their lots, what a step uses up of them and what is
 * learned of that. Uses {@code technique} and what stands above it.
 */
@NullMarked
package nursery.core.stock;

import org.jspecify.annotations.NullMarked;

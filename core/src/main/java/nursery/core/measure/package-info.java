/**
 * Quantities with their units, and reading them from what a person typed. Uses nothing; every other package may use it.
 */
@NullMarked
package nursery.core.measure;

import org.jspecify.annotations.NullMarked;

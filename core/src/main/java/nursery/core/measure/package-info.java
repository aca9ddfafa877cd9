/**
 * Quantities with their units, reading them and times of day from what a person typed, stretches of time, and editions
 * of what was written down. Uses nothing; every other package may use it.
 */
@NullMarked
package nursery.core.measure;

import org.jspecify.annotations.NullMarked;

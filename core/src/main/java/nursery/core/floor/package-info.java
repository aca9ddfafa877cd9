/**
 * The shop at a moment as one value, and the one answer to each question about it. Uses every other package of the
 * core.
 */
@NullMarked
package nursery.core.floor;

import org.jspecify.annotations.NullMarked;

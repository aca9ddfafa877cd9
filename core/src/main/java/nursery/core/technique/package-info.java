/** Steps, the waits between them, and the schools a maker chooses from. Uses the packages above it. */
@NullMarked
package nursery.core.technique;

import org.jspecify.annotations.NullMarked;

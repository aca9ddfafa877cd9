/** What a resin's label says, and a mix measured by its ratio. Uses {@code measure}. */
@NullMarked
package nursery.core.resin;

import org.jspecify.annotations.NullMarked;

/** The room's temperature, and the clock a coat cures by. Uses {@code measure} and {@code resin}. */
@NullMarked
package nursery.core.cure;

import org.jspecify.annotations.NullMarked;

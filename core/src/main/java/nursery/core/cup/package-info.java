/** Blanks: the outline of a bare cup and the area a coat has to cover. Uses {@code measure}. */
@NullMarked
package nursery.core.cup;

import org.jspecify.annotations.NullMarked;

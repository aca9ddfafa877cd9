/** The JSON API under {@code /api}. */
@NullMarked
package nursery.app.api;

import org.jspecify.annotations.NullMarked;

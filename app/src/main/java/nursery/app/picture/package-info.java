/** Drawings as SVG geometry, computed from the same numbers as the words beside them. Any room may use it. */
@NullMarked
package nursery.app.picture;

import org.jspecify.annotations.NullMarked;

/** Cups, their plans and their logs. Publishes {@link nursery.app.cups.CupBook}. */
@NullMarked
package nursery.app.cups;

import org.jspecify.annotations.NullMarked;

/** What a cup is made of, what it costs and what is asked for it. Publishes {@link nursery.app.made.CostBook}. */
@NullMarked
package nursery.app.made;

import org.jspecify.annotations.NullMarked;

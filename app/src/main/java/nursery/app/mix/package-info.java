/** The mixing bench: from the coats that are due to one mix, its lines, its order and its deadline. */
@NullMarked
package nursery.app.mix;

import org.jspecify.annotations.NullMarked;

/** How thick a coat is, and how much to mix for one. Uses {@code measure}, {@code cup} and {@code resin}. */
@NullMarked
package nursery.core.film;

import org.jspecify.annotations.NullMarked;

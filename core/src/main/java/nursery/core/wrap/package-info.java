/**
 * A design on a cup: the flat pattern of its side, art laid on it and bent, joined, outlined, checked, seen and cut.
 * Uses {@code measure} and {@code cup}; plane geometry by JTS, which no other package needs.
 */
@NullMarked
package nursery.core.wrap;

import org.jspecify.annotations.NullMarked;

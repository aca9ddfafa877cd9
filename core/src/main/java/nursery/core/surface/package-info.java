/**
 * What lies on a cup, and what may go on it, when: layers, and one table of what meets what. A window is worked out
 * from the layers a step meets, never from its place in a list. Whatever asks when a step may be done may use it.
 */
@NullMarked
package nursery.core.surface;

import org.jspecify.annotations.NullMarked;

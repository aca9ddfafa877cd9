/** Designs: art read, fitted to a cup, seen, printed and cut. */
@NullMarked
package nursery.app.wrap;

import org.jspecify.annotations.NullMarked;

/** The first screen: what needs hands now, for all cups. */
@NullMarked
package nursery.app.bench;

import org.jspecify.annotations.NullMarked;

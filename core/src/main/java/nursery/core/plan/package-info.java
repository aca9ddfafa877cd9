/** Many cups, spindles and one pair of hands into a plan for the weeks ahead. Uses every package of the core. */
@NullMarked
package nursery.core.plan;

import org.jspecify.annotations.NullMarked;

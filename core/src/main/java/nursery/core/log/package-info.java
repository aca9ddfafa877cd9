/** What happened to a cup, and the fold of plan, log, room and now into its state. Uses the packages above it. */
@NullMarked
package nursery.core.log;

import org.jspecify.annotations.NullMarked;

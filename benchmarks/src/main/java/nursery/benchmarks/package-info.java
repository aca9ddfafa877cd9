/** Benchmarks of the core. Nothing uses them. */
@NullMarked
package nursery.benchmarks;

import org.jspecify.annotations.NullMarked;

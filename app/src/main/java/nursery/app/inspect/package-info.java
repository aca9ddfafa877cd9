/**
 * What is wrong with a cup: what is seen, why, and what now. Uses the cups' book and their plans; nobody uses it but
 * the API and the demo.
 */
@NullMarked
package nursery.app.inspect;

import org.jspecify.annotations.NullMarked;

/**
 * Money: what was paid for what is used up, to the cent and with nothing lost, and what to ask for it. Exact decimals
 * throughout; rounding is half up and comes last.
 */
@NullMarked
package nursery.core.worth;

import org.jspecify.annotations.NullMarked;

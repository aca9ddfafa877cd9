/**
 * What is wrong with a coat: from what is seen on it and what its log knows to the causes, the remedies and what they
 * take. The weights are common practice or from memory until a shop's own confirmed cases outweigh them.
 */
@NullMarked
package nursery.core.inspect;

import org.jspecify.annotations.NullMarked;

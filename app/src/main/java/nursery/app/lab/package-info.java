/** The cure lab: one coat played through, to think with, away from any cup. Publishes nothing. */
@NullMarked
package nursery.app.lab;

import org.jspecify.annotations.NullMarked;

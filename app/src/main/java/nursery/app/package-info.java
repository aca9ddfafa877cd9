/**
 * The shop. One package per room; rooms meet only through the core and through types marked
 * {@link nursery.app.platform.Published}.
 */
@NullMarked
package nursery.app;

import org.jspecify.annotations.NullMarked;

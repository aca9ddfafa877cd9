/**
 * Security, the clock, forms sent twice, and how quantities and times are shown. Any room may use it; it uses no room.
 */
@NullMarked
package nursery.app.platform;

import org.jspecify.annotations.NullMarked;

/** The shop's units, zone, quiet hours and measuring cup. Publishes {@link nursery.app.settings.ShopBook}. */
@NullMarked
package nursery.app.settings;

import org.jspecify.annotations.NullMarked;

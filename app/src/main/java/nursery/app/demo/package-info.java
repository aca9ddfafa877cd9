/** Made-up cups, placed relative to now. */
@NullMarked
package nursery.app.demo;

import org.jspecify.annotations.NullMarked;

/** Keeping the shop safe: backups, made while it runs, checked, restored; the newest of days, weeks and months kept. */
@NullMarked
package nursery.app.keep;

import org.jspecify.annotations.NullMarked;

/**
 * What a maker wants to be told of: a banner on every page, a calendar feed for a phone, a list for the day. Publishes
 * nothing.
 */
@NullMarked
package nursery.app.alarms;

import org.jspecify.annotations.NullMarked;

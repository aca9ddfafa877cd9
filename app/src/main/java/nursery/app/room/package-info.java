/** The room's temperature. Publishes {@link nursery.app.room.RoomBook}. */
@NullMarked
package nursery.app.room;

import org.jspecify.annotations.NullMarked;

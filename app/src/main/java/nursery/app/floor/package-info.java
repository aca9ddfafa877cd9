/**
 * Reads the shop as it is at a moment, for every room: {@link nursery.app.floor.Floors}. Rooms write what is theirs;
 * nobody else reads it.
 */
@NullMarked
package nursery.app.floor;

import org.jspecify.annotations.NullMarked;

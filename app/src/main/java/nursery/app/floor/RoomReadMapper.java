package nursery.app.floor;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import nursery.core.cure.RoomReading;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Reads the room. */
@Mapper
interface RoomReadMapper {

    record ReadRow(long id, Instant at, double temperatureC, @Nullable Double humidity) {
        RoomReading reading() {
            return new RoomReading(
                    at, temperatureC, humidity == null ? OptionalDouble.empty() : OptionalDouble.of(humidity));
        }
    }

    @Select("SELECT id, taken_at, temperature_c, humidity FROM room_reading WHERE place = #{place} AND taken_at "
            + "BETWEEN #{from} AND #{until} ORDER BY taken_at")
    List<ReadRow> between(@Param("place") String place, @Param("from") Instant from, @Param("until") Instant until);

    /** What was written since a reading, and that reading itself. */
    @Select("SELECT id, taken_at, temperature_c, humidity FROM room_reading WHERE id >= #{id} AND place = #{place} "
            + "ORDER BY taken_at")
    List<ReadRow> since(@Param("place") String place, @Param("id") long id);
}

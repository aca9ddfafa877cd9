package nursery.app.room;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface RoomMapper {

    record ReadingRow(Instant at, double temperatureC, @Nullable Double humidity, String recordedBy) {}

    record SensorRow(
            long id,
            String place,
            Instant madeAt,
            String madeBy,
            @Nullable Instant heardAt,
            @Nullable Instant revokedAt) {}

    record PlanRow(String curePlace, String forecast, @Nullable Double steadyC, String heating) {}

    @Select("SELECT taken_at, temperature_c, humidity, recorded_by FROM room_reading WHERE place = #{place} ORDER "
            + "BY taken_at DESC LIMIT #{count}")
    List<ReadingRow> newest(@Param("place") String place, @Param("count") int count);

    @Select("SELECT place FROM room_reading GROUP BY place UNION SELECT place FROM room_sensor ORDER BY 1")
    List<String> places();

    /**
     * Many readings in one statement: a year of them would otherwise be half a million parameters. What is known
     * already is left as it is.
     *
     * @return how many were new
     * @param json an array of arrays: the moment as {@code 2026-03-01 18:00:00.000} in UTC, °C, and the humidity if it
     *     was read
     */
    @Insert(
            """
            INSERT IGNORE INTO room_reading (place, taken_at, temperature_c, humidity, recorded_by)
            SELECT #{place}, r.taken_at, r.celsius, r.humidity, #{by} FROM JSON_TABLE(#{json}, '$[*]'
              COLUMNS (taken_at DATETIME(3) PATH '$[0]', celsius DOUBLE PATH '$[1]', humidity DOUBLE PATH '$[2]')) r""")
    int insertAll(@Param("place") String place, @Param("by") String by, @Param("json") String json);

    @Insert("INSERT INTO room_sensor (place, token_hash, made_at, made_by) VALUES (#{place}, #{hash}, #{at}, #{by})")
    void insertSensor(
            @Param("place") String place, @Param("hash") String hash, @Param("at") Instant at, @Param("by") String by);

    @Select("SELECT id, place, made_at, made_by, heard_at, revoked_at FROM room_sensor ORDER BY id")
    List<SensorRow> sensors();

    @Select("SELECT id, place, made_at, made_by, heard_at, revoked_at FROM room_sensor WHERE token_hash = #{hash}")
    Optional<SensorRow> sensor(String hash);

    @Update("UPDATE room_sensor SET heard_at = #{at} WHERE id = #{id}")
    void heard(@Param("id") long id, @Param("at") Instant at);

    @Update("UPDATE room_sensor SET revoked_at = #{at} WHERE id = #{id} AND revoked_at IS NULL")
    void revoke(@Param("id") long id, @Param("at") Instant at);

    @Insert(
            """
            INSERT INTO room_plan (id, cure_place, forecast, steady_c, heating) VALUES (1, #{curePlace}, #{forecast},
              #{steadyC}, #{heating})
            ON DUPLICATE KEY UPDATE cure_place = #{curePlace}, forecast = #{forecast}, steady_c = #{steadyC}, heating
              = #{heating}""")
    void savePlan(PlanRow plan);

    /** What is kept in memory of the room is read anew. */
    @Update("UPDATE stamp SET version = version + 1 WHERE what = 'room'")
    void changed();
}

package nursery.app.scale;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ScaleMapper {

    /** What a scale showed last; of jumps and readings it is told how many there were in all. */
    record ShownRow(String scale, Instant at, double grams, boolean stable, int jumps, long readings) {}

    @Select("SELECT scale, at, grams, stable, jumps, readings FROM scale_shown ORDER BY scale")
    List<ShownRow> all();

    /**
     * @param first the first of the readings, to be compared with what was shown before
     * @param within how often it jumped between them
     * @param count how many readings they are
     */
    @Select(
            value =
                    """
            INSERT INTO scale_shown (scale, at, grams, stable, jumps, readings)
              VALUES (#{scale}, #{last.at}, #{last.grams}, #{last.stable}, #{within}, #{count})
            ON DUPLICATE KEY UPDATE jumps = jumps + (ABS(grams - #{first}) > #{jump}) + #{within}, at = #{last.at},
              grams = #{last.grams}, stable = #{last.stable}, readings = readings + #{count}
            RETURNING scale, at, grams, stable, jumps, readings""",
            affectData = true)
    ShownRow show(
            @Param("scale") String scale,
            @Param("last") ScaleReading last,
            @Param("first") double first,
            @Param("jump") double jump,
            @Param("within") int within,
            @Param("count") int count);
}

package nursery.app.cups;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** What was begun, and how long it took. */
@Mapper
interface HandsMapper {

    /** @param cups how many were begun with one touch */
    record BegunRow(Instant begunAt, String begunBy, int cups) {}

    record PouredRow(String code, long cupId, int step, Instant happenedAt) {}

    @Insert("REPLACE INTO step_begun (cup_id, step, begun_at, begun_by, cups) "
            + "VALUES (#{cupId}, #{step}, #{at}, #{by}, #{cups})")
    void begin(
            @Param("cupId") long cupId,
            @Param("step") int step,
            @Param("at") Instant at,
            @Param("by") String by,
            @Param("cups") int cups);

    @Select("SELECT begun_at, begun_by, cups FROM step_begun WHERE cup_id = #{cupId} AND step = #{step}")
    Optional<BegunRow> begun(@Param("cupId") long cupId, @Param("step") int step);

    /** A step that was begun. */
    record BegunStepRow(int step, Instant begunAt, String begunBy, int cups) {
        BegunRow begun() {
            return new BegunRow(begunAt, begunBy, cups);
        }
    }

    @Select("SELECT step, begun_at, begun_by, cups FROM step_begun WHERE cup_id = #{cupId}")
    List<BegunStepRow> begunOn(long cupId);

    @Delete("DELETE FROM step_begun WHERE cup_id = #{cupId} AND step = #{step}")
    void forget(@Param("cupId") long cupId, @Param("step") int step);

    @Insert("REPLACE INTO step_timed (cup_id, step, minutes, timed_at) VALUES (#{cupId}, #{step}, #{minutes}, #{at})")
    void timed(
            @Param("cupId") long cupId,
            @Param("step") int step,
            @Param("minutes") double minutes,
            @Param("at") Instant at);

    @Delete("DELETE FROM step_timed WHERE cup_id = #{cupId} AND step = #{step}")
    int untimed(@Param("cupId") long cupId, @Param("step") int step);

    @Update("UPDATE stamp SET version = version + 1 WHERE what = 'hands'")
    void countOn();

    /** The coats of a mix, as the logs stand. */
    @Select(
            """
            SELECT c.code, e.cup_id, e.step, e.happened_at FROM log_entry e JOIN cup c ON c.id = e.cup_id
            WHERE e.batch_id = #{batch} AND e.kind = 'POURED'
              AND NOT EXISTS (SELECT 1 FROM log_entry x WHERE x.cancels_id = e.id)
            ORDER BY c.code""")
    List<PouredRow> poured(long batch);
}

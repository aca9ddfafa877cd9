package nursery.app.mix;

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
interface MixMapper {

    record BatchRow(@Nullable Long id, long resinId, long cupId, String ratio, double plannedAMl, double plannedBMl, double potMinutes, Instant startedAt,
            String startedBy, @Nullable Double actualAMl, @Nullable Double actualBMl, @Nullable Instant mixedAt, @Nullable Instant closedAt, @Nullable Double leftoverMl, boolean wasted) {}

    record ShareRow(long batchId, int position, long cupId, String code, int step, double shareMl, double atMinute, @Nullable Double additionMl, @Nullable String addition) {}

    String BATCH = """
            SELECT id, resin_id, cup_id, ratio, planned_a_ml, planned_b_ml, pot_minutes, started_at, started_by, actual_a_ml, actual_b_ml, mixed_at, closed_at, leftover_ml, wasted
            FROM batch\s""";

    @Select(BATCH + "WHERE id = #{id}")
    Optional<BatchRow> batch(long id);

    @Select(BATCH + "WHERE id = #{id} FOR UPDATE")
    Optional<BatchRow> lock(long id);

    @Select(BATCH + "WHERE closed_at IS NULL ORDER BY id DESC")
    List<BatchRow> open();

    @Select("""
            SELECT s.batch_id, s.position, s.cup_id, c.code, s.step, s.share_ml, s.at_minute, s.addition_ml, s.addition
            FROM batch_share s JOIN cup c ON c.id = s.cup_id WHERE s.batch_id = #{batchId} ORDER BY s.position""")
    List<ShareRow> shares(long batchId);

    /** The open batch that already holds a coat, if any. */
    @Select(BATCH + "WHERE closed_at IS NULL AND id IN (SELECT batch_id FROM batch_share WHERE cup_id = #{cupId} AND step = #{step}) ORDER BY id LIMIT 1")
    Optional<BatchRow> openFor(@Param("cupId") long cupId, @Param("step") int step);

    @Insert("""
            INSERT INTO batch (resin_id, cup_id, ratio, planned_a_ml, planned_b_ml, pot_minutes, started_at, started_by)
            VALUES (#{resinId}, #{cupId}, #{ratio}, #{plannedAMl}, #{plannedBMl}, #{potMinutes}, #{startedAt}, #{startedBy})""")
    void insertBatch(BatchRow batch);

    @Select("SELECT LAST_INSERT_ID()")
    long lastId();

    @Insert("INSERT INTO batch_share (batch_id, position, cup_id, step, share_ml, at_minute, addition_ml, addition) VALUES (#{batchId}, #{position}, #{cupId}, #{step}, #{shareMl}, #{atMinute}, #{additionMl}, #{addition})")
    void insertShare(ShareRow share);

    @Update("UPDATE batch SET actual_a_ml = #{a}, actual_b_ml = #{b}, mixed_at = #{at}, pot_minutes = #{potMinutes} WHERE id = #{id}")
    void mixed(@Param("id") long id, @Param("a") double a, @Param("b") double b, @Param("at") Instant at, @Param("potMinutes") double potMinutes);

    @Update("UPDATE batch SET closed_at = #{at}, leftover_ml = #{leftoverMl} WHERE id = #{id}")
    void close(@Param("id") long id, @Param("at") Instant at, @Param("leftoverMl") double leftoverMl);

    @Update("UPDATE batch SET closed_at = #{at}, actual_a_ml = #{a}, actual_b_ml = #{b}, leftover_ml = #{a} + #{b}, wasted = TRUE WHERE id = #{id}")
    void waste(@Param("id") long id, @Param("at") Instant at, @Param("a") double a, @Param("b") double b);

    /** What went on cups out of a batch, by the logs as they stand. */
    @Select("SELECT COALESCE(SUM(e.amount_ml), 0) FROM log_entry e WHERE e.batch_id = #{id} AND e.id NOT IN (SELECT cancels_id FROM log_entry WHERE cancels_id IS NOT NULL)")
    double pouredMl(long id);
}

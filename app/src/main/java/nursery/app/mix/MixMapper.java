package nursery.app.mix;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface MixMapper {

    record NewBatchRow(
            long resinId,
            long measuringCupId,
            String ratio,
            double plannedAMl,
            double plannedBMl,
            double potMinutes,
            Instant startedAt,
            String startedBy,
            boolean byScale) {}

    record NewShareRow(long batchId, int position, long cupId, int step, double shareMl, double atMinute) {}

    /** @param position the share's place in its batch */
    record NewAdditionRow(long batchId, int position, int place, double ml, String what) {}

    /** Who mixes for a coat already. */
    record UnderWayRow(long id, String startedBy, Instant startedAt) {}

    @Select("SELECT id FROM batch WHERE id = #{id} FOR UPDATE")
    Optional<Long> lock(long id);

    /** The open batch that already holds a coat, if any. */
    @Select(
            """
            SELECT b.id, b.started_by, b.started_at FROM batch b JOIN batch_share s ON s.batch_id = b.id
            WHERE b.closed_at IS NULL AND s.cup_id = #{cupId} AND s.step = #{step} ORDER BY b.id LIMIT 1""")
    Optional<UnderWayRow> openFor(@Param("cupId") long cupId, @Param("step") int step);

    @Select(
            value =
                    """
            INSERT INTO batch (resin_id, measuring_cup_id, ratio, planned_a_ml, planned_b_ml, pot_minutes,
              started_at, started_by, by_scale)
            VALUES (#{resinId}, #{measuringCupId}, #{ratio}, #{plannedAMl}, #{plannedBMl}, #{potMinutes},
              #{startedAt}, #{startedBy}, #{byScale}) RETURNING id""",
            affectData = true)
    long insertBatch(NewBatchRow batch);

    @Insert(
            """
            INSERT INTO batch_share (batch_id, position, cup_id, step, share_ml, at_minute)
            VALUES (#{batchId}, #{position}, #{cupId}, #{step}, #{shareMl}, #{atMinute})""")
    void insertShare(NewShareRow share);

    @Insert("INSERT INTO batch_addition (batch_id, position, place, ml, what) "
            + "VALUES (#{batchId}, #{position}, #{place}, #{ml}, #{what})")
    void insertAddition(NewAdditionRow addition);

    @Update("UPDATE batch SET actual_a_ml = #{a}, actual_b_ml = #{b}, mixed_at = #{at}, pot_minutes = #{potMinutes} "
            + "WHERE id = #{id}")
    void mixed(
            @Param("id") long id,
            @Param("a") double a,
            @Param("b") double b,
            @Param("at") Instant at,
            @Param("potMinutes") double potMinutes);

    /** The first touch counts; before A and B met nothing can have been stirred. */
    @Update(
            """
            UPDATE batch SET stirred_at = IF(#{what} = 'STIRRED', COALESCE(stirred_at, #{at}), stirred_at),
              second_cup_at = IF(#{what} = 'SECOND_CUP', COALESCE(second_cup_at, #{at}), second_cup_at),
              rested_at = IF(#{what} = 'RESTED', COALESCE(rested_at, #{at}), rested_at)
            WHERE id = #{id} AND mixed_at IS NOT NULL AND closed_at IS NULL""")
    void stirred(@Param("id") long id, @Param("what") String what, @Param("at") Instant at);

    @Update("UPDATE batch SET closed_at = #{at}, leftover_ml = #{thrownMl}, aside_ml = #{asideMl} WHERE id = #{id}")
    void close(
            @Param("id") long id,
            @Param("at") Instant at,
            @Param("thrownMl") double thrownMl,
            @Param("asideMl") double asideMl);

    @Update("UPDATE batch SET closed_at = #{at}, actual_a_ml = #{a}, actual_b_ml = #{b}, leftover_ml = #{a} + #{b}, "
            + "wasted = TRUE WHERE id = #{id}")
    void waste(@Param("id") long id, @Param("at") Instant at, @Param("a") double a, @Param("b") double b);

    /** What went on cups out of a batch, by the logs as they stand. */
    @Select(
            """
            SELECT COALESCE(SUM(e.amount_ml), 0) FROM log_entry e
            WHERE e.batch_id = #{id} AND NOT EXISTS (SELECT 1 FROM log_entry c WHERE c.cancels_id = e.id)""")
    double pouredMl(long id);
}

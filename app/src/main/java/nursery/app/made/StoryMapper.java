package nursery.app.made;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface StoryMapper {

    record NextTimeRow(String words, Instant writtenAt, String writtenBy) {}

    /** @param found where the words stand */
    record FoundRow(String code, String name, String madeFor, Instant startedAt, String found) {}

    @Select("SELECT words, written_at, written_by FROM cup_next_time WHERE cup_id = #{cup}")
    Optional<NextTimeRow> nextTime(long cup);

    @Insert("INSERT INTO cup_next_time (cup_id, words, written_at, written_by) VALUES (#{cup}, #{words}, #{at}, #{by}) "
            + "ON DUPLICATE KEY UPDATE words = #{words}, written_at = #{at}, written_by = #{by}")
    void write(@Param("cup") long cup, @Param("words") String words, @Param("at") Instant at, @Param("by") String by);

    @Delete("DELETE FROM cup_next_time WHERE cup_id = #{cup}")
    void unwrite(long cup);

    @Select("SELECT care FROM paper_ways")
    String care();

    @Update("UPDATE paper_ways SET care = #{words}")
    void setCare(String words);

    /** Everything that was written about cups; {@code like} has its signs escaped. */
    @Select(
            """
            SELECT c.code, c.name, c.made_for, c.started_at,
              CASE WHEN c.name LIKE #{like} THEN 'name' WHEN c.code LIKE #{like} THEN 'code'
                WHEN c.made_for LIKE #{like} THEN 'made for' WHEN c.technique LIKE #{like} THEN 'technique'
                WHEN n.words LIKE #{like} THEN 'next time' WHEN o.found IS NOT NULL THEN o.found
                ELSE 'note in its log' END
            FROM cup c LEFT JOIN cup_said s ON s.cup_id = c.id LEFT JOIN cup_next_time n ON n.cup_id = c.id
              LEFT JOIN (SELECT cup_id, MIN(found) AS found FROM (
                SELECT cup_id, 'picture' AS found FROM photo WHERE words LIKE #{like}
                UNION ALL SELECT cup_id, 'material' FROM cup_material
                  WHERE material_id IN (SELECT id FROM material WHERE name LIKE #{like})
                UNION ALL SELECT cup_id, 'lot' FROM material_move
                  WHERE lot_id IN (SELECT id FROM material_lot WHERE lot LIKE #{like})
                UNION ALL SELECT s.cup_id, 'resin lot' FROM batch_share s JOIN bottle_draw d ON d.batch_id = s.batch_id
                  WHERE d.bottle_id IN (SELECT id FROM bottle WHERE lot LIKE #{like})
              ) w WHERE cup_id IS NOT NULL GROUP BY cup_id) o ON o.cup_id = c.id
            WHERE c.name LIKE #{like} OR c.made_for LIKE #{like} OR c.technique LIKE #{like} OR c.code LIKE #{like}
              OR n.words LIKE #{like} OR s.said LIKE #{like} OR o.found IS NOT NULL
            ORDER BY c.started_at DESC LIMIT 100""")
    List<FoundRow> search(String like);
}

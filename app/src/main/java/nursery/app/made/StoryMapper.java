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

    /**
     * Everything that was written about cups; {@code like} has its signs escaped. Each table is looked through once,
     * and only what was found is joined to its cup; where a word stands in several places, the first of them is told.
     * Of cups and of notes the newest that say it are enough: a word that is everywhere is not gathered from
     * everywhere.
     */
    @Select(
            """
            SELECT STRAIGHT_JOIN c.code, c.name, c.made_for, c.started_at, SUBSTR(f.found, 2) FROM (
              SELECT cup_id, MIN(found) AS found FROM (
                (SELECT id AS cup_id, CASE WHEN name LIKE #{like} THEN '1name' WHEN code LIKE #{like} THEN '2code'
                  WHEN made_for LIKE #{like} THEN '3made for' ELSE '4technique' END AS found FROM cup
                WHERE name LIKE #{like} OR code LIKE #{like} OR made_for LIKE #{like} OR technique LIKE #{like}
                  ORDER BY id DESC LIMIT 100)
                UNION ALL SELECT cup_id, '5next time' FROM cup_next_time WHERE words LIKE #{like}
                UNION ALL SELECT cup_id, '6lot' FROM material_move
                  WHERE lot_id IN (SELECT id FROM material_lot WHERE lot LIKE #{like})
                UNION ALL SELECT cup_id, '6material' FROM cup_material
                  WHERE material_id IN (SELECT id FROM material WHERE name LIKE #{like})
                UNION ALL SELECT cup_id, '6picture' FROM photo WHERE words LIKE #{like}
                UNION ALL SELECT s.cup_id, '6resin lot' FROM batch_share s JOIN bottle_draw d ON d.batch_id = s.batch_id
                  WHERE d.bottle_id IN (SELECT id FROM bottle WHERE lot LIKE #{like})
                UNION ALL (SELECT cup_id, '7note in its log' FROM cup_said WHERE said LIKE #{like}
                  ORDER BY cup_id DESC LIMIT 100)
              ) w WHERE cup_id IS NOT NULL GROUP BY cup_id) f
            JOIN cup c ON c.id = f.cup_id
            ORDER BY c.started_at DESC LIMIT 100""")
    List<FoundRow> search(String like);
}

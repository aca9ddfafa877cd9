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
            <script>SELECT c.code, c.name, c.made_for, c.started_at, MIN(w.found) FROM cup c JOIN (
              SELECT id AS cup, name AS said, 'name' AS found FROM cup
              UNION ALL SELECT id, made_for, 'made for' FROM cup
              UNION ALL SELECT id, technique, 'technique' FROM cup
              UNION ALL SELECT id, code, 'code' FROM cup
              UNION ALL SELECT cup_id, said, 'note in its log' FROM cup_said
              UNION ALL SELECT cup_id, words, 'next time' FROM cup_next_time
              UNION ALL SELECT cup_id, words, 'picture' FROM photo
              UNION ALL SELECT m.cup_id, a.name, 'material' FROM cup_material m JOIN material a ON a.id = m.material_id
              UNION ALL SELECT v.cup_id, l.lot, 'lot' FROM material_move v JOIN material_lot l ON l.id = v.lot_id
              UNION ALL SELECT s.cup_id, b.lot, 'resin lot' FROM batch_share s JOIN bottle_draw d ON d.batch_id =
                s.batch_id JOIN bottle b ON b.id = d.bottle_id
            ) w ON w.cup = c.id WHERE w.said LIKE #{like} GROUP BY c.id ORDER BY c.started_at DESC
            LIMIT 100</script>""")
    List<FoundRow> search(String like);
}

package nursery.app.materials;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Blanks as packs, the mixed jar, and what techniques are made with. */
@Mapper
interface StoresMapper {

    record TakenRow(long lotId, double amount) {}

    record UsualRow(int step, long materialId) {}

    @Select("SELECT id FROM material WHERE kind = 'BLANK' AND gone_at IS NULL AND blank_id = #{blank} "
            + "ORDER BY id LIMIT 1")
    Optional<Long> packOf(long blank);

    /** The blank a cup stands on, as it was taken: nothing of a step. */
    @Select(
            """
            SELECT v.lot_id, SUM(v.amount) FROM material_move v JOIN material_lot l ON l.id = v.lot_id
              JOIN material m ON m.id = l.material_id
            WHERE v.cup_id = #{cup} AND v.step IS NULL AND m.kind = 'BLANK'
            GROUP BY v.lot_id HAVING ABS(SUM(v.amount)) > 1e-9""")
    List<TakenRow> taken(long cup);

    @Update("UPDATE material SET mix = #{mix}, colour = #{colour} WHERE id = #{id}")
    void mixed(@Param("id") long id, @Param("mix") String mix, @Param("colour") String colour);

    @Delete("DELETE FROM technique_material WHERE technique = #{technique}")
    void forget(String technique);

    @Insert("INSERT INTO technique_material (technique, step, material_id, position) "
            + "VALUES (#{technique}, #{step}, #{material}, #{position})")
    void usual(
            @Param("technique") String technique,
            @Param("step") int step,
            @Param("material") long material,
            @Param("position") int position);

    @Select("SELECT t.step, t.material_id FROM technique_material t JOIN material m ON m.id = t.material_id WHERE "
            + "t.technique = #{technique} AND m.gone_at IS NULL ORDER BY t.step, t.position")
    List<UsualRow> usualOf(String technique);
}

package nursery.app.materials;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** What was weighed before and after a step of a cup. */
@Mapper
interface WeighingMapper {

    record WeighingRow(int step, long materialId, double beforeAmount, @Nullable Double afterAmount) {}

    /** So much was taken out of a lot for a step, by an entry. */
    record DrawnRow(long lotId, @Nullable Long entryId, double amount) {}

    @Select("SELECT step, material_id, before_amount, after_amount FROM material_weighing WHERE cup_id = #{cup}")
    List<WeighingRow> of(long cup);

    @Insert("REPLACE INTO material_weighing (cup_id, step, material_id, before_amount, weighed_at, weighed_by) "
            + "VALUES (#{cup}, #{step}, #{material}, #{amount}, #{at}, #{by})")
    void before(
            @Param("cup") long cup,
            @Param("step") int step,
            @Param("material") long material,
            @Param("amount") double amount,
            @Param("at") Instant at,
            @Param("by") String by);

    @Update("UPDATE material_weighing SET after_amount = #{amount}, weighed_at = #{at}, weighed_by = #{by} "
            + "WHERE cup_id = #{cup} AND step = #{step} AND material_id = #{material}")
    void after(
            @Param("cup") long cup,
            @Param("step") int step,
            @Param("material") long material,
            @Param("amount") double amount,
            @Param("at") Instant at,
            @Param("by") String by);

    @Delete("DELETE FROM material_weighed WHERE cup_id = #{cup} AND step = #{step} AND material_id = #{material}")
    void unlearn(@Param("cup") long cup, @Param("step") int step, @Param("material") long material);

    @Insert("INSERT INTO material_weighed (material_id, area_cm2, used, weighed_at, weighed_by, cup_id, step) "
            + "VALUES (#{material}, #{basis}, #{used}, #{at}, #{by}, #{cup}, #{step})")
    void learn(
            @Param("cup") long cup,
            @Param("step") int step,
            @Param("material") long material,
            @Param("basis") double basis,
            @Param("used") double used,
            @Param("at") Instant at,
            @Param("by") String by);

    /** What a step of a cup took of a material, as its movements stand, the newest lot last. */
    @Select(
            """
            SELECT v.lot_id, MAX(v.entry_id), SUM(v.amount) FROM material_move v JOIN material_lot l ON l.id = v.lot_id
            WHERE v.cup_id = #{cup} AND v.step = #{step} AND l.material_id = #{material}
            GROUP BY v.lot_id HAVING ABS(SUM(v.amount)) > 1e-9 ORDER BY v.lot_id""")
    List<DrawnRow> drawn(@Param("cup") long cup, @Param("step") int step, @Param("material") long material);
}

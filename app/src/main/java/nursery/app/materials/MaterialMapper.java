package nursery.app.materials;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface MaterialMapper {

    /** A material as a step of a cup names it. */
    record NamedRow(
            int step,
            long id,
            String name,
            String kind,
            String colour,
            @Nullable Double flakeMm,
            @Nullable String film,
            @Nullable Double widthMm,
            @Nullable Integer lastsDays,
            int leadDays,
            String place,
            String mix,
            @Nullable Instant goneAt) {

        MaterialRow material() {
            return new MaterialRow(
                    id, name, kind, colour, flakeMm, film, widthMm, lastsDays, leadDays, place, mix, goneAt);
        }
    }

    /** @param mix as JSON, empty if it is one thing */
    record MaterialRow(
            long id,
            String name,
            String kind,
            String colour,
            @Nullable Double flakeMm,
            @Nullable String film,
            @Nullable Double widthMm,
            @Nullable Integer lastsDays,
            int leadDays,
            String place,
            String mix,
            @Nullable Instant goneAt) {}

    record LotRow(
            long id,
            long materialId,
            String lot,
            double amount,
            double used,
            @Nullable BigDecimal price,
            LocalDate boughtOn,
            @Nullable LocalDate openedOn) {}

    record WeighedRow(long materialId, double areaCm2, double used) {}

    /** @param earlier what had gone out of the lot before it */
    record MoveRow(
            long cupId,
            long materialId,
            String lot,
            double lotAmount,
            @Nullable BigDecimal price,
            double earlier,
            double amount,
            @Nullable Integer step) {}

    record DrawnRow(long lotId, long cupId, @Nullable Integer step, double amount) {}

    /** A cup that something of a lot went on. */
    record UsedRow(long lotId, String code, String name) {}

    String COLUMNS = "id, name, kind, colour, flake_mm, film, width_mm, lasts_days, lead_days, place, mix, gone_at";

    @Select("SELECT " + COLUMNS + " FROM material ORDER BY name")
    List<MaterialRow> all();

    @Select("SELECT " + COLUMNS + " FROM material WHERE id = #{id}")
    Optional<MaterialRow> find(long id);

    String THESE = "<foreach collection='cups' item='cup' open='(' separator=',' close=')'>#{cup}</foreach>";

    /** What went out of packs for some cups. */
    @Select("<script>SELECT " + COLUMNS + " FROM material WHERE id IN (SELECT l.material_id FROM material_move v JOIN "
            + "material_lot l ON l.id = v.lot_id WHERE v.cup_id IN " + THESE + ")</script>")
    List<MaterialRow> usedBy(@Param("cups") Collection<Long> cups);

    @Select("SELECT id FROM material WHERE id = #{id} FOR UPDATE")
    Optional<Long> lock(long id);

    @Select(
            value = "INSERT INTO material (name, kind, colour, flake_mm, film, width_mm, lasts_days, lead_days, place, "
                    + "mix) VALUES (#{name}, #{kind}, #{colour}, #{flakeMm}, #{film}, #{widthMm}, #{lastsDays}, "
                    + "#{leadDays}, #{place}, #{mix}) RETURNING id",
            affectData = true)
    long insert(MaterialRow row);

    @Update("UPDATE material SET name = #{name}, kind = #{kind}, colour = #{colour}, flake_mm = #{flakeMm}, film = "
            + "#{film}, width_mm = #{widthMm}, lasts_days = #{lastsDays}, lead_days = #{leadDays}, place = #{place}, "
            + "mix = #{mix} WHERE id = #{id}")
    void update(MaterialRow row);

    /** A pack of blanks, and which blank on the shelf they are; none if it is called like none and none was chosen. */
    @Update("UPDATE material SET blank_id = IF(kind = 'BLANK', COALESCE(#{blank}, (SELECT b.id FROM blank b WHERE "
            + "b.name = material.name)), NULL) WHERE id = #{id}")
    void isOf(@Param("id") long id, @Param("blank") @Nullable Long blank);

    @Select("SELECT blank_id FROM material WHERE id = #{id} AND blank_id IS NOT NULL")
    Optional<Long> blankOf(long id);

    @Update("UPDATE material SET gone_at = #{at} WHERE id = #{id}")
    void gone(@Param("id") long id, @Param("at") @Nullable Instant at);

    @Select("SELECT EXISTS (SELECT 1 FROM cup_material WHERE material_id = #{id}) OR EXISTS (SELECT 1 FROM "
            + "material_lot WHERE material_id = #{id} AND used <> 0)")
    boolean isUsed(long id);

    String LOT = "id, material_id, lot, amount, used, price, bought_on, opened_on";

    @Select("SELECT " + LOT + " FROM material_lot ORDER BY material_id, bought_on, id")
    List<LotRow> lots();

    @Select("SELECT " + LOT + " FROM material_lot WHERE material_id = #{id} ORDER BY bought_on, id")
    List<LotRow> lotsOf(long id);

    @Select("SELECT " + LOT + " FROM material_lot WHERE id = #{id} FOR UPDATE")
    Optional<LotRow> lot(long id);

    @Insert("INSERT INTO material_lot (material_id, lot, amount, price, bought_on, opened_on, added_at, added_by) "
            + "VALUES (#{l.materialId}, #{l.lot}, #{l.amount}, #{l.price}, #{l.boughtOn}, #{l.openedOn}, #{at}, #{by})")
    void insertLot(@Param("l") LotRow lot, @Param("at") Instant at, @Param("by") String by);

    @Update("UPDATE material_lot SET opened_on = COALESCE(opened_on, #{on}) WHERE id = #{id}")
    void open(@Param("id") long id, @Param("on") LocalDate on);

    @Insert("INSERT INTO material_move (lot_id, cup_id, step, entry_id, amount, moved_at, moved_by) VALUES (#{lot}, "
            + "#{cup}, #{step}, #{entry}, #{amount}, #{at}, #{by})")
    void insertMove(
            @Param("lot") long lot,
            @Param("cup") @Nullable Long cup,
            @Param("step") @Nullable Integer step,
            @Param("entry") @Nullable Long entry,
            @Param("amount") double amount,
            @Param("at") Instant at,
            @Param("by") String by);

    @Update("UPDATE material_lot SET used = used + #{amount} WHERE id = #{lot}")
    void countOn(@Param("lot") long lot, @Param("amount") double amount);

    @Update("UPDATE material_move SET entry_id = #{to} WHERE entry_id = #{from}")
    void passOn(@Param("from") long from, @Param("to") long to);

    @Select("SELECT lot_id, cup_id, step, SUM(amount) FROM material_move WHERE entry_id = #{entry} GROUP BY lot_id, "
            + "cup_id, step HAVING ABS(SUM(amount)) > 1e-9")
    List<DrawnRow> drawnFor(long entry);

    @Select("<script>SELECT m.cup_id, m.material_id, m.lot, m.lot_amount, m.price, m.earlier, m.amount, m.step FROM ("
            + "SELECT l.material_id, l.lot, l.amount AS lot_amount, l.price, v.cup_id, v.step, v.id, v.amount, "
            + "SUM(v.amount) OVER (PARTITION BY v.lot_id ORDER BY v.id) - v.amount AS earlier "
            + "FROM material_move v JOIN material_lot l ON l.id = v.lot_id "
            + "WHERE v.lot_id IN (SELECT lot_id FROM material_move WHERE cup_id IN " + THESE + ")) m "
            + "WHERE m.cup_id IN " + THESE + " ORDER BY m.id</script>")
    List<MoveRow> movesOf(@Param("cups") Collection<Long> cups);

    @Select("SELECT DISTINCT v.lot_id, c.code, c.name FROM material_move v JOIN material_lot l ON l.id = v.lot_id JOIN "
            + "cup c ON c.id = v.cup_id WHERE l.material_id = #{id} ORDER BY c.code")
    List<UsedRow> cupsOf(long id);

    @Insert("INSERT INTO material_weighed (material_id, area_cm2, used, weighed_at, weighed_by) VALUES (#{id}, "
            + "#{area}, #{used}, #{at}, #{by})")
    void insertWeighed(
            @Param("id") long id,
            @Param("area") double area,
            @Param("used") double used,
            @Param("at") Instant at,
            @Param("by") String by);

    @Select("SELECT material_id, area_cm2, used FROM material_weighed WHERE material_id = #{id} ORDER BY id")
    List<WeighedRow> weighedOf(long id);

    @Select("SELECT material_id, area_cm2, used FROM material_weighed ORDER BY id")
    List<WeighedRow> weighed();

    @Select("SELECT c.step, m.id, m.name, m.kind, m.colour, m.flake_mm, m.film, m.width_mm, m.lasts_days, m.lead_days, "
            + "m.place, m.mix, m.gone_at FROM cup_material c JOIN material m ON m.id = c.material_id "
            + "WHERE c.cup_id = #{cup} ORDER BY c.step, c.position")
    List<NamedRow> chosen(long cup);

    /** A cup is drawn in the colours of what it is made with: it is read afresh. */
    @Update("UPDATE cup SET version = version + 1 WHERE id = #{cup}")
    void redraw(long cup);

    /** The same for every cup that is made with it. */
    @Update("UPDATE cup SET version = version + 1 WHERE id IN "
            + "(SELECT cup_id FROM cup_material WHERE material_id = #{id})")
    void redrawAll(long id);

    @Delete("DELETE FROM cup_material WHERE cup_id = #{cup} AND step = #{step}")
    void unchoose(@Param("cup") long cup, @Param("step") int step);

    /** What a step is made with, at which place among its materials. */
    record ChosenRow(long cup, int step, long material, int position) {}

    @Insert("<script>INSERT INTO cup_material (cup_id, step, material_id, position) VALUES "
            + "<foreach collection='rows' item='row' separator=','>"
            + "(#{row.cup}, #{row.step}, #{row.material}, #{row.position})</foreach></script>")
    void choose(@Param("rows") List<ChosenRow> rows);

    @Select(
            """
            <script>SELECT cup_id, step, material_id FROM cup_material WHERE cup_id IN
            <foreach collection="cups" item="cup" open="(" separator="," close=")">#{cup}</foreach>
            ORDER BY cup_id, step, position</script>""")
    List<ChosenOfRow> chosenOf(@Param("cups") Collection<Long> cups);

    record ChosenOfRow(long cupId, int step, long materialId) {}

    record UsualRow(String kind, long materialId) {}

    /** What was chosen for each kind of step of the newest cups, the usual first. */
    @Select("SELECT s.kind, m.material_id FROM cup_material m JOIN cup_step s ON s.cup_id = m.cup_id AND "
            + "s.number = m.step WHERE m.cup_id > (SELECT COALESCE(MAX(id), 0) FROM cup) - #{newest} "
            + "GROUP BY s.kind, m.material_id ORDER BY COUNT(*) DESC, m.material_id")
    List<UsualRow> usual(int newest);
}

package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.cups.CupRows.CupRow;
import nursery.app.cups.CupRows.EntryRow;
import nursery.app.cups.CupRows.StepRow;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface CupMapper {

    String CUP = """
            SELECT id, code, name, made_for, blank_id, base_resin_id, last_resin_id, due_on, paint_colour, glitter_colour, schools, technique, started_at, matters
            FROM cup\s""";
    String STEP = """
            SELECT cup_id, number, position, kind, title, wait_kind, wait_amount, wait_fast, detail, role, material, width_mm, height_mm, grit
            FROM cup_step\s""";
    String ENTRY = """
            SELECT e.id, e.cup_id, e.kind, e.step, e.amount_ml, e.spindle_id, s.name AS spindle_name, e.cancels_id, e.batch_id, e.touch,
              e.happened_at, e.recorded_at, e.recorded_by, e.note
            FROM log_entry e LEFT JOIN spindle s ON s.id = e.spindle_id\s""";

    @Select(CUP + "ORDER BY id")
    List<CupRow> cups();

    @Select(CUP + "WHERE code = #{code}")
    Optional<CupRow> cup(String code);

    /** Holds the cup until the transaction ends, so that two tablets log on it one after the other. */
    @Select("SELECT id FROM cup WHERE code = #{code} FOR UPDATE")
    Optional<Long> lock(String code);

    @Select("SELECT id FROM spindle WHERE id = #{id} FOR UPDATE")
    Optional<Long> lockSpindle(long id);

    @Select(STEP + "ORDER BY cup_id, position")
    List<StepRow> steps();

    @Select(STEP + "WHERE cup_id = #{cupId} ORDER BY position")
    List<StepRow> stepsOf(long cupId);

    @Select(ENTRY + "ORDER BY e.id")
    List<EntryRow> entries();

    @Select(ENTRY + "WHERE e.cup_id = #{cupId} ORDER BY e.id")
    List<EntryRow> entriesOf(long cupId);

    /** Counts on by one; the row stays locked until the transaction ends, so no two cups get one number. */
    @Update("UPDATE cup_counter SET last = last + 1")
    void countOn();

    @Select("SELECT last FROM cup_counter")
    int counted();

    @Insert("""
            INSERT INTO cup (code, name, made_for, blank_id, base_resin_id, last_resin_id, due_on, paint_colour, glitter_colour, schools, technique, started_at, matters)
            VALUES (#{code}, #{name}, #{madeFor}, #{blankId}, #{baseResinId}, #{lastResinId}, #{dueOn}, #{paintColour}, #{glitterColour},
              #{schools}, #{technique}, #{startedAt}, #{matters})""")
    void insertCup(CupRow cup);

    @Update("UPDATE cup SET matters = #{matters} WHERE code = #{code}")
    void setMatters(@Param("code") String code, @Param("matters") int matters);

    @Insert("""
            INSERT INTO cup_step (cup_id, number, position, kind, title, wait_kind, wait_amount, wait_fast, detail, role, material, width_mm, height_mm, grit)
            VALUES (#{cupId}, #{number}, #{position}, #{kind}, #{title}, #{waitKind}, #{waitAmount}, #{waitFast}, #{detail}, #{role}, #{material}, #{widthMm}, #{heightMm}, #{grit})""")
    void insertStep(StepRow step);

    /** Makes room in a plan. */
    @Update("UPDATE cup_step SET position = position + 1 WHERE cup_id = #{cupId} AND position >= #{position}")
    void shiftSteps(@Param("cupId") long cupId, @Param("position") int position);

    @Select("SELECT position FROM cup_step WHERE cup_id = #{cupId} AND number = #{number}")
    int positionOf(@Param("cupId") long cupId, @Param("number") int number);

    @Insert("""
            INSERT INTO log_entry (cup_id, kind, step, amount_ml, spindle_id, cancels_id, batch_id, touch, happened_at, recorded_at, recorded_by, note)
            VALUES (#{cupId}, #{kind}, #{step}, #{amountMl}, #{spindleId}, #{cancelsId}, #{batchId}, #{touch}, #{happenedAt}, #{recordedAt}, #{recordedBy}, #{note})""")
    void insertEntry(EntryRow entry);
}

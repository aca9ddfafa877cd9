package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.EntryRow;
import nursery.app.floor.StepRow;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Writes cups, their plans and their logs. */
@Mapper
interface CupMapper {

    /** A cup as it is started. */
    record NewCupRow(
            String code,
            String name,
            String madeFor,
            long blankId,
            int blankEdition,
            long baseResinId,
            long lastResinId,
            @Nullable LocalDate dueOn,
            String paint,
            String glitter,
            String glitterMore,
            String schools,
            String technique,
            Instant startedAt,
            int matters) {}

    /**
     * Holds the cup until the transaction ends, so that two tablets log on it one after the other. Whoever holds it
     * changes it, and the change is counted.
     */
    default Optional<Long> lock(String code) {
        return change(code) == 0 ? Optional.empty() : Optional.of(idOf(code));
    }

    @Update("UPDATE cup SET version = version + 1, cured_at = NULL WHERE code = #{code}")
    int change(String code);

    @Select("SELECT id FROM cup WHERE code = #{code}")
    long idOf(String code);

    @Select("SELECT id FROM spindle WHERE id = #{id} FOR UPDATE")
    Optional<Long> lockSpindle(long id);

    /** Counts on by one; the row stays locked until the transaction ends, so no two cups get one number. */
    @Update("UPDATE cup_counter SET last = last + 1")
    void countOn();

    @Select("SELECT last FROM cup_counter")
    int counted();

    @Select("SELECT COUNT(*) FROM cup WHERE code = #{code}")
    int named(String code);

    @Select(
            value =
                    """
            INSERT INTO cup (code, name, made_for, blank_id, blank_edition, base_resin_id, last_resin_id, due_on,
              paint_colour, glitter_colour, glitter_more, schools, technique, started_at, matters)
            VALUES (#{code}, #{name}, #{madeFor}, #{blankId}, #{blankEdition}, #{baseResinId}, #{lastResinId},
              #{dueOn}, #{paint}, #{glitter}, #{glitterMore}, #{schools}, #{technique}, #{startedAt},
              #{matters}) RETURNING id""",
            affectData = true)
    long insertCup(NewCupRow cup);

    @Update("UPDATE cup SET paint_colour = COALESCE(#{paint}, paint_colour), glitter_colour = COALESCE(#{glitter}, "
            + "glitter_colour), glitter_more = COALESCE(#{more}, glitter_more), version = version + 1 "
            + "WHERE code = #{code}")
    void recolour(
            @Param("code") String code,
            @Param("paint") @Nullable String paint,
            @Param("glitter") @Nullable String glitter,
            @Param("more") @Nullable String more);

    @Update("UPDATE cup SET matters = #{matters}, version = version + 1 WHERE code = #{code}")
    void setMatters(@Param("code") String code, @Param("matters") int matters);

    @Update("UPDATE cup SET base_resin_id = #{resinId}, last_resin_id = #{resinId} WHERE code = #{code}")
    void setResin(@Param("code") String code, @Param("resinId") long resinId);

    /**
     * What its log comes to, kept with it so that nobody has to add up all logs.
     *
     * @param lastAt when the newest of its log happened; nothing while nothing has
     */
    record SumsRow(long id, Instant leavesAt, String leftHow, double pouredMl, int coats, @Nullable Instant lastAt) {}

    @Update("UPDATE cup SET leaves_at = #{leavesAt}, left_how = #{leftHow}, poured_ml = #{pouredMl}, coats = #{coats}, "
            + "last_at = #{lastAt} WHERE id = #{id}")
    void settle(SumsRow sums);

    /** Puts steps into a cup's plan; their numbers are the cup's for good. */
    default void insertSteps(long cupId, List<StepRow> steps) {
        if (!steps.isEmpty()) {
            insertStepRows(steps);
            numbered(cupId, steps.stream().mapToInt(StepRow::number).max().orElseThrow());
        }
    }

    @Update("UPDATE cup SET next_step = GREATEST(next_step, #{number} + 1) WHERE id = #{cupId}")
    void numbered(@Param("cupId") long cupId, @Param("number") int number);

    @Insert(
            """
            <script>
            INSERT INTO cup_step (cup_id, number, position, kind, title, wait_kind, wait_amount, wait_fast, detail,
              role, how, width_mm, height_mm, amount_ml)
            VALUES <foreach collection="steps" item="s" separator=",">
              (#{s.cupId}, #{s.number}, #{s.position}, #{s.kind}, #{s.title}, #{s.waitKind}, #{s.waitAmount},
              #{s.waitFast}, #{s.detail}, #{s.role}, #{s.how}, #{s.widthMm}, #{s.heightMm},
              #{s.amountMl})</foreach>
            </script>""")
    void insertStepRows(@Param("steps") List<StepRow> steps);

    /** A step that is still ahead, at its new place and as it is to be done now. */
    @Update(
            """
            UPDATE cup_step SET position = #{position}, title = #{title}, wait_kind = #{waitKind},
              wait_amount = #{waitAmount}, wait_fast = #{waitFast}, detail = #{detail}, role = #{role},
              how = #{how}, width_mm = #{widthMm}, height_mm = #{heightMm},
              amount_ml = #{amountMl}
            WHERE cup_id = #{cupId} AND number = #{number}""")
    void updateStep(StepRow step);

    /** What a maker says of a cup, whom it is for and what it is made from. */
    record AboutRow(
            String code,
            String name,
            String madeFor,
            @Nullable LocalDate dueOn,
            long baseResinId,
            long lastResinId,
            String paint,
            String glitter) {}

    @Update(
            """
            UPDATE cup SET name = #{name}, made_for = #{madeFor}, due_on = #{dueOn}, base_resin_id = #{baseResinId},
              last_resin_id = #{lastResinId}, paint_colour = #{paint},
              glitter_more = IF(glitter_colour = #{glitter}, glitter_more, ''), glitter_colour = #{glitter}
            WHERE code = #{code}""")
    void setAbout(AboutRow about);

    @Update("UPDATE cup SET blank_id = #{blankId}, blank_edition = #{edition} WHERE code = #{code}")
    void setBlank(@Param("code") String code, @Param("blankId") long blankId, @Param("edition") int edition);

    @Update("UPDATE cup SET technique = #{technique}, schools = #{schools} WHERE code = #{code}")
    void setTechnique(
            @Param("code") String code, @Param("technique") String technique, @Param("schools") String schools);

    /** Makes room in a plan. */
    @Update("UPDATE cup_step SET position = position + 1 WHERE cup_id = #{cupId} AND position >= #{position}")
    void shiftSteps(@Param("cupId") long cupId, @Param("position") int position);

    @Select("SELECT position FROM cup_step WHERE cup_id = #{cupId} AND number = #{number}")
    int positionOf(@Param("cupId") long cupId, @Param("number") int number);

    /** Only what nothing was logged for and nobody is mixing for. */
    @Delete(
            """
            DELETE FROM cup_step WHERE cup_id = #{cupId} AND number = #{number} AND NOT EXISTS (SELECT 1 FROM
              log_entry e WHERE e.cup_id = #{cupId} AND e.step = #{number})
              AND NOT EXISTS (SELECT 1 FROM batch_share s WHERE s.cup_id = #{cupId} AND s.step = #{number})""")
    int removeStep(@Param("cupId") long cupId, @Param("number") int number);

    @Select(
            value =
                    """
            INSERT INTO log_entry (cup_id, kind, step, amount_ml, spindle_id, cancels_id, batch_id, resin_id,
              resin_edition, touch, seen, cause, how, happened_at, recorded_at, recorded_by, note)
            VALUES (#{cupId}, #{kind}, #{step}, #{amountMl}, #{spindleId}, #{cancelsId}, #{batchId}, #{resinId},
              #{resinEdition}, #{touch}, #{seen}, #{cause}, #{how}, #{happenedAt}, #{recordedAt},
              #{recordedBy}, #{note}) RETURNING id""",
            affectData = true)
    long insertEntry(EntryRow entry);

    @Insert("INSERT INTO cup_said (cup_id, said) VALUES (#{cup}, #{note}) ON DUPLICATE KEY UPDATE said = "
            + "CONCAT(said, '\\n', #{note})")
    void said(@Param("cup") long cup, @Param("note") String note);

    @Insert("INSERT INTO entry_question (entry_id, question, reason) VALUES (#{entry}, #{question}, #{reason})")
    void answer(@Param("entry") long entry, @Param("question") String question, @Param("reason") String reason);
}

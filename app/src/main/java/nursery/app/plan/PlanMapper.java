package nursery.app.plan;

import java.time.Instant;
import java.time.LocalDate;
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
interface PlanMapper {

    record DayRow(LocalDate day, String bench) {}

    /** A step of a plan: of a cup, or of one that is only wanted. */
    record StepRow(@Nullable String cup, @Nullable Integer wanted, int step, Instant begins) {}

    /** What was wanted, as {@link WishRow} writes it. */
    record PlanRow(long id, @Nullable Long baseId, String state, String why, Instant madeAt, String madeBy) {}

    @Insert("INSERT INTO bench_hours (weekday, bench, booth) VALUES (#{weekday}, #{bench}, #{booth}) ON DUPLICATE "
            + "KEY UPDATE bench = #{bench}, booth = #{booth}")
    void saveHours(@Param("weekday") int weekday, @Param("bench") String bench, @Param("booth") String booth);

    @Select("SELECT day, bench FROM bench_day WHERE day >= #{from} ORDER BY day")
    List<DayRow> days(LocalDate from);

    @Insert("INSERT INTO bench_day (day, bench) VALUES (#{day}, #{bench}) ON DUPLICATE KEY UPDATE bench = #{bench}")
    void saveDay(DayRow row);

    @Delete("DELETE FROM bench_day WHERE day = #{day}")
    void removeDay(LocalDate day);

    @Insert("INSERT INTO plan_pin (cup_id, step, at) SELECT id, #{step}, #{at} FROM cup WHERE code = #{cup} ON "
            + "DUPLICATE KEY UPDATE at = #{at}")
    void pin(@Param("cup") String cup, @Param("step") int step, @Param("at") Instant at);

    @Delete("DELETE p FROM plan_pin p JOIN cup c ON c.id = p.cup_id WHERE c.code = #{cup} AND p.step = #{step}")
    void unpin(@Param("cup") String cup, @Param("step") int step);

    @Select(
            value = "INSERT INTO week_plan (base_id, state, why, made_at, made_by) VALUES (#{baseId}, 'PROPOSED', "
                    + "#{why}, #{at}, #{by}) RETURNING id",
            affectData = true)
    long insert(
            @Param("baseId") @Nullable Long baseId,
            @Param("why") String why,
            @Param("at") Instant at,
            @Param("by") String by);

    @Insert(
            """
            <script>INSERT INTO week_plan_step (plan_id, cup_id, wanted, step, begins_at) VALUES
            <foreach collection="steps" item="s" separator=",">(#{plan}, (SELECT id FROM cup WHERE code = #{s.cup}),
              #{s.wanted}, #{s.step}, #{s.begins})</foreach></script>""")
    void insertSteps(@Param("plan") long plan, @Param("steps") List<StepRow> steps);

    @Insert(
            """
            INSERT INTO plan_wish (plan_id, position, kind, cup_id, step, number, at, day, hours, resin_id,
              last_resin_id, name, made_for, technique, blank_id, matters)
            VALUES (#{plan}, #{position}, #{w.kind}, (SELECT id FROM cup WHERE code = #{w.cup}), #{w.step},
              #{w.number}, #{w.at}, #{w.day}, #{w.hours}, #{w.resinId},
              #{w.lastResinId}, #{w.name}, #{w.madeFor}, #{w.technique}, #{w.blankId}, #{w.matters})""")
    void insertWish(@Param("plan") long plan, @Param("position") int position, @Param("w") WishRow wish);

    @Select("SELECT id, base_id, state, why, made_at, made_by FROM week_plan WHERE id = #{id}")
    Optional<PlanRow> plan(long id);

    @Select(
            """
            SELECT c.code, s.wanted, s.step, s.begins_at FROM week_plan_step s LEFT JOIN cup c ON c.id = s.cup_id
              WHERE s.plan_id = #{id}
            ORDER BY s.begins_at, c.code, s.wanted, s.step""")
    List<StepRow> steps(long id);

    @Select(
            """
            SELECT w.kind, c.code, w.step, w.number, w.at, w.day, w.hours, w.resin_id, w.last_resin_id, w.name,
              w.made_for, w.technique, w.blank_id, w.matters
            FROM plan_wish w LEFT JOIN cup c ON c.id = w.cup_id WHERE w.plan_id = #{id} ORDER BY w.position""")
    List<WishRow> wishes(long id);

    /** Gives the steps of a cup that was only wanted to the one it was started as. */
    @Update("UPDATE week_plan_step SET cup_id = (SELECT id FROM cup WHERE code = #{code}), wanted = NULL WHERE "
            + "plan_id = #{plan} AND wanted = #{wanted}")
    void started(@Param("plan") long plan, @Param("wanted") int wanted, @Param("code") String code);

    @Select("SELECT plan_id FROM week_plan_kept WHERE plan_id IS NOT NULL")
    Optional<Long> kept();

    /** Holds the place of the kept plan until the transaction ends, so that of two makers one is first. */
    @Select("SELECT id FROM week_plan_kept FOR UPDATE")
    int hold();

    @Update("UPDATE week_plan_kept SET plan_id = #{id}")
    void keep(long id);

    @Delete("DELETE s FROM week_plan_step s JOIN week_plan p ON p.id = s.plan_id WHERE p.state <> 'KEPT' AND "
            + "p.made_at < #{before}")
    void forgetSteps(Instant before);

    @Delete("DELETE FROM week_plan WHERE state <> 'KEPT' AND made_at < #{before}")
    void forget(Instant before);

    @Update("UPDATE week_plan SET state = #{state} WHERE id = #{id}")
    void mark(@Param("id") long id, @Param("state") String state);
}

package nursery.app.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface PlanMapper {

    record HoursRow(int weekday, String bench, String booth) {}

    record DayRow(LocalDate day, String bench) {}

    record PinRow(String cup, int step, Instant at) {}

    record StepRow(String cup, int step, Instant begins) {}

    record ChangeRow(String kind, String cup, int number, @Nullable Instant at, @Nullable LocalDate day, String hours, String ordered) {}

    record PlanRow(long id, @Nullable Long baseId, String state, String why, Instant madeAt, String madeBy) {}

    /** A plan about to be kept on record; its number is set by the database. */
    final class NewPlan {
        private @Nullable Long id;
        private final @Nullable Long baseId;
        private final String why;
        private final Instant madeAt;
        private final String madeBy;

        NewPlan(@Nullable Long baseId, String why, Instant madeAt, String madeBy) {
            this.baseId = baseId;
            this.why = why;
            this.madeAt = madeAt;
            this.madeBy = madeBy;
        }

        public @Nullable Long getId() {
            return id;
        }

        public void setId(Long id) {
            this.id = id;
        }

        public @Nullable Long getBaseId() {
            return baseId;
        }

        public String getWhy() {
            return why;
        }

        public Instant getMadeAt() {
            return madeAt;
        }

        public String getMadeBy() {
            return madeBy;
        }
    }

    @Select("SELECT weekday, bench, booth FROM bench_hours ORDER BY weekday")
    List<HoursRow> hours();

    @Insert("INSERT INTO bench_hours (weekday, bench, booth) VALUES (#{weekday}, #{bench}, #{booth}) ON DUPLICATE KEY UPDATE bench = #{bench}, booth = #{booth}")
    void saveHours(HoursRow row);

    @Select("SELECT day, bench FROM bench_day WHERE day >= #{from} ORDER BY day")
    List<DayRow> days(LocalDate from);

    @Insert("INSERT INTO bench_day (day, bench) VALUES (#{day}, #{bench}) ON DUPLICATE KEY UPDATE bench = #{bench}")
    void saveDay(DayRow row);

    @Delete("DELETE FROM bench_day WHERE day = #{day}")
    void removeDay(LocalDate day);

    @Select("SELECT c.code, p.step, p.at FROM plan_pin p JOIN cup c ON c.id = p.cup_id ORDER BY c.id, p.step")
    List<PinRow> pins();

    @Insert("INSERT INTO plan_pin (cup_id, step, at) SELECT id, #{step}, #{at} FROM cup WHERE code = #{cup} ON DUPLICATE KEY UPDATE at = #{at}")
    void pin(PinRow pin);

    @Delete("DELETE p FROM plan_pin p JOIN cup c ON c.id = p.cup_id WHERE c.code = #{cup} AND p.step = #{step}")
    void unpin(@Param("cup") String cup, @Param("step") int step);

    @Insert("INSERT INTO week_plan (base_id, state, why, made_at, made_by) VALUES (#{baseId}, 'PROPOSED', #{why}, #{madeAt}, #{madeBy})")
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void insert(NewPlan plan);

    @Insert("""
            <script>INSERT INTO week_plan_step (plan_id, cup_code, step, begins_at) VALUES
            <foreach collection="steps" item="s" separator=",">(#{plan}, #{s.cup}, #{s.step}, #{s.begins})</foreach></script>""")
    void insertSteps(@Param("plan") long plan, @Param("steps") List<StepRow> steps);

    @Insert("INSERT INTO week_plan_change (plan_id, position, kind, cup_code, number, at, day, hours, ordered) VALUES (#{plan}, #{position}, #{c.kind}, #{c.cup}, #{c.number}, #{c.at}, #{c.day}, #{c.hours}, #{c.ordered})")
    void insertChange(@Param("plan") long plan, @Param("position") int position, @Param("c") ChangeRow change);

    @Select("SELECT id, base_id, state, why, made_at, made_by FROM week_plan WHERE id = #{id}")
    Optional<PlanRow> plan(long id);

    @Select("SELECT cup_code, step, begins_at FROM week_plan_step WHERE plan_id = #{id} ORDER BY begins_at, cup_code, step")
    List<StepRow> steps(long id);

    @Select("SELECT kind, cup_code, number, at, day, hours, ordered FROM week_plan_change WHERE plan_id = #{id} ORDER BY position")
    List<ChangeRow> changes(long id);

    /** Gives a cup that was only wanted the code it was started under. */
    @Update("UPDATE week_plan_step SET cup_code = #{code} WHERE plan_id = #{plan} AND cup_code = #{wanted}")
    void started(@Param("plan") long plan, @Param("wanted") String wanted, @Param("code") String code);

    @Select("SELECT plan_id FROM week_plan_kept WHERE plan_id IS NOT NULL")
    Optional<Long> kept();

    /** Holds the place of the kept plan until the transaction ends, so that of two makers one is first. */
    @Select("SELECT id FROM week_plan_kept FOR UPDATE")
    int hold();

    @Update("UPDATE week_plan_kept SET plan_id = #{id}")
    void keep(long id);

    @Delete("DELETE s FROM week_plan_step s JOIN week_plan p ON p.id = s.plan_id WHERE p.state <> 'KEPT' AND p.made_at < #{before}")
    void forgetSteps(Instant before);

    @Delete("DELETE c FROM week_plan_change c JOIN week_plan p ON p.id = c.plan_id WHERE p.state <> 'KEPT' AND p.made_at < #{before}")
    void forgetChanges(Instant before);

    @Delete("DELETE FROM week_plan WHERE state <> 'KEPT' AND made_at < #{before}")
    void forget(Instant before);

    @Update("UPDATE week_plan SET state = #{state} WHERE id = #{id}")
    void mark(@Param("id") long id, @Param("state") String state);
}

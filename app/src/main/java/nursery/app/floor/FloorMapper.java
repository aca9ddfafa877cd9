package nursery.app.floor;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Every statement that reads the shop. */
@Mapper
interface FloorMapper {

    record WaysRow(
            String lengthUnit,
            String volumeUnit,
            String temperatureUnit,
            String zone,
            LocalTime quietFrom,
            LocalTime quietUntil,
            double lossFillMl,
            double lossCupMl,
            @Nullable Double minutesPerCup,
            String clock,
            int weekStarts) {}

    /** What is read anew only when its stamp has changed, and what is expected of the room. */
    record StampRow(
            long shelf,
            long room,
            @Nullable String curePlace,
            @Nullable String forecast,
            @Nullable Double steadyC,
            @Nullable String heating,
            long hands) {}

    record AnswerRow(long entryId, String question, String reason) {}

    record TimedRow(String kind, double minutes) {}

    /** A share of an open mix, with the mix it belongs to. */
    record ShareRow(
            long id,
            long resinId,
            long measuringCupId,
            String ratio,
            double plannedAMl,
            double plannedBMl,
            double potMinutes,
            Instant startedAt,
            String startedBy,
            @Nullable Double actualAMl,
            @Nullable Double actualBMl,
            @Nullable Instant mixedAt,
            @Nullable Instant closedAt,
            @Nullable Double leftoverMl,
            @Nullable Double asideMl,
            boolean wasted,
            boolean byScale,
            @Nullable Instant stirredAt,
            @Nullable Instant secondCupAt,
            @Nullable Instant restedAt,
            @Nullable Long cupId,
            @Nullable String code,
            @Nullable Integer step,
            @Nullable Double shareMl,
            @Nullable Double atMinute,
            @Nullable Double additionMl,
            @Nullable String addition) {}

    /** The hours of a weekday, or of one day. */
    record HoursRow(@Nullable Integer weekday, @Nullable LocalDate day, String bench, String booth) {}

    /** Where the plan has a step, or where it is pinned. */
    record PlaceRow(boolean pinned, String code, int step, Instant at) {}

    record PourRow(long batchId, Instant happenedAt) {}

    record ArchivedRow(
            String code, String name, String madeFor, @Nullable LocalDate dueOn, Instant leavesAt, String leftHow) {}

    String CUP =
            """
            SELECT c.id, c.code, c.name, c.made_for, c.blank_id, c.blank_edition, c.base_resin_id, c.last_resin_id,
              c.due_on, c.paint_colour, c.glitter_colour, c.glitter_more, c.schools,
              c.technique, c.started_at, c.matters, c.leaves_at, c.version, c.next_step
            FROM cup c\s""";
    String STEP =
            """
            SELECT s.cup_id, s.number, s.position, s.kind, s.title, s.wait_kind, s.wait_amount, s.wait_fast,
              s.detail, s.role, s.how, s.width_mm, s.height_mm, s.amount_ml, t.minutes AS timed_minutes,
              (SELECT GROUP_CONCAT(m.colour ORDER BY x.position SEPARATOR ' ') FROM cup_material x
                JOIN material m ON m.id = x.material_id WHERE x.cup_id = s.cup_id AND x.step = s.number) AS colours
            FROM cup_step s LEFT JOIN step_timed t ON t.cup_id = s.cup_id AND t.step = s.number\s""";
    String ENTRY =
            """
            SELECT e.id, e.cup_id, e.kind, e.step, e.amount_ml, e.spindle_id, e.cancels_id, e.batch_id, e.resin_id,
              e.resin_edition, e.touch, e.seen, e.cause, e.how, e.happened_at, e.recorded_at,
              e.recorded_by, e.note, m.ratio, m.actual_a_ml, m.actual_b_ml
            FROM log_entry e LEFT JOIN batch m ON m.id = e.batch_id\s""";
    String IDS = "<foreach collection='ids' item='id' open='(' separator=',' close=')'>#{id}</foreach> ";
    String BATCH =
            """
            SELECT b.id, b.resin_id, b.measuring_cup_id, b.ratio, b.planned_a_ml, b.planned_b_ml, b.pot_minutes,
              b.started_at, b.started_by, b.actual_a_ml, b.actual_b_ml,
              b.mixed_at, b.closed_at, b.leftover_ml, b.aside_ml, b.wasted, b.by_scale,
              b.stirred_at, b.second_cup_at, b.rested_at, s.cup_id, c.code, s.step, s.share_ml, s.at_minute,
              a.ml AS addition_ml, a.what AS addition
            FROM batch b LEFT JOIN batch_share s ON s.batch_id = b.id LEFT JOIN cup c ON c.id = s.cup_id
              LEFT JOIN batch_addition a ON a.batch_id = s.batch_id AND a.position = s.position\s""";

    @Select("SELECT length_unit, volume_unit, temperature_unit, zone, quiet_from, quiet_until, loss_fill_ml, "
            + "loss_cup_ml, minutes_per_cup, clock, week_starts FROM shop")
    Optional<WaysRow> ways();

    @Select(
            """
            SELECT (SELECT version FROM stamp WHERE what = 'shelf'), (SELECT version FROM stamp WHERE what = 'room'),
              p.cure_place, p.forecast, p.steady_c, p.heating, (SELECT version FROM stamp WHERE what = 'hands')
            FROM (SELECT 1 AS id) one LEFT JOIN room_plan p ON p.id = one.id""")
    StampRow stamps();

    /** What was timed, of each kind the newest first. */
    @Select(
            """
            SELECT kind, minutes FROM (
              SELECT s.kind, t.minutes,
                ROW_NUMBER() OVER (PARTITION BY s.kind ORDER BY t.timed_at DESC, t.cup_id DESC, t.step DESC) AS place
              FROM step_timed t JOIN cup_step s ON s.cup_id = t.cup_id AND s.number = t.step) timed
            WHERE place <= #{most} ORDER BY kind, place""")
    List<TimedRow> timed(int most);

    @Select(CUP + "WHERE c.leaves_at > #{now} ORDER BY c.id")
    List<CupRow> cups(Instant now);

    @Select(CUP + "WHERE c.code = #{code}")
    Optional<CupRow> cup(String code);

    @Select(BATCH + "WHERE b.closed_at IS NULL ORDER BY b.id DESC, s.position, a.place")
    List<ShareRow> open();

    @Select(BATCH + "WHERE b.id = #{id} ORDER BY s.position, a.place")
    List<ShareRow> batch(long id);

    @Select(
            """
            SELECT weekday, CAST(NULL AS DATE) AS day, bench, booth FROM bench_hours
            UNION ALL SELECT NULL, day, bench, '' FROM bench_day WHERE day >= #{from}""")
    List<HoursRow> hours(LocalDate from);

    @Select(
            """
            SELECT TRUE AS pinned, c.code, p.step, p.at FROM plan_pin p JOIN cup c ON c.id = p.cup_id WHERE
              c.leaves_at > #{now}
            UNION ALL SELECT FALSE, c.code, s.step, s.begins_at
            FROM week_plan_kept k JOIN week_plan_step s ON s.plan_id = k.plan_id JOIN cup c ON c.id = s.cup_id WHERE
              c.leaves_at > #{now}
            ORDER BY pinned, at, code, step""")
    List<PlaceRow> places(Instant now);

    /** When the coats of the newest mixes were poured: how fast the maker works now, not years ago. */
    @Select("SELECT batch_id, happened_at FROM log_entry WHERE batch_id > (SELECT COALESCE(MAX(id), 0) FROM batch) "
            + "- #{batches} ORDER BY happened_at, id")
    List<PourRow> pours(int batches);

    String ARCHIVED =
            """
            FROM cup WHERE leaves_at &lt;= #{now}
            <if test="find != ''">AND (INSTR(code, #{find}) OR INSTR(name, #{find}) OR INSTR(made_for, #{find})
              OR INSTR(technique, #{find}))</if>
            <if test="how != null">AND left_how = #{how}</if>
            """;

    @Select("<script>SELECT code, name, made_for, due_on, leaves_at, left_how " + ARCHIVED
            + "ORDER BY leaves_at DESC, id DESC LIMIT #{count} OFFSET #{skip}</script>")
    List<ArchivedRow> archived(
            @Param("now") Instant now,
            @Param("find") String find,
            @Param("how") @Nullable String how,
            @Param("skip") int skip,
            @Param("count") int count);

    @Select("<script>SELECT COUNT(*) " + ARCHIVED + "</script>")
    int archivedCount(@Param("now") Instant now, @Param("find") String find, @Param("how") @Nullable String how);

    /** When the newest entry was written down. */
    @Select("SELECT recorded_at FROM log_entry ORDER BY id DESC LIMIT 1")
    Optional<Instant> lastWritten();

    /** The cups whose coats of a resin were touched, among so many of the newest, the newest first. */
    @Select(
            """
            SELECT c.id FROM cup c WHERE c.id > (SELECT COALESCE(MAX(id), 0) FROM cup) - #{newest}
              AND EXISTS (SELECT 1 FROM log_entry p WHERE p.cup_id = c.id AND p.kind = 'POURED'
                AND p.resin_id = #{resinId})
              AND EXISTS (SELECT 1 FROM log_entry t WHERE t.cup_id = c.id AND t.kind = 'TOUCHED')
            ORDER BY c.id DESC LIMIT #{most}""")
    List<Long> touched(@Param("resinId") long resinId, @Param("newest") int newest, @Param("most") int most);

    @Select("<script>" + CUP + "WHERE c.id IN " + IDS + " ORDER BY c.id DESC</script>")
    List<CupRow> cupsOf(@Param("ids") List<Long> ids);

    @Select("<script>" + STEP + "WHERE s.cup_id IN " + IDS + " ORDER BY s.cup_id, s.position</script>")
    List<StepRow> stepsOf(@Param("ids") List<Long> ids);

    @Select("<script>" + ENTRY + "WHERE e.cup_id IN " + IDS + " ORDER BY e.id</script>")
    List<EntryRow> entriesOf(@Param("ids") List<Long> ids);

    /** Why things were done all the same, in the order of the questions. */
    @Select("<script>SELECT q.entry_id, q.question, q.reason FROM log_entry e JOIN entry_question q ON "
            + "q.entry_id = e.id WHERE e.cup_id IN " + IDS + " ORDER BY q.entry_id, q.question</script>")
    List<AnswerRow> answersOf(@Param("ids") List<Long> ids);
}

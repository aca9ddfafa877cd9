package nursery.app.inspect;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.technique.Schools;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Reads settled cases, and how often what was seen on how many cups. */
@Mapper
interface CaseMapper {

    /** @param seen what was seen last before the cause was known */
    record CaseRow(String cause, @Nullable String seen) {}

    @Select("SELECT body FROM fault_model WHERE id = 1")
    Optional<String> model();

    @Insert("INSERT INTO fault_model (id, body, saved_at, saved_by) VALUES (1, #{body}, #{at}, #{by}) "
            + "ON DUPLICATE KEY UPDATE body = #{body}, saved_at = #{at}, saved_by = #{by}")
    void saveModel(@Param("body") String body, @Param("at") Instant at, @Param("by") String by);

    @Delete("DELETE FROM fault_model")
    void dropModel();

    /** The newest settled cases; what was taken back is none. */
    @Select(
            """
            SELECT e.cause, (SELECT s.seen FROM log_entry s WHERE s.cup_id = e.cup_id AND s.kind = 'FAULTS_SEEN'
              AND s.id < e.id AND NOT EXISTS (SELECT 1 FROM log_entry x WHERE x.cancels_id = s.id)
              ORDER BY s.id DESC LIMIT 1) AS seen
            FROM log_entry e WHERE e.cause IS NOT NULL AND e.kind = 'CAUSE_KNOWN'
              AND NOT EXISTS (SELECT 1 FROM log_entry c WHERE c.cancels_id = e.id)
            ORDER BY e.id DESC LIMIT #{most}""")
    List<CaseRow> settled(@Param("most") int most);

    /**
     * A coat, and what was seen on its cup after it and before the next.
     *
     * @param lot of the hardener of its newest coat, if the bottles know it
     */
    record CoatRow(
            long cupId,
            String technique,
            String schools,
            String resin,
            @Nullable String turner,
            String step,
            @Nullable String lot,
            Instant pouredAt,
            @Nullable String seen) {

        Schools ways() {
            return Schools.read(schools);
        }
    }

    /** The newest cups with a coat, with all that was seen on them; the resin and turner of each one's newest coat. */
    @Select(
            """
            SELECT c.id AS cup_id, c.technique, c.schools, r.name AS resin, t.name AS turner, st.title AS step,
              COALESCE(
                (SELECT MIN(b.lot) FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id AND b.part = 'B'
                  WHERE d.entry_id = p.id),
                (SELECT MIN(b.lot) FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id AND b.part = 'B'
                  WHERE d.batch_id = p.batch_id)) AS lot,
              p.happened_at, f.seen
            FROM (SELECT e.cup_id, MAX(e.id) AS pour FROM log_entry e LEFT JOIN log_entry x ON x.cancels_id = e.id
                WHERE e.kind = 'POURED' AND e.cup_id > (SELECT MAX(id) FROM cup) - #{most} AND x.id IS NULL
                GROUP BY e.cup_id) n
              JOIN cup c ON c.id = n.cup_id JOIN log_entry p ON p.id = n.pour
              JOIN resin r ON r.id = p.resin_id
              JOIN cup_step st ON st.cup_id = c.id AND st.number = p.step
              LEFT JOIN spindle sp ON sp.id = p.spindle_id LEFT JOIN turner t ON t.id = sp.turner_id
              LEFT JOIN (SELECT s.cup_id, GROUP_CONCAT(s.seen SEPARATOR ' ') AS seen FROM log_entry s
                LEFT JOIN log_entry x ON x.cancels_id = s.id
                WHERE s.kind = 'FAULTS_SEEN' AND s.cup_id > (SELECT MAX(id) FROM cup) - #{most} AND x.id IS NULL
                GROUP BY s.cup_id) f ON f.cup_id = c.id
            ORDER BY c.id DESC""")
    List<CoatRow> coated(@Param("most") int most);

    /** @param hour since 1970 */
    record HourRow(long hour, double roomC) {}

    /** What a room was on average, hour by hour. */
    @Select("SELECT UNIX_TIMESTAMP(taken_at) DIV 3600 AS hour, AVG(temperature_c) AS room_c FROM room_reading "
            + "WHERE place = #{place} AND taken_at >= #{since} GROUP BY hour")
    List<HourRow> hours(@Param("place") String place, @Param("since") Instant since);
}

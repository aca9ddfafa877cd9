package nursery.app.made;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface FiguresMapper {

    /**
     * A cup that left or was finished.
     *
     * @param done whether all its steps are
     * @param lastAt when the last thing happened to it
     * @param curedAt when it was fully cured, once it has left and that is worked out
     * @param left whether it has left the floor
     */
    record CupRow(
            long id,
            String code,
            String technique,
            String blank,
            String how,
            boolean done,
            Instant startedAt,
            @Nullable LocalDate dueOn,
            Instant lastAt,
            @Nullable Instant curedAt,
            boolean left,
            double pouredMl,
            int coats) {}

    /**
     * Of each cup since a day what was really poured on it, as it was added up with every entry of its log; in no
     * order. The cups are read first: going by their blanks would look each of them up by itself.
     */
    @Select(
            """
            SELECT STRAIGHT_JOIN c.id, c.code, c.technique, b.name, c.left_how,
              c.leaves_at < '9999-01-01', c.started_at,
              c.due_on, c.last_at, c.cured_at, c.leaves_at <= #{now}, c.poured_ml, c.coats
            FROM cup c JOIN blank b ON b.id = c.blank_id
            WHERE c.started_at >= #{since} AND c.last_at IS NOT NULL""")
    List<CupRow> cups(@Param("since") Instant since, @Param("now") Instant now);

    record LeftRow(long id, String code, int version, Instant leavesAt) {}

    /** Cups with a day that have left and of which it is not known when they were cured. */
    @Select("SELECT id, code, version, leaves_at FROM cup WHERE cured_at IS NULL AND due_on IS NOT NULL "
            + "AND leaves_at <= #{now} AND left_how <> 'ABANDONED' ORDER BY id DESC LIMIT #{most}")
    List<LeftRow> uncured(@Param("now") Instant now, @Param("most") int most);

    record CuredRow(long id, int version, Instant at) {}

    /** Those that were not corrected meanwhile. */
    @Update(
            """
            <script>UPDATE cup SET cured_at = CASE id
            <foreach collection="rows" item="row">WHEN #{row.id} THEN #{row.at} </foreach>END
            WHERE (id, version) IN
            <foreach collection="rows" item="row" open="(" separator="," close=")">(#{row.id}, #{row.version})</foreach>
            </script>""")
    void setCured(@Param("rows") List<CuredRow> rows);
}

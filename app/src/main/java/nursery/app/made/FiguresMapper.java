package nursery.app.made;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface FiguresMapper {

    /**
     * A cup that left or was finished.
     *
     * @param done whether all its steps are
     * @param lastAt when the last thing happened to it
     */
    record CupRow(
            long id,
            String code,
            String technique,
            String blank,
            String how,
            boolean done,
            Instant startedAt,
            @Nullable Instant dueAt,
            Instant lastAt,
            double pouredMl,
            int coats) {}

    /** Of each cup since a day what was really poured on it, corrections taken out. */
    @Select(
            """
            SELECT c.id, c.code, c.technique, b.name, c.left_how,
              c.leaves_at < '9999-01-01', c.started_at,
              CAST(c.due_on AS DATETIME), MAX(e.happened_at),
              COALESCE(SUM(e.amount_ml), 0), COUNT(e.amount_ml)
            FROM cup c JOIN blank b ON b.id = c.blank_id JOIN log_entry e ON e.cup_id = c.id
            WHERE e.kind <> 'CANCELLED' AND e.id NOT IN (SELECT cancels_id FROM log_entry WHERE cancels_id IS NOT NULL)
              AND c.started_at >= #{since}
            GROUP BY c.id ORDER BY MAX(e.happened_at), c.id""")
    List<CupRow> cups(Instant since);
}

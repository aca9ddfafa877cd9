package nursery.app.made;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface SpoiledMapper {

    /** No cup: the row that says how many were not given up, those on the go among them. */
    long ALL_OTHERS = 0;

    /** @param place among those that were not given up, from 1; one that was has none */
    record PlaceRow(long id, @Nullable Integer place) {}

    /** Cups that were given up, how many were not, and the places of those that were asked for among these. */
    @Select(
            """
            <script>
            SELECT id, NULL AS place FROM cup WHERE left_how = 'ABANDONED' AND started_at &gt;= #{since}
            UNION ALL
            SELECT 0, COUNT(*) FROM cup WHERE left_how &lt;&gt; 'ABANDONED' AND started_at &gt;= #{since}
            <if test="!cups.isEmpty()">UNION ALL
            SELECT g.id, g.place FROM (
              SELECT id, ROW_NUMBER() OVER (ORDER BY started_at, id) AS place FROM cup
              WHERE left_how &lt;&gt; 'ABANDONED' AND started_at &gt;= #{since}) g
            WHERE g.id IN <foreach collection="cups" item="cup" open="(" separator="," close=")">#{cup}</foreach></if>
            </script>""")
    List<PlaceRow> since(@Param("since") Instant since, @Param("cups") Collection<Long> cups);
}

package nursery.app.made;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface SpoiledMapper {

    /** @param place among those that were not given up, from 1 */
    record PlaceRow(long id, int place) {}

    /** Cups that were given up. */
    @Select("SELECT id FROM cup WHERE left_how = 'ABANDONED' AND started_at >= #{since} ORDER BY code")
    List<Long> since(Instant since);

    /** How many were not, those on the go among them. */
    @Select("SELECT COUNT(*) FROM cup WHERE left_how <> 'ABANDONED' AND started_at >= #{since}")
    int good(Instant since);

    @Select(
            """
            <script>SELECT g.id, g.place FROM (
              SELECT id, ROW_NUMBER() OVER (ORDER BY started_at, id) AS place FROM cup
              WHERE left_how &lt;&gt; 'ABANDONED' AND started_at &gt;= #{since}) g
            WHERE g.id IN <foreach collection="cups" item="cup" open="(" separator="," close=")">#{cup}</foreach>
            </script>""")
    List<PlaceRow> places(@Param("since") Instant since, @Param("cups") Collection<Long> cups);
}

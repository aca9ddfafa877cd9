package nursery.app.alarms;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface FeedMapper {

    record FeedRow(long id, Instant madeAt, String madeBy, @Nullable Instant readAt) {}

    @Insert("INSERT INTO calendar_feed (secret_hash, made_at, made_by) VALUES (#{hash}, #{at}, #{by})")
    void insert(@Param("hash") String hash, @Param("at") Instant at, @Param("by") String by);

    @Select("SELECT id, made_at, made_by, read_at FROM calendar_feed WHERE revoked_at IS NULL ORDER BY id")
    List<FeedRow> feeds();

    @Select("SELECT id, made_at, made_by, read_at FROM calendar_feed WHERE secret_hash = #{hash} AND revoked_at IS "
            + "NULL")
    Optional<FeedRow> feed(String hash);

    @Update("UPDATE calendar_feed SET read_at = #{at} WHERE id = #{id}")
    void read(@Param("id") long id, @Param("at") Instant at);

    @Update("UPDATE calendar_feed SET revoked_at = #{at} WHERE id = #{id} AND revoked_at IS NULL")
    void revoke(@Param("id") long id, @Param("at") Instant at);
}

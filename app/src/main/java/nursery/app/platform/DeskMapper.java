package nursery.app.platform;

import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface DeskMapper {

    /** @param cold whether nobody has said for long that it is still being done */
    record RunRow(long id, String state, int percent, @Nullable String told, @Nullable String faults, boolean cold) {}

    @Select(
            value = "INSERT INTO desk_run (what, alone, told) VALUES (#{what}, #{alone}, #{told}) RETURNING id",
            affectData = true)
    long insert(
            @Param("what") String what, @Param("alone") @Nullable String alone, @Param("told") @Nullable String told);

    @Update("UPDATE desk_run SET state = #{state}, percent = #{percent}, told = #{told}, faults = #{faults}, "
            + "beat_at = UTC_TIMESTAMP(3), alone = IF(#{state} = 'RUNNING', alone, NULL) WHERE id = #{id}")
    void write(
            @Param("id") long id,
            @Param("state") String state,
            @Param("percent") int percent,
            @Param("told") @Nullable String told,
            @Param("faults") @Nullable String faults);

    @Select("SELECT id, state, percent, told, faults, beat_at < UTC_TIMESTAMP(3) - INTERVAL 20 SECOND FROM desk_run "
            + "WHERE id = #{id} AND what = #{what}")
    Optional<RunRow> run(@Param("id") long id, @Param("what") String what);

    @Select("SELECT MAX(id) FROM desk_run WHERE what = #{what}")
    Optional<Long> latest(String what);

    @Update("UPDATE desk_run SET enough = TRUE WHERE what = #{what} AND state = 'RUNNING'")
    void enough(String what);

    @Select("SELECT enough FROM desk_run WHERE id = #{id}")
    Optional<Boolean> isEnough(long id);

    /** Work whose instance is gone no longer keeps others from beginning. */
    @Update("UPDATE desk_run SET alone = NULL WHERE alone = #{what} AND "
            + "beat_at < UTC_TIMESTAMP(3) - INTERVAL 20 SECOND")
    void release(String what);

    @Delete("DELETE FROM desk_run WHERE begun_at < UTC_TIMESTAMP(3) - INTERVAL 7 DAY")
    void forget();
}

package nursery.app.keep;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface KeepMapper {

    /** Where backups go, and how many of each are kept. */
    record WaysRow(String folder, int days, int weeks, int months) {}

    /** A backup that was tried. */
    record RunRow(long id, Instant at, boolean good, String file, long bytes, String said) {}

    @Select("SELECT folder, days, weeks, months FROM keep_ways WHERE id = 1")
    WaysRow ways();

    @Update("UPDATE keep_ways SET folder = #{folder}, days = #{days}, weeks = #{weeks}, months = #{months} "
            + "WHERE id = 1")
    void setWays(WaysRow ways);

    @Insert("INSERT INTO keep_run (at, good, file, bytes, said) VALUES (#{at}, #{good}, #{file}, #{bytes}, #{said})")
    void insert(
            @Param("at") Instant at,
            @Param("good") boolean good,
            @Param("file") String file,
            @Param("bytes") long bytes,
            @Param("said") String said);

    @Select("SELECT id, at, good, file, bytes, said FROM keep_run ORDER BY id DESC LIMIT 50")
    List<RunRow> runs();

    @Select("SELECT MAX(at) FROM keep_run WHERE good")
    Optional<Instant> lastGood();

    @Select("SELECT id FROM cup WHERE code = #{code}")
    Optional<Long> cup(String code);

    @Select("SELECT id FROM cup WHERE made_for = #{madeFor} ORDER BY id LIMIT 500")
    List<Long> cupsFor(String madeFor);

    /** Since when there is something to lose: the first cup that was begun. */
    @Select("SELECT MIN(started_at) FROM cup")
    Optional<Instant> firstCup();
}

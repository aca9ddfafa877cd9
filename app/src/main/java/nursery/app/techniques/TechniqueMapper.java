package nursery.app.techniques;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface TechniqueMapper {

    record TechniqueRow(long id, String name, String body, int version) {}

    @Select("SELECT id, name, body, version FROM technique ORDER BY name")
    List<TechniqueRow> all();

    @Select("SELECT id FROM technique WHERE name = #{name}")
    Optional<Long> named(String name);

    @Insert("INSERT INTO technique (name, body, saved_at, saved_by) VALUES (#{name}, #{body}, #{at}, #{by})")
    void insert(
            @Param("name") String name, @Param("body") String body, @Param("at") Instant at, @Param("by") String by);

    /** Changes it only if it is still the version that was read. */
    @Update("UPDATE technique SET name = #{name}, body = #{body}, saved_at = #{at}, saved_by = #{by}, version = "
            + "version + 1 WHERE id = #{id} AND version = #{version}")
    int update(
            @Param("id") long id,
            @Param("version") int version,
            @Param("name") String name,
            @Param("body") String body,
            @Param("at") Instant at,
            @Param("by") String by);

    @Delete("DELETE FROM technique WHERE id = #{id}")
    int delete(long id);
}

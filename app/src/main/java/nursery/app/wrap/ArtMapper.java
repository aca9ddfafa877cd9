package nursery.app.wrap;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface ArtMapper {

    record ArtRow(long id, String name, String kind) {}

    record ArtBody(String name, String kind, byte[] body) {}

    record DesignRow(long id, String name, int version) {}

    record VersionRow(int number, Instant savedAt, String savedBy) {}

    record OnCupRow(long cupId, long designId, int number) {}

    @Select("SELECT id, name, kind FROM art ORDER BY id")
    List<ArtRow> all();

    @Select("SELECT name, kind, body FROM art WHERE id = #{id}")
    Optional<ArtBody> body(long id);

    @Select("SELECT id FROM art WHERE sha256 = #{sha256}")
    Optional<Long> same(String sha256);

    @Insert("INSERT IGNORE INTO art (name, kind, sha256, body, added_at, added_by) VALUES (#{name}, #{kind}, "
            + "#{sha256}, #{body}, #{at}, #{by})")
    void insert(
            @Param("name") String name,
            @Param("kind") String kind,
            @Param("sha256") String sha256,
            @Param("body") byte[] body,
            @Param("at") Instant at,
            @Param("by") String by);

    @Select("SELECT id, name, version FROM design ORDER BY id")
    List<DesignRow> designs();

    @Select("SELECT id, name, version FROM design WHERE id = #{id}")
    Optional<DesignRow> design(long id);

    @Select("SELECT id FROM design WHERE name = #{name}")
    Optional<Long> named(String name);

    @Select("SELECT body FROM design_version WHERE design_id = #{id} AND number = #{number}")
    Optional<String> version(@Param("id") long id, @Param("number") int number);

    @Select("SELECT number, saved_at, saved_by FROM design_version WHERE design_id = #{id} ORDER BY number DESC")
    List<VersionRow> versions(long id);

    @Select(value = "INSERT INTO design (name, version) VALUES (#{name}, 1) RETURNING id", affectData = true)
    long insertDesign(String name);

    /** Only if it is still the version that was read. */
    @Update("UPDATE design SET name = #{name}, version = version + 1 WHERE id = #{id} AND version = #{version}")
    int update(@Param("id") long id, @Param("version") int version, @Param("name") String name);

    @Insert("INSERT INTO design_version (design_id, number, body, saved_at, saved_by) VALUES (#{id}, #{number}, "
            + "#{body}, #{at}, #{by})")
    void insertVersion(
            @Param("id") long id,
            @Param("number") int number,
            @Param("body") String body,
            @Param("at") Instant at,
            @Param("by") String by);

    @Insert("INSERT INTO cup_design (cup_id, design_id, number) VALUES (#{cup}, #{design}, #{number}) ON DUPLICATE "
            + "KEY UPDATE design_id = #{design}, number = #{number}")
    void give(@Param("cup") long cup, @Param("design") long design, @Param("number") int number);

    @Delete("DELETE FROM cup_design WHERE cup_id = #{cup}")
    void take(long cup);

    @Select("SELECT design_id FROM technique_design WHERE technique = #{technique}")
    Optional<Long> usualFor(String technique);

    @Insert("INSERT INTO technique_design (technique, design_id) VALUES (#{technique}, #{design}) ON DUPLICATE KEY "
            + "UPDATE design_id = #{design}")
    void setUsual(@Param("technique") String technique, @Param("design") long design);

    @Delete("DELETE FROM technique_design WHERE technique = #{technique}")
    void noUsual(String technique);

    @Select("SELECT cup_id, design_id, number FROM cup_design WHERE cup_id = #{cup}")
    Optional<OnCupRow> on(long cup);

    /** Of every cup that has not left by then, and of one more, which design is on it; number 0 if none is. */
    @Select("SELECT c.id AS cup_id, COALESCE(d.design_id, 0) AS design_id, COALESCE(d.number, 0) AS number "
            + "FROM cup c LEFT JOIN cup_design d ON d.cup_id = c.id WHERE c.leaves_at > #{now} OR c.id = #{cup}")
    List<OnCupRow> onTheFloor(@Param("now") Instant now, @Param("cup") long cup);

    /** @param of how many cups have it in all */
    record WithRow(long designId, String code, int of) {}

    /** The newest cups with each design. */
    @Select(
            """
            SELECT w.design_id, c.code, w.of FROM (
              SELECT design_id, cup_id, ROW_NUMBER() OVER (PARTITION BY design_id ORDER BY cup_id DESC) AS place,
                COUNT(*) OVER (PARTITION BY design_id) AS of FROM cup_design
              WHERE #{design} IS NULL OR design_id = #{design}) w JOIN cup c ON c.id = w.cup_id
            WHERE w.place <= #{most} ORDER BY w.design_id, w.cup_id""")
    List<WithRow> cupsWith(@Param("design") @Nullable Long design, @Param("most") int most);

    record KeptRow(long id, int number, String body) {}

    /** Every design as it was last kept. */
    @Select("SELECT d.id, d.version, v.body FROM design d JOIN design_version v ON v.design_id = d.id AND v.number = "
            + "d.version ORDER BY d.id")
    List<KeptRow> kept();
}

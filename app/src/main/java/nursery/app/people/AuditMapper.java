package nursery.app.people;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface AuditMapper {

    /** One line of the audit log. */
    record AuditRow(long id, Instant at, String who, String device, String what, String about) {}

    @Insert("INSERT INTO audit (at, who, device, what, about) VALUES (#{at}, #{who}, #{device}, #{what}, #{about})")
    void insert(
            @Param("at") Instant at,
            @Param("who") String who,
            @Param("device") String device,
            @Param("what") String what,
            @Param("about") String about);

    @Select("SELECT id, at, who, device, what, about FROM audit WHERE id < #{before} ORDER BY id DESC LIMIT #{most}")
    List<AuditRow> before(@Param("before") long before, @Param("most") int most);
}

package nursery.app.platform;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface SubmissionMapper {

    /** Whether the database answers. */
    @Select("SELECT 1")
    int alive();

    @Select("SELECT leads_to FROM submission WHERE token = #{token}")
    Optional<String> leadsTo(String token);

    @Select("SELECT version FROM stamp WHERE what = 'forms' FOR UPDATE")
    long holdForms();

    @Insert("INSERT INTO submission (token, leads_to, received_at) VALUES (#{token}, #{leadsTo}, #{at})")
    void insert(String token, String leadsTo, Instant at);

    @Update("UPDATE submission SET leads_to = #{leadsTo} WHERE token = #{token}")
    void update(String token, String leadsTo);

    @Delete("DELETE FROM submission WHERE received_at < #{before}")
    void forget(Instant before);
}

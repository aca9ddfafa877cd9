package nursery.app.made;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface SpoiledMapper {

    /** Cups that were given up. */
    @Select("SELECT code FROM cup WHERE left_how = 'ABANDONED' AND started_at >= #{since} ORDER BY code")
    List<String> since(Instant since);

    /** Those that were not, the ones on the go among them. */
    @Select("SELECT code FROM cup WHERE left_how <> 'ABANDONED' AND started_at >= #{since} ORDER BY started_at, id")
    List<String> good(Instant since);
}

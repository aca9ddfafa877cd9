package nursery.app.people;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface LinkMapper {

    /** Whom cups are made for, the latest first. */
    @Select("SELECT made_for FROM cup WHERE made_for <> '' GROUP BY made_for ORDER BY MAX(id) DESC LIMIT 200")
    List<String> madeFor();

    @Select("SELECT code FROM cup WHERE made_for = #{madeFor} ORDER BY id LIMIT 500")
    List<String> cupsFor(String madeFor);
}

package nursery.app.made;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface PhotoMapper {

    record PhotoRow(
            long id,
            long cupId,
            @Nullable Integer step,
            String kind,
            String file,
            String small,
            int width,
            int height,
            String words,
            Instant addedAt,
            String addedBy) {}

    @Select("SELECT id, cup_id, step, kind, file, small, width, height, words, added_at, added_by FROM photo WHERE "
            + "cup_id = #{cup} AND hidden_at IS NULL ORDER BY added_at, id")
    List<PhotoRow> of(long cup);

    @Insert("INSERT INTO photo (cup_id, step, kind, file, small, width, height, words, added_at, added_by) VALUES "
            + "(#{cupId}, #{step}, #{kind}, #{file}, #{small}, #{width}, #{height}, #{words}, #{addedAt}, #{addedBy})")
    void insert(PhotoRow row);

    /** It is no longer shown; the picture itself stays. */
    @Update("UPDATE photo SET hidden_at = #{at} WHERE id = #{id} AND cup_id = #{cup} AND hidden_at IS NULL")
    int hide(@Param("id") long id, @Param("cup") long cup, @Param("at") Instant at);
}

package nursery.app.plan;

import java.util.Map;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface DoubtMapper {

    /**
     * What the maker wants of promises.
     *
     * @param surePercent with so many chances in a hundred they are to hold
     * @param lateMin the maker comes no later than this to four sessions in five
     */
    record SureRow(int surePercent, int lateMin) {

        double sure() {
            return surePercent / 100.0;
        }

        /** As it stands in its form. */
        Map<String, String> typed() {
            return Map.of("sure", String.valueOf(surePercent), "late", String.valueOf(lateMin));
        }
    }

    @Select("SELECT sure_percent, late_min FROM doubt WHERE id = 1")
    Optional<SureRow> sure();

    @Insert("INSERT INTO doubt (id, sure_percent, late_min) VALUES (1, #{surePercent}, #{lateMin}) ON DUPLICATE KEY "
            + "UPDATE sure_percent = #{surePercent}, late_min = #{lateMin}")
    void save(SureRow row);
}

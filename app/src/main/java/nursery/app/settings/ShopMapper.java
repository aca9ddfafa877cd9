package nursery.app.settings;

import java.util.Optional;
import nursery.core.floor.Ways;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface ShopMapper {

    /** Holds the settings until the transaction ends, so that of two makers one is first. */
    @Select("SELECT id FROM shop WHERE id = 1 FOR UPDATE")
    Optional<Integer> hold();

    @Select("SELECT COUNT(*) FROM shop")
    int kept();

    @Insert(
            """
            INSERT INTO shop (id, length_unit, volume_unit, temperature_unit, zone, quiet_from, quiet_until,
              loss_fill_ml, loss_cup_ml, minutes_per_cup, clock, week_starts)
            VALUES (1, #{w.lengthUnit}, #{w.volumeUnit}, #{w.temperatureUnit}, #{zone}, #{w.quiet.from},
              #{w.quiet.untilExclusive}, #{w.losses.perFillMl}, #{w.losses.perCupMl}, #{pace},
              #{w.clock}, #{weekStarts})
            ON DUPLICATE KEY UPDATE length_unit = #{w.lengthUnit}, volume_unit = #{w.volumeUnit}, temperature_unit =
              #{w.temperatureUnit}, zone = #{zone},
              quiet_from = #{w.quiet.from}, quiet_until = #{w.quiet.untilExclusive}, loss_fill_ml =
                #{w.losses.perFillMl}, loss_cup_ml = #{w.losses.perCupMl},
              minutes_per_cup = #{pace}, clock = #{w.clock}, week_starts = #{weekStarts}""")
    void save(
            @Param("w") Ways ways,
            @Param("zone") String zone,
            @Param("pace") @Nullable Double minutesPerCup,
            @Param("weekStarts") int weekStarts);
}

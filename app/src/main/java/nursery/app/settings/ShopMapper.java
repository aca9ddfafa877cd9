package nursery.app.settings;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ShopMapper {

    @Select("SELECT length_unit, volume_unit, temperature_unit, zone, quiet_from, quiet_until, loss_fill_ml, loss_cup_ml, minutes_per_cup FROM shop")
    Optional<Shop> find();

    @Insert("""
            INSERT INTO shop (id, length_unit, volume_unit, temperature_unit, zone, quiet_from, quiet_until, loss_fill_ml, loss_cup_ml, minutes_per_cup)
            VALUES (1, #{lengthUnit}, #{volumeUnit}, #{temperatureUnit}, #{zone}, #{quietFrom}, #{quietUntil}, #{lossFillMl}, #{lossCupMl}, #{minutesPerCup})
            ON DUPLICATE KEY UPDATE length_unit = #{lengthUnit}, volume_unit = #{volumeUnit},
              temperature_unit = #{temperatureUnit}, zone = #{zone}, quiet_from = #{quietFrom}, quiet_until = #{quietUntil},
              loss_fill_ml = #{lossFillMl}, loss_cup_ml = #{lossCupMl}, minutes_per_cup = #{minutesPerCup}""")
    void save(Shop shop);
}

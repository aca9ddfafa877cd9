package nursery.app.materials;

import java.math.BigDecimal;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface MoneyMapper {

    record MoneyRow(
            String currency,
            BigDecimal hourRate,
            BigDecimal marginPercent,
            BigDecimal feePercent,
            BigDecimal feeFixed,
            BigDecimal roundTo) {}

    @Select("SELECT currency, hour_rate, margin_percent, fee_percent, fee_fixed, round_to FROM money_ways")
    MoneyRow ways();

    @Update("UPDATE money_ways SET currency = #{currency}, hour_rate = #{hourRate}, margin_percent = #{marginPercent}, "
            + "fee_percent = #{feePercent}, fee_fixed = #{feeFixed}, round_to = #{roundTo}")
    void save(MoneyRow row);

    /** Whether anything has a price: then the currency it was paid in is settled. */
    @Select("SELECT EXISTS (SELECT 1 FROM material_lot WHERE price IS NOT NULL) OR EXISTS (SELECT 1 FROM bottle WHERE "
            + "price IS NOT NULL) OR EXISTS (SELECT 1 FROM blank WHERE price IS NOT NULL)")
    boolean isPriced();
}

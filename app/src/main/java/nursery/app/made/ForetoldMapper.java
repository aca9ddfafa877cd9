package nursery.app.made;

import java.math.BigDecimal;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface ForetoldMapper {

    record ItemRow(String part, String what, @Nullable BigDecimal amount, double quantity, String unit) {}

    /** In their order; what was foretold first stays. */
    @Insert("<script>INSERT IGNORE INTO cup_foretold (cup_id, position, part, what, amount, quantity, unit) VALUES "
            + "<foreach collection='rows' item='row' index='i' separator=','>(#{cup}, #{i}, #{row.part}, #{row.what}, "
            + "#{row.amount}, #{row.quantity}, #{row.unit})</foreach></script>")
    void insert(@Param("cup") long cup, @Param("rows") List<ItemRow> rows);

    @Select("SELECT part, what, amount, quantity, unit FROM cup_foretold WHERE cup_id = #{cup} ORDER BY position")
    List<ItemRow> of(long cup);

    record QuantityRow(long cupId, double quantity) {}

    @Select("<script>SELECT cup_id, SUM(quantity) FROM cup_foretold WHERE part = #{part} AND cup_id IN <foreach "
            + "collection='cups' item='cup' open='(' separator=',' close=')'>#{cup}</foreach> GROUP BY cup_id</script>")
    List<QuantityRow> quantities(@Param("cups") List<Long> cups, @Param("part") String part);
}

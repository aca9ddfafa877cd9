package nursery.app.made;

import java.math.BigDecimal;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface PaidMapper {

    /**
     * What was paid for something.
     *
     * @param what a part of a resin, A or B, or BLANK
     * @param number of the resin, or of the blank
     * @param amount how much of it that was, in millilitres or pieces
     */
    record PaidRow(String what, long number, BigDecimal price, double amount) {}

    /** Every bottle, blank, and pack of blanks that has a price: what tells the price of today comes last. */
    @Select(
            """
            SELECT part AS what, resin_id AS number, price, holds_ml AS amount, 0 AS newer, NULL AS bought_on, id
            FROM bottle WHERE price IS NOT NULL
            UNION ALL
            SELECT 'BLANK', id, price, 1, 0, NULL, id FROM blank WHERE price IS NOT NULL
            UNION ALL
            SELECT 'BLANK', m.blank_id, l.price, l.amount, 1, l.bought_on, l.id
            FROM material_lot l JOIN material m ON m.id = l.material_id
            WHERE m.kind = 'BLANK' AND m.gone_at IS NULL AND m.blank_id IS NOT NULL AND l.price IS NOT NULL
            ORDER BY newer, bought_on, id""")
    List<PaidRow> paid();
}

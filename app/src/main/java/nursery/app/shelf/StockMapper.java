package nursery.app.shelf;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface StockMapper {

    record BottleRow(long id, long resinId, String part, String lot, double holdsMl, double drawnMl) {}

    /** What a draw was for: a batch, a coat poured without one, or neither for a look into the bottle. */
    record DrawnFor(@Nullable Long batch, @Nullable Long entry) {}

    record LotRow(String part, String lot, double ml) {}

    @Select("SELECT id, resin_id, part, lot, holds_ml, drawn_ml FROM bottle ORDER BY id")
    List<BottleRow> bottles();

    /** Holds a resin's bottles until the transaction ends, so that two batches draw one after the other. */
    @Select("SELECT id FROM bottle WHERE resin_id = #{resinId} FOR UPDATE")
    List<Long> lock(long resinId);

    @Insert("INSERT INTO bottle (resin_id, part, lot, holds_ml, added_at, added_by) VALUES (#{resinId}, #{part}, "
            + "#{lot}, #{holdsMl}, #{at}, #{by})")
    void insertBottle(
            @Param("resinId") long resinId,
            @Param("part") String part,
            @Param("lot") String lot,
            @Param("holdsMl") double holdsMl,
            @Param("at") Instant at,
            @Param("by") String by);

    @Insert("INSERT INTO bottle_draw (bottle_id, batch_id, entry_id, ml, drawn_at, drawn_by) VALUES (#{bottleId}, "
            + "#{for.batch}, #{for.entry}, #{ml}, #{at}, #{by})")
    void insertDraw(
            @Param("bottleId") long bottleId,
            @Param("for") DrawnFor drawnFor,
            @Param("ml") double ml,
            @Param("at") Instant at,
            @Param("by") String by);

    @Update("UPDATE bottle SET drawn_ml = drawn_ml + #{ml} WHERE id = #{bottleId}")
    void countOn(@Param("bottleId") long bottleId, @Param("ml") double ml);

    /** Since when a bottle is here, and open. */
    record AgeRow(long id, Instant addedAt, @Nullable Instant openedAt) {}

    @Select("SELECT b.id, b.added_at, MIN(d.drawn_at) FROM bottle b LEFT JOIN bottle_draw d ON d.bottle_id = b.id AND "
            + "d.ml > 0 AND (d.batch_id IS NOT NULL OR d.entry_id IS NOT NULL) WHERE b.resin_id = #{resinId} "
            + "GROUP BY b.id")
    List<AgeRow> ages(long resinId);

    /**
     * What went out of a bottle for a cup's coats.
     *
     * @param batch whose draw it is, or none, if it was mixed for the cup alone
     * @param earlier what had gone out of the bottle before it
     */
    record PaidRow(
            long cup,
            @Nullable Long batch,
            long resinId,
            String part,
            String lot,
            double holdsMl,
            @Nullable BigDecimal price,
            double earlier,
            double ml) {}

    record CupShareRow(long batch, long cup, double ml) {}

    String THESE = "<foreach collection='cups' item='cup' open='(' separator=',' close=')'>#{cup}</foreach>";

    /** Of the bottles that something was drawn from for these cups all that went out before. */
    @Select("<script>WITH mine AS (SELECT e.cup_id, d.id, d.bottle_id FROM bottle_draw d JOIN log_entry e ON "
            + "e.id = d.entry_id WHERE e.cup_id IN " + THESE + " UNION SELECT s.cup_id, d.id, d.bottle_id FROM "
            + "bottle_draw d JOIN batch_share s ON s.batch_id = d.batch_id WHERE s.cup_id IN " + THESE + ") "
            + "SELECT m.cup_id, d.batch_id, d.resin_id, d.part, d.lot, d.holds_ml, d.price, d.earlier, d.ml FROM ("
            + "SELECT v.id, v.batch_id, b.resin_id, b.part, b.lot, b.holds_ml, b.price, v.ml, "
            + "SUM(v.ml) OVER (PARTITION BY v.bottle_id ORDER BY v.id) - v.ml AS earlier "
            + "FROM bottle_draw v JOIN bottle b ON b.id = v.bottle_id "
            + "WHERE v.bottle_id IN (SELECT bottle_id FROM mine)) d JOIN mine m ON m.id = d.id "
            + "ORDER BY m.cup_id, d.id</script>")
    List<PaidRow> paidFor(@Param("cups") Collection<Long> cups);

    @Select("<script>SELECT batch_id, cup_id, SUM(share_ml) FROM batch_share WHERE batch_id IN (SELECT batch_id FROM "
            + "batch_share WHERE cup_id IN " + THESE + ") GROUP BY batch_id, cup_id ORDER BY batch_id, cup_id</script>")
    List<CupShareRow> sharesBeside(@Param("cups") Collection<Long> cups);

    record LeadRow(long id, int leadDays) {}

    @Select("SELECT id, lead_days FROM resin")
    List<LeadRow> leads();

    @Update("UPDATE resin SET lead_days = #{days} WHERE id = #{id}")
    void setLead(@Param("id") long id, @Param("days") int days);

    @Update("UPDATE bottle SET price = #{price} WHERE id = #{id}")
    void setPrice(@Param("id") long id, @Param("price") @Nullable BigDecimal price);

    record PriceRow(boolean ofBlank, long id, BigDecimal price) {}

    /** Of every bottle and every blank that has one. */
    @Select("SELECT FALSE AS of_blank, id, price FROM bottle WHERE price IS NOT NULL "
            + "UNION ALL SELECT TRUE, id, price FROM blank WHERE price IS NOT NULL")
    List<PriceRow> prices();

    @Update("UPDATE blank SET price = #{price} WHERE id = #{id}")
    void setBlankPrice(@Param("id") long id, @Param("price") @Nullable BigDecimal price);

    @Update("UPDATE bottle_draw SET entry_id = #{to} WHERE entry_id = #{from}")
    void passOn(@Param("from") long from, @Param("to") long to);

    record DrawRow(long bottleId, double ml) {}

    @Select("SELECT bottle_id, SUM(ml) FROM bottle_draw WHERE entry_id = #{entryId} GROUP BY bottle_id")
    List<DrawRow> drawnFor(long entryId);

    /** When the first of the bottles one part came from was drawn from first, for a batch or an entry. */
    @Select(
            """
            SELECT MIN(f.drawn_at) FROM bottle_draw f WHERE f.ml > 0 AND f.bottle_id IN (
              SELECT d.bottle_id FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id
              WHERE b.part = #{part} AND d.ml > 0 AND (d.batch_id = #{for.batch} OR d.entry_id = #{for.entry}))""")
    Optional<Instant> openedAt(@Param("for") DrawnFor drawnFor, @Param("part") String part);

    @Select("SELECT b.part, b.lot, d.ml FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id WHERE d.batch_id = "
            + "#{batchId} ORDER BY b.part, d.id")
    List<LotRow> lotsOf(long batchId);
}

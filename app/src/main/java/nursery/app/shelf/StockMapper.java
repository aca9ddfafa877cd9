package nursery.app.shelf;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface StockMapper {

    record BottleRow(long id, long resinId, String part, String lot, double holdsMl, double drawnMl) {}

    record LotRow(String part, String lot, double ml) {}

    @Select("""
            SELECT b.id, b.resin_id, b.part, b.lot, b.holds_ml, COALESCE(SUM(d.ml), 0) AS drawn_ml
            FROM bottle b LEFT JOIN bottle_draw d ON d.bottle_id = b.id GROUP BY b.id ORDER BY b.id""")
    List<BottleRow> bottles();

    /** Holds a resin's bottles until the transaction ends, so that two batches draw one after the other. */
    @Select("SELECT id FROM bottle WHERE resin_id = #{resinId} FOR UPDATE")
    List<Long> lock(long resinId);

    @Insert("INSERT INTO bottle (resin_id, part, lot, holds_ml, added_at, added_by) VALUES (#{resinId}, #{part}, #{lot}, #{holdsMl}, #{at}, #{by})")
    void insertBottle(@Param("resinId") long resinId, @Param("part") String part, @Param("lot") String lot, @Param("holdsMl") double holdsMl, @Param("at") Instant at, @Param("by") String by);

    @Insert("INSERT INTO bottle_draw (bottle_id, batch_id, ml, drawn_at, drawn_by) VALUES (#{bottleId}, #{batchId}, #{ml}, #{at}, #{by})")
    void insertDraw(@Param("bottleId") long bottleId, @Param("batchId") @Nullable Long batchId, @Param("ml") double ml, @Param("at") Instant at, @Param("by") String by);

    @Select("SELECT b.part, b.lot, d.ml FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id WHERE d.batch_id = #{batchId} ORDER BY b.part, d.id")
    List<LotRow> lotsOf(long batchId);
}

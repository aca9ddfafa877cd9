package nursery.app.shelf;

import java.time.Instant;
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

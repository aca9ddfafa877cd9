package nursery.app.floor;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Reads the shelf. */
@Mapper
interface ShelfReadMapper {

    record ResinEditionRow(
            long id,
            String name,
            int version,
            int number,
            int product,
            Instant madeAt,
            String madeBy,
            String why,
            String ratio,
            double workingH,
            double turningH,
            double recoatFromH,
            double recoatUntilH,
            double sandableFromH,
            double sandableSureH,
            double scuffAfterH,
            double curedH,
            double fullCureH,
            double referenceC,
            double activation,
            @Nullable Double densityA,
            @Nullable Double densityB,
            @Nullable Double viscosity,
            @Nullable Double viscosity2,
            @Nullable Double viscosity2C,
            @Nullable Double potLife,
            @Nullable Double tolerance,
            String source,
            @Nullable Double foundSpeed,
            @Nullable Double foundActivation,
            @Nullable Integer foundObservations) {}

    record BlankStationRow(
            long id,
            String name,
            int version,
            @Nullable String taped,
            int number,
            int product,
            Instant madeAt,
            String madeBy,
            String why,
            String form,
            boolean baseCoated,
            double rimBareMm,
            double baseBareMm,
            double handleGapMm,
            @Nullable Double nominalOz,
            boolean factoryCoat,
            double heightMm,
            double circumferenceMm) {}

    record SpindleRow(
            long turnerId, String turner, double rpm, boolean speedAssumed, @Nullable Long id, @Nullable String name) {}

    record MeasuringCupRow(
            long id,
            String name,
            double capacityMl,
            double markMl,
            String marks,
            double bottomMm,
            double topMm,
            boolean atHand) {}

    @Select(
            """
            SELECT r.id, r.name, r.version, e.number, e.product, e.made_at, e.made_by, e.why, e.ratio, e.working_h,
              e.turning_h, e.recoat_from_h, e.recoat_until_h,
              e.sandable_from_h, e.sandable_sure_h, e.scuff_after_h, e.cured_h, e.full_cure_h, e.reference_c,
                e.activation, e.density_a, e.density_b, e.viscosity,
                e.viscosity_2 AS viscosity2, e.viscosity_2_c AS viscosity2_c, e.pot_life,
              e.tolerance, e.source, e.found_speed, e.found_activation, e.found_observations
            FROM resin r JOIN resin_edition e ON e.resin_id = r.id ORDER BY r.name, r.id, e.number""")
    List<ResinEditionRow> resins();

    @Select(
            """
            SELECT b.id, b.name, b.version, b.taped, e.number, e.product, e.made_at, e.made_by, e.why, e.form,
              e.base_coated,
              e.rim_bare_mm, e.base_bare_mm, e.handle_gap_mm, e.nominal_oz, e.factory_coat,
              s.height_mm, s.circumference_mm
            FROM blank b JOIN blank_edition e ON e.blank_id = b.id JOIN blank_station s ON s.blank_id = e.blank_id
              AND s.edition = e.number
            ORDER BY b.name, b.id, e.number, s.position""")
    List<BlankStationRow> blanks();

    @Select("SELECT t.id AS turner_id, t.name AS turner, t.rpm, t.speed_assumed, s.id, s.name FROM turner t LEFT JOIN "
            + "spindle s ON s.turner_id = t.id ORDER BY t.id, s.id")
    List<SpindleRow> spindles();

    @Select("SELECT id, name, capacity_ml, mark_ml, marks, bottom_mm, top_mm, at_hand FROM measuring_cup ORDER BY "
            + "capacity_ml, id")
    List<MeasuringCupRow> measuringCups();
}

package nursery.app.shelf;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.cup.Station;
import nursery.core.log.Spindle;
import nursery.core.resin.MeasuringCup;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ShelfMapper {

    /** A station with the blank it belongs to. */
    record StationRow(long blankId, double heightMm, double circumferenceMm) {
        Station station() {
            return new Station(heightMm, circumferenceMm);
        }
    }

    @Select("SELECT id, name, form, base_coated, rim_bare_mm, base_bare_mm, handle_gap_mm, nominal_oz, version FROM blank ORDER BY name")
    List<BlankRow> blanks();

    @Select("SELECT blank_id, height_mm, circumference_mm FROM blank_station ORDER BY blank_id, position")
    List<StationRow> stations();

    @Insert("""
            INSERT INTO blank (name, form, base_coated, rim_bare_mm, base_bare_mm, handle_gap_mm, nominal_oz)
            VALUES (#{name}, #{form}, #{baseCoated}, #{rimBareMm}, #{baseBareMm}, #{handleGapMm}, #{nominalOz})""")
    void insertBlank(BlankRow blank);

    /** Changes the blank only if it is still the version that was read. */
    @Update("""
            UPDATE blank SET name = #{name}, form = #{form}, base_coated = #{baseCoated}, rim_bare_mm = #{rimBareMm},
              base_bare_mm = #{baseBareMm}, handle_gap_mm = #{handleGapMm}, nominal_oz = #{nominalOz}, version = version + 1
            WHERE id = #{id} AND version = #{version}""")
    int updateBlank(BlankRow blank);

    @Select("SELECT id FROM blank WHERE name = #{name}")
    Optional<Long> blankNamed(String name);

    @Delete("DELETE FROM blank_station WHERE blank_id = #{blankId}")
    void clearStations(long blankId);

    @Insert("INSERT INTO blank_station (blank_id, position, height_mm, circumference_mm) VALUES (#{blankId}, #{position}, #{s.heightMm}, #{s.circumferenceMm})")
    void insertStation(@Param("blankId") long blankId, @Param("position") int position, @Param("s") Station station);

    @Select("""
            SELECT id, name, ratio, working_h, turning_h, recoat_from_h, recoat_until_h, sandable_from_h, sandable_sure_h, scuff_after_h,
              cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity, pot_life, tolerance, source, version FROM resin ORDER BY name""")
    List<ResinRow> resins();

    @Insert("""
            INSERT INTO resin (name, ratio, working_h, turning_h, recoat_from_h, recoat_until_h, sandable_from_h, sandable_sure_h, scuff_after_h,
              cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity, pot_life, tolerance, source)
            VALUES (#{name}, #{ratio}, #{workingH}, #{turningH}, #{recoatFromH}, #{recoatUntilH}, #{sandableFromH}, #{sandableSureH},
              #{scuffAfterH}, #{curedH}, #{fullCureH}, #{referenceC}, #{activation}, #{densityA}, #{densityB}, #{viscosity}, #{potLife}, #{tolerance}, #{source})""")
    void insertResin(ResinRow resin);

    /** Changes the resin only if it is still the version that was read. */
    @Update("""
            UPDATE resin SET name = #{name}, ratio = #{ratio}, working_h = #{workingH}, turning_h = #{turningH},
              recoat_from_h = #{recoatFromH}, recoat_until_h = #{recoatUntilH}, sandable_from_h = #{sandableFromH},
              sandable_sure_h = #{sandableSureH}, scuff_after_h = #{scuffAfterH}, cured_h = #{curedH}, full_cure_h = #{fullCureH},
              reference_c = #{referenceC}, activation = #{activation}, density_a = #{densityA}, density_b = #{densityB},
              viscosity = #{viscosity}, pot_life = #{potLife}, tolerance = #{tolerance}, source = #{source}, version = version + 1
            WHERE id = #{id} AND version = #{version}""")
    int updateResin(ResinRow resin);

    @Select("SELECT id FROM resin WHERE name = #{name}")
    Optional<Long> resinNamed(String name);

    record TurnerRow(long id, String name, double rpm) {}

    record SpindleRow(long id, String name, long turnerId) {
        Spindle spindle() {
            return new Spindle(id, name);
        }
    }

    record CupRow(long id, String name, double capacityMl, double markMl, double bottomMm, double topMm, boolean atHand) {}

    @Select("SELECT id, name, rpm FROM turner ORDER BY id")
    List<TurnerRow> turners();

    @Insert("INSERT INTO turner (name, rpm) VALUES (#{name}, #{rpm})")
    void insertTurner(String name, double rpm);

    @Update("UPDATE turner SET rpm = #{rpm} WHERE id = #{id}")
    int updateTurner(long id, double rpm);

    @Select("SELECT id, name, turner_id FROM spindle ORDER BY id")
    List<SpindleRow> spindles();

    @Insert("INSERT INTO spindle (name, turner_id) VALUES (#{name}, #{turnerId})")
    void insertSpindle(String name, long turnerId);

    @Select("SELECT id, name, capacity_ml, mark_ml, bottom_mm, top_mm, at_hand FROM measuring_cup ORDER BY capacity_ml, id")
    List<CupRow> measuringCups();

    @Insert("INSERT INTO measuring_cup (name, capacity_ml, mark_ml, bottom_mm, top_mm) VALUES (#{name}, #{cup.capacityMl}, #{cup.markMl}, #{cup.bottomDiameterMm}, #{cup.topDiameterMm})")
    void insertMeasuringCup(@Param("name") String name, @Param("cup") MeasuringCup cup);

    @Update("UPDATE measuring_cup SET at_hand = (id = #{id})")
    void takeInHand(long id);

    /** The cups a blank is under, by their codes. */
    @Select("SELECT code FROM cup WHERE blank_id = #{id} ORDER BY id")
    List<String> cupsOnBlank(long id);

    /** The cups a resin is meant for, by their codes. */
    @Select("SELECT code FROM cup WHERE base_resin_id = #{id} OR last_resin_id = #{id} ORDER BY id")
    List<String> cupsInResin(long id);

    /** How many mixes and bottles keep a resin's record. */
    @Select("SELECT (SELECT COUNT(*) FROM batch WHERE resin_id = #{id}) + (SELECT COUNT(*) FROM bottle WHERE resin_id = #{id})")
    int recordsOfResin(long id);

    @Delete("DELETE FROM blank WHERE id = #{id}")
    void deleteBlank(long id);

    @Delete("DELETE FROM resin WHERE id = #{id}")
    void deleteResin(long id);

    record FoundRow(long resinId, double speed, double activation, int observations, Instant acceptedAt, String acceptedBy) {
        ShelfResin.Found found() {
            return new ShelfResin.Found(speed, activation, observations, acceptedAt, acceptedBy);
        }
    }

    @Select("SELECT resin_id, speed, activation, observations, accepted_at, accepted_by FROM resin_found")
    List<FoundRow> found();

    @Insert("""
            INSERT INTO resin_found (resin_id, speed, activation, observations, accepted_at, accepted_by) VALUES (#{resinId}, #{speed}, #{activation}, #{observations}, #{at}, #{by})
            ON DUPLICATE KEY UPDATE speed = #{speed}, activation = #{activation}, observations = #{observations}, accepted_at = #{at}, accepted_by = #{by}""")
    void takeOver(@Param("resinId") long resinId, @Param("speed") double speed, @Param("activation") double activation, @Param("observations") int observations, @Param("at") Instant at, @Param("by") String by);

    @Delete("DELETE FROM resin_found WHERE resin_id = #{resinId}")
    void backToLabel(long resinId);
}

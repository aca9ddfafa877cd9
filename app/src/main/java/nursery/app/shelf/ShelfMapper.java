package nursery.app.shelf;

import java.util.List;
import java.util.Optional;
import nursery.core.cup.Station;
import nursery.core.log.Spindle;
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
              cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity, source, version FROM resin ORDER BY name""")
    List<ResinRow> resins();

    @Insert("""
            INSERT INTO resin (name, ratio, working_h, turning_h, recoat_from_h, recoat_until_h, sandable_from_h, sandable_sure_h, scuff_after_h,
              cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity, source)
            VALUES (#{name}, #{ratio}, #{workingH}, #{turningH}, #{recoatFromH}, #{recoatUntilH}, #{sandableFromH}, #{sandableSureH},
              #{scuffAfterH}, #{curedH}, #{fullCureH}, #{referenceC}, #{activation}, #{densityA}, #{densityB}, #{viscosity}, #{source})""")
    void insertResin(ResinRow resin);

    /** Changes the resin only if it is still the version that was read. */
    @Update("""
            UPDATE resin SET name = #{name}, ratio = #{ratio}, working_h = #{workingH}, turning_h = #{turningH},
              recoat_from_h = #{recoatFromH}, recoat_until_h = #{recoatUntilH}, sandable_from_h = #{sandableFromH},
              sandable_sure_h = #{sandableSureH}, scuff_after_h = #{scuffAfterH}, cured_h = #{curedH}, full_cure_h = #{fullCureH},
              reference_c = #{referenceC}, activation = #{activation}, density_a = #{densityA}, density_b = #{densityB},
              viscosity = #{viscosity}, source = #{source}, version = version + 1
            WHERE id = #{id} AND version = #{version}""")
    int updateResin(ResinRow resin);

    @Select("SELECT id FROM resin WHERE name = #{name}")
    Optional<Long> resinNamed(String name);

    @Select("SELECT id, name FROM spindle ORDER BY name")
    List<Spindle> spindles();

    @Insert("INSERT INTO spindle (name) VALUES (#{name})")
    void insertSpindle(String name);
}

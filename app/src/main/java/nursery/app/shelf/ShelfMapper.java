package nursery.app.shelf;

import java.util.List;
import java.util.Optional;
import nursery.core.cup.Station;
import nursery.core.resin.MeasuringCup;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Writes the shelf. A new row's number comes back with the statement that makes it. */
@Mapper
interface ShelfMapper {

    /** What is kept in memory of the shelf is read anew. */
    @Update("UPDATE stamp SET version = version + 1 WHERE what = 'shelf'")
    void changed();

    @Select(value = "INSERT INTO blank (name, taped) VALUES (#{name}, #{taped}) RETURNING id", affectData = true)
    long insertBlank(@Param("name") String name, @Param("taped") @Nullable String taped);

    /** Renames the blank and counts its version on, only if it is still the version that was read. */
    @Update("UPDATE blank SET name = #{name}, taped = #{taped}, version = version + 1 "
            + "WHERE id = #{id} AND version = #{version}")
    int updateBlank(
            @Param("id") long id,
            @Param("version") int version,
            @Param("name") String name,
            @Param("taped") @Nullable String taped);

    @Insert(
            """
            INSERT INTO blank_edition (blank_id, number, product, made_at, made_by, why, form, base_coated,
              rim_bare_mm, base_bare_mm, handle_gap_mm, nominal_oz, factory_coat)
            VALUES (#{id}, #{e.number}, #{e.product}, #{e.madeAt}, #{e.madeBy}, #{e.why}, #{e.form}, #{e.baseCoated},
              #{e.rimBareMm}, #{e.baseBareMm}, #{e.handleGapMm}, #{e.nominalOz},
              #{e.factoryCoat})""")
    void insertBlankEdition(@Param("id") long id, @Param("e") BlankEditionRow edition);

    @Insert("INSERT INTO blank_station (blank_id, edition, position, height_mm, circumference_mm) VALUES "
            + "(#{blankId}, #{edition}, #{position}, #{s.heightMm}, #{s.circumferenceMm})")
    void insertStation(
            @Param("blankId") long blankId,
            @Param("edition") int edition,
            @Param("position") int position,
            @Param("s") Station station);

    @Select("SELECT id FROM blank WHERE name = #{name}")
    Optional<Long> blankNamed(String name);

    @Select(value = "INSERT INTO resin (name) VALUES (#{name}) RETURNING id", affectData = true)
    long insertResin(String name);

    /** Renames the resin and counts its version on, only if it is still the version that was read. */
    @Update("UPDATE resin SET name = #{name}, version = version + 1 WHERE id = #{id} AND version = #{version}")
    int updateResin(@Param("id") long id, @Param("version") int version, @Param("name") String name);

    @Insert(
            """
            INSERT INTO resin_edition (resin_id, number, product, made_at, made_by, why, ratio, working_h, turning_h,
              recoat_from_h, recoat_until_h, sandable_from_h, sandable_sure_h,
              scuff_after_h, cured_h, full_cure_h, reference_c, activation, density_a, density_b, viscosity,
                viscosity_2,
                viscosity_2_c,
                pot_life, tolerance, source, found_speed, found_activation,
              found_observations)
            VALUES (#{id}, #{e.number}, #{e.product}, #{e.madeAt}, #{e.madeBy}, #{e.why}, #{e.ratio},
              #{e.times.workingH}, #{e.times.turningH}, #{e.times.recoatFromH},
              #{e.times.recoatUntilH}, #{e.times.sandableFromH}, #{e.times.sandableSureH}, #{e.times.scuffAfterH},
                #{e.times.curedH}, #{e.times.fullCureH}, #{e.referenceC},
              #{e.activation}, #{e.densityA}, #{e.densityB}, #{e.viscosity}, #{e.viscosity2},
                #{e.viscosity2C}, #{e.potLife}, #{e.tolerance},
                #{e.source}, #{e.foundSpeed}, #{e.foundActivation},
              #{e.foundObservations})""")
    void insertResinEdition(@Param("id") long id, @Param("e") ResinEditionRow edition);

    @Select("SELECT id FROM resin WHERE name = #{name}")
    Optional<Long> resinNamed(String name);

    @Select("SELECT id FROM resin WHERE id = #{id} FOR UPDATE")
    Optional<Long> lockResin(long id);

    @Select("SELECT COUNT(*) FROM resin")
    int resins();

    @Select("SELECT id FROM turner WHERE name = #{name}")
    Optional<Long> turnerNamed(String name);

    @Select("SELECT MIN(id) FROM turner")
    long firstTurner();

    @Select(value = "INSERT INTO turner (name, rpm) VALUES (#{name}, #{rpm}) RETURNING id", affectData = true)
    long insertTurner(@Param("name") String name, @Param("rpm") double rpm);

    @Update("UPDATE turner SET rpm = #{rpm}, speed_assumed = FALSE WHERE id = #{id}")
    int updateTurner(@Param("id") long id, @Param("rpm") double rpm);

    /** The newest spindles of a turner, as many as there are too many; one that ever carried a cup stays. */
    @Delete(
            """
            DELETE FROM spindle WHERE turner_id = #{turnerId}
              AND NOT EXISTS (SELECT 1 FROM log_entry e WHERE e.spindle_id = spindle.id)
            ORDER BY id DESC LIMIT #{count}""")
    int removeSpindles(@Param("turnerId") long turnerId, @Param("count") int count);

    @Select("SELECT id FROM spindle WHERE name = #{name}")
    Optional<Long> spindleNamed(String name);

    @Insert("INSERT INTO spindle (name, turner_id) VALUES (#{name}, #{turnerId})")
    void insertSpindle(@Param("name") String name, @Param("turnerId") long turnerId);

    @Select("SELECT id FROM measuring_cup WHERE name = #{name}")
    Optional<Long> measuringCupNamed(String name);

    @Insert("INSERT INTO measuring_cup (name, capacity_ml, mark_ml, marks, bottom_mm, top_mm) VALUES (#{name}, "
            + "#{cup.capacityMl}, #{cup.markMl}, #{cup.marks}, #{cup.bottomDiameterMm}, #{cup.topDiameterMm})")
    void insertMeasuringCup(@Param("name") String name, @Param("cup") MeasuringCup cup);

    @Update("UPDATE measuring_cup SET at_hand = (id = #{id})")
    void takeInHand(long id);

    /** The cups a blank is under, by their codes, the newest first. */
    @Select("SELECT code FROM cup WHERE blank_id = #{id} ORDER BY id DESC LIMIT #{most}")
    List<String> cupsOnBlank(@Param("id") long id, @Param("most") int most);

    /** The cups a resin is meant for, by their codes, the newest first. */
    @Select("SELECT code FROM cup WHERE base_resin_id = #{id} OR last_resin_id = #{id} ORDER BY id DESC LIMIT #{most}")
    List<String> cupsInResin(@Param("id") long id, @Param("most") int most);

    /** How many mixes, bottles and coats keep a resin's record; one of each is enough to know. */
    @Select(
            """
            SELECT EXISTS (SELECT 1 FROM batch WHERE resin_id = #{id}) + EXISTS (SELECT 1 FROM bottle WHERE resin_id
              = #{id})
              + EXISTS (SELECT 1 FROM log_entry WHERE resin_id = #{id})""")
    int recordsOfResin(long id);

    @Delete("DELETE FROM blank_station WHERE blank_id = #{id}")
    void deleteStations(long id);

    @Delete("DELETE FROM blank_edition WHERE blank_id = #{id}")
    void deleteBlankEditions(long id);

    @Delete("DELETE FROM blank WHERE id = #{id}")
    void deleteBlank(long id);

    @Delete("DELETE FROM resin_edition WHERE resin_id = #{id}")
    void deleteResinEditions(long id);

    @Delete("DELETE FROM resin WHERE id = #{id}")
    void deleteResin(long id);
}

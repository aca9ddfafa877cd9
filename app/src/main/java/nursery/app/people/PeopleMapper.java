package nursery.app.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface PeopleMapper {

    /** A maker; hashes are null where there is none. */
    record MakerRow(long id, String name, Role role, @Nullable String passwordHash, @Nullable String pinHash) {}

    String MAKER = "SELECT id, name, role, password_hash, pin_hash FROM maker ";

    @Select("SELECT EXISTS (SELECT 1 FROM maker WHERE role = 'OWNER' AND password_hash IS NOT NULL)")
    boolean isSignInWanted();

    @Select(MAKER + "ORDER BY FIELD(role, 'OWNER', 'MAKER', 'HELPER'), name")
    List<MakerRow> makers();

    @Select(MAKER + "WHERE name = #{name}")
    Optional<MakerRow> named(String name);

    @Select(MAKER + "WHERE id = #{id} FOR UPDATE")
    Optional<MakerRow> maker(long id);

    @Insert("INSERT INTO maker (name, role, password_hash, pin_hash, added_at) VALUES (#{name}, #{role}, "
            + "#{password}, #{pin}, #{at})")
    void insert(
            @Param("name") String name,
            @Param("role") Role role,
            @Param("password") @Nullable String password,
            @Param("pin") @Nullable String pin,
            @Param("at") Instant at);

    /** How many owners with a password there are besides one; locks them, so that two do not leave at once. */
    @Select("SELECT id FROM maker WHERE role = 'OWNER' AND password_hash IS NOT NULL AND id <> #{id} FOR UPDATE")
    List<Long> otherOwners(long id);

    @Update("UPDATE maker SET role = #{role} WHERE id = #{id}")
    void setRole(@Param("id") long id, @Param("role") Role role);

    @Update("UPDATE maker SET password_hash = #{hash} WHERE id = #{id}")
    void setPassword(@Param("id") long id, @Param("hash") String hash);

    @Update("UPDATE maker SET pin_hash = #{hash} WHERE id = #{id}")
    void setPin(@Param("id") long id, @Param("hash") @Nullable String hash);

    @Delete("DELETE FROM maker WHERE id = #{id}")
    void delete(long id);

    @Insert("INSERT INTO maker_try (maker_id, device_id, pin, tries, tried_at) VALUES (#{maker}, #{device}, #{pin}, 0, "
            + "#{now}) ON DUPLICATE KEY UPDATE tries = tries")
    void tries(
            @Param("maker") long maker,
            @Param("device") long device,
            @Param("pin") boolean pin,
            @Param("now") Instant now);

    /** Counts a try, if one is left; after a while without one there are more, of passwords. */
    @Update("UPDATE maker_try SET tries = IF(NOT pin AND tried_at <= #{since}, 0, tries) + 1, tried_at = #{now} "
            + "WHERE maker_id = #{maker} AND device_id = #{device} AND pin = #{pin} "
            + "AND (tries < #{most} OR NOT pin AND tried_at <= #{since})")
    int tried(
            @Param("maker") long maker,
            @Param("device") long device,
            @Param("pin") boolean pin,
            @Param("most") int most,
            @Param("now") Instant now,
            @Param("since") Instant since);

    /** Whoever got in starts anew there: by the password with both, by a PIN with that alone. */
    @Delete("DELETE FROM maker_try WHERE maker_id = (SELECT id FROM maker WHERE name = #{name}) AND device_id = "
            + "#{device} AND (pin OR NOT #{pin})")
    void gotIn(@Param("name") String name, @Param("device") long device, @Param("pin") boolean pin);

    /** Whose PIN was wrong too often on some device. */
    @Select("SELECT DISTINCT maker_id FROM maker_try WHERE pin AND tries >= #{most}")
    List<Long> pinsLocked(int most);

    @Delete("DELETE FROM maker_try WHERE maker_id = #{maker} AND (pin OR NOT #{pin})")
    void forgetTries(@Param("maker") long maker, @Param("pin") boolean pin);

    @Select("SELECT lock_minutes FROM shop WHERE id = 1")
    Optional<Integer> lockMinutes();

    @Update("UPDATE shop SET lock_minutes = #{minutes} WHERE id = 1")
    int setLockMinutes(int minutes);
}

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
    record MakerRow(
            long id,
            String name,
            Role role,
            @Nullable String passwordHash,
            @Nullable String pinHash,
            int tries,
            @Nullable Instant triedAt,
            int pinTries) {}

    String MAKER = "SELECT id, name, role, password_hash, pin_hash, tries, tried_at, pin_tries FROM maker ";

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

    @Update("UPDATE maker SET password_hash = #{hash}, tries = 0, pin_tries = 0 WHERE id = #{id}")
    void setPassword(@Param("id") long id, @Param("hash") String hash);

    @Update("UPDATE maker SET pin_hash = #{hash}, pin_tries = 0 WHERE id = #{id}")
    void setPin(@Param("id") long id, @Param("hash") @Nullable String hash);

    @Delete("DELETE FROM maker WHERE id = #{id}")
    void delete(long id);

    @Update("UPDATE maker SET tries = IF(tried_at > #{since}, tries, 0) + 1, tried_at = #{now} WHERE name = #{name}")
    void wrongPassword(@Param("name") String name, @Param("now") Instant now, @Param("since") Instant since);

    @Update("UPDATE maker SET pin_tries = pin_tries + 1 WHERE name = #{name}")
    void wrongPin(String name);

    @Update("UPDATE maker SET tries = 0, pin_tries = 0 WHERE name = #{name}")
    void signedIn(String name);

    @Update("UPDATE maker SET pin_tries = 0 WHERE name = #{name}")
    void signedInByPin(String name);

    @Select("SELECT lock_minutes FROM shop WHERE id = 1")
    Optional<Integer> lockMinutes();

    @Update("UPDATE shop SET lock_minutes = #{minutes} WHERE id = 1")
    int setLockMinutes(int minutes);
}

package nursery.app.people;

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
interface DeviceMapper {

    /** A device that joined. */
    record DeviceRow(long id, String name, Instant joinedAt, Instant seenAt, @Nullable Instant removedAt) {}

    /** A program that signs in by a token. */
    record TokenRow(long id, String name, Instant madeAt, String madeBy, @Nullable Instant usedAt) {}

    /** Where an order is seen. */
    record LinkRow(long id, String madeFor, Instant madeAt, String madeBy, Instant expiresAt) {}

    @Select("SELECT id, name, joined_at, seen_at, removed_at FROM device WHERE removed_at IS NULL ORDER BY id")
    List<DeviceRow> all();

    @Select("SELECT id, name, joined_at, seen_at, removed_at FROM device WHERE token_hash = #{hash}")
    Optional<DeviceRow> byToken(String hash);

    @Select("SELECT EXISTS (SELECT 1 FROM device WHERE id = #{id} AND removed_at IS NULL)")
    boolean isThere(long id);

    @Select(
            value = "INSERT INTO device (name, token_hash, joined_at, seen_at) VALUES (#{name}, #{hash}, #{at}, #{at}) "
                    + "RETURNING id",
            affectData = true)
    long insert(@Param("name") String name, @Param("hash") String hash, @Param("at") Instant at);

    @Update("UPDATE device SET seen_at = #{at} WHERE id = #{id} AND seen_at < #{at}")
    void seen(@Param("id") long id, @Param("at") Instant at);

    @Update("UPDATE device SET removed_at = #{at} WHERE id = #{id} AND removed_at IS NULL")
    int remove(@Param("id") long id, @Param("at") Instant at);

    @Insert("INSERT INTO join_code (code_hash, made_at, made_by, expires_at) VALUES (#{hash}, #{at}, #{by}, #{until})")
    void insertCode(
            @Param("hash") String hash, @Param("at") Instant at, @Param("by") String by, @Param("until") Instant until);

    /** Takes a code: of two that send the same one, one gets a 1. */
    @Update("UPDATE join_code SET used_at = #{at} WHERE code_hash = #{hash} AND used_at IS NULL AND expires_at > #{at} "
            + "AND made_at <= #{at}")
    int use(@Param("hash") String hash, @Param("at") Instant at);

    @Select("SELECT used_at FROM join_code WHERE code_hash = #{hash} AND used_at IS NOT NULL")
    Optional<Instant> usedAt(String hash);

    @Select("SELECT EXISTS (SELECT 1 FROM join_code WHERE code_hash = #{hash} AND used_at IS NULL AND "
            + "expires_at > #{at} AND made_at <= #{at})")
    boolean isGood(@Param("hash") String hash, @Param("at") Instant at);

    @Update("DELETE FROM join_code WHERE expires_at < #{before}")
    void forgetCodes(Instant before);

    @Insert("INSERT INTO api_token (name, token_hash, made_at, made_by) VALUES (#{name}, #{hash}, #{at}, #{by})")
    void insertToken(
            @Param("name") String name, @Param("hash") String hash, @Param("at") Instant at, @Param("by") String by);

    @Select("SELECT id, name, made_at, made_by, used_at FROM api_token WHERE revoked_at IS NULL ORDER BY id")
    List<TokenRow> tokens();

    @Select("SELECT id, name, made_at, made_by, used_at FROM api_token WHERE token_hash = #{hash} AND revoked_at IS "
            + "NULL")
    Optional<TokenRow> token(String hash);

    @Update("UPDATE api_token SET used_at = #{at} WHERE id = #{id}")
    void tokenUsed(@Param("id") long id, @Param("at") Instant at);

    @Update("UPDATE api_token SET revoked_at = #{at} WHERE id = #{id} AND revoked_at IS NULL")
    int revokeToken(@Param("id") long id, @Param("at") Instant at);

    @Insert("INSERT INTO order_link (token_hash, made_for, made_at, made_by, expires_at) VALUES (#{hash}, "
            + "#{madeFor}, #{at}, #{by}, #{until})")
    void insertLink(
            @Param("hash") String hash,
            @Param("madeFor") String madeFor,
            @Param("at") Instant at,
            @Param("by") String by,
            @Param("until") Instant until);

    @Select("SELECT id, made_for, made_at, made_by, expires_at FROM order_link WHERE revoked_at IS NULL AND "
            + "expires_at > #{at} ORDER BY id")
    List<LinkRow> links(Instant at);

    @Select("SELECT id, made_for, made_at, made_by, expires_at FROM order_link WHERE token_hash = #{hash} AND "
            + "revoked_at IS NULL AND expires_at > #{at}")
    Optional<LinkRow> link(@Param("hash") String hash, @Param("at") Instant at);

    @Update("UPDATE order_link SET revoked_at = #{at} WHERE id = #{id} AND revoked_at IS NULL")
    int revokeLink(@Param("id") long id, @Param("at") Instant at);
}

package potamos.server.calc;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of tokens. The token itself is told once and never stored. */
@Mapper
interface TokenMapper {

    record TokenRow(
            String id,
            String kitchenId,
            String name,
            String hash,
            String madeBy,
            Instant madeAt,
            Instant usedAt,
            Instant revokedAt) {}

    @Insert("""
            INSERT INTO api_token (id, kitchen_id, name, hash, made_by, made_at)
            VALUES (#{id}, #{kitchenId}, #{name}, #{hash}, #{madeBy}, #{madeAt})
            """)
    void insert(TokenRow row);

    @Select("""
            SELECT id, kitchen_id, name, hash, made_by, made_at, used_at, revoked_at
            FROM api_token WHERE hash = #{hash} AND revoked_at IS NULL
            """)
    Optional<TokenRow> byHash(String hash);

    @Select("""
            SELECT id, kitchen_id, name, hash, made_by, made_at, used_at, revoked_at
            FROM api_token WHERE kitchen_id = #{kitchenId} ORDER BY made_at DESC
            """)
    List<TokenRow> all(String kitchenId);

    @Update(
            "UPDATE api_token SET revoked_at = #{at} WHERE id = #{id} AND kitchen_id = #{kitchenId} AND revoked_at IS NULL")
    int revoke(String id, String kitchenId, Instant at);

    /** Noted at most once a minute, so that a busy caller does not write on every call. */
    @Update("""
            UPDATE api_token SET used_at = #{at}
            WHERE id = #{id} AND (used_at IS NULL OR used_at < #{at} - INTERVAL 1 MINUTE)
            """)
    void used(String id, Instant at);
}

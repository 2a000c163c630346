package potamos.server.handover;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of hand-overs and of the signatures under them. */
@Mapper
interface HandOverMapper {

    record Row(
            String id,
            String kitchenId,
            String givenBy,
            String givenByName,
            Instant givenAt,
            String words,
            String pots) {}

    record Signature(String handOverId, String accountId, Instant signedAt) {}

    String HAND_OVERS = """
            SELECT h.id, h.kitchen_id, h.given_by, a.name AS given_by_name, h.given_at, h.words, h.pots
            FROM hand_over h JOIN account a ON a.id = h.given_by
            """;

    @Insert("""
            INSERT INTO hand_over (id, kitchen_id, given_by, given_at, words, pots)
            VALUES (#{id}, #{kitchenId}, #{givenBy}, #{givenAt}, #{words}, #{pots})
            """)
    void insert(Row row);

    @Select(HAND_OVERS + " WHERE h.kitchen_id = #{kitchenId} ORDER BY h.given_at DESC LIMIT #{most}")
    List<Row> latest(String kitchenId, int most);

    @Select(HAND_OVERS + " WHERE h.id = #{id} AND h.kitchen_id = #{kitchenId}")
    Optional<Row> byId(String id, String kitchenId);

    @Select("""
            SELECT s.hand_over_id, s.account_id, s.signed_at FROM hand_over_signature s
            JOIN hand_over h ON h.id = s.hand_over_id WHERE h.kitchen_id = #{kitchenId}
            ORDER BY s.signed_at DESC LIMIT 500
            """)
    List<Signature> signatures(String kitchenId);

    @Insert("""
            INSERT IGNORE INTO hand_over_signature (hand_over_id, account_id, signed_at)
            VALUES (#{handOverId}, #{accountId}, #{signedAt})
            """)
    int sign(Signature signature);
}

package potamos.server.trim;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of the trim bank. */
@Mapper
interface TrimMapper {

    record DepositRow(String id, String item, double kg, LocalDate day, String putBy, double leftKg) {}

    String DEPOSITS = """
            SELECT d.id, d.item, d.kg, d.day, a.name AS put_by,
                   d.kg - COALESCE((SELECT SUM(t.kg) FROM trim_taking t WHERE t.deposit_id = d.id), 0) AS left_kg
            FROM trim_deposit d JOIN account a ON a.id = d.put_by
            WHERE d.kitchen_id = #{kitchenId}
            """;

    @Insert("""
            INSERT IGNORE INTO trim_deposit (id, kitchen_id, item, kg, day, put_by, put_at)
            VALUES (#{id}, #{kitchenId}, #{item}, #{kg}, #{day}, #{by}, #{at})
            """)
    int put(String id, String kitchenId, String item, double kg, LocalDate day, String by, Instant at);

    @Insert("""
            INSERT IGNORE INTO trim_taking (id, deposit_id, kg, taken_by, taken_at)
            VALUES (#{id}, #{depositId}, #{kg}, #{by}, #{at})
            """)
    int take(String id, String depositId, double kg, String by, Instant at);

    /** What is not used up, oldest first. */
    @Select(DEPOSITS + " HAVING left_kg > 0.004 ORDER BY d.day, d.put_at LIMIT 400")
    List<DepositRow> left(String kitchenId);

    @Select("SELECT COUNT(*) FROM trim_taking WHERE id = #{id}")
    int takings(String id);

    /** Held until the transaction ends, so that two people do not take the same kilogram. */
    @Select(DEPOSITS + " AND d.id = #{id} FOR UPDATE")
    Optional<DepositRow> held(String id, String kitchenId);
}

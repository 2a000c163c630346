package potamos.server.stations;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import potamos.core.course.Importance;

/** Rows of calls, with what has become of them. */
@Mapper
interface CallMapper {

    record CallRow(
            String id,
            String kitchenId,
            String stationId,
            String stationName,
            Importance importance,
            String formulaSlug,
            String formulaName,
            double litres,
            Instant readyBy,
            String without,
            String needs,
            String note,
            String askedBy,
            Instant askedAt,
            Instant withdrawnAt,
            Instant closedAt,
            boolean closedShort,
            String closedReason,
            double deliveredL,
            double promisedL,
            double tolerance,
            String batchId,
            String comes,
            Instant toldAt,
            String toldBy) {}

    /** The latest batch for a call that was not given up stands for it. */
    String CALLS = """
            SELECT c.id, c.kitchen_id, c.station_id, s.name AS station_name, s.importance, c.formula_slug,
                   (SELECT f.name FROM formula f WHERE f.kitchen_id = c.kitchen_id AND f.slug = c.formula_slug
                    ORDER BY f.version DESC LIMIT 1) AS formula_name,
                   c.litres, c.ready_by, c.without, c.needs, c.note, a.name AS asked_by, c.asked_at, c.withdrawn_at,
                   c.closed_at, c.closed_short, c.closed_reason,
                   COALESCE((SELECT SUM(d.litres) FROM delivery d WHERE d.call_id = c.id), 0) AS delivered_l,
                   COALESCE((SELECT SUM(COALESCE(p.promised_l, c.litres)) FROM batch_call p JOIN batch m ON m.id = p.batch_id
                             WHERE p.call_id = c.id AND m.stage NOT IN ('DONE', 'ABANDONED')), 0) AS promised_l,
                   k.call_tolerance AS tolerance, b.id AS batch_id, w.comes, w.told_at, t.name AS told_by
            FROM station_call c
            JOIN station s ON s.id = c.station_id
            JOIN kitchen k ON k.id = c.kitchen_id
            JOIN account a ON a.id = c.asked_by
            LEFT JOIN batch b ON b.id = (
              SELECT l.id FROM batch_call p JOIN batch l ON l.id = p.batch_id
              WHERE p.call_id = c.id AND l.stage <> 'ABANDONED' ORDER BY l.number DESC LIMIT 1)
            LEFT JOIN call_word w ON w.id = (SELECT MAX(l.id) FROM call_word l WHERE l.call_id = c.id)
            LEFT JOIN account t ON t.id = w.told_by
            """;

    @Insert("""
            INSERT INTO station_call (id, kitchen_id, station_id, formula_slug, litres, ready_by, without, needs, note, asked_by, asked_at)
            VALUES (#{id}, #{kitchenId}, #{stationId}, #{formulaSlug}, #{litres}, #{readyBy}, #{without}, #{needs}, #{note}, #{askedBy},
                    #{askedAt})
            ON DUPLICATE KEY UPDATE id = station_call.id
            """)
    int insert(
            String id,
            String kitchenId,
            String stationId,
            String formulaSlug,
            double litres,
            Instant readyBy,
            String without,
            String needs,
            String note,
            String askedBy,
            Instant askedAt);

    @Select(CALLS + """
            WHERE c.kitchen_id = #{kitchenId} AND c.ready_by > #{since}
              AND (#{stationId} IS NULL OR c.station_id = #{stationId})
            ORDER BY c.ready_by
            LIMIT 600
            """)
    List<CallRow> since(String kitchenId, String stationId, Instant since);

    /** How many are still to come, and neither taken back nor closed. */
    @Select("""
            SELECT COUNT(*) FROM station_call
            WHERE kitchen_id = #{kitchenId} AND ready_by > #{now} AND withdrawn_at IS NULL AND closed_at IS NULL
            """)
    int ahead(String kitchenId, Instant now);

    @Select(CALLS + " WHERE c.id = #{id} AND c.kitchen_id = #{kitchenId}")
    Optional<CallRow> byId(String id, String kitchenId);

    @Update("UPDATE station_call SET litres = #{litres}, ready_by = #{readyBy} WHERE id = #{id}")
    void change(String id, double litres, Instant readyBy);

    @Insert("INSERT INTO call_word (call_id, comes, told_by, told_at) VALUES (#{id}, #{comes}, #{by}, #{at})")
    void tell(String id, String comes, String by, Instant at);

    @Update("UPDATE station_call SET withdrawn_at = #{at} WHERE id = #{id} AND withdrawn_at IS NULL")
    void withdraw(String id, Instant at);

    @Update("UPDATE station_call SET withdrawn_at = NULL WHERE id = #{id}")
    void askAgain(String id);

    @Update("""
            UPDATE station_call SET closed_at = #{at}, closed_by = #{by}, closed_short = #{isShort}, closed_reason = #{reason}
            WHERE id = #{id}
            """)
    void close(String id, Instant at, String by, boolean isShort, String reason);
}

package potamos.server.trace;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** What led to what. */
@Mapper
interface TraceMapper {

    int MOST = 500;

    record BoxRow(
            String id,
            String goods,
            String supplier,
            String supplierLot,
            double kg,
            LocalDate cameOn,
            boolean stopped) {}

    record BatchRow(String id, int number, String formulaName, Instant acceptedAt, String stage) {}

    /** What a batch took of a box. */
    record TakenRow(String boxId, String batchId, String part, double kg, Instant at) {}

    record LotRow(
            String id,
            String batchId,
            String code,
            double litres,
            double leftL,
            LocalDate useBy,
            String place,
            String stopped) {}

    /** Stock of a batch that went into another; {@code lotId} is nothing where it was not put away yet. */
    record DrawnRow(String id, String batchId, String lotId, String intoId, double litres, Instant at) {}

    record SlipRow(String id, String lotId, String batchId, String stationName, double litres, Instant at, String by) {}

    String BOXES = """
            SELECT b.id, b.goods, b.supplier, b.supplier_lot, b.kg, b.came_on,
                   COALESCE((SELECT e.kind = 'STOPPED' FROM larder_entry e WHERE e.box_id = b.id AND e.kind IN ('STOPPED', 'RELEASED')
                             ORDER BY e.made_at DESC, e.id LIMIT 1), FALSE) AS stopped
            FROM larder_box b
            """;

    @Select(BOXES + """
            WHERE b.kitchen_id = #{kitchenId} AND (b.supplier_lot = #{what} OR b.id = #{what}) AND #{what} <> ''
            ORDER BY b.came_on DESC, b.id LIMIT #{most}
            """)
    List<BoxRow> boxesNamed(String kitchenId, String what, int most);

    @Select("<script>" + BOXES + """
            WHERE b.kitchen_id = #{kitchenId} AND b.id IN
              <foreach collection="ids" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY b.came_on DESC, b.id
            </script>
            """)
    List<BoxRow> boxes(String kitchenId, Collection<String> ids);

    /** Batches whose lot, or which itself, is called so. */
    @Select("""
            SELECT DISTINCT m.id FROM batch m LEFT JOIN lot l ON l.batch_id = m.id
            WHERE m.kitchen_id = #{kitchenId} AND (l.code = #{what} OR l.id = #{what} OR m.id = #{what})
            LIMIT #{most}
            """)
    List<String> batchesNamed(String kitchenId, String what, int most);

    String TAKEN = """
            <script>
            SELECT t.box_id, t.batch_id, t.part, t.kg, t.taken_at AS at FROM larder_taking t JOIN batch m ON m.id = t.batch_id
            WHERE m.kitchen_id = #{kitchenId}
            """;

    @Select(TAKEN + """
            AND t.box_id IN
              <foreach collection="boxes" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY t.taken_at LIMIT #{most}
            </script>
            """)
    List<TakenRow> takenOf(String kitchenId, Collection<String> boxes, int most);

    @Select(TAKEN + """
            AND t.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY t.taken_at LIMIT #{most}
            </script>
            """)
    List<TakenRow> takenBy(String kitchenId, Collection<String> batches, int most);

    String DRAWN = """
            <script>
            SELECT id, batch_id, lot_id, into_id, litres, drawn_at AS at FROM drawing WHERE kitchen_id = #{kitchenId}
            """;

    @Select(DRAWN + """
            AND batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY drawn_at, id LIMIT #{most}
            </script>
            """)
    List<DrawnRow> drawnFrom(String kitchenId, Collection<String> batches, int most);

    @Select(DRAWN + """
            AND into_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY drawn_at, id LIMIT #{most}
            </script>
            """)
    List<DrawnRow> drawnInto(String kitchenId, Collection<String> batches, int most);

    @Select("""
            <script>
            SELECT id, number, formula_name, accepted_at, stage FROM batch
            WHERE kitchen_id = #{kitchenId} AND id IN
              <foreach collection="ids" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY number
            </script>
            """)
    List<BatchRow> batches(String kitchenId, Collection<String> ids);

    @Select("""
            <script>
            SELECT l.id, l.batch_id, l.code, l.litres, l.left_litres AS left_l, l.use_by, l.place,
                   (SELECT IF(s.stopped, s.reason, NULL) FROM lot_stop s WHERE s.lot_id = l.id ORDER BY s.id DESC LIMIT 1) AS stopped
            FROM lot l WHERE l.kitchen_id = #{kitchenId} AND l.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY l.made_at, l.code
            </script>
            """)
    List<LotRow> lots(String kitchenId, Collection<String> batches);

    @Select("""
            <script>
            SELECT d.id, d.lot_id, d.batch_id, s.name AS station_name, d.litres, d.delivered_at AS at, a.name AS `by`
            FROM delivery d JOIN station s ON s.id = d.station_id
            JOIN batch_event e ON e.id = d.id JOIN account a ON a.id = e.account_id
            WHERE d.kitchen_id = #{kitchenId} AND d.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY d.delivered_at LIMIT #{most}
            </script>
            """)
    List<SlipRow> slips(String kitchenId, Collection<String> batches, int most);
}

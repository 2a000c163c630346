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

    /**
     * Stock of a batch that went into another, or solids and fat that were left over of it.
     *
     * @param lotId  that the stock lay in; nothing where it was not put away yet, and of what is no stock
     * @param goods  that was left over; nothing of stock
     * @param amount litres of stock, kilograms of anything else
     */
    record DrawnRow(String id, String batchId, String lotId, String goods, String intoId, double amount, Instant at) {}

    /** What is left over of a batch, in the larder. */
    record LeftRow(String id, String batchId, String goods, double kg, boolean stopped) {}

    record SlipRow(String id, String lotId, String batchId, String stationName, double litres, Instant at, String by) {}

    /** Whether somebody has stopped a box {@code b}, as a column. */
    String STOPPED = """
            COALESCE((SELECT e.kind = 'STOPPED' FROM larder_entry e WHERE e.box_id = b.id AND e.kind IN ('STOPPED', 'RELEASED')
                      ORDER BY e.made_at DESC, e.id LIMIT 1), FALSE) AS stopped
            """;

    String BOXES = """
            SELECT b.id, b.goods, b.supplier, b.supplier_lot, b.kg, b.came_on,
            """ + STOPPED + """
            FROM larder_box b
            """;

    @Select(BOXES + """
            WHERE b.kitchen_id = #{kitchenId} AND (b.supplier_lot = #{what} OR b.id = #{what}) AND #{what} <> '' AND b.batch_id IS NULL
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

    /** Batches whose lot, whose leftover, or which itself, is called so. */
    @Select("""
            SELECT m.id FROM batch m WHERE m.kitchen_id = #{kitchenId} AND m.id = #{what}
            UNION SELECT l.batch_id FROM lot l WHERE l.kitchen_id = #{kitchenId} AND (l.code = #{what} OR l.id = #{what})
            UNION SELECT b.batch_id FROM larder_box b
                  WHERE b.kitchen_id = #{kitchenId} AND b.id = #{what} AND b.batch_id IS NOT NULL
            LIMIT #{most}
            """)
    List<String> batchesNamed(String kitchenId, String what, int most);

    String TAKEN = """
            <script>
            SELECT t.box_id, t.batch_id, t.part, t.kg, t.taken_at AS at
            FROM larder_taking t JOIN larder_box b ON b.id = t.box_id
            WHERE b.kitchen_id = #{kitchenId} AND b.batch_id IS NULL
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

    String STOCK = """
            <script>
            SELECT id, batch_id, lot_id, NULL AS goods, into_id, litres AS amount, drawn_at AS at FROM drawing
            WHERE kitchen_id = #{kitchenId}
            """;

    String LEFT_OVER = """
            UNION ALL
            SELECT t.event_id, b.batch_id, NULL, b.goods, t.batch_id, t.kg, t.taken_at
            FROM larder_box b JOIN larder_taking t ON t.box_id = b.id
            WHERE b.kitchen_id = #{kitchenId} AND b.batch_id IS NOT NULL
            """;

    @Select(STOCK + """
            AND batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            """ + LEFT_OVER + """
            AND b.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY at, id LIMIT #{most}
            </script>
            """)
    List<DrawnRow> drawnFrom(String kitchenId, Collection<String> batches, int most);

    @Select(STOCK + """
            AND into_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            """ + LEFT_OVER + """
            AND t.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY at, id LIMIT #{most}
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

    @Select("""
            <script>
            SELECT b.id, b.batch_id, b.goods, o.kg,
            """ + STOPPED + """
            FROM left_over o JOIN larder_box b ON b.id = o.box_id WHERE b.kitchen_id = #{kitchenId} AND o.batch_id IN
              <foreach collection="batches" item="id" open="(" separator="," close=")">#{id}</foreach>
            ORDER BY b.taken_in_at, b.id LIMIT #{most}
            </script>
            """)
    List<LeftRow> leftOver(String kitchenId, Collection<String> batches, int most);
}

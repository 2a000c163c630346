package potamos.server.larder;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of the larder. */
@Mapper
interface LarderMapper {

    record BoxRow(
            String id,
            String kitchenId,
            String goods,
            double kg,
            LocalDate cameOn,
            LocalDate useBy,
            boolean frozen,
            Double thickCm,
            Double doorC,
            String supplier,
            String supplierLot,
            Double pricePerKg,
            String note,
            boolean trim,
            String takenInBy,
            Instant takenInAt,
            double leftKg,
            Instant thawsSince,
            String stopped,
            String batchId,
            Integer batchNumber,
            String formulaName,
            String contents) {
        /** The supplier, or the batch that it is left over of. */
        String from() {
            return batchId == null ? supplier : formulaName + ", batch " + batchNumber;
        }
    }

    /** What became of a box: an entry of somebody's, or, with no kind, what a batch took. */
    record StoryRow(
            String id,
            Instant at,
            String by,
            Boxes.Entry kind,
            double kg,
            String reason,
            String batchId,
            Integer batchNumber,
            String formulaName) {}

    /** What is left is what came in, with every entry, less what batches took. */
    String BOXES = """
            SELECT b.id, b.kitchen_id, b.goods, IF(b.batch_id IS NULL, b.kg, COALESCE(o.kg, 0)) AS kg, b.came_on, b.use_by, b.frozen, b.thick_cm, b.door_c, b.supplier, b.supplier_lot,
                   b.price_per_kg, b.note, b.trim, a.name AS taken_in_by, b.taken_in_at,
                   IF(b.batch_id IS NULL, b.kg, COALESCE(o.kg, 0))
                        + COALESCE((SELECT SUM(e.kg) FROM larder_entry e WHERE e.box_id = b.id), 0)
                        - COALESCE((SELECT SUM(t.kg) FROM larder_taking t WHERE t.box_id = b.id), 0) AS left_kg,
                   (SELECT MIN(e.made_at) FROM larder_entry e WHERE e.box_id = b.id AND e.kind = 'THAWING') AS thaws_since,
                   (SELECT IF(e.kind = 'STOPPED', e.reason, NULL) FROM larder_entry e
                    WHERE e.box_id = b.id AND e.kind IN ('STOPPED', 'RELEASED') ORDER BY e.made_at DESC, e.id LIMIT 1) AS stopped,
                   b.batch_id, m.number AS batch_number, m.formula_name, o.contents
            FROM larder_box b JOIN account a ON a.id = b.taken_in_by LEFT JOIN batch m ON m.id = b.batch_id
                 LEFT JOIN left_over o ON o.box_id = b.id
            """;

    @Insert("""
            INSERT IGNORE INTO larder_box (id, kitchen_id, goods, kg, came_on, use_by, frozen, thick_cm, door_c, supplier, supplier_lot,
                                    price_per_kg, note, trim, taken_in_by, taken_in_at)
            VALUES (#{id}, #{kitchenId}, #{in.goods}, #{in.kg}, #{in.cameOn}, #{in.useBy}, #{in.frozen}, #{in.thickCm}, #{in.doorC},
                    #{in.supplier}, #{in.supplierLot}, #{in.pricePerKg}, #{in.note}, #{in.trim}, #{by}, #{at})
            """)
    int insert(String id, String kitchenId, Intake in, String by, Instant at);

    /** The box of something that is left over of a batch; once it is there it stays as it is. */
    @Insert("""
            INSERT IGNORE INTO larder_box (id, kitchen_id, goods, kg, came_on, use_by, frozen, supplier, supplier_lot, note, trim,
                                           taken_in_by, taken_in_at, batch_id)
            SELECT #{id}, #{kitchenId}, #{goods}, #{kg}, #{day}, #{useBy}, FALSE, '', '', '', FALSE,
                   e.account_id, e.happened_at, #{batchId} FROM batch_event e WHERE e.id = #{id}
            """)
    void boxOfLeftOver(
            String id, String kitchenId, String batchId, String goods, double kg, LocalDate day, LocalDate useBy);

    @Insert("""
            INSERT INTO left_over (box_id, batch_id, kg, contents) VALUES (#{id}, #{batchId}, #{kg}, #{contents})
            """)
    void leftOver(String id, String batchId, double kg, String contents);

    /** What was left over of a batch, as it stands, and how much of it was taken since. */
    record LeftRow(String id, double takenKg) {}

    @Select("""
            SELECT o.box_id AS id, COALESCE((SELECT SUM(t.kg) FROM larder_taking t WHERE t.box_id = o.box_id), 0) AS taken_kg
            FROM left_over o WHERE o.batch_id = #{batchId} FOR UPDATE
            """)
    List<LeftRow> leftOf(String batchId);

    @Delete("DELETE FROM left_over WHERE batch_id = #{batchId}")
    void forgetLeftOver(String batchId);

    /** What is not used up: first what has to go first, last what keeps. */
    @Select(BOXES + """
            WHERE b.kitchen_id = #{kitchenId}
            HAVING left_kg > 0.0005
            ORDER BY b.use_by IS NULL, b.use_by, b.came_on, b.id
            LIMIT #{most} OFFSET #{from}
            """)
    List<BoxRow> left(String kitchenId, int from, int most);

    @Select(BOXES + " WHERE b.id = #{id} AND b.kitchen_id = #{kitchenId}")
    Optional<BoxRow> byId(String id, String kitchenId);

    /** Held until the transaction ends, so that two people do not take the same kilogram. */
    @Select("SELECT id FROM larder_box WHERE id = #{id} AND kitchen_id = #{kitchenId} FOR UPDATE")
    Optional<String> hold(String id, String kitchenId);

    @Select("SELECT COUNT(*) FROM larder_entry WHERE id = #{id} AND box_id = #{boxId}")
    int entries(String id, String boxId);

    @Insert("""
            INSERT INTO larder_entry (id, box_id, kind, kg, reason, made_by, made_at)
            VALUES (#{id}, #{boxId}, #{kind}, #{kg}, #{reason}, #{by}, #{at})
            """)
    void enter(String id, String boxId, String kind, double kg, String reason, String by, Instant at);

    @Select("""
            SELECT e.id, e.made_at AS at, a.name AS `by`, e.kind, e.kg, e.reason, NULL AS batch_id, NULL AS batch_number, NULL AS formula_name
            FROM larder_entry e JOIN account a ON a.id = e.made_by WHERE e.box_id = #{boxId}
            UNION ALL
            SELECT t.event_id, t.taken_at, a.name, NULL, -t.kg, t.part, t.batch_id, m.number, m.formula_name
            FROM larder_taking t JOIN batch m ON m.id = t.batch_id
            JOIN batch_event v ON v.id = t.event_id JOIN account a ON a.id = v.account_id
            WHERE t.box_id = #{boxId}
            ORDER BY at LIMIT 1000
            """)
    List<StoryRow> story(String boxId);

    /** What a batch took of a box. */
    record Taking(String eventId, String boxId, double kg) {}

    @Select("SELECT event_id, box_id, kg FROM larder_taking WHERE batch_id = #{batchId}")
    List<Taking> takings(String batchId);

    /** Kilograms out of all boxes, by the kind of bed or the part that they were taken for. */
    record GoodsTaken(String goods, double kg) {}

    @Select("""
            SELECT IF(t.part = 'bed', b.goods, t.part) AS goods, SUM(t.kg) AS kg
            FROM larder_taking t JOIN larder_box b ON b.id = t.box_id
            WHERE t.batch_id = #{batchId} GROUP BY IF(t.part = 'bed', b.goods, t.part)
            """)
    List<GoodsTaken> goodsTaken(String batchId);

    @Delete("DELETE FROM larder_taking WHERE batch_id = #{batchId}")
    void forget(String batchId);

    @Insert("""
            INSERT INTO larder_taking (event_id, batch_id, box_id, part, kg, taken_at)
            VALUES (#{eventId}, #{batchId}, #{boxId}, #{part}, #{kg}, #{at})
            """)
    void take(String eventId, String batchId, String boxId, String part, double kg, Instant at);
}

package potamos.server.coldside;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Family;
import potamos.core.safety.Kept;

/** Rows of lots and deliveries. Both tell what the events of a batch tell, and are rebuilt from them. */
@Mapper
interface LotMapper {

    record LotRow(
            String id,
            String kitchenId,
            String batchId,
            int batchNumber,
            String code,
            String formulaName,
            Family family,
            double litres,
            double leftLitres,
            Instant madeAt,
            LocalDate useBy,
            String contents,
            String place,
            CoolingVerdict.Outcome verdict,
            Kept kept,
            String container,
            int containers,
            int cubes,
            boolean thawed,
            String blend,
            String releasedBy,
            Instant releasedAt,
            String releasedFor,
            String stopped) {}

    record DeliveryRow(
            String id,
            String kitchenId,
            String batchId,
            String lotId,
            String lotCode,
            String formulaName,
            String stationId,
            String stationName,
            String callId,
            double litres,
            Instant deliveredAt,
            LocalDate useBy,
            String contents,
            String deliveredBy,
            Double celsius,
            Instant takenOverAt,
            String takenOverBy,
            double backLitres) {}

    String LOTS = """
            SELECT l.id, l.kitchen_id, l.batch_id, b.number AS batch_number, l.code,
                   b.formula_name, b.family,
                   l.litres, l.left_litres, l.made_at, l.use_by,
                   """ + Shelf.CONTENTS + """
                   , l.place, l.verdict,
                   l.kept, l.container, l.containers, l.cubes, l.thawed, l.blend,
                   ra.name AS released_by, re.happened_at AS released_at, JSON_VALUE(re.payload, '$.words') AS released_for,
                   (SELECT IF(s.stopped, s.reason, NULL) FROM lot_stop s WHERE s.lot_id = l.id ORDER BY s.id DESC LIMIT 1) AS stopped
            FROM lot l JOIN batch b ON b.id = l.batch_id
            LEFT JOIN batch_event re ON re.id = l.release_id
            LEFT JOIN account ra ON ra.id = re.account_id
            """;

    String DELIVERIES = """
            SELECT d.id, d.kitchen_id, d.batch_id, d.lot_id, l.code AS lot_code, b.formula_name,
                   d.station_id, s.name AS station_name, d.call_id, d.litres, d.delivered_at, l.use_by,
                   COALESCE(d.contents, l.contents, '""" + Shelf.NOT_WRITTEN_DOWN + """
                   ') AS contents, a.name AS delivered_by, d.celsius, d.taken_over_at, ta.name AS taken_over_by, d.back_litres
            FROM delivery d
            LEFT JOIN lot l ON l.id = d.lot_id
            JOIN batch b ON b.id = d.batch_id
            JOIN station s ON s.id = d.station_id
            JOIN batch_event e ON e.id = d.id
            JOIN account a ON a.id = e.account_id
            LEFT JOIN batch_event te ON te.id = d.taken_over_id
            LEFT JOIN account ta ON ta.id = te.account_id
            """;

    /** What of a lot went into another pot. */
    record DrawingRow(String intoId, int intoNumber, String intoName, double litres, Instant drawnAt) {}

    @Select("""
            SELECT d.into_id, b.number AS into_number, b.formula_name AS into_name, d.litres, d.drawn_at
            FROM drawing d JOIN batch b ON b.id = d.into_id
            WHERE d.lot_id = #{lotId} AND d.kitchen_id = #{kitchenId} ORDER BY d.drawn_at, d.id
            """)
    List<DrawingRow> drawingsOfLot(String lotId, String kitchenId);

    /** A lot as it is made from the events. */
    record NewLot(
            String id,
            String kitchenId,
            String batchId,
            String code,
            double litres,
            double leftLitres,
            Instant madeAt,
            LocalDate useBy,
            String contents,
            String place,
            String verdict,
            Kept kept,
            String container,
            int containers,
            int cubes,
            boolean thawed,
            String blend,
            String releaseId) {}

    @Insert("""
            INSERT INTO lot (id, kitchen_id, batch_id, code, litres, left_litres, made_at, use_by, contents, place, verdict, kept,
                             container, containers, cubes, thawed, blend, release_id)
            VALUES (#{id}, #{kitchenId}, #{batchId}, #{code}, #{litres}, #{leftLitres}, #{madeAt}, #{useBy}, #{contents},
                    #{place}, #{verdict}, #{kept}, #{container}, #{containers}, #{cubes}, #{thawed}, #{blend}, #{releaseId})
            """)
    void insertLot(NewLot lot);

    /** A delivery as it is made from the events. */
    record NewDelivery(
            String id,
            String kitchenId,
            String batchId,
            String lotId,
            String stationId,
            String callId,
            double litres,
            Instant deliveredAt,
            String contents,
            Double celsius,
            String takenOverId,
            Instant takenOverAt,
            double backLitres) {}

    @Insert("""
            INSERT INTO delivery (id, kitchen_id, batch_id, lot_id, station_id, call_id, litres, delivered_at, contents, celsius,
                                  taken_over_id, taken_over_at, back_litres)
            VALUES (#{id}, #{kitchenId}, #{batchId}, #{lotId}, #{stationId}, #{callId}, #{litres}, #{deliveredAt}, #{contents}, #{celsius},
                    #{takenOverId}, #{takenOverAt}, #{backLitres})
            """)
    void insertDelivery(NewDelivery delivery);

    @Select("SELECT id, batch_id, station_id FROM delivery WHERE id = #{id} AND kitchen_id = #{kitchenId}")
    Optional<Shelf.Handed> handed(String id, String kitchenId);

    @Insert("""
            INSERT INTO drawing (id, kitchen_id, batch_id, lot_id, into_id, litres, drawn_at)
            VALUES (#{id}, #{kitchenId}, #{batchId}, #{lotId}, #{intoId}, #{litres}, #{drawnAt})
            """)
    void insertDrawing(
            String id, String kitchenId, String batchId, String lotId, String intoId, double litres, Instant drawnAt);

    @Delete("DELETE FROM drawing WHERE batch_id = #{batchId}")
    void forgetDrawings(String batchId);

    @Delete("DELETE FROM delivery WHERE batch_id = #{batchId}")
    void forgetDeliveries(String batchId);

    @Delete("DELETE FROM lot WHERE batch_id = #{batchId}")
    void forgetLots(String batchId);

    /** What can still be used, first what has to go first; after it the rests past their day, the latest first. */
    @Select(LOTS + """
             WHERE l.kitchen_id = #{kitchenId} AND l.left_litres > 0.01
            ORDER BY l.use_by < #{today}, IF(l.use_by < #{today}, -DATEDIFF(l.use_by, '2000-01-01'), DATEDIFF(l.use_by, '2000-01-01')),
                     l.made_at, l.id
            LIMIT #{most} OFFSET #{from}
            """)
    List<LotRow> onShelf(String kitchenId, LocalDate today, int from, int most);

    @Select(LOTS + " WHERE l.id = #{id} AND l.kitchen_id = #{kitchenId}")
    Optional<LotRow> byId(String id, String kitchenId);

    @Select(LOTS + " WHERE l.batch_id = #{batchId} AND l.kitchen_id = #{kitchenId} ORDER BY l.made_at, l.code")
    List<LotRow> ofBatch(String batchId, String kitchenId);

    @Select(DELIVERIES + """
            WHERE d.kitchen_id = #{kitchenId} AND d.delivered_at > #{since}
              AND (#{stationId} IS NULL OR d.station_id = #{stationId})
            ORDER BY d.delivered_at DESC LIMIT 200
            """)
    List<DeliveryRow> deliveries(String kitchenId, String stationId, Instant since);

    /** Of a day, station by station. */
    @Select(DELIVERIES + """
            WHERE d.kitchen_id = #{kitchenId} AND d.delivered_at >= #{from} AND d.delivered_at < #{to}
              AND (#{stationId} IS NULL OR d.station_id = #{stationId})
            ORDER BY s.name, d.delivered_at, d.id LIMIT #{most}
            """)
    List<DeliveryRow> between(String kitchenId, String stationId, Instant from, Instant to, int most);

    @Select(DELIVERIES + " WHERE d.lot_id = #{lotId} AND d.kitchen_id = #{kitchenId} ORDER BY d.delivered_at")
    List<DeliveryRow> deliveriesOfLot(String lotId, String kitchenId);
}

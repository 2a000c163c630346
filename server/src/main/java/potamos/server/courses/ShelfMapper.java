package potamos.server.courses;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Family;
import potamos.server.coldside.Shelf;

/** Stock that stands in the cold, and how much of it is spoken for. */
@Mapper
interface ShelfMapper {

    /** Less is no stock. */
    double LEAST_L = 0.05;

    record OnShelf(
            String code,
            String slug,
            String name,
            Family family,
            double spareL,
            LocalDate useBy,
            String contents,
            CoolingVerdict.Outcome verdict) {}

    /** A lot with what of its batch is promised to calls, the last of which is due then; nothing where none is. */
    record Lot(
            String batchId,
            String code,
            String slug,
            String name,
            Family family,
            double leftL,
            double promisedL,
            Instant lastBy,
            LocalDate useBy,
            String contents,
            CoolingVerdict.Outcome verdict) {}

    /** What is stopped is for nobody, and what lies in the freezer is not ready for anybody until it is thawed. */
    @Select("""
            SELECT l.batch_id, l.code,
                   JSON_VALUE(b.plan, '$.charge.formula.slug') AS slug,
                   JSON_VALUE(b.plan, '$.charge.formula.name') AS name,
                   JSON_VALUE(b.plan, '$.charge.formula.family') AS family,
                   l.left_litres AS left_l, COALESCE(p.litres, 0) AS promised_l, p.last_by, l.use_by,
                   """ + Shelf.CONTENTS + """
                   , l.verdict
            FROM lot l JOIN batch b ON b.id = l.batch_id
            LEFT JOIN (
              SELECT q.batch_id, SUM(q.promised_l) AS litres, MAX(c.ready_by) AS last_by FROM batch_call q JOIN station_call c ON c.id = q.call_id
              WHERE c.closed_at IS NULL GROUP BY q.batch_id) p ON p.batch_id = b.id
            WHERE l.kitchen_id = #{kitchenId} AND l.left_litres > 0 AND l.use_by >= #{today} AND l.kept = 'COLD'
              AND NOT COALESCE((SELECT s.stopped FROM lot_stop s WHERE s.lot_id = l.id ORDER BY s.id DESC LIMIT 1), FALSE)
            ORDER BY l.use_by, l.made_at, l.code
            """)
    List<Lot> lots(String kitchenId, LocalDate today);

    /** What a batch still has for a call that it was made for. */
    record ForCall(
            String batchId,
            String callId,
            String station,
            Instant readyBy,
            double litres,
            String name,
            Family family) {}

    /** In the order in which the calls are due. */
    @Select("""
            SELECT q.batch_id, q.call_id, s.name AS station, c.ready_by, COALESCE(q.promised_l, q.litres) AS litres,
                   JSON_VALUE(b.plan, '$.charge.formula.name') AS name,
                   JSON_VALUE(b.plan, '$.charge.formula.family') AS family
            FROM batch_call q JOIN batch b ON b.id = q.batch_id
            JOIN station_call c ON c.id = q.call_id JOIN station s ON s.id = c.station_id
            WHERE b.kitchen_id = #{kitchenId} AND b.stage NOT IN ('DONE', 'ABANDONED') AND c.closed_at IS NULL
            ORDER BY c.ready_by, q.batch_id, q.place
            """)
    List<ForCall> forCalls(String kitchenId);

    /** A lot, and how much of it is promised. */
    record Parted(Lot lot, double promisedL) {
        /** What is not. */
        double spareL() {
            return lot.leftL() - promisedL;
        }
    }

    /** What a batch has promised comes out of its lots one after another. */
    default List<Parted> parted(String kitchenId, LocalDate today) {
        Map<String, Double> promised = new HashMap<>();
        List<Parted> parted = new ArrayList<>();
        for (Lot lot : lots(kitchenId, today)) {
            double open = promised.getOrDefault(lot.batchId(), lot.promisedL());
            double gives = Math.min(open, lot.leftL());
            promised.put(lot.batchId(), open - gives);
            parted.add(new Parted(lot, gives));
        }
        return parted;
    }

    /** Of each lot what is not promised. */
    static List<OnShelf> spare(List<Parted> lots) {
        return lots.stream()
                .filter(parted -> parted.spareL() > LEAST_L)
                .map(parted -> new OnShelf(
                        parted.lot().code(),
                        parted.lot().slug(),
                        parted.lot().name(),
                        parted.lot().family(),
                        parted.spareL(),
                        parted.lot().useBy(),
                        parted.lot().contents(),
                        parted.lot().verdict()))
                .toList();
    }
}

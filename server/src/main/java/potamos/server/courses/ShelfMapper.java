package potamos.server.courses;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Family;

/** Stock that stands in the cold and is not spoken for. */
@Mapper
interface ShelfMapper {

    record OnShelf(
            String code,
            String slug,
            String name,
            Family family,
            double spareL,
            LocalDate useBy,
            String contents,
            CoolingVerdict.Outcome verdict) {}

    @Select("""
            SELECT l.code,
                   JSON_VALUE(b.plan, '$.charge.formula.slug') AS slug,
                   JSON_VALUE(b.plan, '$.charge.formula.name') AS name,
                   JSON_VALUE(b.plan, '$.charge.formula.family') AS family,
                   l.left_litres - COALESCE(p.litres, 0) AS spare_l, l.use_by,
                   COALESCE(l.contents, '{"allergens":[],"traces":[],"gelatinGPerL":0,"unknown":true}') AS contents, l.verdict
            FROM lot l JOIN batch b ON b.id = l.batch_id
            LEFT JOIN (
              SELECT q.batch_id, SUM(q.promised_l) AS litres FROM batch_call q JOIN station_call c ON c.id = q.call_id
              WHERE c.closed_at IS NULL GROUP BY q.batch_id) p ON p.batch_id = b.id
            WHERE l.kitchen_id = #{kitchenId} AND l.left_litres > 0 AND l.use_by >= #{today}
              AND l.left_litres - COALESCE(p.litres, 0) > 0.05
            ORDER BY l.use_by
            """)
    List<OnShelf> spare(String kitchenId, LocalDate today);
}

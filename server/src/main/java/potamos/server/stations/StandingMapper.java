package potamos.server.stations;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of calls that come back, and of what they have become. */
@Mapper
interface StandingMapper {

    record Row(
            String id,
            String kitchenId,
            String stationId,
            String stationName,
            String formulaSlug,
            String formulaName,
            double litres,
            String days,
            String byTime,
            String skips,
            String without,
            String needs,
            String note,
            String madeBy,
            boolean onHand) {}

    String STANDING = """
            SELECT t.id, t.kitchen_id, t.station_id, s.name AS station_name, t.formula_slug,
                   COALESCE((SELECT f.name FROM formula f WHERE f.kitchen_id = t.kitchen_id AND f.slug = t.formula_slug
                    ORDER BY f.version DESC LIMIT 1), t.formula_slug) AS formula_name,
                   t.litres, t.days, t.by_time, t.skips, t.without, t.needs, t.note, t.made_by, t.on_hand
            FROM standing_call t JOIN station s ON s.id = t.station_id
            """;

    @Select(STANDING + """
            WHERE t.kitchen_id = #{kitchenId} AND t.ended_at IS NULL AND (#{stationId} IS NULL OR t.station_id = #{stationId})
            ORDER BY s.name, t.by_time
            """)
    List<Row> all(String kitchenId, String stationId);

    @Select(STANDING + " WHERE t.id = #{id} AND t.kitchen_id = #{kitchenId}")
    Optional<Row> byId(String id, String kitchenId);

    @Select("SELECT DISTINCT kitchen_id FROM standing_call WHERE ended_at IS NULL")
    List<String> kitchens();

    @Insert("""
            INSERT INTO standing_call (id, kitchen_id, station_id, formula_slug, litres, days, by_time, skips, without, needs, note, made_by,
                    on_hand, made_at)
            VALUES (#{row.id}, #{row.kitchenId}, #{row.stationId}, #{row.formulaSlug}, #{row.litres}, #{row.days}, #{row.byTime},
                    #{row.skips}, #{row.without}, #{row.needs}, #{row.note}, #{row.madeBy}, #{row.onHand},
                    #{at})
            ON DUPLICATE KEY UPDATE id = standing_call.id
            """)
    void insert(Row row, Instant at);

    @Update("UPDATE standing_call SET skips = #{skips} WHERE id = #{id}")
    void skip(String id, String skips);

    @Update("UPDATE standing_call SET ended_at = #{at} WHERE id = #{id} AND ended_at IS NULL")
    void end(String id, Instant at);

    /** Days for which there is a call of it already, whatever has become of it. */
    @Select("SELECT standing_day FROM station_call WHERE standing_id = #{id}")
    Set<LocalDate> days(String id);

    /** Becomes a call of so many litres for a day; made twice at once, it is made once. */
    @Insert("""
            INSERT INTO station_call (id, kitchen_id, station_id, formula_slug, litres, ready_by, without, needs, note, asked_by, asked_at,
                    standing_id, standing_day)
            VALUES (#{id}, #{row.kitchenId}, #{row.stationId}, #{row.formulaSlug}, #{litres}, #{readyBy}, #{row.without}, #{row.needs},
                    #{row.note}, #{row.madeBy}, #{at}, #{row.id}, #{day})
            ON DUPLICATE KEY UPDATE id = station_call.id
            """)
    void becomes(Row row, double litres, String id, LocalDate day, Instant readyBy, Instant at);

    /** Takes back what nobody makes yet and nobody has had any of: of one day, or of all that are still to come. */
    @Update("""
            UPDATE station_call c SET c.withdrawn_at = #{at}
            WHERE c.standing_id = #{id} AND (#{day} IS NULL OR c.standing_day = #{day}) AND c.ready_by > #{at}
              AND c.withdrawn_at IS NULL AND c.closed_at IS NULL
              AND NOT EXISTS (SELECT 1 FROM batch_call p JOIN batch b ON b.id = p.batch_id
                              WHERE p.call_id = c.id AND b.stage <> 'ABANDONED')
              AND NOT EXISTS (SELECT 1 FROM delivery d WHERE d.call_id = c.id)
            """)
    int takeBack(String id, LocalDate day, Instant at);

    /** Litres of its calls that are still to come, or to be put away. */
    @Select("""
            SELECT COALESCE(SUM(litres), 0) FROM station_call
            WHERE standing_id = #{id} AND closed_at IS NULL AND withdrawn_at IS NULL
            """)
    double coming(String id);

    /** What was asked for so that it stands in the cold is met once it stands there: from then on it is on hand for everybody. */
    @Update("""
            UPDATE station_call c SET c.closed_at = #{at}, c.closed_by = c.asked_by, c.closed_short = FALSE
            WHERE c.standing_id = #{id} AND c.closed_at IS NULL AND c.withdrawn_at IS NULL
              AND EXISTS (SELECT 1 FROM batch_call p JOIN lot l ON l.batch_id = p.batch_id WHERE p.call_id = c.id)
            """)
    int stands(String id, Instant at);

    /** Asks again for a day that was left out. */
    @Update("""
            UPDATE station_call SET withdrawn_at = NULL WHERE standing_id = #{id} AND standing_day = #{day} AND ready_by > #{now}
            """)
    int askAgain(String id, LocalDate day, Instant now);
}

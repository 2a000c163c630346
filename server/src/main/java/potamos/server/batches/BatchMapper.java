package potamos.server.batches;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of batches and of their events. */
@Mapper
interface BatchMapper {

    record BatchRow(
            String id,
            String kitchenId,
            int number,
            String callId,
            String vesselId,
            String burnerId,
            String plan,
            String acceptedBy,
            Instant acceptedAt,
            String stage) {}

    record EventRow(
            String batchId,
            int seq,
            String id,
            String kind,
            String payload,
            Instant happenedAt,
            Instant recordedAt,
            String accountId,
            String accountName) {}

    String BATCHES = """
            SELECT id, kitchen_id, number, call_id, vessel_id, burner_id, plan, accepted_by, accepted_at, stage FROM batch
            """;

    /** The same without their plans, which are large and kept in memory. */
    String BATCHES_WITHOUT_PLANS = """
            SELECT id, kitchen_id, number, call_id, vessel_id, burner_id, NULL AS plan, accepted_by, accepted_at, stage FROM batch
            """;

    @Select("SELECT plan FROM batch WHERE id = #{id}")
    String plan(String id);

    @Select("SELECT COALESCE(MAX(number), 0) + 1 FROM batch WHERE kitchen_id = #{kitchenId}")
    int nextNumber(String kitchenId);

    @Insert("""
            INSERT INTO batch (id, kitchen_id, number, call_id, vessel_id, burner_id, plan, accepted_by, accepted_at, stage)
            VALUES (#{id}, #{kitchenId}, #{number}, #{callId}, #{vesselId}, #{burnerId}, #{plan}, #{acceptedBy}, #{acceptedAt},
                    #{stage})
            """)
    void insert(BatchRow row);

    @Select(BATCHES + """
             WHERE id = #{id} AND kitchen_id = #{kitchenId}
            """)
    Optional<BatchRow> byId(String id, String kitchenId);

    /** Holds the batch until the transaction ends: acts of one batch are written one after another. */
    @Select(BATCHES + """
             WHERE id = #{id} AND kitchen_id = #{kitchenId} FOR UPDATE
            """)
    Optional<BatchRow> hold(String id, String kitchenId);

    @Select(BATCHES_WITHOUT_PLANS + """
             WHERE kitchen_id = #{kitchenId} AND stage NOT IN ('ON_SHELF', 'DONE', 'ABANDONED')
            ORDER BY number
            """)
    List<BatchRow> open(String kitchenId);

    @Select(BATCHES_WITHOUT_PLANS + """
             WHERE kitchen_id = #{kitchenId} AND number < #{before}
              AND (#{words} = '' OR number = #{number} OR LOCATE(#{words}, formula_name) > 0)
            ORDER BY number DESC LIMIT #{most}
            """)
    List<BatchRow> latest(String kitchenId, int before, String words, int number, int most);

    /** A batch and its kitchen. */
    record Known(String id, String kitchenId) {}

    @Select("SELECT DISTINCT batch_id AS id, kitchen_id FROM lot WHERE contents IS NULL")
    List<Known> madeByAnEarlierVersion();

    /** An entry that was the last of its kind to happen. */
    record Latest(String batchId, Instant at) {}

    /**
     * Of a kitchen, or of what was in one vessel of it, whatever became of that.
     *
     * @param vesselId nothing of any
     * @param except   a batch that does not count
     */
    @Select("""
            SELECT e.batch_id, e.happened_at AS at FROM batch_event e JOIN batch b ON b.id = e.batch_id
            WHERE e.kind = #{kind} AND b.kitchen_id = #{kitchenId} AND (#{vesselId} IS NULL OR b.vessel_id = #{vesselId})
              AND b.id <> #{except}
            ORDER BY e.happened_at DESC LIMIT 1
            """)
    Optional<Latest> lastOfKind(String kitchenId, String kind, String vesselId, String except);

    @Update("UPDATE batch SET burner_id = #{burnerId} WHERE id = #{id} AND kitchen_id = #{kitchenId}")
    int moveTo(String id, String kitchenId, String burnerId);

    @Update("UPDATE batch SET stage = #{stage} WHERE id = #{id}")
    void stands(String id, String stage);

    /** Litres of a batch that a call was promised. */
    record CallRow(String batchId, String callId, int place, double litres) {}

    @Insert(
            "INSERT INTO batch_call (batch_id, call_id, place, litres) VALUES (#{batchId}, #{callId}, #{place}, #{litres})")
    void insertCall(CallRow row);

    @Select("SELECT batch_id, call_id, place, litres FROM batch_call WHERE batch_id = #{batchId} ORDER BY place")
    List<CallRow> calls(String batchId);

    @Update("UPDATE batch_call SET promised_l = #{promisedL} WHERE batch_id = #{batchId} AND call_id = #{callId}")
    void promised(String batchId, String callId, double promisedL);

    /** Litres that the batches under way were made for, by batch and call. */
    record PromisedRow(String batchId, String callId, double litres) {}

    @Select("""
            SELECT c.batch_id, c.call_id, c.litres FROM batch_call c JOIN batch b ON b.id = c.batch_id
            JOIN station_call s ON s.id = c.call_id
            WHERE b.kitchen_id = #{kitchenId} AND b.stage NOT IN ('ON_SHELF', 'DONE', 'ABANDONED') AND s.closed_at IS NULL
            ORDER BY c.batch_id, c.place
            """)
    List<PromisedRow> promisedOpen(String kitchenId);

    @Insert("""
            INSERT INTO batch_event (batch_id, seq, id, kind, payload, happened_at, recorded_at, account_id)
            VALUES (#{batchId}, #{seq}, #{id}, #{kind}, #{payload}, #{happenedAt}, #{recordedAt}, #{accountId})
            """)
    void insertEvent(EventRow row);

    @Select("SELECT MAX(recorded_at) FROM batch_event")
    Instant latestEntry();

    @Select("SELECT batch_id FROM batch_event WHERE id = #{id}")
    Optional<String> batchOfEvent(String id);

    /** The latest entry of each of these batches that has one. */
    @Select("""
            <script>
            SELECT e.batch_id, e.id FROM batch_event e
            JOIN (SELECT batch_id, MAX(seq) AS seq FROM batch_event WHERE batch_id IN
              <foreach collection="batchIds" item="id" open="(" separator="," close=")">#{id}</foreach>
              GROUP BY batch_id) latest ON latest.batch_id = e.batch_id AND latest.seq = e.seq
            </script>
            """)
    List<Head> latestEvents(List<String> batchIds);

    /** The latest entry of a batch. */
    record Head(String batchId, String id) {}

    /** The id of the latest entry; empty before the first. */
    @Select("SELECT id FROM batch_event WHERE batch_id = #{batchId} ORDER BY seq DESC LIMIT 1")
    Optional<String> latestEvent(String batchId);

    @Select("""
            SELECT e.batch_id, e.seq, e.id, e.kind, e.payload, e.happened_at, e.recorded_at, e.account_id, a.name AS account_name
            FROM batch_event e JOIN account a ON a.id = e.account_id
            WHERE e.batch_id = #{batchId} AND e.seq > #{after}
            ORDER BY e.seq
            """)
    List<EventRow> events(String batchId, int after);
}

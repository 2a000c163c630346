package potamos.server.photos;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of photos. */
@Mapper
interface PhotoMapper {

    /** The three of a withdrawal are null for a photo that stands. */
    record Row(
            String id,
            String subject,
            String initials,
            String takenByName,
            Instant takenAt,
            int width,
            int height,
            String withdrawnByName,
            Instant withdrawnAt,
            String withdrawnReason) {}

    @Select("SELECT id FROM batch WHERE id = #{batchId} AND kitchen_id = #{kitchenId} FOR UPDATE")
    Optional<String> holdBatch(String batchId, String kitchenId);

    /** The id again, if it is a batch of this kitchen. */
    @Select("SELECT id FROM batch WHERE id = #{batchId} AND kitchen_id = #{kitchenId}")
    Optional<String> ownBatch(String batchId, String kitchenId);

    @Select("SELECT COUNT(*) FROM photo WHERE batch_id = #{batchId}")
    int count(String batchId);

    @Insert("""
            INSERT IGNORE INTO photo (id, kitchen_id, batch_id, subject, taken_by, taken_at, width, height, jpeg)
            VALUES (#{id}, #{kitchenId}, #{batchId}, #{subject}, #{takenBy}, #{takenAt}, #{print.width}, #{print.height},
                    #{print.jpeg})
            """)
    int insert(
            String id,
            String kitchenId,
            String batchId,
            String subject,
            String takenBy,
            Instant takenAt,
            Darkroom.Print print);

    @Select("""
            SELECT p.id, p.subject, a.initials, a.name AS taken_by_name, p.taken_at, p.width, p.height,
                   b.name AS withdrawn_by_name, w.withdrawn_at, w.reason AS withdrawn_reason
            FROM photo p JOIN account a ON a.id = p.taken_by
            LEFT JOIN photo_withdrawn w ON w.photo_id = p.id
            LEFT JOIN account b ON b.id = w.withdrawn_by
            WHERE p.batch_id = #{batchId} AND p.kitchen_id = #{kitchenId} ORDER BY p.taken_at
            """)
    List<Row> of(String batchId, String kitchenId);

    @Select("SELECT jpeg FROM photo WHERE id = #{id} AND batch_id = #{batchId} AND kitchen_id = #{kitchenId}")
    Optional<Jpeg> jpeg(String id, String batchId, String kitchenId);

    record Jpeg(byte[] jpeg) {}

    /** The id again, if it is a photo of this batch and kitchen. */
    @Select("SELECT id FROM photo WHERE id = #{id} AND batch_id = #{batchId} AND kitchen_id = #{kitchenId}")
    Optional<String> own(String id, String batchId, String kitchenId);

    /** Taken out of the record, and kept. Whoever comes second finds it done. */
    @Insert("""
            INSERT IGNORE INTO photo_withdrawn (photo_id, withdrawn_by, withdrawn_at, reason)
            VALUES (#{id}, #{by}, #{at}, #{reason})
            """)
    int withdraw(String id, String by, Instant at, String reason);
}

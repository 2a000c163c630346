package potamos.server.photos;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of photos. */
@Mapper
interface PhotoMapper {

    record Row(
            String id, String subject, String initials, String takenByName, Instant takenAt, int width, int height) {}

    @Select("SELECT id FROM batch WHERE id = #{batchId} AND kitchen_id = #{kitchenId} FOR UPDATE")
    Optional<String> holdBatch(String batchId, String kitchenId);

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
            SELECT p.id, p.subject, a.initials, a.name AS taken_by_name, p.taken_at, p.width, p.height
            FROM photo p JOIN account a ON a.id = p.taken_by
            WHERE p.batch_id = #{batchId} AND p.kitchen_id = #{kitchenId} ORDER BY p.taken_at
            """)
    List<Row> of(String batchId, String kitchenId);

    @Select("""
            SELECT p.subject, p.taken_at AS at, a.initials, p.width, p.height, p.jpeg
            FROM photo p JOIN account a ON a.id = p.taken_by
            WHERE p.batch_id = #{batchId} AND p.kitchen_id = #{kitchenId} ORDER BY p.taken_at
            """)
    List<Photos.Print> prints(String batchId, String kitchenId);

    @Select("SELECT jpeg FROM photo WHERE id = #{id} AND batch_id = #{batchId} AND kitchen_id = #{kitchenId}")
    Optional<Jpeg> jpeg(String id, String batchId, String kitchenId);

    record Jpeg(byte[] jpeg) {}

    @Delete("DELETE FROM photo WHERE id = #{id} AND batch_id = #{batchId} AND kitchen_id = #{kitchenId}")
    int delete(String id, String batchId, String kitchenId);
}

package potamos.server.photos;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of photos of a supplier's slip. */
@Mapper
interface BoxPhotoMapper {

    record Row(String id, String takenBy, Instant takenAt, int width, int height) {}

    /** The id again, if it is a box of this kitchen; nobody else adds a photo to it meanwhile. */
    @Select("SELECT id FROM larder_box WHERE id = #{boxId} AND kitchen_id = #{kitchenId} FOR UPDATE")
    Optional<String> holdBox(String boxId, String kitchenId);

    /** The id again, if it is a box of this kitchen. */
    @Select("SELECT id FROM larder_box WHERE id = #{boxId} AND kitchen_id = #{kitchenId}")
    Optional<String> ownBox(String boxId, String kitchenId);

    @Select("SELECT COUNT(*) FROM box_photo WHERE box_id = #{boxId}")
    int count(String boxId);

    @Insert("""
            INSERT IGNORE INTO box_photo (id, kitchen_id, box_id, taken_by, taken_at, width, height, jpeg)
            VALUES (#{id}, #{kitchenId}, #{boxId}, #{takenBy}, #{takenAt}, #{print.width}, #{print.height}, #{print.jpeg})
            """)
    int insert(String id, String kitchenId, String boxId, String takenBy, Instant takenAt, Darkroom.Print print);

    @Select("""
            SELECT p.id, a.name AS taken_by, p.taken_at, p.width, p.height
            FROM box_photo p JOIN account a ON a.id = p.taken_by
            WHERE p.box_id = #{boxId} AND p.kitchen_id = #{kitchenId} ORDER BY p.taken_at, p.id
            """)
    List<Row> of(String boxId, String kitchenId);

    @Select("SELECT jpeg FROM box_photo WHERE id = #{id} AND box_id = #{boxId} AND kitchen_id = #{kitchenId}")
    Optional<PhotoMapper.Jpeg> jpeg(String id, String boxId, String kitchenId);
}

package potamos.server.courses;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Rows of what is held of a course. */
@Mapper
interface HeldMapper {

    /**
     * Where the course of a kitchen stands.
     *
     * @param last the latest step that can be gone to again
     * @param first the earliest that can be gone back to
     */
    record At(int step, int version, int first, int last) {
        /** Of a kitchen in which nobody has held anything yet. */
        static final At BEGINNING = new At(0, 0, 0, 0);
    }

    String AT = """
            SELECT h.step, h.version,
                   COALESCE((SELECT MIN(s.step) FROM course_step s WHERE s.kitchen_id = h.kitchen_id), 0) AS first,
                   COALESCE((SELECT MAX(s.step) FROM course_step s WHERE s.kitchen_id = h.kitchen_id), 0) AS last
            FROM course_held h WHERE h.kitchen_id = #{kitchenId}
            """;

    @Select(AT)
    Optional<At> at(String kitchenId);

    /** A step as it is stored: lists, as JSON. */
    record Step(String drafts, String aside) {}

    @Select("SELECT drafts, aside FROM course_step WHERE kitchen_id = #{kitchenId} AND step = #{step}")
    Optional<Step> step(String kitchenId, int step);

    @Insert("""
            INSERT INTO course_step (kitchen_id, step, drafts, aside, made_by, made_at)
            VALUES (#{kitchenId}, #{number}, #{step.drafts}, #{step.aside}, #{madeBy}, #{madeAt})
            """)
    void insert(String kitchenId, int number, Step step, String madeBy, Instant madeAt);

    /** Steps that were taken back are gone once another is made in their place, and old ones after so many. */
    @Delete("DELETE FROM course_step WHERE kitchen_id = #{kitchenId} AND (step >= #{from} OR step < #{before})")
    void forget(String kitchenId, int from, int before);

    @Insert("""
            INSERT INTO course_held (kitchen_id, step, version) VALUES (#{kitchenId}, #{step}, 1)
            ON DUPLICATE KEY UPDATE step = #{step}, version = version + 1
            """)
    void goTo(String kitchenId, int step);
}

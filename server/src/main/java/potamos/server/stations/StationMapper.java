package potamos.server.stations;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import potamos.core.course.Importance;

/** Rows of stations. */
@Mapper
interface StationMapper {

    record Row(
            String id,
            String kitchenId,
            String name,
            Importance importance,
            String without,
            String needs,
            Instant retiredAt) {}

    String STATIONS = "SELECT id, kitchen_id, name, importance, without, needs, retired_at FROM station";

    /** At the end of those that there are. */
    @Insert("""
            INSERT INTO station (id, kitchen_id, name, importance, without, needs, position)
            SELECT #{id}, #{kitchenId}, #{name}, #{importance}, #{without}, #{needs},
                   (SELECT COALESCE(MAX(s.position), -1) + 1 FROM station s WHERE s.kitchen_id = #{kitchenId})
            """)
    void insert(Row station);

    @Select(STATIONS + " WHERE kitchen_id = #{kitchenId} AND retired_at IS NULL ORDER BY position, name")
    List<Row> all(String kitchenId);

    @Select(STATIONS + " WHERE id = #{id} AND kitchen_id = #{kitchenId}")
    Optional<Row> byId(String id, String kitchenId);

    /** Names count also when the station is no more, for calls still name it. */
    @Select("SELECT COUNT(*) FROM station WHERE kitchen_id = #{kitchenId} AND name = #{name} AND id <> #{except}")
    int named(String kitchenId, String name, String except);

    @Update("""
            UPDATE station SET name = #{name}, importance = #{importance}, without = #{without}, needs = #{needs}
            WHERE id = #{id} AND kitchen_id = #{kitchenId}
            """)
    void update(Row station);

    @Update("UPDATE station SET position = #{position} WHERE id = #{id} AND kitchen_id = #{kitchenId}")
    void place(String id, String kitchenId, int position);

    @Update("UPDATE station SET retired_at = #{at} WHERE id = #{id} AND retired_at IS NULL")
    void retire(String id, Instant at);
}

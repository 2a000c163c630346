package potamos.server.kitchen;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of the kitchen and what stands in it. */
@Mapper
interface KitchenMapper {

    record KitchenRow(
            String id,
            String name,
            double altitudeM,
            String timeZone,
            String units,
            double airC,
            double humidity,
            double airSpeedMs,
            double tapC,
            double callTolerance,
            int strainerSets,
            String hours,
            String unattended,
            String checks,
            String limits) {}

    /** A vessel, burner or container: its figures are the core's own value, written down. */
    record ThingRow(String id, String kitchenId, String name, int position, String figures) {}

    @Insert("INSERT IGNORE INTO first_run (once) VALUES (1)")
    int takeFirstRun();

    @Select("SELECT COUNT(*) FROM kitchen")
    int count();

    @Insert("""
            INSERT INTO kitchen (id, name, altitude_m, time_zone, units, air_c, humidity, air_speed_ms, tap_c, call_tolerance,
                                 strainer_sets, hours, unattended, checks, limits)
            VALUES (#{id}, #{name}, #{altitudeM}, #{timeZone}, #{units}, #{airC}, #{humidity}, #{airSpeedMs}, #{tapC},
                    #{callTolerance}, #{strainerSets}, #{hours}, #{unattended}, #{checks}, #{limits})
            """)
    void insert(KitchenRow kitchen);

    @Select("""
            SELECT id, name, altitude_m, time_zone, units, air_c, humidity, air_speed_ms, tap_c, call_tolerance, strainer_sets, hours,
                   unattended, checks, limits
            FROM kitchen WHERE id = #{id}
            """)
    Optional<KitchenRow> byId(String id);

    /** The table of a kind of equipment; its name comes from {@link Kitchens.Equipment} alone. */
    @Insert("""
            INSERT INTO ${table} (id, kitchen_id, name, position, figures)
            VALUES (#{row.id}, #{row.kitchenId}, #{row.name}, #{row.position}, #{row.figures})
            """)
    void insertThing(String table, ThingRow row);

    @Select("""
            SELECT id, kitchen_id, name, position, figures FROM ${table}
            WHERE kitchen_id = #{kitchenId} AND retired_at IS NULL ORDER BY position
            """)
    List<ThingRow> things(String table, String kitchenId);

    /** Names count also when the thing is out of use, for batches still name it. */
    @Select("SELECT COUNT(*) FROM ${table} WHERE kitchen_id = #{kitchenId} AND name = #{name} AND id <> #{except}")
    int named(String table, String kitchenId, String name, String except);

    @Select("SELECT COALESCE(MAX(position), -1) + 1 FROM ${table} WHERE kitchen_id = #{kitchenId}")
    int nextPosition(String table, String kitchenId);

    @Update("""
            UPDATE ${table} SET name = #{name}, figures = #{figures}
            WHERE id = #{id} AND kitchen_id = #{kitchenId} AND retired_at IS NULL
            """)
    int updateThing(String table, String id, String kitchenId, String name, String figures);

    @Update("""
            UPDATE ${table} SET retired_at = #{at}
            WHERE id = #{id} AND kitchen_id = #{kitchenId} AND retired_at IS NULL
            """)
    int retireThing(String table, String id, String kitchenId, Instant at);

    /** Holds the vessel until the transaction ends, so that two plans cannot both take it. */
    @Select("""
            SELECT id, kitchen_id, name, position, figures FROM vessel
            WHERE id = #{id} AND kitchen_id = #{kitchenId} AND retired_at IS NULL FOR UPDATE
            """)
    Optional<ThingRow> vesselForUpdate(String id, String kitchenId);

    @Update("""
            UPDATE kitchen SET name = #{name}, altitude_m = #{altitudeM}, time_zone = #{timeZone}, units = #{units},
                   air_c = #{airC}, humidity = #{humidity}, air_speed_ms = #{airSpeedMs}, tap_c = #{tapC},
                   call_tolerance = #{callTolerance}, strainer_sets = #{strainerSets}, hours = #{hours},
                   unattended = #{unattended}, checks = #{checks}, limits = #{limits}
            WHERE id = #{id}
            """)
    void update(KitchenRow kitchen);

    @Update("UPDATE bed_kind SET figures = #{figures} WHERE kitchen_id = #{kitchenId} AND slug = #{slug}")
    int updateBedKind(String kitchenId, String slug, String figures);

    @Select("SELECT figures FROM bed_kind WHERE kitchen_id = #{kitchenId} AND slug = #{slug}")
    Optional<String> bedKind(String kitchenId, String slug);

    @Select("SELECT figures FROM bed_kind WHERE kitchen_id = #{kitchenId} ORDER BY slug")
    List<String> bedKinds(String kitchenId);

    @Insert("INSERT INTO bed_kind (kitchen_id, slug, figures) VALUES (#{kitchenId}, #{slug}, #{figures})")
    void insertBedKind(String kitchenId, String slug, String figures);
}

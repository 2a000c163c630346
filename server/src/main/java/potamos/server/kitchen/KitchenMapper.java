package potamos.server.kitchen;

import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

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
            LocalTime opens,
            LocalTime closes,
            String limits) {}

    record StationRow(String id, String kitchenId, String name) {}

    /** A vessel, burner or container: its figures are the core's own value, written down. */
    record ThingRow(String id, String kitchenId, String name, int position, String figures) {}

    @Select("SELECT COUNT(*) FROM kitchen")
    int count();

    @Insert("""
            INSERT INTO kitchen (id, name, altitude_m, time_zone, units, air_c, humidity, air_speed_ms, opens, closes, limits)
            VALUES (#{id}, #{name}, #{altitudeM}, #{timeZone}, #{units}, #{airC}, #{humidity}, #{airSpeedMs}, #{opens},
                    #{closes}, #{limits})
            """)
    void insert(KitchenRow kitchen);

    @Select("""
            SELECT id, name, altitude_m, time_zone, units, air_c, humidity, air_speed_ms, opens, closes, limits
            FROM kitchen WHERE id = #{id}
            """)
    Optional<KitchenRow> byId(String id);

    @Insert("INSERT INTO station (id, kitchen_id, name) VALUES (#{id}, #{kitchenId}, #{name})")
    void insertStation(StationRow station);

    @Select("SELECT id, kitchen_id, name FROM station WHERE kitchen_id = #{kitchenId} ORDER BY name")
    List<StationRow> stations(String kitchenId);

    @Insert("""
            INSERT INTO vessel (id, kitchen_id, name, position, figures)
            VALUES (#{id}, #{kitchenId}, #{name}, #{position}, #{figures})
            """)
    void insertVessel(ThingRow vessel);

    @Select(
            "SELECT id, kitchen_id, name, position, figures FROM vessel WHERE kitchen_id = #{kitchenId} ORDER BY position")
    List<ThingRow> vessels(String kitchenId);

    /** Holds the vessel until the transaction ends, so that two plans cannot both take it. */
    @Select("""
            SELECT id, kitchen_id, name, position, figures FROM vessel
            WHERE id = #{id} AND kitchen_id = #{kitchenId} FOR UPDATE
            """)
    Optional<ThingRow> vesselForUpdate(String id, String kitchenId);

    @Insert("""
            INSERT INTO burner (id, kitchen_id, name, position, figures)
            VALUES (#{id}, #{kitchenId}, #{name}, #{position}, #{figures})
            """)
    void insertBurner(ThingRow burner);

    @Select(
            "SELECT id, kitchen_id, name, position, figures FROM burner WHERE kitchen_id = #{kitchenId} ORDER BY position")
    List<ThingRow> burners(String kitchenId);

    @Insert("""
            INSERT INTO container (id, kitchen_id, name, position, figures)
            VALUES (#{id}, #{kitchenId}, #{name}, #{position}, #{figures})
            """)
    void insertContainer(ThingRow container);

    @Select("""
            SELECT id, kitchen_id, name, position, figures FROM container
            WHERE kitchen_id = #{kitchenId} ORDER BY position
            """)
    List<ThingRow> containers(String kitchenId);

    @Insert("INSERT INTO bed_kind (kitchen_id, slug, figures) VALUES (#{kitchenId}, #{slug}, #{figures})")
    void insertBedKind(String kitchenId, String slug, String figures);
}

package potamos.server.devices;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import potamos.core.probe.Sample;

/** Rows of devices and their readings. */
@Mapper
interface DeviceMapper {

    record DeviceRow(
            String id,
            String kitchenId,
            String name,
            String kind,
            String vesselId,
            String hash,
            Instant madeAt,
            Instant lastAt,
            Double lastValue) {}

    String DEVICES = """
            SELECT id, kitchen_id, name, kind, vessel_id, hash, made_at, last_at, last_value FROM device
            WHERE revoked_at IS NULL
            """;

    @Insert("""
            INSERT INTO device (id, kitchen_id, name, kind, vessel_id, hash, made_at)
            VALUES (#{id}, #{kitchenId}, #{name}, #{kind}, #{vesselId}, #{hash}, #{madeAt})
            """)
    void insert(DeviceRow row);

    @Select(DEVICES + " AND kitchen_id = #{kitchenId} ORDER BY name")
    List<DeviceRow> all(String kitchenId);

    @Select(DEVICES + " AND hash = #{hash}")
    Optional<DeviceRow> byHash(String hash);

    /** The id again, if it is a device of this kitchen. */
    @Select("SELECT id FROM device WHERE id = #{id} AND kitchen_id = #{kitchenId} AND revoked_at IS NULL")
    Optional<String> own(String id, String kitchenId);

    @Update(
            "UPDATE device SET vessel_id = #{vesselId} WHERE id = #{id} AND kitchen_id = #{kitchenId} AND revoked_at IS NULL")
    int attach(String id, String kitchenId, String vesselId);

    @Update(
            "UPDATE device SET revoked_at = #{at} WHERE id = #{id} AND kitchen_id = #{kitchenId} AND revoked_at IS NULL")
    int revoke(String id, String kitchenId, Instant at);

    /** Those of these that are there already; what they read then does not matter. */
    @Select("""
            <script>
            SELECT device_id, at, value FROM device_reading WHERE (device_id, at) IN
            <foreach collection="readings" item="r" open="(" separator="," close=")">(#{r.deviceId}, #{r.at})</foreach>
            </script>
            """)
    List<Intake.Reading> known(List<Intake.Reading> readings);

    /** Another instance may have written the same in the meantime; that is no error. */
    @Insert("""
            <script>
            INSERT INTO device_reading (device_id, at, value) VALUES
            <foreach collection="readings" item="r" separator=",">(#{r.deviceId}, #{r.at}, #{r.value})</foreach>
            ON DUPLICATE KEY UPDATE value = device_reading.value
            </script>
            """)
    void insertReadings(List<Intake.Reading> readings);

    /** Those of these that are in use. */
    @Select("""
            <script>
            SELECT id FROM device WHERE revoked_at IS NULL AND id IN
            <foreach collection="ids" item="id" open="(" separator="," close=")">#{id}</foreach>
            </script>
            """)
    Set<String> inUse(Set<String> ids);

    /** A late reading does not stand for the present; one from a time that has not come, of a clock that was ahead once, stands for nothing. */
    @Update("""
            <script>
            UPDATE device d JOIN (
            <foreach collection="readings" item="r" separator=" UNION ALL ">
              SELECT #{r.deviceId} AS id, CAST(#{r.at} AS DATETIME(3)) AS at, #{r.value} AS value
            </foreach>
            ) n ON n.id = d.id
            SET d.last_at = n.at, d.last_value = n.value
            WHERE d.last_at IS NULL OR n.at > d.last_at OR d.last_at > #{notAfter}
            </script>
            """)
    void latest(List<Intake.Reading> readings, Instant notAfter);

    @Select("""
            SELECT at, value FROM device_reading
            WHERE device_id = #{deviceId} AND at >= #{from} AND at < #{to} ORDER BY at LIMIT 20000
            """)
    List<Sample> readings(String deviceId, Instant from, Instant to);

    @Select("SELECT id FROM device")
    List<String> everyId();

    @Delete("""
            <script>
            DELETE FROM device_reading WHERE device_id = #{deviceId} AND at IN
            <foreach collection="moments" item="at" open="(" separator="," close=")">#{at}</foreach>
            </script>
            """)
    int delete(String deviceId, List<Instant> moments);
}

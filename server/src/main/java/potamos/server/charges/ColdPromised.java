package potamos.server.charges;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Service;
import potamos.core.batch.Stage;
import potamos.core.cooling.IceBin;
import potamos.core.quantity.Mass;
import potamos.server.Json;
import tools.jackson.databind.JsonNode;

/** Ice and containers that the batches under way are going to need: what another one cannot count on. */
@Service
class ColdPromised {

    /**
     * What is promised.
     *
     * @param ice        to baths that are not made ready yet, and when
     * @param containers by name, how many
     */
    record Promised(List<IceBin.Use> ice, Map<String, Integer> containers) {}

    /** Rows of plans, as far as this needs them. */
    @Mapper
    interface Rows {
        record Row(String stage, String filled, String steps, Double iceKg) {}

        @Select("""
                <script>
                SELECT stage, JSON_EXTRACT(plan, '$.into') AS filled, JSON_EXTRACT(plan, '$.timeline.steps') AS steps,
                       JSON_VALUE(plan, '$.cooling.legs[0].medium.ice.kg') AS ice_kg
                FROM batch
                WHERE kitchen_id = #{kitchenId} AND stage NOT IN
                <foreach collection="past" item="stage" open="(" separator="," close=")">#{stage}</foreach>
                </script>
                """)
        List<Row> open(String kitchenId, List<String> past);
    }

    private final Rows rows;
    private final Json json;

    ColdPromised(Rows rows, Json json) {
        this.rows = rows;
        this.json = json;
    }

    Promised of(String kitchenId) {
        List<String> past = Arrays.stream(Stage.values())
                .filter(stage -> stage.compareTo(Stage.COOL) > 0)
                .map(Enum::name)
                .toList();
        List<IceBin.Use> ice = new ArrayList<>();
        Map<String, Integer> containers = new HashMap<>();
        for (Rows.Row row : rows.open(kitchenId, past)) {
            boolean ahead = Stage.valueOf(row.stage()).compareTo(Stage.COOL) < 0;
            if (ahead && row.iceKg() != null && row.steps() != null) {
                cools(row.steps()).ifPresent(at -> ice.add(new IceBin.Use(at, Mass.ofKg(row.iceKg()))));
            }
            if (row.filled() != null) {
                for (JsonNode filled : json.node(row.filled())) {
                    containers.merge(
                            filled.path("container").asString(),
                            filled.path("count").asInt(),
                            Integer::sum);
                }
            }
        }
        return new Promised(ice, containers);
    }

    /** When a plan has its cooling. */
    private Optional<Instant> cools(String steps) {
        return json.node(steps)
                .valueStream()
                .filter(step -> step.path("stage").asString().equals(Stage.COOL.name()))
                .map(step -> Instant.parse(step.path("from").asString()))
                .findFirst();
    }
}

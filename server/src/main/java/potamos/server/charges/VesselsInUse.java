package potamos.server.charges;

import java.util.Arrays;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import potamos.core.batch.Stage;

/** Which vessels have a batch in them or one accepted for them, and which burners are meant for those. */
@Mapper
public interface VesselsInUse {

    /** Ids of the vessels that are taken; which stages take one the core decides. */
    default List<String> of(String kitchenId) {
        return at(kitchenId, holding());
    }

    /** Ids of the burners that a vessel stands on or is meant to. */
    default List<String> burners(String kitchenId) {
        return burnersAt(kitchenId, holding());
    }

    private static List<String> holding() {
        return Arrays.stream(Stage.values())
                .filter(Stage::holdsVessel)
                .map(Enum::name)
                .toList();
    }

    @Select("""
            <script>
            SELECT vessel_id FROM batch
            WHERE kitchen_id = #{kitchenId} AND stage IN
            <foreach collection="stages" item="stage" open="(" separator="," close=")">#{stage}</foreach>
            </script>
            """)
    List<String> at(String kitchenId, List<String> stages);

    @Select("""
            <script>
            SELECT burner_id FROM batch
            WHERE kitchen_id = #{kitchenId} AND burner_id IS NOT NULL AND stage IN
            <foreach collection="stages" item="stage" open="(" separator="," close=")">#{stage}</foreach>
            </script>
            """)
    List<String> burnersAt(String kitchenId, List<String> stages);
}

package potamos.server.charges;

import java.util.Arrays;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import potamos.core.batch.Stage;

/** Which vessels have a batch in them or one accepted for them. */
@Mapper
public interface VesselsInUse {

    /** Ids of the vessels that are taken; which stages take one the core decides. */
    default List<String> of(String kitchenId) {
        return at(
                kitchenId,
                Arrays.stream(Stage.values())
                        .filter(Stage::holdsVessel)
                        .map(Enum::name)
                        .toList());
    }

    @Select("""
            <script>
            SELECT vessel_id FROM batch
            WHERE kitchen_id = #{kitchenId} AND stage IN
            <foreach collection="stages" item="stage" open="(" separator="," close=")">#{stage}</foreach>
            </script>
            """)
    List<String> at(String kitchenId, List<String> stages);
}

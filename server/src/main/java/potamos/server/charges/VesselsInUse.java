package potamos.server.charges;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Which vessels have a batch in them or one accepted for them. */
@Mapper
interface VesselsInUse {

    @Select("""
            SELECT vessel_id FROM batch
            WHERE kitchen_id = #{kitchenId}
              AND stage IN ('WEIGH_IN', 'BLANCH', 'FILL', 'BRING_UP', 'SIMMER', 'REST', 'STRAIN')
            """)
    List<String> of(String kitchenId);
}

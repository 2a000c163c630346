package potamos.server.kitchen;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Where changes of one kitchen wait for each other, which would otherwise each be made to what the other has changed already. */
@Mapper
public interface OneAtATime {

    /** Holds a kitchen until the transaction ends. */
    @Select("SELECT id FROM kitchen WHERE id = #{kitchenId} FOR UPDATE")
    String hold(String kitchenId);
}

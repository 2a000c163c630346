package potamos.server.live;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** The change log. Written in the transaction of the change itself, so nothing is told that did not happen. */
@Mapper
public interface Changes {

    /** A change: something of a topic in a kitchen. */
    record Change(long seq, String kitchenId, String topic, String ref) {}

    @Insert("INSERT INTO change_log (kitchen_id, topic, ref) VALUES (#{kitchenId}, #{topic}, #{ref})")
    void note(String kitchenId, String topic, String ref);

    @Select("SELECT COALESCE(MAX(seq), 0) FROM change_log")
    long latest();

    @Select("SELECT seq, kitchen_id, topic, ref FROM change_log WHERE seq > #{after} ORDER BY seq LIMIT 1000")
    List<Change> after(long after);

    @Delete("DELETE FROM change_log WHERE at < NOW(3) - INTERVAL 1 DAY")
    void forgetOld();
}

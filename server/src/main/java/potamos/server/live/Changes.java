package potamos.server.live;

import java.util.List;
import java.util.Set;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** The change log. Written in the transaction of the change itself, so nothing is told that did not happen. */
@Mapper
public interface Changes {

    /**
     * A change: something of a topic in a kitchen.
     *
     * @param act the id of the act that changed it, so that the screen that sent it need not ask for what it was answered; empty for none
     */
    record Change(long seq, String kitchenId, String topic, String ref, String act) {}

    /** Notes a change that no act made. */
    default void note(String kitchenId, String topic, String ref) {
        noteAct(kitchenId, topic, ref, "");
    }

    @Insert("INSERT INTO change_log (kitchen_id, topic, ref, act) VALUES (#{kitchenId}, #{topic}, #{ref}, #{act})")
    void noteAct(String kitchenId, String topic, String ref, String act);

    @Select("SELECT COALESCE(MAX(seq), 0) FROM change_log")
    long latest();

    @Select("SELECT COALESCE(MAX(seq), 0) FROM change_log WHERE kitchen_id = #{kitchenId}")
    long latestOf(String kitchenId);

    @Select("SELECT seq, kitchen_id, topic, ref, act FROM change_log WHERE seq > #{after} ORDER BY seq LIMIT 1000")
    List<Change> after(long after);

    /** Those of these sessions that nobody has ended and that have not run out. */
    @Select("""
            <script>
            SELECT SESSION_ID FROM SPRING_SESSION
            WHERE EXPIRY_TIME > #{nowMs} AND CREATION_TIME > #{createdAfterMs} AND SESSION_ID IN
            <foreach collection="ids" item="id" open="(" separator="," close=")">#{id}</foreach>
            </script>
            """)
    Set<String> sessionsAlive(Set<String> ids, long nowMs, long createdAfterMs);

    @Delete("DELETE FROM change_log WHERE at < NOW(3) - INTERVAL 1 DAY")
    void forgetOld();
}

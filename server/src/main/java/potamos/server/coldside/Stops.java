package potamos.server.coldside;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** Lots that nobody may hand out. */
@Service
public class Stops {

    private final Said mapper;
    private final LotMapper lots;
    private final Changes changes;
    private final KitchenClock clock;

    Stops(Said mapper, LotMapper lots, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.lots = lots;
        this.changes = changes;
        this.clock = clock;
    }

    /** What was said of them, the latest last. */
    @Mapper
    interface Said {

        @Select("SELECT IF(stopped, reason, NULL) FROM lot_stop WHERE lot_id = #{lotId} ORDER BY id DESC LIMIT 1")
        Optional<String> latest(String lotId);

        @Insert("""
                INSERT INTO lot_stop (lot_id, stopped, reason, made_by, made_at)
                VALUES (#{lotId}, #{stopped}, #{reason}, #{by}, #{at})
                """)
        void say(String lotId, boolean stopped, String reason, String by, Instant at);
    }

    /** Why a lot may not be handed out; empty where it may. */
    public Optional<String> of(String lotId) {
        return mapper.latest(lotId);
    }

    /** @throws Refusal without a reason */
    @Transactional
    public void stop(Person person, String lotId, String reason) {
        if (reason.isBlank()) {
            throw Refusal.of("reason", "is needed here: whoever finds it reads it");
        }
        say(person, lotId, true, reason.trim());
    }

    @Transactional
    public void release(Person person, String lotId) {
        say(person, lotId, false, "");
    }

    private void say(Person person, String lotId, boolean stopped, String reason) {
        person.require(Right.JUDGE);
        LotMapper.LotRow lot = lots.byId(lotId, person.kitchenId()).orElseThrow(() -> new NotFound("lot"));
        mapper.say(lotId, stopped, reason, person.id(), clock.instant());
        changes.note(person.kitchenId(), "batches", lot.batchId());
    }
}

package potamos.server.coldside;

import java.time.Instant;
import java.time.LocalDate;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Lots that nobody may hand out: somebody has stopped them, or their last day is over. */
@Service
public class Stops {

    private final Said mapper;
    private final LotMapper lots;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    Stops(Said mapper, LotMapper lots, Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.lots = lots;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /** What was said of them, the latest last. */
    @Mapper
    interface Said {

        @Insert("""
                INSERT INTO lot_stop (lot_id, stopped, reason, made_by, made_at)
                VALUES (#{lotId}, #{stopped}, #{reason}, #{by}, #{at})
                """)
        void say(String lotId, boolean stopped, String reason, String by, Instant at);
    }

    /** @throws Conflict where a lot may not be handed out at a moment: it is stopped, or past its last day */
    public void unlessHandedOut(String kitchenId, String lotId, Instant at) {
        LotMapper.LotRow lot = lot(kitchenId, lotId);
        if (lot.stopped() != null) {
            throw new Conflict("lot", "This lot is stopped: " + lot.stopped() + ". Nobody may hand it out.");
        }
        unlessPastItsDay(lot, at);
    }

    /** @throws Conflict where a lot may not be put elsewhere at a moment: nothing gets younger in a freezer, or by leaving it */
    public void unlessMoved(String kitchenId, String lotId, Instant at) {
        unlessPastItsDay(lot(kitchenId, lotId), at);
    }

    private void unlessPastItsDay(LotMapper.LotRow lot, Instant at) {
        LocalDate day = kitchens.of(lot.kitchenId()).day(at);
        if (day.isAfter(lot.useBy())) {
            throw new Conflict(
                    "lot",
                    "The last day of this lot was " + lot.useBy()
                            + ". It is not handed out, and not put elsewhere; pour it away, and log that.");
        }
    }

    private LotMapper.LotRow lot(String kitchenId, String lotId) {
        return lots.byId(lotId, kitchenId).orElseThrow(() -> new NotFound("lot"));
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
        LotMapper.LotRow lot = lot(person.kitchenId(), lotId);
        mapper.say(lotId, stopped, reason, person.id(), clock.instant());
        changes.note(person.kitchenId(), "batches", lot.batchId());
    }
}

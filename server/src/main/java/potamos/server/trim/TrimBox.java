package potamos.server.trim;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.TrimBank;
import potamos.core.formula.Pantry;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** A kitchen's trim bank: dated, weighed bags of clean trim in the freezer. */
@Service
public class TrimBox {

    private static final double LEAST_KG = 0.01;
    private static final double MOST_KG = 200;

    /** Frozen trim tastes of the freezer after this. */
    static final int BEST_WITHIN_DAYS = 90;

    private final TrimMapper mapper;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    TrimBox(TrimMapper mapper, Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /** What is in the box, oldest first. */
    List<TrimMapper.DepositRow> left(Person person) {
        person.require(Role.Right.READ);
        return mapper.left(person.kitchenId());
    }

    /** What of it a charge can be covered with: all that has not lain too long. */
    public List<TrimBank.Deposit> deposits(String kitchenId) {
        LocalDate oldest = today(kitchenId).minusDays(BEST_WITHIN_DAYS);
        return mapper.left(kitchenId).stream()
                .filter(row -> !row.day().isBefore(oldest))
                .filter(row -> row.leftKg() >= LEAST_KG)
                .map(row -> new TrimBank.Deposit(row.item(), Mass.ofKg(row.leftKg()), row.day()))
                .toList();
    }

    /** Today on the kitchen's calendar. */
    public LocalDate today(String kitchenId) {
        return clock.instant().atZone(kitchens.of(kitchenId).zone()).toLocalDate();
    }

    /**
     * Puts trim by; a second sending changes nothing.
     *
     * @param id   made by the client
     * @param item of the pantry
     * @param kg   0.01 to 200
     * @param day  when it was trimmed; not in the future
     */
    @Transactional
    public void put(Person person, String id, String item, double kg, LocalDate day) {
        person.require(Role.Right.ACT);
        Pantry.find(item).orElseThrow(() -> Refusal.of("item", "the book does not know it"));
        Refusal.unlessWithin("kg", kg, LEAST_KG, MOST_KG, "kg");
        LocalDate today = today(person.kitchenId());
        if (day.isAfter(today) || day.isBefore(today.minusYears(1))) {
            throw Refusal.of("day", "a day of the last year, today at the latest");
        }
        if (mapper.put(id, person.kitchenId(), item, kg, day, person.id(), clock.instant()) > 0) {
            changes.note(person.kitchenId(), "trim", id);
        }
    }

    /**
     * Takes trim out, to use it or to throw it away; a second sending changes nothing.
     *
     * @throws Refusal  on {@code kg} when there is less
     * @throws NotFound when the deposit is not this kitchen's
     */
    @Transactional
    void take(Person person, String depositId, String id, double kg) {
        person.require(Role.Right.ACT);
        TrimMapper.DepositRow deposit =
                mapper.held(depositId, person.kitchenId()).orElseThrow(() -> new NotFound("deposit"));
        if (mapper.takings(id) > 0) {
            return;
        }
        // What is left was weighed to the gram; a taking of all of it may differ by a rounding.
        Refusal.unlessWithin("kg", kg, LEAST_KG, deposit.leftKg() + 0.0005, "kg");
        Instant now = clock.instant();
        if (mapper.take(id, depositId, Math.min(kg, deposit.leftKg()), person.id(), now) > 0) {
            changes.note(person.kitchenId(), "trim", depositId);
        }
    }
}

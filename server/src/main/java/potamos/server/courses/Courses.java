package potamos.server.courses;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.course.Call;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Lot;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.Keeping;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.charges.Planning;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.stations.Calls;

/** Lays the course of a kitchen. Nothing of it is stored: it is what could be done with what is open now. */
@Service
class Courses {

    private final Planning planning;
    private final Calls calls;
    private final Formulas formulas;
    private final Kitchens kitchens;
    private final Running running;
    private final ShelfMapper shelf;
    private final KitchenClock clock;

    Courses(
            Planning planning,
            Calls calls,
            Formulas formulas,
            Kitchens kitchens,
            Running running,
            ShelfMapper shelf,
            KitchenClock clock) {
        this.planning = planning;
        this.calls = calls;
        this.formulas = formulas;
        this.kitchens = kitchens;
        this.running = running;
        this.shelf = shelf;
        this.clock = clock;
    }

    /** A lot and what it is of. */
    record Stock(Lot lot, String name, Family family) {}

    /**
     * What was laid, and of what.
     *
     * @param running what is under way
     * @param stocks  what lots are of, by the id of each
     * @param vessels ids by their names
     * @param burners ids by their names
     */
    record Laid(
            Constructive.Laid constructive,
            List<Running.Standing> running,
            Map<String, Stock> stocks,
            Map<String, String> vessels,
            Map<String, String> burners) {}

    /**
     * Lays it.
     *
     * @param person who may read; the endpoint has asked, for what it keeps is not laid anew
     * @param days   how far it looks, 1 to 14
     */
    @Transactional(readOnly = true)
    public Laid lay(Person person, int days) {
        String kitchenId = person.kitchenId();
        Instant now = clock.instant();
        Instant until = now.plus(Duration.ofDays(days));
        Course begun = planning.begun(kitchenId, until);
        ZoneId zone = begun.equipment().rota().zone();
        List<Running.Standing> batches = running.of(kitchenId);
        List<Stock> stocks = new ArrayList<>();
        for (Running.Standing batch : batches) {
            batch.spare().ifPresent(lot -> stocks.add(new Stock(lot, batch.formulaName(), batch.family())));
        }
        LocalDate today = now.atZone(zone).toLocalDate();
        shelf.spare(kitchenId, today).stream()
                .filter(on -> !on.verdict().fails())
                .forEach(on -> stocks.add(stock(on, now, zone)));
        Map<String, Formula> written = new HashMap<>();
        List<Call> open = calls.all(person).stream()
                .filter(call -> !call.status().ended() && call.owed().open().litres() > 0)
                .filter(call -> call.readyBy().isAfter(now) && call.readyBy().isBefore(until))
                .map(call -> new Call(
                        call.id(),
                        call.stationName(),
                        written.computeIfAbsent(call.formulaSlug(), slug -> formulas.of(kitchenId, slug)),
                        call.owed().open(),
                        call.readyBy(),
                        1,
                        call.without()))
                .toList();
        Course course = new Course(
                begun.equipment(),
                now,
                until,
                open,
                stocks.stream().map(Stock::lot).toList(),
                begun.taken(),
                begun.iceTaken(),
                List.of(),
                List.of());
        return new Laid(
                Constructive.lay(course),
                batches,
                stocks.stream().collect(Collectors.toMap(s -> s.lot().id(), s -> s)),
                ids(kitchens.vessels(kitchenId)),
                ids(kitchens.burners(kitchenId)));
    }

    private static <T> Map<String, String> ids(List<Thing<T>> things) {
        return things.stream().collect(Collectors.toMap(Thing::name, Thing::id));
    }

    private static Stock stock(ShelfMapper.OnShelf on, Instant now, ZoneId zone) {
        Set<Allergen> allergens = Arrays.stream(on.allergens().split(","))
                .filter(word -> !word.isEmpty())
                .map(Allergen::valueOf)
                .collect(Collectors.toSet());
        Instant good = Keeping.endOf(on.useBy(), zone);
        return new Stock(
                new Lot(
                        on.code(),
                        on.slug(),
                        Volume.ofLitres(on.spareL()),
                        now,
                        good,
                        allergens,
                        on.allergensUnknown()),
                on.name(),
                on.family());
    }
}

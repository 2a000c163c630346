package potamos.server.courses;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.course.Call;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Day;
import potamos.core.course.Draft;
import potamos.core.course.Kept;
import potamos.core.course.Lot;
import potamos.core.course.Patience;
import potamos.core.formula.Contents;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Rounding;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;
import potamos.core.schedule.Planner;
import potamos.course.Search;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.charges.Planning;
import potamos.server.charges.Supposing;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.problems.NotFound;
import potamos.server.stations.Calls;

/** Lays the course of a kitchen: what could be done with what is open now, around what people hold where it is. */
@Service
class Courses {

    /** From its start to the last of its calls: the longest simmer, and the day after it. */
    private static final Duration HELD_FOR = Duration.ofDays(2);

    /** As finely as litres are held. */
    private static final double STEP_L = 0.1;

    private final Planning planning;
    private final Calls calls;
    private final Formulas formulas;
    private final Kitchens kitchens;
    private final Running running;
    private final ShelfMapper shelf;
    private final HeldCourse heldCourse;
    private final KitchenClock clock;
    private final Json json;

    Courses(
            Planning planning,
            Calls calls,
            Formulas formulas,
            Kitchens kitchens,
            Running running,
            ShelfMapper shelf,
            HeldCourse heldCourse,
            KitchenClock clock,
            Json json) {
        this.json = json;
        this.planning = planning;
        this.calls = calls;
        this.formulas = formulas;
        this.kitchens = kitchens;
        this.running = running;
        this.shelf = shelf;
        this.heldCourse = heldCourse;
        this.clock = clock;
    }

    /** A lot and what it is of. */
    record Stock(Lot lot, String name, Family family) {}

    /** A batch that is held and cannot be made as it is. */
    record Unmade(HeldCourse.Draft draft, String reason) {}

    /**
     * What a course is laid from.
     *
     * @param shown   as far as somebody looks; it is laid further where something is held further on, with whatever that is held for
     * @param course  its drafts are held
     * @param running what is under way
     * @param stocks  what lots are of, by the id of each
     * @param vessels ids by their names
     * @param burners ids by their names
     * @param aside   calls that are open and not laid
     * @param standing in the cold store, of no lot that the course may give
     * @param promised to calls, in the order in which they are due
     */
    record Begun(
            Instant shown,
            Course course,
            List<Running.Standing> running,
            Map<String, Stock> stocks,
            Map<String, String> vessels,
            Map<String, String> burners,
            HeldCourse.Held held,
            List<Unmade> unmade,
            List<Call> aside,
            List<Kept> standing,
            List<Promised> promised) {

        /** A draft as it is held: under its own id where it is held already, else under a new one. */
        HeldCourse.Draft asHeld(Draft draft) {
            return asHeld(
                    draft,
                    held.ids().contains(draft.id())
                            ? draft.id()
                            : UUID.randomUUID().toString());
        }

        /** A draft as it is held under an id. */
        HeldCourse.Draft asHeld(Draft draft, String id) {
            return new HeldCourse.Draft(
                    id,
                    draft.charge().formula().slug(),
                    Rounding.to(draft.litres().litres(), STEP_L),
                    vessels.get(draft.vessel()),
                    draft.burner().map(burners::get).orElse(null),
                    draft.start());
        }
    }

    /** A course as it is laid around what is held. Others are shown it too, so it does not end with whoever asked first. */
    record Laid(Begun begun, Constructive.Laid laid) {
        static Laid of(Begun begun) {
            return new Laid(begun, Constructive.lay(begun.course(), Search.aFirstAnswer(Patience.ENDLESS)));
        }

        /**
         * A call that is not laid, or not met, with what it still lacks.
         *
         * @throws Refusal where it lacks nothing
         */
        Call waiting(String callId) {
            Stream<Call> missing =
                    laid.course().unmet().stream().map(unmet -> unmet.call().of(unmet.litres()));
            return Stream.concat(begun.aside().stream(), missing)
                    .filter(call -> call.id().equals(callId))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of("callId", "it lacks nothing"));
        }

        /** Everything that is made: under way, and drafted. */
        List<Day.Pot> pots() {
            Stream<Day.Pot> underWay = begun.running().stream()
                    .map(one -> new Day.Pot(
                            one.vessel(),
                            one.formula().name(),
                            Volume.ofLitres(one.litres()),
                            one.ahead(),
                            Optional.empty()));
            return Stream.concat(underWay, laid.course().drafts().stream().map(Day.Pot::of))
                    .toList();
        }
    }

    /**
     * What there is to lay.
     *
     * @param person who may read; the endpoint has asked, for what it keeps is not laid anew
     * @param days   how far it looks, 1 to 14
     */
    @Transactional(readOnly = true)
    public Begun begun(Person person, int days) {
        String kitchenId = person.kitchenId();
        Instant now = clock.instant();
        Instant shown = now.plus(Duration.ofDays(days));
        HeldCourse.Held held = heldCourse.of(kitchenId);
        Instant until = farEnough(held.wishes().drafts(), now, shown);
        Course begun = planning.begun(kitchenId, until);
        ZoneId zone = begun.equipment().rota().zone();
        List<Running.Standing> batches = running.of(kitchenId, Supposing.NOTHING);
        List<Stock> stocks = new ArrayList<>();
        for (Running.Standing batch : batches) {
            batch.spare()
                    .ifPresent(lot -> stocks.add(new Stock(
                            lot, batch.formula().name(), batch.formula().family())));
        }
        LocalDate today = now.atZone(zone).toLocalDate();
        List<ShelfMapper.Parted> lots = shelf.parted(kitchenId, today);
        List<Kept> standing = ColdStore.standing(lots, now, zone);
        ShelfMapper.spare(lots).stream()
                .filter(on -> !on.verdict().fails())
                .forEach(on -> stocks.add(stock(on, now, zone)));
        Map<String, Formula> written = new HashMap<>();
        List<Calls.Call> asked = calls.all(person);
        List<Call> open = asked.stream()
                .filter(call -> !call.status().ended() && call.owed().open().litres() > 0)
                .filter(call -> call.readyBy().isAfter(now) && call.readyBy().isBefore(until))
                .map(call -> asked(kitchenId, call, call.owed().open(), written))
                .toList();
        Map<Boolean, List<Call>> aside = open.stream()
                .collect(Collectors.partitioningBy(call -> held.wishes().aside().contains(call.id())));
        Map<String, String> vessels = ids(kitchens.vessels(kitchenId));
        Map<String, String> burners = ids(kitchens.burners(kitchenId));
        List<Draft> drafts = new ArrayList<>();
        List<Unmade> unmade = new ArrayList<>();
        for (HeldCourse.Draft one : held.wishes().drafts()) {
            try {
                drafts.add(pinned(kitchenId, begun.with(drafts, List.of()), one, vessels, burners));
            } catch (Refusal | NotFound cannot) {
                unmade.add(new Unmade(one, cannot.getMessage()));
            }
        }
        Course course = new Course(
                begun.equipment(),
                now,
                until,
                aside.get(false),
                stocks.stream().map(Stock::lot).toList(),
                begun.busy().keeping(standing).keeping(ColdStore.coming(batches, asked)),
                drafts,
                List.of());
        return new Begun(
                shown,
                course,
                batches,
                stocks.stream().collect(Collectors.toMap(s -> s.lot().id(), s -> s)),
                vessels,
                burners,
                held,
                unmade,
                aside.get(true),
                standing,
                Promised.of(shelf.forCalls(kitchenId), lots, batches, now));
    }

    /** As far as what is held reaches with the calls that it may be held for. */
    private static Instant farEnough(List<HeldCourse.Draft> held, Instant now, Instant shown) {
        Instant most = now.plus(Duration.ofDays(Course.MOST_DAYS));
        return held.stream()
                .map(draft -> draft.start().plus(HELD_FOR))
                .filter(reach -> reach.isAfter(shown))
                .max(Comparator.naturalOrder())
                .map(reach -> reach.isAfter(most) ? most : reach)
                .orElse(shown);
    }

    private Call asked(String kitchenId, Calls.Call call, Volume litres, Map<String, Formula> written) {
        return new Call(
                call.id(),
                call.stationName(),
                written.computeIfAbsent(call.formulaSlug(), slug -> formulas.of(kitchenId, slug)),
                litres,
                call.readyBy(),
                call.importance().weight(),
                call.needs());
    }

    /** A call as a course has it, with so many litres that are to be planned. */
    Call asked(String kitchenId, Calls.Call call, Volume litres) {
        return asked(kitchenId, call, litres, new HashMap<>());
    }

    /**
     * Whether a batch can be made where it is to be held, whatever lies in its way there.
     *
     * @throws Refusal when it cannot
     */
    @Transactional(readOnly = true)
    public void mayBeHeld(Person person, HeldCourse.Draft draft) {
        String kitchenId = person.kitchenId();
        Instant now = clock.instant();
        if (draft.start().isBefore(now)) {
            throw Refusal.of("start", "that time is already past");
        }
        Planner.unlessFarAhead("start", draft.start(), now);
        Course begun = planning.begun(kitchenId, now.plus(Duration.ofDays(1)));
        pinned(kitchenId, begun, draft, ids(kitchens.vessels(kitchenId)), ids(kitchens.burners(kitchenId)));
    }

    private Draft pinned(
            String kitchenId,
            Course beside,
            HeldCourse.Draft held,
            Map<String, String> vessels,
            Map<String, String> burners) {
        Formula formula = formulas.of(kitchenId, held.formula());
        String vessel =
                named(vessels, held.vesselId()).orElseThrow(() -> Refusal.of("vesselId", "its vessel is retired"));
        try {
            return Draft.pinned(
                    beside,
                    formula,
                    Volume.ofLitres(held.litres()),
                    new Draft.Spot(vessel, named(burners, held.burnerId()), held.start()),
                    held.id());
        } catch (Refusal none) {
            throw Refusal.of("vesselId", none.getMessage());
        }
    }

    /** A batch that is accepted and not begun, as a draft in the same place. */
    Draft planned(Begun begun, Running.Standing one, Running.Place place) {
        String vessel = named(begun.vessels(), place.vesselId())
                .orElseThrow(() -> Refusal.of("vesselId", "its vessel is retired"));
        return Draft.accepted(
                begun.course(),
                one.formula(),
                Volume.ofLitres(one.litres()),
                new Draft.Spot(
                        vessel, place.burnerId().flatMap(burner -> named(begun.burners(), burner)), place.start()),
                one.id(),
                place.oven(),
                one.chiller());
    }

    private static Optional<String> named(Map<String, String> ids, String id) {
        return ids.entrySet().stream()
                .filter(entry -> entry.getValue().equals(id))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private static <T> Map<String, String> ids(List<Thing<T>> things) {
        return things.stream().collect(Collectors.toMap(Thing::name, Thing::id));
    }

    private Stock stock(ShelfMapper.OnShelf on, Instant now, ZoneId zone) {
        Instant good = Keeping.endOf(on.useBy(), zone);
        return new Stock(
                new Lot(
                        on.code(),
                        on.slug(),
                        Volume.ofLitres(on.spareL()),
                        now,
                        good,
                        json.read(on.contents(), Contents.class)),
                on.name(),
                on.family());
    }
}

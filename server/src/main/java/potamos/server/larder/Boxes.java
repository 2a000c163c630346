package potamos.server.larder;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.Fact;
import potamos.core.formula.Formula;
import potamos.core.larder.Box;
import potamos.core.larder.Goods;
import potamos.core.larder.Larder;
import potamos.core.larder.Thaw;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Keeping;
import potamos.core.safety.LimitProfile;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** A kitchen's larder, with its trim bank: what came in, what is left of it, and which batch took what. */
@Service
public class Boxes {

    /** What was weighed to the gram may differ by a rounding. */
    private static final double ROUNDING_KG = 0.0005;

    private static final int MOST_BOXES = 400;

    /** Frozen goods warmer than this have begun to thaw on the way. */
    private static final double FROZEN_AT_THE_DOOR_C = -12;

    private final LarderMapper mapper;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    Boxes(LarderMapper mapper, Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /** What becomes of a box. */
    public enum Entry {
        /** So much is really there. */
        COUNTED,
        /** Used for something that is no batch, or thrown away. */
        TAKEN_OUT,
        /** Out of the freezer into the cold. */
        THAWING,
        /** Nobody may use it. */
        STOPPED,
        RELEASED
    }

    /**
     * A box as it stands, with what was told of it when it came in.
     *
     * @param warm whether it was warmer at the door than the kitchen's limits let it be
     */
    record Stands(
            LarderMapper.BoxRow row, Box box, Optional<Instant> softAt, boolean warm, Optional<Box.Refused> refused) {}

    /**
     * A box that something could be taken from.
     *
     * @param take    how much of it would be; nothing where the boxes before it are enough, or it may not be used now
     * @param from    the supplier, or the batch that it is left over of
     * @param refused why it may not
     */
    public record Offer(Box box, String from, String supplierLot, Mass take, Optional<Box.Refused> refused) {}

    /** Boxes that could be taken from now, of everything of which so much is wanted. */
    public Map<String, List<Offer>> offers(Person person, Map<String, Mass> wanted) {
        person.require(Right.READ);
        Calendar calendar = calendar(person.kitchenId());
        List<Stands> all = all(person.kitchenId(), calendar);
        Larder larder = larder(all, calendar);
        return wanted.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        one -> offers(all, larder.take(one.getKey(), one.getValue(), calendar.now()))));
    }

    private static List<Offer> offers(List<Stands> all, Larder.Cover cover) {
        Map<String, Mass> takes = cover.draws().stream()
                .collect(Collectors.toMap(draw -> draw.box().id(), Larder.Draw::mass));
        return all.stream()
                .filter(one -> one.box().goods().serves(cover.goods()))
                .map(one -> new Offer(
                        one.box(),
                        one.row().from(),
                        one.row().supplierLot(),
                        takes.getOrDefault(one.box().id(), Mass.ZERO),
                        one.refused()))
                .toList();
    }

    /** What a batch took out of boxes, by goods. */
    public Map<String, Mass> takenBy(String batchId) {
        return mapper.goodsTaken(batchId).stream()
                .collect(Collectors.toMap(LarderMapper.GoodsTaken::goods, one -> Mass.ofKg(one.kg())));
    }

    /** What is in a box. */
    public String goodsOf(Person person, String id) {
        return one(person, id).row().goods();
    }

    /** What is not used up, first what has to go first. */
    List<Stands> left(Person person, int from, int most) {
        person.require(Right.READ);
        Calendar calendar = calendar(person.kitchenId());
        return mapper.left(person.kitchenId(), from, most).stream()
                .map(row -> stands(row, calendar))
                .toList();
    }

    /** What plans and batches can be made from. */
    public Larder larder(String kitchenId) {
        Calendar calendar = calendar(kitchenId);
        return larder(all(kitchenId, calendar), calendar);
    }

    private static Larder larder(List<Stands> all, Calendar calendar) {
        return new Larder(all.stream().map(Stands::box).toList(), calendar.zone());
    }

    private List<Stands> all(String kitchenId, Calendar calendar) {
        return mapper.left(kitchenId, 0, MOST_BOXES).stream()
                .map(row -> stands(row, calendar))
                .toList();
    }

    /** As it stands; nothing where this kitchen has none such. */
    Optional<Stands> find(String kitchenId, String id) {
        return mapper.byId(id, kitchenId).map(row -> stands(row, calendar(kitchenId)));
    }

    Stands one(Person person, String id) {
        person.require(Right.READ);
        return stands(row(person.kitchenId(), id), calendar(person.kitchenId()));
    }

    List<LarderMapper.StoryRow> story(Person person, String id) {
        return mapper.story(one(person, id).row().id());
    }

    /** Today on the kitchen's calendar. */
    LocalDate today(String kitchenId) {
        return calendar(kitchenId).today();
    }

    /**
     * Takes something in; a second sending changes nothing.
     *
     * @param id made by the client
     * @throws Refusal with the field that will not do
     */
    @Transactional
    public void takeIn(Person person, String id, Intake in) {
        person.require(Right.ACT);
        Intake checked = in.checked(today(person.kitchenId()));
        mapper.insert(id, person.kitchenId(), checked, person.id(), clock.instant());
        mapper.byId(id, person.kitchenId()).orElseThrow(() -> new Conflict("id", "Another box has this id."));
        changes.note(person.kitchenId(), "larder", id);
    }

    /**
     * Tells what became of a box; a second sending changes nothing.
     *
     * @param id made by the client
     * @param kg really there, or taken out; nothing of the others
     * @throws Refusal on {@code kg} where there is less
     */
    @Transactional
    public void enter(Person person, String boxId, String id, Entry kind, Double kg, String reason) {
        person.require(kind == Entry.STOPPED || kind == Entry.RELEASED ? Right.JUDGE : Right.ACT);
        mapper.hold(boxId, person.kitchenId()).orElseThrow(() -> new NotFound("box"));
        if (mapper.entries(id, boxId) > 0) {
            return;
        }
        LarderMapper.BoxRow row = row(person.kitchenId(), boxId);
        Stands stands = stands(row, calendar(person.kitchenId()));
        double changes = switch (kind) {
            case COUNTED -> Refusal.unlessWithin("kg", given(kg), 0, Intake.MOST_KG, "kg") - row.leftKg();
            case TAKEN_OUT ->
                -Math.min(
                        Refusal.unlessWithin("kg", given(kg), Intake.LEAST_KG, row.leftKg() + ROUNDING_KG, "kg"),
                        row.leftKg());
            case THAWING -> {
                if (!stands.box().goods().raw() || !stands.box().frozen()) {
                    throw new Conflict("box", "It does not lie frozen, or is used as it is.");
                }
                yield 0;
            }
            case STOPPED -> {
                if (reason.isBlank()) {
                    throw Refusal.of("reason", "is needed here: whoever finds it reads it");
                }
                yield 0;
            }
            case RELEASED -> 0;
        };
        mapper.enter(id, boxId, kind.name(), changes, reason.trim(), person.id(), clock.instant());
        this.changes.note(person.kitchenId(), "larder", boxId);
    }

    private static double given(Double kg) {
        if (kg == null) {
            throw Refusal.of("kg", "a number is needed here");
        }
        return kg;
    }

    /**
     * Whether an act may take from the box that it names.
     *
     * @throws NotFound where this kitchen has no such box
     * @throws Refusal  where it is something else than the part, or may not be used
     */
    public void mayTake(String kitchenId, Formula formula, ChoreEvent.Took took) {
        Stands stands = stands(row(kitchenId, took.box()), calendar(kitchenId));
        unlessFits("boxId", formula, took.part(), stands);
    }

    /** @throws Refusal where something else goes in there, or it may not be used */
    static void unlessFits(String field, Formula formula, String part, Stands stands) {
        Goods goods = stands.box().goods();
        boolean fits = part.equals(BatchEvent.BED) ? formula.inBed(goods.id()) : goods.serves(part);
        if (!fits) {
            throw Refusal.of(field, goods.name() + " is in it, and that is not what goes in here");
        }
        stands.refused().ifPresent(why -> {
            throw Refusal.of(field, why.reason());
        });
    }

    /**
     * Makes anew what a batch took, from what is now believed of it.
     *
     * @throws Refusal on {@code kg} where more is taken of a box than is left of it
     */
    public void rebuild(String kitchenId, String batchId, List<Fact> believed) {
        Map<String, Double> before = new HashMap<>();
        mapper.takings(batchId).forEach(taking -> before.merge(taking.boxId(), taking.kg(), Double::sum));
        Map<String, Double> after = new HashMap<>();
        List<ChoreEvent.Took> taken = believed.stream()
                .filter(ChoreEvent.Took.class::isInstance)
                .map(ChoreEvent.Took.class::cast)
                .toList();
        taken.forEach(took -> after.merge(took.box(), took.mass().kg(), Double::sum));
        if (before.isEmpty() && after.isEmpty()) {
            return;
        }
        // In one order everywhere, so that two batches that take from the same boxes do not wait for each other.
        TreeSet<String> touched = new TreeSet<>(before.keySet());
        touched.addAll(after.keySet());
        touched.forEach(box -> mapper.hold(box, kitchenId).orElseThrow(() -> new NotFound("box")));
        mapper.forget(batchId);
        taken.forEach(took -> mapper.take(
                took.stamp().id(),
                batchId,
                took.box(),
                took.part(),
                took.mass().kg(),
                took.stamp().at()));
        for (Map.Entry<String, Double> one : after.entrySet()) {
            double more = one.getValue() - before.getOrDefault(one.getKey(), 0.0);
            double left = row(kitchenId, one.getKey()).leftKg();
            if (more > 0 && left < -ROUNDING_KG) {
                throw Refusal.outside("kg", "more than is left in this box", 0, Math.max(0, more + left), "kg");
            }
        }
        changes.note(kitchenId, "larder", batchId);
    }

    private LarderMapper.BoxRow row(String kitchenId, String id) {
        return mapper.byId(id, kitchenId).orElseThrow(() -> new NotFound("box"));
    }

    private record Calendar(ZoneId zone, Instant now, LimitProfile limits) {
        LocalDate today() {
            return now.atZone(zone).toLocalDate();
        }
    }

    private Calendar calendar(String kitchenId) {
        Kitchens.Kitchen kitchen = kitchens.of(kitchenId);
        return new Calendar(kitchen.zone(), clock.instant(), kitchen.limits());
    }

    private static Stands stands(LarderMapper.BoxRow row, Calendar calendar) {
        Goods goods = Goods.any(row.goods()).orElseThrow();
        Optional<Duration> thaws = Optional.ofNullable(row.thickCm())
                .filter(thick -> goods.raw())
                .map(thick -> Thaw.takes(
                        Mass.ofKg(row.kg()),
                        goods.kgPerL(),
                        Length.ofCm(thick),
                        calendar.limits().coldStore()));
        Optional<Instant> softAt = Optional.ofNullable(row.thawsSince()).flatMap(since -> thaws.map(since::plus));
        Optional<LocalDate> useBy = softAt.map(
                        soft -> Keeping.thawedUseBy(soft.atZone(calendar.zone()).toLocalDate()))
                .or(() -> Optional.ofNullable(row.useBy()));
        Box box = new Box(
                row.id(),
                goods,
                Mass.ofKg(Math.max(0, row.leftKg())),
                useBy,
                row.frozen() && softAt.isEmpty(),
                softAt,
                thaws,
                row.trim(),
                Optional.ofNullable(row.stopped()));
        double limit = row.frozen()
                ? FROZEN_AT_THE_DOOR_C
                : calendar.limits().coldStore().celsius();
        boolean warm = goods.raw() && row.doorC() != null && row.doorC() > limit;
        return new Stands(row, box, softAt, warm, box.refused(calendar.today(), calendar.now()));
    }
}

package potamos.server.kitchen;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.course.Rota;
import potamos.core.course.Use;
import potamos.core.larder.Goods;
import potamos.core.quantity.Refusal;
import potamos.core.schedule.Planner;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** What a kitchen has to do without for a while: a vessel, burner or oven that is out of order, bones that did not come, cooks who are away. Plans go around it. */
@Service
public class Outages {

    private static final int LONGEST_REASON = 200;
    private static final int MOST = 100;

    private final Rows rows;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    Outages(Rows rows, Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.rows = rows;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /** What can be missing. */
    public enum Kind {
        VESSEL(Use.Kind.VESSEL, Kitchens.Equipment.VESSEL),
        BURNER(Use.Kind.BURNER, Kitchens.Equipment.BURNER),
        OVEN(Use.Kind.OVEN, Kitchens.Equipment.OVEN),
        /** A blast chiller; what an ice bath lacks is told of its ice. */
        CHILLER(Use.Kind.CHILLER, Kitchens.Equipment.CHILLER),
        /** Goods that a stock is made of and that did not come. */
        BED(Use.Kind.BED, null),
        COOKS(null, null);

        private final Use.Kind use;
        private final Kitchens.Equipment equipment;

        Kind(Use.Kind use, Kitchens.Equipment equipment) {
            this.use = use;
            this.equipment = equipment;
        }
    }

    /**
     * Something that is missing.
     *
     * @param thingId of equipment, or of what did not come; nothing of cooks
     * @param name    of the thing as it is called today; empty of cooks
     * @param cooks   how many fewer; 0 of a thing
     */
    public record Outage(
            String id,
            Kind kind,
            Optional<String> thingId,
            String name,
            int cooks,
            Instant from,
            Instant until,
            String reason) {

        /** As something that is taken; nothing of cooks. */
        public Optional<Use> use() {
            return Optional.ofNullable(kind.use).map(taken -> Use.whole(taken, name, from, until));
        }

        /** As people who are not there; nothing of a thing. */
        public Optional<Rota.Away> away() {
            return kind == Kind.COOKS ? Optional.of(new Rota.Away(from, until, cooks)) : Optional.empty();
        }
    }

    /** Rows of what is missing. */
    @Mapper
    interface Rows {

        record Row(
                String id,
                String kitchenId,
                Kind kind,
                String thingId,
                int cooks,
                Instant beginsAt,
                Instant endsAt,
                String reason,
                String toldBy,
                Instant toldAt) {}

        @Insert("""
                INSERT INTO outage (id, kitchen_id, kind, thing_id, cooks, begins_at, ends_at, reason, told_by, told_at)
                VALUES (#{id}, #{kitchenId}, #{kind}, #{thingId}, #{cooks}, #{beginsAt}, #{endsAt}, #{reason}, #{toldBy},
                        #{toldAt})
                ON DUPLICATE KEY UPDATE id = outage.id
                """)
        void insert(Row row);

        @Select("""
                SELECT id, kitchen_id, kind, thing_id, cooks, begins_at, ends_at, reason, told_by, told_at FROM outage
                WHERE kitchen_id = #{kitchenId} AND over_at IS NULL AND ends_at > #{now} ORDER BY begins_at LIMIT 200
                """)
        List<Row> open(String kitchenId, Instant now);

        @Update("UPDATE outage SET over_at = #{now} WHERE id = #{id} AND kitchen_id = #{kitchenId} AND over_at IS NULL")
        int over(String id, String kitchenId, Instant now);
    }

    /** Everything that is missing now or is going to be. */
    public List<Outage> of(String kitchenId) {
        return rows.open(kitchenId, clock.instant()).stream()
                .flatMap(row -> name(kitchenId, row.kind(), row.thingId()).stream()
                        .map(name -> new Outage(
                                row.id(),
                                row.kind(),
                                Optional.ofNullable(row.thingId()),
                                name,
                                row.cooks(),
                                row.beginsAt(),
                                row.endsAt(),
                                row.reason())))
                .toList();
    }

    /** What a thing is called today; nothing where it is retired. */
    private Optional<String> name(String kitchenId, Kind kind, String thingId) {
        return switch (kind) {
            case COOKS -> Optional.of("");
            case BED ->
                Optional.ofNullable(thingId)
                        .flatMap(Goods::find)
                        .filter(Goods::bed)
                        .map(Goods::name);
            case VESSEL, BURNER, OVEN, CHILLER ->
                kitchens.named(kitchenId, kind.equipment).stream()
                        .filter(thing -> thing.id().equals(thingId))
                        .map(Kitchens.Thing::name)
                        .findFirst();
        };
    }

    /**
     * Something that is missing, as somebody tells it.
     *
     * @param thingId of equipment, or of what did not come; nothing of cooks
     * @param cooks   how many fewer; nothing is one, and of a thing it does not count
     * @param from    when it begins; nothing is now
     */
    public record Missing(
            @NotNull Kind kind,
            @Size(max = 36) String thingId,
            Integer cooks,
            Instant from,
            @NotNull Instant until,
            @Size(max = LONGEST_REASON) String reason) {}

    /**
     * One as it would be told.
     *
     * @param id made by whoever tells it
     * @throws Refusal  with its field where it makes no sense
     * @throws NotFound when the thing is not this kitchen's
     */
    public Outage checked(String kitchenId, String id, Missing missing) {
        Instant now = clock.instant();
        Instant begins = missing.from() == null || missing.from().isBefore(now) ? now : missing.from();
        if (!missing.until().isAfter(begins)) {
            throw Refusal.of("until", "must come after its beginning, and is still to come");
        }
        Planner.unlessFarAhead("until", missing.until(), now);
        boolean people = missing.kind() == Kind.COOKS;
        int fewer = people
                ? (int) Refusal.unlessWithin("cooks", missing.cooks() == null ? 1 : missing.cooks(), 1, 30, "cooks")
                : 0;
        String name = name(kitchenId, missing.kind(), missing.thingId()).orElseThrow(() -> new NotFound("thing"));
        return new Outage(
                id,
                missing.kind(),
                Optional.ofNullable(people ? null : missing.thingId()),
                name,
                fewer,
                begins,
                missing.until(),
                missing.reason() == null ? "" : missing.reason().trim());
    }

    /** Writes one down; told twice with one id, it is told once. */
    @Transactional
    public void add(Person person, Outage outage) {
        person.require(Right.PLAN);
        if (rows.open(person.kitchenId(), clock.instant()).size() >= MOST) {
            throw Refusal.outside("kind", "too much is missing already", 0, MOST, "at once");
        }
        rows.insert(new Rows.Row(
                outage.id(),
                person.kitchenId(),
                outage.kind(),
                outage.thingId().orElse(null),
                outage.cooks(),
                outage.from(),
                outage.until(),
                outage.reason(),
                person.id(),
                clock.instant()));
        changes.note(person.kitchenId(), "kitchen", outage.id());
    }

    /** It is there again, sooner than was thought. */
    @Transactional
    public void over(Person person, String id) {
        person.require(Right.PLAN);
        if (rows.over(id, person.kitchenId(), clock.instant()) == 0) {
            throw new NotFound("outage");
        }
        changes.note(person.kitchenId(), "kitchen", id);
    }
}

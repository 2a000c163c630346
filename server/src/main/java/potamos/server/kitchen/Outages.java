package potamos.server.kitchen;

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
import potamos.core.quantity.Refusal;
import potamos.core.schedule.Planner;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.NotFound;

/** What a kitchen has to do without for a while: a vessel, burner or oven that is out of order, cooks who are away. Plans go around it. */
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
     * @param thingId of equipment; nothing of cooks
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
            return Optional.ofNullable(kind.use).map(taken -> new Use(taken, name, from, until, 1));
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
        return kind.equipment == null
                ? Optional.of("")
                : kitchens.named(kitchenId, kind.equipment).stream()
                        .filter(thing -> thing.id().equals(thingId))
                        .map(Kitchens.Thing::name)
                        .findFirst();
    }

    /**
     * One that could be told, as it would be.
     *
     * @param id    made by whoever tells it
     * @param from  when it begins; nothing is now
     * @throws Refusal  with its field where it makes no sense
     * @throws NotFound when the thing is not this kitchen's
     */
    public Outage checked(
            String kitchenId,
            String id,
            Kind kind,
            String thingId,
            Integer cooks,
            Instant from,
            Instant until,
            String reason) {
        Instant now = clock.instant();
        Instant begins = from == null || from.isBefore(now) ? now : from;
        if (until == null || !until.isAfter(begins)) {
            throw Refusal.of("until", "must come after its beginning, and is still to come");
        }
        Planner.unlessFarAhead("until", until, now);
        if (reason != null && reason.length() > LONGEST_REASON) {
            throw Refusal.outside("reason", "too long", 0, LONGEST_REASON, "characters");
        }
        boolean people = kind == Kind.COOKS;
        int fewer = people ? (int) Refusal.unlessWithin("cooks", cooks == null ? 1 : cooks, 1, 30, "cooks") : 0;
        String name = name(kitchenId, kind, thingId).orElseThrow(() -> new NotFound("thing"));
        return new Outage(
                id,
                kind,
                Optional.ofNullable(people ? null : thingId),
                name,
                fewer,
                begins,
                until,
                reason == null ? "" : reason.trim());
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

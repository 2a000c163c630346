package potamos.server.stations;

import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.Needs;
import potamos.core.course.Importance;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Owed;
import potamos.core.schedule.Planner;
import potamos.server.Joined;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** What stations ask for, and what has become of it. */
@Service
public class Calls {

    private static final Duration LOOK_BACK = Duration.ofDays(2);
    private static final double LEAST_L = 0.5;
    private static final double MOST_L = 300;

    /** Of a kitchen, still to come. */
    private static final int MOST_AHEAD = 300;

    private static final double A_DROP_L = 0.05;

    /** So long a call that was taken back by mistake can be asked for again as it was. */
    private static final Duration SECOND_THOUGHTS = Duration.ofMinutes(1);

    private final CallMapper mapper;
    private final Formulas formulas;
    private final Stations stations;
    private final Changes changes;
    private final KitchenClock clock;
    private final Json json;

    Calls(CallMapper mapper, Formulas formulas, Stations stations, Changes changes, KitchenClock clock, Json json) {
        this.mapper = mapper;
        this.formulas = formulas;
        this.stations = stations;
        this.changes = changes;
        this.clock = clock;
        this.json = json;
    }

    /** What has become of a call. */
    public enum Status {
        OPEN,
        PLANNED,
        /** Being made, and less than was asked for will come of it. */
        SHORT,
        PARTLY_MET,
        MET,
        CLOSED_SHORT,
        WITHDRAWN;

        /** Nothing more comes of it. */
        public boolean ended() {
            return this == MET || this == CLOSED_SHORT || this == WITHDRAWN;
        }
    }

    /**
     * A call.
     *
     * @param importance how much it counts that it is late
     * @param needs    what must not be in it, and what it must be
     * @param owed     litres asked for, handed over and promised
     * @param batchId  the latest batch for it
     * @param closedAs why it was closed, if it was closed short
     * @param againUntil when it was taken back: until when it can be asked for again as it was
     * @param told     what the station was told last of how it comes
     */
    public record Call(
            String id,
            String stationId,
            String stationName,
            Importance importance,
            String formulaSlug,
            String formulaName,
            double litres,
            Instant readyBy,
            Needs needs,
            String note,
            String askedBy,
            Instant askedAt,
            Owed owed,
            Optional<String> batchId,
            Optional<String> closedAs,
            Optional<Instant> againUntil,
            Optional<Word> told,
            Status status) {}

    /** What a station was told: litres and when they are there; none where it gets none. */
    public record Word(List<Comes> comes, Instant at, String by) {
        public Word {
            comes = List.copyOf(comes);
        }
    }

    /** Litres that are there at a moment. */
    public record Comes(@NotNull Instant at, double litres) {
        public Comes {
            Refusal.unlessWithin("litres", litres, 0, MOST_L, "L");
        }
    }

    /**
     * What a station would have.
     *
     * @param stationId for a person of a station always their own
     * @param needs     what must not be in it, and what it must be, beside what the station needs of every stock
     * @param note      nothing is none
     */
    public record Wish(String stationId, String formulaSlug, double litres, Instant readyBy, Needs needs, String note) {
        public Wish {
            note = note == null ? "" : note;
        }
    }

    /**
     * Asks for litres.
     *
     * @param id made by the client; asking twice with the same one asks once
     */
    @Transactional
    public void ask(Person person, String id, Wish wish) {
        Instant now = clock.instant();
        Asker asker = mayAsk(person, wish, now);
        String station = asker.station().id();
        if (mapper.byId(id, person.kitchenId()).isEmpty() && mapper.ahead(person.kitchenId(), now) >= MOST_AHEAD) {
            throw Refusal.outside(
                    "id", "this kitchen has as many calls ahead as it can keep in sight", 0, MOST_AHEAD, "calls");
        }
        // Sent twice, also at once, it is asked once; the second finds the first.
        mapper.insert(
                id,
                person.kitchenId(),
                station,
                wish.formulaSlug(),
                wish.litres(),
                wish.readyBy(),
                Joined.written(asker.needs().without()),
                Joined.written(asker.needs().needs()),
                wish.note().trim(),
                person.id(),
                now);
        mapper.byId(id, person.kitchenId())
                .filter(row -> row.stationId().equals(station))
                .orElseThrow(() -> new Conflict("id", "Another call has this id."));
        changes.note(person.kitchenId(), "calls", id);
    }

    /**
     * A call as it would be if it were asked for; nothing is written.
     *
     * @throws Refusal with its field where it would be refused
     */
    public Call asked(Person person, String id, Wish wish) {
        Instant now = clock.instant();
        Asker asker = mayAsk(person, wish, now);
        return new Call(
                id == null ? "" : id,
                asker.station().id(),
                asker.station().name(),
                asker.station().importance(),
                wish.formulaSlug(),
                formulas.of(person.kitchenId(), wish.formulaSlug()).name(),
                wish.litres(),
                wish.readyBy(),
                asker.needs(),
                wish.note(),
                person.name(),
                now,
                new Owed(Volume.ofLitres(wish.litres()), Volume.ZERO, Volume.ZERO, 0),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Status.OPEN);
    }

    /** Whether somebody may ask for this, by then. */
    private Asker mayAsk(Person person, Wish wish, Instant now) {
        Asker asker = mayAsk(person, wish.stationId(), wish.formulaSlug(), wish.litres(), wish.needs(), wish.note());
        mayBeWanted(wish.readyBy(), now);
        return asker;
    }

    private static void mayBeWanted(Instant readyBy, Instant now) {
        if (!readyBy.isAfter(now)) {
            throw Refusal.of("readyBy", "that time is already past");
        }
        Planner.unlessFarAhead("readyBy", readyBy, now);
    }

    /**
     * A station that asks.
     *
     * @param needs of what it asks for now, with what it needs of every stock
     */
    record Asker(Stations.Station station, Needs needs) {}

    /** Whether somebody may ask for this, and for whom. */
    Asker mayAsk(Person person, String stationId, String formulaSlug, double litres, Needs asked, String note) {
        person.require(Role.Right.ASK);
        if (person.stationId() != null
                && stationId != null
                && !person.stationId().equals(stationId)) {
            throw new NotFound("station");
        }
        String id = person.stationId() != null ? person.stationId() : stationId;
        if (id == null) {
            throw Refusal.of("stationId", "which station is it for");
        }
        Stations.Station station = stations.one(person.kitchenId(), id);
        Needs needs = asked.and(station.needs());
        Formula formula = formulas.of(person.kitchenId(), formulaSlug);
        Refusal.unlessWithin("litres", litres, LEAST_L, MOST_L, "L");
        if (note.length() > 300) {
            throw Refusal.outside("note", "too long", 0, 300, "characters");
        }
        needs.refused(formula).ifPresent(reason -> {
            String field = Needs.without(needs.without()).refused(formula).isPresent() ? "without" : "needs";
            throw Refusal.of(
                    field, reason + needs.swapped(formula).map(Calls::swap).orElse(""));
        });
        return new Asker(station, needs);
    }

    private static String swap(Needs.Swap swap) {
        return "; with " + lower(swap.by()) + " in the place of " + lower(swap.item()) + " it would do";
    }

    private static String lower(Item item) {
        return item.name().toLowerCase(Locale.ROOT);
    }

    /** Calls from two days ago on; a station sees only its own. */
    public List<Call> all(Person person) {
        person.requireALook();
        return mapper
                .since(person.kitchenId(), person.stationId(), clock.instant().minus(LOOK_BACK))
                .stream()
                .map(this::call)
                .toList();
    }

    /** One call, if it is this person's to see. */
    public Call of(Person person, String id) {
        person.requireALook();
        return mapper.byId(id, person.kitchenId())
                .filter(row -> person.stationId() == null || person.stationId().equals(row.stationId()))
                .map(this::call)
                .orElseThrow(() -> new NotFound("call"));
    }

    /**
     * One of how many litres, and when, has changed its mind: more and less can be asked for as long as nothing that is being made already is sent back.
     *
     * @throws Refusal  with its field where that cannot be
     * @throws Conflict where it has ended
     */
    @Transactional
    public void change(Person person, String id, double litres, Instant readyBy) {
        person.require(Role.Right.ASK);
        mapper.change(id, mayChange(of(person, id), litres, readyBy), readyBy);
        changes.note(person.kitchenId(), "calls", id);
    }

    /**
     * Whether a call can be changed so.
     *
     * @return the litres
     */
    public double mayChange(Call call, double litres, Instant readyBy) {
        if (call.status().ended()) {
            throw new Conflict("call", "It is closed already. Ask anew.");
        }
        double made = call.owed().delivered().litres() + call.owed().promised().litres();
        if (litres < made - A_DROP_L) {
            throw Refusal.outside("litres", "so much of it is being made already", made, MOST_L, "L");
        }
        Refusal.unlessWithin("litres", litres, LEAST_L, MOST_L, "L");
        if (!readyBy.equals(call.readyBy())) {
            mayBeWanted(readyBy, clock.instant());
        }
        return litres;
    }

    /** Tells a station how its call comes; what it was told before stays in the record. */
    @Transactional
    public void tell(Person person, String id, List<Comes> comes) {
        person.require(Role.Right.PLAN);
        of(person, id);
        mapper.tell(id, json.write(comes.toArray(Comes[]::new)), person.id(), clock.instant());
        changes.note(person.kitchenId(), "calls", id);
    }

    @Transactional
    public void withdraw(Person person, String id) {
        person.require(Role.Right.ASK);
        Call call = of(person, id);
        if (call.status() != Status.OPEN && call.status() != Status.WITHDRAWN) {
            throw new Conflict("call", "It is being made already. Speak to the stock cook.");
        }
        mapper.withdraw(id, clock.instant());
        changes.note(person.kitchenId(), "calls", id);
    }

    /** Asks again for what was taken back a moment ago. */
    @Transactional
    public void askAgain(Person person, String id) {
        person.require(Role.Right.ASK);
        Instant now = clock.instant();
        if (of(person, id).againUntil().filter(until -> until.isBefore(now)).isPresent()) {
            throw new Conflict("call", "It was taken back more than a minute ago. Ask anew.");
        }
        mapper.askAgain(id);
        changes.note(person.kitchenId(), "calls", id);
    }

    /**
     * Closes a call that gets no more: as met when it nearly is, else short and with a reason.
     *
     * @throws Refusal when it is short and no reason is given
     */
    @Transactional
    public void close(Person person, String id, String reason) {
        person.require(Role.Right.DELIVER);
        Call call = of(person, id);
        if (call.status().ended()) {
            return;
        }
        boolean isShort = !call.owed().nearlyMet();
        if (isShort && reason.isBlank()) {
            throw Refusal.of("reason", "is needed here: the station is told");
        }
        mapper.close(id, clock.instant(), person.id(), isShort, reason.trim());
        changes.note(person.kitchenId(), "calls", id);
    }

    /** Opens a call that was closed by mistake. */
    @Transactional
    public void open(Person person, String id) {
        person.require(Role.Right.DELIVER);
        of(person, id);
        mapper.close(id, null, null, false, "");
        changes.note(person.kitchenId(), "calls", id);
    }

    private Call call(CallMapper.CallRow row) {
        Owed owed = new Owed(
                Volume.ofLitres(row.litres()),
                Volume.ofLitres(row.deliveredL()),
                Volume.ofLitres(row.promisedL()),
                row.tolerance());
        return new Call(
                row.id(),
                row.stationId(),
                row.stationName(),
                row.importance(),
                row.formulaSlug(),
                row.formulaName(),
                row.litres(),
                row.readyBy(),
                Stations.needs(row.without(), row.needs()),
                row.note(),
                row.askedBy(),
                row.askedAt(),
                owed,
                Optional.ofNullable(row.batchId()),
                Optional.of(row.closedReason()).filter(reason -> !reason.isEmpty()),
                Optional.ofNullable(row.withdrawnAt()).map(at -> at.plus(SECOND_THOUGHTS)),
                Optional.ofNullable(row.comes())
                        .map(comes -> new Word(List.of(json.read(comes, Comes[].class)), row.toldAt(), row.toldBy())),
                status(row, owed));
    }

    private static Status status(CallMapper.CallRow row, Owed owed) {
        if (row.withdrawnAt() != null) {
            return Status.WITHDRAWN;
        }
        if (row.closedAt() != null) {
            return row.closedShort() ? Status.CLOSED_SHORT : Status.MET;
        }
        if (owed.met()) {
            return Status.MET;
        }
        if (row.deliveredL() > 0) {
            return Status.PARTLY_MET;
        }
        if (row.promisedL() == 0) {
            return Status.OPEN;
        }
        return owed.open().litres() > 0 ? Status.SHORT : Status.PLANNED;
    }
}

package potamos.server.kitchen;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.Container;
import potamos.core.course.Rota;
import potamos.core.course.Unattended;
import potamos.core.formula.Beds;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;
import potamos.core.schedule.Owed;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;
import potamos.server.Joined;
import potamos.server.Json;
import potamos.server.problems.NotFound;

/** Kitchens and their equipment. */
@Service
public class Kitchens {

    private static final int MOST_THINGS = 60;

    private final KitchenMapper mapper;
    private final Json json;

    Kitchens(KitchenMapper mapper, Json json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** A kitchen's place and habits. */
    @RecordBuilder
    public record Kitchen(
            String id,
            String name,
            String units,
            ZoneId zone,
            Air air,
            Temperature tap,
            double callTolerance,
            int strainerSets,
            Rota rota,
            Unattended unattended,
            LimitProfile limits)
            implements KitchensKitchenBuilder.With {

        /** The day of a moment on the kitchen's own calendar. */
        public LocalDate day(Instant at) {
            return at.atZone(zone).toLocalDate();
        }
    }

    /** A piece of equipment with its id. */
    public record Thing<T>(String id, String name, T figures) {}

    /** Takes the first run, which can be taken once; whoever comes at the same time waits for the outcome. */
    public boolean beginFirstRun() {
        return mapper.takeFirstRun() > 0;
    }

    /** Limits that were changed before a changed profile had a name of its own get it now. */
    private static LimitProfile named(LimitProfile limits, String kitchen) {
        LimitProfile today = limits.asShippedToday();
        return today.asOf(kitchen, today);
    }

    /** Whether no kitchen has been made yet. */
    public boolean none() {
        return mapper.count() == 0;
    }

    /**
     * Makes a kitchen with a copy of the book's figures.
     *
     * @throws Refusal with its field when a figure will not do
     */
    @Transactional
    public String add(
            String name,
            Length altitude,
            String timeZone,
            String units,
            LocalTime opens,
            LocalTime closes,
            String limitsId) {
        name("name", name, 80);
        Air air = Air.usualAt(altitude);
        if (!ZoneId.getAvailableZoneIds().contains(timeZone)) {
            throw Refusal.of("timeZone", "not a time zone that is known, such as Europe/Zurich");
        }
        if (!units.equals("metric") && !units.equals("us")) {
            throw Refusal.of("units", "metric or us");
        }
        LimitProfile limits = LimitProfile.shipped().stream()
                .filter(profile -> profile.id().equals(limitsId))
                .findFirst()
                .orElseThrow(() -> Refusal.of("limits", "one of the profiles that ship"));
        String id = UUID.randomUUID().toString();
        mapper.insert(new KitchenMapper.KitchenRow(
                id,
                name.trim(),
                altitude.metres(),
                timeZone,
                units,
                air.temperature().celsius(),
                air.humidity(),
                air.speedMS(),
                Pot.BOOK_TAP.celsius(),
                Owed.TOLERANCE,
                0,
                json.write(Rota.daily(ZoneId.of(timeZone), opens, closes).hours()),
                Unattended.NEVER.name(),
                "",
                json.write(limits)));
        for (BedKind kind : Beds.all()) {
            mapper.insertBedKind(id, kind.id(), json.write(kind));
        }
        return id;
    }

    public Kitchen of(String id) {
        KitchenMapper.KitchenRow row = mapper.byId(id).orElseThrow(() -> new NotFound("kitchen"));
        return new Kitchen(
                row.id(),
                row.name(),
                row.units(),
                ZoneId.of(row.timeZone()),
                new Air(
                        Length.ofCm(row.altitudeM() * 100),
                        Temperature.ofCelsius(row.airC()),
                        row.humidity(),
                        row.airSpeedMs()),
                Temperature.ofCelsius(row.tapC()),
                row.callTolerance(),
                row.strainerSets(),
                new Rota(ZoneId.of(row.timeZone()), List.of(json.read(row.hours(), Rota.Hours[].class)))
                        .checkedAt(Joined.read(row.checks(), LocalTime::parse).stream()
                                .sorted()
                                .toList()),
                Unattended.valueOf(row.unattended()),
                named(json.read(row.limits(), LimitProfile.class), row.name()));
    }

    /** Kinds of equipment, each with its table. */
    enum Equipment {
        VESSEL("vessel", Vessel.class),
        BURNER("burner", Burner.class),
        OVEN("oven", Oven.class),
        CONTAINER("container", OwnedContainer.class),
        CHILLER("chiller", Chiller.class);

        private final String table;
        private final Class<?> type;

        Equipment(String table, Class<?> type) {
            this.table = table;
            this.type = type;
        }
    }

    /** A kind of container and how many of it the kitchen has. */
    public record OwnedContainer(Container container, int owned) {
        public OwnedContainer {
            Refusal.unlessWithin("owned", owned, 1, 500, "containers");
        }
    }

    @Transactional
    public String addVessel(String kitchenId, Vessel vessel) {
        return add(kitchenId, Equipment.VESSEL, vessel.name(), vessel);
    }

    @Transactional
    public String addBurner(String kitchenId, Burner burner) {
        return add(kitchenId, Equipment.BURNER, burner.name(), burner);
    }

    @Transactional
    public String addOven(String kitchenId, Oven oven) {
        return add(kitchenId, Equipment.OVEN, oven.name(), oven);
    }

    @Transactional
    public String addContainer(String kitchenId, Container container, int owned) {
        return add(kitchenId, Equipment.CONTAINER, container.name(), new OwnedContainer(container, owned));
    }

    @Transactional
    public String addChiller(String kitchenId, Chiller chiller) {
        return add(kitchenId, Equipment.CHILLER, chiller.name(), chiller);
    }

    public List<Thing<Vessel>> vessels(String kitchenId) {
        return things(kitchenId, Equipment.VESSEL, Vessel.class);
    }

    public List<Thing<Burner>> burners(String kitchenId) {
        return things(kitchenId, Equipment.BURNER, Burner.class);
    }

    public List<Thing<Oven>> ovens(String kitchenId) {
        return things(kitchenId, Equipment.OVEN, Oven.class);
    }

    public List<Thing<OwnedContainer>> containers(String kitchenId) {
        return things(kitchenId, Equipment.CONTAINER, OwnedContainer.class);
    }

    public List<Thing<Chiller>> chillers(String kitchenId) {
        return things(kitchenId, Equipment.CHILLER, Chiller.class);
    }

    /** What a kind of equipment is called, whatever it is. */
    List<Thing<?>> named(String kitchenId, Equipment kind) {
        return mapper.things(kind.table, kitchenId).stream()
                .<Thing<?>>map(row -> new Thing<>(row.id(), row.name(), row.name()))
                .toList();
    }

    private <T> List<Thing<T>> things(String kitchenId, Equipment kind, Class<T> type) {
        return mapper.things(kind.table, kitchenId).stream()
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), type)))
                .toList();
    }

    /**
     * Adds a piece of equipment.
     *
     * @throws Refusal on {@code name} when there is one of that name, or too many
     */
    @Transactional
    String add(String kitchenId, Equipment kind, String name, Object figures) {
        nameFree(kitchenId, kind, name, "");
        if (mapper.things(kind.table, kitchenId).size() >= MOST_THINGS) {
            throw Refusal.outside("name", "too many already", 0, MOST_THINGS, "pieces");
        }
        String id = UUID.randomUUID().toString();
        mapper.insertThing(
                kind.table,
                new KitchenMapper.ThingRow(
                        id,
                        kitchenId,
                        name.trim(),
                        mapper.nextPosition(kind.table, kitchenId),
                        json.write(kind.type.cast(figures))));
        return id;
    }

    /** Changes a piece of equipment; plans that were accepted keep the figures that they were made with. */
    @Transactional
    void change(String kitchenId, Equipment kind, String id, String name, Object figures) {
        nameFree(kitchenId, kind, name, id);
        if (mapper.updateThing(kind.table, id, kitchenId, name.trim(), json.write(kind.type.cast(figures))) == 0) {
            throw new NotFound(kind.table);
        }
    }

    /** Takes a piece of equipment out of use. */
    @Transactional
    void retire(String kitchenId, Equipment kind, String id, Instant at) {
        if (mapper.retireThing(kind.table, id, kitchenId, at) == 0) {
            throw new NotFound(kind.table);
        }
    }

    private void nameFree(String kitchenId, Equipment kind, String name, String except) {
        name("name", name, 40);
        if (mapper.named(kind.table, kitchenId, name.trim(), except) > 0) {
            throw Refusal.of("name", "there is one of that name already");
        }
    }

    /** When people are there from now on, and what goes on without them. */
    @Transactional
    public void changeRota(
            String kitchenId, List<Rota.Hours> hours, Unattended unattended, List<LocalTime> checks, Instant now) {
        Kitchen old = of(kitchenId);
        Rota rota = new Rota(old.zone(), hours).checkedAt(checks);
        unattended.unlessKept(rota, now);
        change(old.with(k -> k.rota(rota).unattended(unattended)));
    }

    /** Changes the kitchen itself. */
    @Transactional
    void change(Kitchen kitchen) {
        name("name", kitchen.name(), 80);
        if (!kitchen.units().equals("metric") && !kitchen.units().equals("us")) {
            throw Refusal.of("units", "metric or us");
        }
        mapper.update(new KitchenMapper.KitchenRow(
                kitchen.id(),
                kitchen.name().trim(),
                kitchen.air().altitude().metres(),
                kitchen.zone().getId(),
                kitchen.units(),
                kitchen.air().temperature().celsius(),
                kitchen.air().humidity(),
                kitchen.air().speedMS(),
                Refusal.unlessWithin("tapC", kitchen.tap().celsius(), 1, 35, "°C"),
                kitchen.callTolerance(),
                (int) Refusal.unlessWithin(
                        "strainerSets",
                        kitchen.strainerSets(),
                        0,
                        potamos.core.course.Equipment.MOST_STRAINER_SETS,
                        ""),
                json.write(kitchen.rota().hours()),
                kitchen.unattended().name(),
                Joined.written(Set.copyOf(kitchen.rota().checks())),
                json.write(kitchen.limits())));
    }

    @Transactional
    void changeBed(String kitchenId, BedKind kind) {
        if (mapper.updateBedKind(kitchenId, kind.id(), json.write(kind)) == 0) {
            throw new NotFound("kind of bed");
        }
    }

    /** The kitchen's own figures of a kind of bed. */
    public BedKind bed(String kitchenId, String slug) {
        return mapper.bedKind(kitchenId, slug)
                .map(figures -> json.read(figures, BedKind.class))
                .orElseThrow(() -> Refusal.of("bed", "this kitchen has no such kind of bed"));
    }

    /** Every kind of bed that the kitchen knows. */
    public List<BedKind> beds(String kitchenId) {
        return mapper.bedKinds(kitchenId).stream()
                .map(figures -> json.read(figures, BedKind.class))
                .toList();
    }

    /** The vessel, held until the transaction ends. */
    public Thing<Vessel> hold(String kitchenId, String vesselId) {
        return mapper.vesselForUpdate(vesselId, kitchenId)
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), Vessel.class)))
                .orElseThrow(() -> new NotFound("vessel"));
    }

    private static void name(String field, String name, int longest) {
        if (name == null || name.isBlank() || name.length() > longest) {
            throw Refusal.outside(field, "too short or too long", 1, longest, "characters");
        }
    }
}

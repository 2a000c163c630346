package potamos.server.kitchen;

import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.cooling.Container;
import potamos.core.formula.Beds;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;
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
    public record Kitchen(
            String id,
            String name,
            String units,
            ZoneId zone,
            Air air,
            LocalTime opens,
            LocalTime closes,
            LimitProfile limits) {}

    /** A station that asks for litres. */
    public record Station(String id, String name) {}

    /** A piece of equipment with its id. */
    public record Thing<T>(String id, String name, T figures) {}

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
        if (!opens.isBefore(closes)) {
            throw Refusal.of("closes", "the kitchen closes after it opens, on the same day");
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
                opens,
                closes,
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
                row.opens(),
                row.closes(),
                json.read(row.limits(), LimitProfile.class));
    }

    @Transactional
    public String addStation(String kitchenId, String name) {
        name("station", name, 40);
        if (stations(kitchenId).stream().anyMatch(s -> s.name().equalsIgnoreCase(name.trim()))) {
            throw Refusal.of("station", "there is a station of that name already");
        }
        String id = UUID.randomUUID().toString();
        mapper.insertStation(new KitchenMapper.StationRow(id, kitchenId, name.trim()));
        return id;
    }

    public List<Station> stations(String kitchenId) {
        return mapper.stations(kitchenId).stream()
                .map(row -> new Station(row.id(), row.name()))
                .toList();
    }

    public Station station(String kitchenId, String id) {
        return stations(kitchenId).stream()
                .filter(station -> station.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("station"));
    }

    @Transactional
    public String addVessel(String kitchenId, Vessel vessel) {
        List<KitchenMapper.ThingRow> there = mapper.vessels(kitchenId);
        KitchenMapper.ThingRow row = thing(kitchenId, vessel.name(), there, json.write(vessel));
        mapper.insertVessel(row);
        return row.id();
    }

    @Transactional
    public String addBurner(String kitchenId, Burner burner) {
        KitchenMapper.ThingRow row = thing(kitchenId, burner.name(), mapper.burners(kitchenId), json.write(burner));
        mapper.insertBurner(row);
        return row.id();
    }

    @Transactional
    public String addContainer(String kitchenId, Container container) {
        KitchenMapper.ThingRow row =
                thing(kitchenId, container.name(), mapper.containers(kitchenId), json.write(container));
        mapper.insertContainer(row);
        return row.id();
    }

    public List<Thing<Vessel>> vessels(String kitchenId) {
        return mapper.vessels(kitchenId).stream()
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), Vessel.class)))
                .toList();
    }

    public List<Thing<Burner>> burners(String kitchenId) {
        return mapper.burners(kitchenId).stream()
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), Burner.class)))
                .toList();
    }

    public List<Thing<Container>> containers(String kitchenId) {
        return mapper.containers(kitchenId).stream()
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), Container.class)))
                .toList();
    }

    /** The vessel, held until the transaction ends. */
    public Thing<Vessel> hold(String kitchenId, String vesselId) {
        return mapper.vesselForUpdate(vesselId, kitchenId)
                .map(row -> new Thing<>(row.id(), row.name(), json.read(row.figures(), Vessel.class)))
                .orElseThrow(() -> new NotFound("vessel"));
    }

    private static KitchenMapper.ThingRow thing(
            String kitchenId, String name, List<KitchenMapper.ThingRow> there, String figures) {
        name("name", name, 40);
        if (there.size() >= MOST_THINGS) {
            throw Refusal.outside("name", "too many already", 0, MOST_THINGS, "pieces");
        }
        if (there.stream().anyMatch(row -> row.name().equalsIgnoreCase(name.trim()))) {
            throw Refusal.of("name", "there is one of that name already");
        }
        return new KitchenMapper.ThingRow(UUID.randomUUID().toString(), kitchenId, name.trim(), there.size(), figures);
    }

    private static void name(String field, String name, int longest) {
        if (name == null || name.isBlank() || name.length() > longest) {
            throw Refusal.outside(field, "too short or too long", 1, longest, "characters");
        }
    }
}

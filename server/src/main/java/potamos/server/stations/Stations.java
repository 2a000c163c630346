package potamos.server.stations;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.Needs;
import potamos.core.course.Importance;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.server.Joined;
import potamos.server.KitchenClock;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** The stations of a kitchen. */
@Service
public class Stations {

    private static final int LONGEST_NAME = 40;
    private static final int MOST = 60;

    private final StationMapper mapper;
    private final KitchenClock clock;

    Stations(StationMapper mapper, KitchenClock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /**
     * A station that asks for litres.
     *
     * @param importance how much it counts that its stock is late
     * @param needs      what it needs of every stock
     */
    public record Station(String id, String name, Importance importance, Needs needs) {}

    /** Those in use, in their order. */
    public List<Station> of(String kitchenId) {
        return mapper.all(kitchenId).stream().map(Stations::station).toList();
    }

    /**
     * One of them.
     *
     * @throws Conflict where it is no more
     */
    public Station one(String kitchenId, String id) {
        StationMapper.Row row = mapper.byId(id, kitchenId).orElseThrow(() -> new NotFound("station"));
        if (row.retiredAt() != null) {
            throw new Conflict("station", row.name() + " is out of use.");
        }
        return station(row);
    }

    /**
     * Adds one, after those that there are.
     *
     * @return its id
     * @throws Refusal on {@code name} where there is, or was, one of that name
     */
    @Transactional
    public String add(String kitchenId, String name, Importance importance, Needs needs) {
        if (mapper.all(kitchenId).size() >= MOST) {
            throw Refusal.outside("name", "too many already", 0, MOST, "stations");
        }
        StationMapper.Row row =
                row(UUID.randomUUID().toString(), kitchenId, free(kitchenId, name, ""), importance, needs);
        mapper.insert(row);
        return row.id();
    }

    /** Changes one; calls that are asked for already keep what they were asked with. */
    @Transactional
    public void change(String kitchenId, String id, String name, Importance importance, Needs needs) {
        one(kitchenId, id);
        mapper.update(row(id, kitchenId, free(kitchenId, name, id), importance, needs));
    }

    /**
     * Puts them in order.
     *
     * @throws Refusal where some are not named, or named twice
     */
    @Transactional
    public void order(String kitchenId, List<String> ids) {
        Set<String> all = Set.copyOf(of(kitchenId).stream().map(Station::id).toList());
        if (ids.size() != all.size() || !all.equals(Set.copyOf(ids))) {
            throw Refusal.of("ids", "all stations in use, each once");
        }
        for (int i = 0; i < ids.size(); i++) {
            mapper.place(ids.get(i), kitchenId, i);
        }
    }

    /** Takes one out of use; calls and slips keep its name. */
    @Transactional
    public void retire(String kitchenId, String id) {
        one(kitchenId, id);
        mapper.retire(id, clock.instant());
    }

    private String free(String kitchenId, String name, String except) {
        if (name == null || name.isBlank() || name.trim().length() > LONGEST_NAME) {
            throw Refusal.outside("name", "too short or too long", 1, LONGEST_NAME, "characters");
        }
        if (mapper.named(kitchenId, name.trim(), except) > 0) {
            throw Refusal.of("name", "there is, or was, a station of that name");
        }
        return name.trim();
    }

    private static StationMapper.Row row(String id, String kitchenId, String name, Importance importance, Needs needs) {
        return new StationMapper.Row(
                id, kitchenId, name, importance, Joined.written(needs.without()), Joined.written(needs.needs()), null);
    }

    private static Station station(StationMapper.Row row) {
        return new Station(row.id(), row.name(), row.importance(), needs(row.without(), row.needs()));
    }

    /** Needs as they stand in two columns. */
    static Needs needs(String without, String needs) {
        return new Needs(Joined.read(without, Allergen::valueOf), Joined.read(needs, Needs.Need::valueOf));
    }
}

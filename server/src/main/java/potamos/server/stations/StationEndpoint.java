package potamos.server.stations;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.charge.Needs;
import potamos.core.course.Importance;
import potamos.core.safety.Allergen;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;

/** The stations of a kitchen over HTTP. */
@RestController
@RequestMapping("/api/kitchen/stations")
@Transactional
class StationEndpoint {

    /**
     * A station.
     *
     * @param without allergens that are in nothing it is given
     * @param needs   what else all must be that it is given
     */
    record StationView(
            @NotNull String id,
            @NotNull String name,
            @NotNull Importance importance,
            @NotNull List<Allergen> without,
            @NotNull List<Needs.Need> needs) {
        static StationView of(Stations.Station station) {
            return new StationView(
                    station.id(),
                    station.name(),
                    station.importance(),
                    station.needs().without().stream().sorted().toList(),
                    station.needs().needs().stream().sorted().toList());
        }
    }

    /** Left out, it counts as the others do and needs nothing. */
    record StationBody(
            @NotBlank @Size(max = 40) String name,
            Importance importance,
            Set<@NotNull Allergen> without,
            Set<Needs.@NotNull Need> needs) {

        Importance counts() {
            return importance == null ? Importance.USUAL : importance;
        }

        Needs asked() {
            return new Needs(without == null ? Set.of() : without, needs == null ? Set.of() : needs);
        }
    }

    record OrderBody(@NotNull @Size(max = 60) List<@NotNull String> ids) {}

    private final Stations stations;
    private final Calls calls;
    private final StandingCalls standing;
    private final Changes changes;

    StationEndpoint(Stations stations, Calls calls, StandingCalls standing, Changes changes) {
        this.stations = stations;
        this.calls = calls;
        this.standing = standing;
        this.changes = changes;
    }

    @Operation(summary = "The stations in use, in their order")
    @GetMapping
    public List<StationView> all(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return stations.of(person.kitchenId()).stream().map(StationView::of).toList();
    }

    @Operation(summary = "Adds a station")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public List<StationView> add(@AuthenticationPrincipal Person person, @Valid @RequestBody StationBody body) {
        person.require(Right.SET_UP);
        changed(person, stations.add(person.kitchenId(), body.name(), body.counts(), body.asked()));
        return all(person);
    }

    @Operation(summary = "Renames a station, or changes how much it counts and what it needs of every stock")
    @PutMapping("/{id}")
    public List<StationView> change(
            @AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody StationBody body) {
        person.require(Right.SET_UP);
        stations.change(person.kitchenId(), id, body.name(), body.counts(), body.asked());
        changed(person, id);
        return all(person);
    }

    @Operation(summary = "Puts the stations in order")
    @PutMapping
    public List<StationView> order(@AuthenticationPrincipal Person person, @Valid @RequestBody OrderBody body) {
        person.require(Right.SET_UP);
        stations.order(person.kitchenId(), body.ids());
        changed(person, "");
        return all(person);
    }

    @Operation(summary = "Takes a station out of use that waits for nothing any more")
    @DeleteMapping("/{id}")
    public List<StationView> retire(@AuthenticationPrincipal Person person, @PathVariable String id) {
        person.require(Right.SET_UP);
        String name = stations.one(person.kitchenId(), id).name();
        boolean waits = calls.all(person).stream()
                .anyMatch(call -> call.stationId().equals(id) && !call.status().ended());
        boolean comesBack = standing.all(person).stream()
                .anyMatch(pattern -> pattern.stationId().equals(id));
        if (waits || comesBack) {
            throw new Conflict(
                    "station", name + " still waits for stock. Close its calls, and end what comes back, first.");
        }
        stations.retire(person.kitchenId(), id);
        changed(person, id);
        return all(person);
    }

    private void changed(Person person, String id) {
        changes.note(person.kitchenId(), "kitchen", id);
        changes.note(person.kitchenId(), "calls", id);
    }
}

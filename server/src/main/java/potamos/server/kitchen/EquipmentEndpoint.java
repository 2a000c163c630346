package potamos.server.kitchen;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.course.Rota;
import potamos.core.course.Unattended;
import potamos.core.heat.Air;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;
import potamos.core.schedule.Owed;
import potamos.core.vessel.BedKind;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens.Equipment;
import potamos.server.live.Changes;

/** What stands in a kitchen and the kitchen's own figures, added and changed. */
@RestController
@RequestMapping("/api/kitchen")
@Transactional
class EquipmentEndpoint {

    record BedBody(
            double bulkKgPerL,
            double trueKgPerL,
            double collagenGPerKg,
            double halfTimeH,
            double fatGPerKg,
            double scumRawG,
            double scumBlanchedG,
            double scumRoastedG,
            double uptakeDrainedLPerKg,
            double uptakePressedLPerKg,
            double settlesTo) {}

    record SettingsBody(
            @NotBlank @Size(max = 80) String name,
            double altitudeM,
            @NotBlank String timeZone,
            @NotBlank String units,
            double airC,
            double humidity,
            double airSpeedMS,
            Double tapC,
            Double callTolerance,
            Integer strainerSets) {}

    record HoursBody(
            @NotEmpty @Size(max = 7) List<@NotNull DayOfWeek> days,
            @NotNull LocalTime from,
            @NotNull LocalTime to,
            int cooks) {}

    record RotaBody(
            @NotEmpty @Valid @Size(max = 40) List<HoursBody> hours,
            @NotNull Unattended unattended,
            @Size(max = 12) List<@NotNull LocalTime> checks) {}

    record StageBody(double fromC, double toC, int withinMin) {}

    record LimitsBody(
            @NotBlank @Size(max = 60) String id,
            @NotBlank @Size(max = 80) String name,
            @Size(max = 120) String source,
            @NotEmpty @Size(max = 4) List<StageBody> stages,
            double hotHoldC,
            double coldStoreC,
            double reheatC,
            int reheatWithinMin,

            @Schema(
                    description =
                            "Cooling begins so soon after the end of the heat; left out where nothing is asked of that.")
            Integer beginWithinMin,

            int coldDays,
            int dayOfMaking) {}

    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    EquipmentEndpoint(Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    @Operation(summary = "Adds a vessel")
    @PostMapping("/vessels")
    @ResponseStatus(HttpStatus.CREATED)
    public void addVessel(@AuthenticationPrincipal Person person, @Valid @RequestBody Bodies.VesselBody body) {
        add(person, Equipment.VESSEL, body.name(), body.vessel());
    }

    @Operation(summary = "Changes a vessel")
    @PutMapping("/vessels/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeVessel(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @Valid @RequestBody Bodies.VesselBody body) {
        change(person, Equipment.VESSEL, id, body.name(), body.vessel());
    }

    @Operation(summary = "Adds a burner")
    @PostMapping("/burners")
    @ResponseStatus(HttpStatus.CREATED)
    public void addBurner(@AuthenticationPrincipal Person person, @Valid @RequestBody Bodies.BurnerBody body) {
        add(person, Equipment.BURNER, body.name(), body.burner());
    }

    @Operation(summary = "Changes a burner")
    @PutMapping("/burners/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeBurner(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @Valid @RequestBody Bodies.BurnerBody body) {
        change(person, Equipment.BURNER, id, body.name(), body.burner());
    }

    @Operation(summary = "Adds an oven")
    @PostMapping("/ovens")
    @ResponseStatus(HttpStatus.CREATED)
    public void addOven(@AuthenticationPrincipal Person person, @Valid @RequestBody Bodies.OvenBody body) {
        add(person, Equipment.OVEN, body.name(), body.oven());
    }

    @Operation(summary = "Changes an oven")
    @PutMapping("/ovens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeOven(
            @AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Bodies.OvenBody body) {
        change(person, Equipment.OVEN, id, body.name(), body.oven());
    }

    @Operation(summary = "Adds a kind of container")
    @PostMapping("/containers")
    @ResponseStatus(HttpStatus.CREATED)
    public void addContainer(@AuthenticationPrincipal Person person, @Valid @RequestBody Bodies.ContainerBody body) {
        add(person, Equipment.CONTAINER, body.name(), body.container());
    }

    @Operation(summary = "Changes a container")
    @PutMapping("/containers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeContainer(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @Valid @RequestBody Bodies.ContainerBody body) {
        change(person, Equipment.CONTAINER, id, body.name(), body.container());
    }

    @Operation(summary = "Adds a chiller")
    @PostMapping("/chillers")
    @ResponseStatus(HttpStatus.CREATED)
    public void addChiller(@AuthenticationPrincipal Person person, @Valid @RequestBody Bodies.ChillerBody body) {
        add(person, Equipment.CHILLER, body.name(), body.chiller());
    }

    @Operation(summary = "Changes a chiller")
    @PutMapping("/chillers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeChiller(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @Valid @RequestBody Bodies.ChillerBody body) {
        change(person, Equipment.CHILLER, id, body.name(), body.chiller());
    }

    /** Out of use: kept for the batches that name it, offered no more. */
    @Operation(summary = "Takes a piece of equipment out of use")
    @PostMapping("/{kind}/{id}/retirement")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void retire(@AuthenticationPrincipal Person person, @PathVariable String kind, @PathVariable String id) {
        person.require(Right.SET_UP);
        Equipment equipment = switch (kind) {
            case "vessels" -> Equipment.VESSEL;
            case "burners" -> Equipment.BURNER;
            case "ovens" -> Equipment.OVEN;
            case "containers" -> Equipment.CONTAINER;
            case "chillers" -> Equipment.CHILLER;
            default -> throw Refusal.of("kind", "one of vessels, burners, ovens, containers, chillers");
        };
        kitchens.retire(person.kitchenId(), equipment, id, clock.instant());
        changes.note(person.kitchenId(), "kitchen", id);
    }

    @Operation(summary = "The kitchen's own figures of a kind of bed")
    @PutMapping("/beds/{slug}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeBed(
            @AuthenticationPrincipal Person person, @PathVariable String slug, @Valid @RequestBody BedBody body) {
        person.require(Right.SET_UP);
        BedKind old = kitchens.bed(person.kitchenId(), slug);
        kitchens.changeBed(
                person.kitchenId(),
                new BedKind(
                        old.id(),
                        old.name(),
                        body.bulkKgPerL(),
                        body.trueKgPerL(),
                        body.collagenGPerKg(),
                        body.halfTimeH(),
                        body.fatGPerKg(),
                        new BedKind.Scum(body.scumRawG(), body.scumBlanchedG(), body.scumRoastedG()),
                        body.uptakeDrainedLPerKg(),
                        body.uptakePressedLPerKg(),
                        body.settlesTo(),
                        old.heatKjPerKgK()));
        changes.note(person.kitchenId(), "kitchen", "");
    }

    @Operation(summary = "Changes where the kitchen is and what it works with")
    @PutMapping("/settings")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeSettings(@AuthenticationPrincipal Person person, @Valid @RequestBody SettingsBody body) {
        person.require(Right.SET_UP);
        if (!ZoneId.getAvailableZoneIds().contains(body.timeZone())) {
            throw Refusal.of("timeZone", "not a time zone that is known, such as Europe/Zurich");
        }
        Kitchens.Kitchen old = kitchens.of(person.kitchenId());
        ZoneId zone = ZoneId.of(body.timeZone());
        kitchens.change(old.with(k -> k.name(body.name())
                .units(body.units())
                .zone(zone)
                .air(new Air(
                        Length.ofCm(body.altitudeM() * 100),
                        Temperature.ofCelsius(body.airC()),
                        body.humidity(),
                        body.airSpeedMS()))
                .tap(body.tapC() == null ? old.tap() : Temperature.ofCelsius(body.tapC()))
                .callTolerance(body.callTolerance() == null ? old.callTolerance() : Owed.checked(body.callTolerance()))
                .strainerSets(body.strainerSets() == null ? old.strainerSets() : body.strainerSets())
                .rota(new Rota(zone, old.rota().hours()).checkedAt(old.rota().checks()))));
        changes.note(person.kitchenId(), "kitchen", "");
    }

    /** When people are there, and what goes on without them: new plans go by it. */
    @Operation(summary = "Changes the hours of the kitchen, and what simmers unattended")
    @PutMapping("/rota")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeRota(@AuthenticationPrincipal Person person, @Valid @RequestBody RotaBody body) {
        person.require(Right.SET_UP);
        List<Rota.Hours> hours = body.hours().stream()
                .map(h -> new Rota.Hours(Set.copyOf(h.days()), h.from(), h.to(), h.cooks()))
                .toList();
        kitchens.changeRota(
                person.kitchenId(),
                hours,
                body.unattended(),
                body.checks() == null ? List.of() : body.checks(),
                clock.instant());
        changes.note(person.kitchenId(), "kitchen", "");
    }

    /** The limits that new plans are judged by; verdicts on accepted plans keep the ones they quoted. */
    @Operation(summary = "Changes the limits that cooling is judged by")
    @PutMapping("/limits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void changeLimits(@AuthenticationPrincipal Person person, @Valid @RequestBody LimitsBody body) {
        person.require(Right.SET_UP);
        Refusal.unlessWithin("dayOfMaking", body.dayOfMaking(), 0, 1, "");
        Refusal.unlessWithin("hotHoldC", body.hotHoldC(), 40, 100, "°C");
        Refusal.unlessWithin("coldStoreC", body.coldStoreC(), -5, 15, "°C");
        Refusal.unlessWithin("reheatC", body.reheatC(), 50, 100, "°C");
        Refusal.unlessWithin("reheatWithinMin", body.reheatWithinMin(), 10, 240, "min");
        if (body.beginWithinMin() != null) {
            Refusal.unlessWithin("beginWithinMin", body.beginWithinMin(), 5, 240, "min");
        }
        LimitProfile limits = new LimitProfile(
                body.id(),
                body.name(),
                body.source() == null ? "" : body.source(),
                body.stages().stream().map(EquipmentEndpoint::stage).toList(),
                Temperature.ofCelsius(body.hotHoldC()),
                Temperature.ofCelsius(body.coldStoreC()),
                Temperature.ofCelsius(body.reheatC()),
                Duration.ofMinutes(body.reheatWithinMin()),
                Optional.ofNullable(body.beginWithinMin()).map(Duration::ofMinutes),
                body.coldDays(),
                body.dayOfMaking());
        Kitchens.Kitchen old = kitchens.of(person.kitchenId());
        kitchens.change(old.withLimits(limits.asOf(old.name(), old.limits())));
        changes.note(person.kitchenId(), "kitchen", "");
    }

    private static LimitProfile.Stage stage(StageBody body) {
        Refusal.unlessWithin("stages", body.fromC(), 10, 100, "°C");
        Refusal.unlessWithin("stages", body.toC(), 0, 60, "°C");
        Refusal.unlessWithin("stages", body.withinMin(), 10, 24 * 60, "min");
        return new LimitProfile.Stage(
                Temperature.ofCelsius(body.fromC()),
                Temperature.ofCelsius(body.toC()),
                Duration.ofMinutes(body.withinMin()));
    }

    private void add(Person person, Equipment kind, String name, Object figures) {
        person.require(Right.SET_UP);
        changes.note(person.kitchenId(), "kitchen", kitchens.add(person.kitchenId(), kind, name, figures));
    }

    private void change(Person person, Equipment kind, String id, String name, Object figures) {
        person.require(Right.SET_UP);
        kitchens.change(person.kitchenId(), kind, id, name, figures);
        changes.note(person.kitchenId(), "kitchen", id);
    }
}

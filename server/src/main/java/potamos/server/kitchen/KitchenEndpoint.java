package potamos.server.kitchen;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalTime;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.cooling.Container;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;

/** The kitchen's own page, and the first run that makes the kitchen. */
@RestController
@RequestMapping("/api/kitchen")
class KitchenEndpoint {

    /** A stage of cooling in plain figures. */
    record StageView(double fromC, double toC, long withinMin) {}

    record LimitsView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String source,
            @NotNull List<StageView> stages,
            double hotHoldC,
            double coldStoreC,
            double reheatC,
            int coldDays) {
        static LimitsView of(LimitProfile limits) {
            return new LimitsView(
                    limits.id(),
                    limits.name(),
                    limits.source(),
                    limits.stages().stream()
                            .map(s -> new StageView(
                                    s.from().celsius(),
                                    s.to().celsius(),
                                    s.within().toMinutes()))
                            .toList(),
                    limits.hotHold().celsius(),
                    limits.coldStore().celsius(),
                    limits.reheat().celsius(),
                    limits.coldDays());
        }
    }

    record BurnerView(@NotNull String id, @NotNull String name, double ratedKw, double efficiency) {}

    record ContainerView(@NotNull String id, @NotNull String name, double holdsL) {}

    record StationView(@NotNull String id, @NotNull String name) {}

    /** Everything that stands in a kitchen. */
    record KitchenView(
            @NotNull String name,
            double altitudeM,
            double boilingC,
            @NotNull String units,
            @NotNull String timeZone,
            @NotNull String opens,
            @NotNull String closes,
            @NotNull LimitsView limits,
            @NotNull List<Drawn> vessels,
            @NotNull List<BurnerView> burners,
            @NotNull List<ContainerView> containers,
            @NotNull List<StationView> stations) {}

    /** A straight-walled pot as a person measures it. */
    record PotBody(@NotBlank @Size(max = 40) String name, double diameterCm, double heightCm, Double metalKg) {

        Vessel vessel() {
            Shape shape = new Shape.Cylinder(Length.ofCm(diameterCm), Length.ofCm(heightCm));
            // A steel pot of 2 mm weighs about 16 g for each cm² of its wall.
            double metal = metalKg != null ? metalKg : shape.wettedDm2(shape.height()) * 0.16;
            Refusal.unlessWithin("metalKg", metal, 0.1, 500, "kg");
            return new Vessel(name, shape, Vessel.bookKappa(), Mass.ofKg(metal), Vessel.Handling.LIFTED);
        }
    }

    /** What the first run asks for. */
    record FirstRun(
            @NotBlank @Size(max = 80) String kitchen,
            double altitudeM,
            @NotBlank String timeZone,
            @NotBlank String units,
            @NotBlank String limits,
            @NotBlank @Size(max = 80) String name,
            @NotBlank @Size(max = 60) String signIn,
            @NotBlank @Size(max = 72) String password,
            @Valid @NotNull PotBody pot,
            double burnerKw) {}

    private final Kitchens kitchens;
    private final Accounts accounts;
    private final Formulas formulas;
    private final Changes changes;

    KitchenEndpoint(Kitchens kitchens, Accounts accounts, Formulas formulas, Changes changes) {
        this.kitchens = kitchens;
        this.accounts = accounts;
        this.formulas = formulas;
        this.changes = changes;
    }

    @GetMapping
    KitchenView kitchen(@AuthenticationPrincipal Person person) {
        String id = person.kitchenId();
        Kitchens.Kitchen kitchen = kitchens.of(id);
        return new KitchenView(
                kitchen.name(),
                kitchen.air().altitude().metres(),
                kitchen.air().boilingPoint().celsius(),
                kitchen.units(),
                kitchen.zone().getId(),
                kitchen.opens().toString(),
                kitchen.closes().toString(),
                LimitsView.of(kitchen.limits()),
                kitchens.vessels(id).stream()
                        .map(v -> Drawn.of(v.id(), v.figures()))
                        .toList(),
                kitchens.burners(id).stream()
                        .map(b -> new BurnerView(
                                b.id(),
                                b.name(),
                                b.figures().rated().watts() / 1000,
                                b.figures().efficiency()))
                        .toList(),
                kitchens.containers(id).stream()
                        .map(c -> new ContainerView(
                                c.id(), c.name(), c.figures().holds().litres()))
                        .toList(),
                kitchens.stations(id).stream()
                        .map(s -> new StationView(s.id(), s.name()))
                        .toList());
    }

    /** The first run: the kitchen, its first account, its first pot. Possible once. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public void firstRun(@Valid @RequestBody FirstRun body) {
        if (!kitchens.none()) {
            throw new Conflict("kitchen", "This kitchen has been made already. Sign in.");
        }
        String id = kitchens.add(
                body.kitchen(),
                Length.ofCm(body.altitudeM() * 100),
                body.timeZone(),
                body.units(),
                LocalTime.of(6, 0),
                LocalTime.of(22, 0),
                body.limits());
        formulas.stock(id);
        accounts.add(id, null, body.signIn(), body.name(), Role.COOK, body.password());
        kitchens.addVessel(id, body.pot().vessel());
        kitchens.addBurner(id, new Burner("Burner 1", Power.ofKilowatts(body.burnerKw()), 0.5));
        kitchens.addContainer(
                id,
                new Container(
                        "10 L container",
                        new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)),
                        Container.Wall.STEEL,
                        Length.ofMm(1),
                        Volume.ofLitres(10)));
        for (String station : List.of("Sauce", "Soup")) {
            kitchens.addStation(id, station);
        }
    }

    @PostMapping("/vessels")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public void addVessel(@AuthenticationPrincipal Person person, @Valid @RequestBody PotBody body) {
        person.require(Role.Right.SET_UP);
        String id = kitchens.addVessel(person.kitchenId(), body.vessel());
        changes.note(person.kitchenId(), "kitchen", id);
    }
}

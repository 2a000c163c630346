package potamos.server.visits;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalTime;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.charge.Needs;
import potamos.core.cooling.Container;
import potamos.core.course.Importance;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Bodies;
import potamos.server.kitchen.Kitchens;
import potamos.server.problems.Conflict;
import potamos.server.stations.Stations;

/** The first visit: makes the kitchen, its first account and its first pot. Possible once. */
@RestController
class FirstRunEndpoint {

    private static final LocalTime OPENS = LocalTime.of(6, 0);
    private static final LocalTime CLOSES = LocalTime.of(22, 0);
    private static final int CONTAINERS = 6;

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
            @Valid @NotNull Bodies.VesselBody pot,
            double burnerKw) {}

    private final Kitchens kitchens;
    private final Stations stations;
    private final Accounts accounts;
    private final Formulas formulas;

    FirstRunEndpoint(Kitchens kitchens, Stations stations, Accounts accounts, Formulas formulas) {
        this.kitchens = kitchens;
        this.stations = stations;
        this.accounts = accounts;
        this.formulas = formulas;
    }

    @Operation(summary = "The first run: makes the kitchen and its first account")
    @PostMapping("/api/kitchen")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public void firstRun(@Valid @RequestBody FirstRun body) {
        // Of several that are sent at once each waits here for the one before.
        if (!kitchens.beginFirstRun() || !kitchens.none()) {
            throw new Conflict("kitchen", "This kitchen has been made already. Sign in.");
        }
        String id = kitchens.add(
                body.kitchen(),
                Length.ofCm(body.altitudeM() * 100),
                body.timeZone(),
                body.units(),
                OPENS,
                CLOSES,
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
                        Volume.ofLitres(10)),
                CONTAINERS);
        for (String station : List.of("Sauce", "Soup")) {
            stations.add(id, station, Importance.USUAL, Needs.NONE);
        }
    }
}

package potamos.core.charge;

import java.util.List;
import java.util.Optional;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.vessel.Vessel;

/**
 * Where a charge is to be cooked.
 *
 * @param simmerAt a simmer kept at this temperature instead of the middle of the formula's band; below the local boiling point
 * @param ovens    to choose from for a roast; none means any oven
 */
public record Pot(Vessel vessel, Burner burner, Air air, Optional<Temperature> simmerAt, List<Oven> ovens) {

    private static final double COOLEST_SIMMER_C = 40;

    public Pot {
        ovens = List.copyOf(ovens);
        simmerAt.ifPresent(at -> Refusal.unlessWithin(
                "simmerC", at.celsius(), COOLEST_SIMMER_C, air.boilingPoint().celsius(), "°C"));
    }

    /** With the simmer in the formula's band. */
    public Pot(Vessel vessel, Burner burner, Air air) {
        this(vessel, burner, air, Optional.empty(), List.of());
    }
}

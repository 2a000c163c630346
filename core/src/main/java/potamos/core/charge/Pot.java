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
 * @param burner   under it; a vessel with heat of its own has that instead
 * @param simmerAt a simmer kept at this temperature instead of the middle of the formula's band; below the local boiling point
 * @param ovens    to choose from for a roast; none means any oven
 * @param tap      how cold its water comes
 */
public record Pot(
        Vessel vessel, Burner burner, Air air, Optional<Temperature> simmerAt, List<Oven> ovens, Temperature tap) {

    /** Where nobody has held a thermometer under it. */
    public static final Temperature BOOK_TAP = Temperature.ofCelsius(12);

    /** What a formula fills no warmer than this comes from the tap as it is. */
    private static final double COLD_C = 20;

    private static final double COOLEST_SIMMER_C = 40;

    public Pot {
        ovens = List.copyOf(ovens);
        // A vessel with heat of its own stands on no burner.
        burner = Burner.own(vessel).orElse(burner);
        Refusal.unlessWithin("tapC", tap.celsius(), 1, 35, "°C");
        simmerAt.ifPresent(at -> Refusal.unlessWithin(
                "simmerC", at.celsius(), COOLEST_SIMMER_C, air.boilingPoint().celsius(), "°C"));
    }

    /** With the simmer in the formula's band. */
    public Pot(Vessel vessel, Burner burner, Air air) {
        this(vessel, burner, air, Optional.empty(), List.of(), BOOK_TAP);
    }

    /** The tap that a pot was filled from which was filled so warm; the book's where it was filled hot. */
    static Temperature tapOf(Temperature filled) {
        return filled.celsius() > COLD_C ? BOOK_TAP : filled;
    }

    /** How warm the water goes in that a formula fills at a temperature. */
    Temperature filledAt(Temperature formula) {
        return formula.celsius() > COLD_C ? formula : tap;
    }
}

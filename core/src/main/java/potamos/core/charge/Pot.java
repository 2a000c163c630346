package potamos.core.charge;

import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.vessel.Vessel;

/** Where a charge is to be cooked. */
public record Pot(Vessel vessel, Burner burner, Air air) {}

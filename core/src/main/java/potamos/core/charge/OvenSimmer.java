package potamos.core.charge;

import potamos.core.flow.Run;
import potamos.core.heat.PotHeat;
import potamos.core.heat.Surroundings;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.vessel.Vessel;

/**
 * A pot that simmers in the oven. The air of an oven holds it where its steam carries away what its walls take in, which for an open pot may be below the
 * simmer that its formula wants: then it simmers as hot as it gets.
 */
final class OvenSimmer {

    /** It creeps up on that; so near to it a cook calls it there. */
    private static final double NEAR_K = 3;

    /** Cooler than this nothing simmers. */
    private static final double COOLEST_C = 80;

    private OvenSimmer() {}

    /** The run as hot as its oven keeps it. */
    static Run of(Run run) {
        double most = settlesAt(run) - NEAR_K;
        return run.withSimmerAt(
                Temperature.ofCelsius(Math.min(most, run.simmerAt().celsius())));
    }

    /** @throws Refusal on {@code simmerOvenC} when the oven keeps it too cool, on {@code vesselId} for a vessel that goes into none */
    static void check(Run run) {
        Vessel vessel = run.vessel();
        if (vessel.handling() != Vessel.Handling.LIFTED || vessel.own().isPresent()) {
            throw Refusal.of(
                    "vesselId", vessel.name() + " does not go into an oven; take a pot or a pan that is lifted");
        }
        if (run.simmerAt().celsius() < COOLEST_C) {
            throw Refusal.of(
                    "simmerOvenC",
                    "an oven at %.0f °C keeps this pot at no more than %.0f °C; put a lid on it, or set the oven hotter"
                            .formatted(
                                    run.simmer().oven().orElseThrow().celsius(),
                                    run.simmerAt().celsius()));
        }
    }

    private static double settlesAt(Run run) {
        PotHeat heat = new PotHeat(
                        run.vessel(),
                        run.bed().mass().kg() * run.bed().kind().heatKjPerKgK(),
                        run.bed().displacedVolume(),
                        run.air(),
                        run.simmer().cover(),
                        run.vessel().kappa().value())
                .in(Surroundings.oven(run.simmer().oven().orElseThrow()));
        return heat.settlesAt(run.filling(), Power.ofKilowatts(0)).celsius();
    }
}

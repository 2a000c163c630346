package potamos.core.flow;

import java.util.List;
import potamos.core.formula.Phase;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.PotHeat;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;

/**
 * A pot that is to be run: everything that its course depends on.
 *
 * @param vessel      the pot
 * @param bed         in it
 * @param preparation of the bed
 * @param water       drawn cold
 * @param waterC      its temperature
 * @param others      other solids
 * @param simmer      as the procedure has it
 * @param restMin     minutes off the heat before straining
 * @param strain      as the procedure has it
 * @param degreased   whether the floating fat is lifted before the litres count
 * @param air         around the pot
 * @param burner      under it
 */
public record Run(
        Vessel vessel,
        Bed bed,
        BedKind.Preparation preparation,
        Volume water,
        Temperature waterC,
        List<Solids> others,
        Phase.Simmer simmer,
        double restMin,
        Phase.Strain strain,
        boolean degreased,
        Air air,
        Burner burner) {

    public Run {
        others = List.copyOf(others);
    }

    /** Liquor and solids right after filling. */
    public Volume filling() {
        Volume early = others.stream()
                .filter(s -> s.intoTheSimmer().isZero())
                .map(Solids::displaced)
                .reduce(Volume.ZERO, Volume::plus);
        return water.plus(bed.displacedVolume()).plus(early);
    }

    /** Liquor and solids once everything is in, before steam has taken any. */
    public Volume everythingIn() {
        return water.plus(bed.displacedVolume()).plus(othersDisplaced());
    }

    Volume othersDisplaced() {
        return others.stream().map(Solids::displaced).reduce(Volume.ZERO, Volume::plus);
    }

    /** The temperature at which this pot simmers, from its band and the local boiling point. */
    public Temperature simmerAt() {
        return simmer.band().middle(air.boilingPoint());
    }

    /** The heat balance of the filled pot. */
    public PotHeat heat(double kappa) {
        double kjPerK = bed.mass().kg() * bed.kind().heatKjPerKgK();
        return new PotHeat(vessel, kjPerK, bed.displacedVolume(), air, simmer.cover(), kappa);
    }
}

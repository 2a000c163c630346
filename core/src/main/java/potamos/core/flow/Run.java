package potamos.core.flow;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Liquid;
import potamos.core.formula.PotPhase;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Water;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;

/**
 * A pot that is to be run: everything that its course depends on.
 *
 * @param vessel      the pot
 * @param bed         in it, as it comes out of its roasting
 * @param raw         what of it was weighed out
 * @param preparation of the bed
 * @param liquid      what is drawn
 * @param water       how much of it
 * @param waterC      its temperature
 * @param poured      wine and deglazing, cooked down, that go in with the water
 * @param others      other solids
 * @param steeps      warm holds on the way to the simmer
 * @param simmer      as the procedure has it
 * @param simmerAt    temperature of it
 * @param restMin     minutes off the heat before straining
 * @param strain      as the procedure has it
 * @param reduction   what is boiled away afterwards
 * @param degreased   whether the floating fat is lifted before the litres count
 * @param air         around the pot
 * @param burner      under it, or what its vessel has of its own; an oven simmer is only reduced on it
 */
@RecordBuilder
public record Run(
        Vessel vessel,
        Bed bed,
        Mass raw,
        BedKind.Preparation preparation,
        Liquid liquid,
        Volume water,
        Temperature waterC,
        Volume poured,
        List<Solids> others,
        List<PotPhase.Steep> steeps,
        PotPhase.Simmer simmer,
        Temperature simmerAt,
        double restMin,
        FinishPhase.Strain strain,
        Reduction reduction,
        boolean degreased,
        Air air,
        Burner burner)
        implements RunBuilder.With {

    /** What heats a pot. */
    public enum Heat {
        BURNER,
        /** The vessel's own. */
        OWN,
        OVEN
    }

    public Run {
        others = List.copyOf(others);
        steeps = List.copyOf(steeps);
    }

    /**
     * A reduction after the simmer.
     *
     * @param toFraction      of the volume that is left; 1 for none
     * @param beforeStraining whether it happens in the pot, before anything is strained
     */
    public record Reduction(double toFraction, boolean beforeStraining) {
        public static final Reduction NONE = new Reduction(1, false);

        /**
         * Litres that are boiled away.
         *
         * @param strained  litres that would come out without it
         * @param strainers what stays on them; in the pot it is boiled down too
         */
        public Volume boiledAway(Volume strained, Volume strainers) {
            Volume all = beforeStraining ? strained.plus(strainers) : strained;
            return all.orNone().times(1 - toFraction);
        }
    }

    public Heat heat() {
        return simmer.oven().isPresent() ? Heat.OVEN : vessel.own().isPresent() ? Heat.OWN : Heat.BURNER;
    }

    /** Heat that comes through its bottom; in an oven all of it comes through the walls. */
    public Power fire() {
        return heat() == Heat.OVEN ? Power.ofKilowatts(0) : burner.delivered();
    }

    /** The same with other solids beside the bed, and other wine. */
    public Run withParts(Volume otherPoured, List<Solids> otherSolids) {
        return withPoured(otherPoured).withOthers(otherSolids);
    }

    /** Room that liquor and solids take right after filling. */
    public Volume filling() {
        return liquor().times(Water.room(waterC)).plus(solidsIn(0));
    }

    /** Room that liquor and solids take once everything is in and hot, before steam has taken any. */
    public Volume everythingIn() {
        return liquor().times(Water.room(simmerAt)).plus(bed.displacedVolume()).plus(othersDisplaced());
    }

    /** What is drawn and poured, L as a ledger has them. */
    private Volume liquor() {
        return water.plus(poured);
    }

    /** Room that the solids take which are in the pot so long after its simmer began; before it, those that went in with the water. */
    public Volume solidsIn(double simmeredMin) {
        return others.stream()
                .filter(s -> s.intoTheSimmer().toSeconds() / 60.0 < Math.max(simmeredMin, 1e-9))
                .map(Solids::displaced)
                .reduce(bed.displacedVolume(), Volume::plus);
    }

    Volume othersDisplaced() {
        return others.stream().map(Solids::displaced).reduce(Volume.ZERO, Volume::plus);
    }
}

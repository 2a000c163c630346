package potamos.core.vessel;

import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/** So much of a kind of bed. */
public record Bed(BedKind kind, Mass mass) {

    /** Room it takes as it lies, voids included. */
    public Volume bulkVolume() {
        return mass.atDensity(kind.bulkKgPerL());
    }

    /** Water it pushes up. */
    public Volume displacedVolume() {
        return mass.atDensity(kind.trueKgPerL());
    }

    /** Water that just covers it: the void between its pieces. */
    public Volume waterToCover() {
        return bulkVolume().minus(displacedVolume());
    }

    /** Height of its top in a vessel as it is filled in. */
    public Length rawHeight(Vessel vessel) {
        return vessel.shape().levelAt(bulkVolume());
    }

    /**
     * Height of its top once it has settled.
     *
     * @param settled 0 as filled in, 1 fully settled
     */
    public Length height(Vessel vessel, double settled) {
        return rawHeight(vessel).times(1 - (1 - kind.settlesTo()) * settled);
    }
}

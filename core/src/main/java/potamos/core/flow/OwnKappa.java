package potamos.core.flow;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import potamos.core.quantity.Band;

/**
 * How much one run steams, as a multiple of what its vessel is known for: what is known beforehand, weighed against what readings of this very pot
 * have shown so far. An old reading weighs less than a new one: flames are turned, lids are shifted.
 */
public final class OwnKappa {

    /** A reading counts for a third of itself when it is so old. */
    private static final Duration FADES_OVER = Duration.ofHours(3);

    /** A pot that steams less than this is not a pot that steams. */
    private static final double LEAST = 0.05;

    private final double priorSd;
    private final List<Seen> seen = new ArrayList<>();

    /** What a reading says: this multiple, give or take. */
    private record Seen(Instant at, double share, double sd) {}

    /** @param priorSd how far one run of this vessel is from another, as a share */
    public OwnKappa(double priorSd) {
        this.priorSd = priorSd;
    }

    /** The same at this moment; from here each goes its own way. */
    public OwnKappa(OwnKappa other) {
        this(other.priorSd);
        seen.addAll(other.seen);
    }

    /**
     * A reading.
     *
     * @param steamed litres that it says have steamed away since the pot was filled
     * @param known   litres that would have, had the vessel steamed as it is known to; above 0
     * @param readSd  of the reading, in litres
     */
    public void read(Instant at, double steamed, double known, double readSd) {
        seen.add(new Seen(at, Math.max(0, steamed / known), readSd / known));
    }

    /** Whether this run has shown anything of it yet. */
    public boolean shown() {
        return !seen.isEmpty();
    }

    /** The multiple as it is believed after the latest reading; 1 before any. */
    public double share() {
        double sum = 1 / (priorSd * priorSd);
        double weights = sum;
        for (Seen reading : seen) {
            double weight = weight(reading);
            sum += weight * reading.share();
            weights += weight;
        }
        return Math.max(LEAST, sum / weights);
    }

    /** How far it may be off. */
    public double sd() {
        double weights = 1 / (priorSd * priorSd);
        for (Seen reading : seen) {
            weights += weight(reading);
        }
        return 1 / Math.sqrt(weights);
    }

    /** The evaporation factor of the run itself. */
    public Band kappa(double known) {
        return Band.ofVariance(known * share(), known * sd() * known * sd()).notBelow(0);
    }

    private double weight(Seen reading) {
        Instant latest = seen.get(seen.size() - 1).at();
        double ages = (double) Duration.between(reading.at(), latest).toMillis() / FADES_OVER.toMillis();
        return Math.exp(-Math.max(0, ages)) / (reading.sd() * reading.sd());
    }
}

package potamos.core.flow;

import java.time.Duration;
import java.time.Instant;
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

    /** Of all readings, as much as each counts at the latest of them. */
    private double weights;

    private double weighted;
    private Instant latest;
    private double share = 1;

    /** @param priorSd how far one run of this vessel is from another, as a share */
    public OwnKappa(double priorSd) {
        this.priorSd = priorSd;
    }

    /** The same at this moment; from here each goes its own way. */
    public OwnKappa(OwnKappa other) {
        this(other.priorSd);
        weights = other.weights;
        weighted = other.weighted;
        latest = other.latest;
        share = other.share;
    }

    /**
     * A reading.
     *
     * @param at      never before the one before it
     * @param steamed litres that it says have steamed away since the pot was filled
     * @param known   litres that would have, had the vessel steamed as it is known to; above 0
     * @param readSd  of the reading, in litres
     */
    public void read(Instant at, double steamed, double known, double readSd) {
        double faded = latest == null ? 0 : fadedBetween(latest, at);
        double sd = readSd / known;
        double weight = 1 / (sd * sd);
        weights = weights * faded + weight;
        weighted = weighted * faded + weight * Math.max(0, steamed / known);
        latest = at;
        double prior = 1 / (priorSd * priorSd);
        share = Math.max(LEAST, (prior + weighted) / (prior + weights));
    }

    private static double fadedBetween(Instant from, Instant to) {
        return Math.exp(-(double) Duration.between(from, to).toMillis() / FADES_OVER.toMillis());
    }

    /** Whether this run has shown anything of it yet. */
    public boolean shown() {
        return latest != null;
    }

    /** The multiple as it is believed after the latest reading; 1 before any. */
    public double share() {
        return share;
    }

    /** How far it may be off. */
    public double sd() {
        return 1 / Math.sqrt(1 / (priorSd * priorSd) + weights);
    }

    /** The evaporation factor of the run itself. */
    public Band kappa(double known) {
        return Band.ofVariance(known * share(), known * sd() * known * sd()).notBelow(0);
    }
}

package potamos.core.schedule;

import java.time.Duration;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * Litres of a stock that are to stand in the cold whatever happens. When there are fewer, what lacks is asked for.
 *
 * @param least 0.5 to 300 L
 */
public record Minimum(Volume least) {

    /** It is asked for so long ahead at least: a stock that stands by is in nobody's hurry. */
    public static final Duration AHEAD = Duration.ofHours(12);

    /** A pot is not put on for less than this share of what is to stand there. */
    private static final double WORTH_A_POT = 0.2;

    private static final double STEP_L = 0.5;
    private static final double LEAST_L = 0.5;

    public Minimum {
        Refusal.unlessWithin("litres", least.litres(), LEAST_L, 300, "L");
    }

    /**
     * What is asked for.
     *
     * @param there  and called for by nobody
     * @param coming of what was asked for before
     * @return in halves of a litre; nothing where enough is there, or too little lacks
     */
    public Volume asks(Volume there, Volume coming) {
        double lacks = least.litres() - there.litres() - coming.litres();
        return lacks < Math.max(LEAST_L, WORTH_A_POT * least.litres())
                ? Volume.ZERO
                : Volume.ofLitres(STEP_L * Math.ceil(lacks / STEP_L - 1e-9));
    }
}

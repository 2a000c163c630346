package potamos.core.flow;

import java.time.Duration;
import java.time.Instant;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.quantity.Length;
import potamos.core.quantity.Volume;

/**
 * When a simmering pot gets water. One that is held gets it whenever it has dropped so far below its mark, and is then brought back to it. One that is
 * refilled in rounds goes down by a quarter of its liquor, gets three quarters of that back, and has its mark there from then on. Both get it once more
 * before the end, however far they have come, so that the yield moves smoothly with the charge. Forecast, due acts, outlook and expectation all go by this.
 *
 * @param keeps what is done about the level
 * @param drop  how far the level of one that is held may fall before it is topped up
 * @param share of what is missing that goes in: all of it in a simmer of an hour and a quarter and more, in a shorter one less, and none where the simmer is
 *              hardly longer than what follows the last top-up; between the two it grows by the minute, so that none of them decides it
 */
public record TopUpPolicy(Keeps keeps, Length drop, double share) {

    /** The last top-up comes so long before the end. */
    public static final Duration LAST = Duration.ofMinutes(30);

    /** Of its liquor that a round takes away. */
    public static final double ROUND_DOWN = 0.25;

    /** Of what a round has taken away that comes back. */
    public static final double ROUND_BACK = 0.75;

    private static final double LEAST_SHARE = 0.0025;

    /** How long a top-up that is due may wait. */
    public static final Duration MAY_WAIT = Duration.ofMinutes(20);

    /** Up to this length a simmer is not topped up. */
    private static final Duration SHORT = Duration.ofMinutes(45);

    /** From this length on it is topped up with all that is missing. */
    private static final Duration LONG = Duration.ofMinutes(75);

    public static TopUpPolicy of(Run run) {
        PotPhase.TopUp topUp = run.simmer().topUp();
        double into = (double) run.simmer().usual().minus(SHORT).toSeconds()
                / LONG.minus(SHORT).toSeconds();
        double share = Math.max(0, Math.min(1, into));
        return new TopUpPolicy(share > 0 ? topUp.keeps() : Keeps.LEFT, topUp.drop(), share);
    }

    /** Whether it is refilled in rounds, so that each refill sets its mark anew. */
    public boolean inRounds() {
        return keeps == Keeps.IN_ROUNDS;
    }

    /** Water that goes in when so much is missing to the mark. */
    public Volume amount(double missingL) {
        return Volume.ofLitres(Math.max(0, missingL) * share * (inRounds() ? ROUND_BACK : 1));
    }

    /** Whether it is worth a jug: less than a quarter of a per cent of what is in the pot is left alone. */
    public static boolean worthIt(Volume amount, Volume contents) {
        return amount.litres() > LEAST_SHARE * contents.litres();
    }

    /** When the last one is due in a simmer that ends then. */
    public Instant last(Instant end) {
        return end.minus(LAST);
    }

    /** How far a pot has gone down.
     *
     * @param cm      below its mark
     * @param missing litres to its mark
     * @param liquor  that is left
     */
    public record Down(double cm, double missing, double liquor) {
        private double share() {
            double atTheMark = liquor + missing;
            return atTheMark > 0 ? missing / atTheMark : 0;
        }
    }

    /**
     * Whether it is topped up now.
     *
     * @param toTheEndMin minutes of simmer that are left
     * @param lastDone    whether the last one is done
     */
    public boolean now(double toTheEndMin, Down down, boolean lastDone) {
        return switch (keeps) {
            case LEFT -> false;
            case HELD -> !lastDone && (isLast(toTheEndMin) || down.cm() >= drop.cm());
            case IN_ROUNDS -> !lastDone && (isLast(toTheEndMin) || down.share() >= ROUND_DOWN);
        };
    }

    /**
     * Hours until it has gone down so far that it is topped up; below nothing when it went down so far a while ago.
     *
     * @param steamLPerH that leaves it
     * @param cmPerH     by which that lowers it
     */
    public double hoursTo(Down down, double steamLPerH, double cmPerH) {
        return inRounds()
                ? (ROUND_DOWN * (down.liquor() + down.missing()) - down.missing()) / Math.max(0.01, steamLPerH)
                : (drop.cm() - down.cm()) / Math.max(0.01, cmPerH);
    }

    /** Whether one with so many minutes left is the last. */
    public boolean isLast(double toTheEndMin) {
        return toTheEndMin <= LAST.toMinutes();
    }
}

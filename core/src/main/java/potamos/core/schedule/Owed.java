package potamos.core.schedule;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * How a call stands in litres.
 *
 * @param asked     by the station
 * @param delivered handed over so far
 * @param promised  what is being made, or stands on the shelf, for it, and is not handed over yet
 * @param tolerance the share of a call by which the kitchen lets it be short, 0 to {@link #MOST_TOLERANCE}
 */
public record Owed(Volume asked, Volume delivered, Volume promised, double tolerance) {

    /** Nobody misses three litres in a hundred. */
    public static final double TOLERANCE = 0.03;

    public static final double MOST_TOLERANCE = 0.2;

    public Owed {
        checked(tolerance);
    }

    /** @throws Refusal when a kitchen lets its calls be shorter than makes sense */
    public static double checked(double tolerance) {
        return Refusal.unlessWithin("callTolerance", tolerance, 0, MOST_TOLERANCE, "of the litres");
    }

    /** Litres that nobody has planned; none where what lacks is within the tolerance. */
    public Volume open() {
        double lacks = asked.litres() - delivered.litres() - promised.litres();
        return Volume.ofLitres(lacks > slack() ? lacks : 0);
    }

    /** Litres still to be handed over. */
    public Volume due() {
        return Volume.ofLitres(Math.max(0, asked.litres() - delivered.litres()));
    }

    /** Handed over, but for what a jug cannot tell. */
    public boolean met() {
        return delivered.litres() >= asked.litres() - Volume.A_JUG_L;
    }

    /** Near enough that it may be closed as met. */
    public boolean nearlyMet() {
        return delivered.litres() >= asked.litres() - slack();
    }

    private double slack() {
        return tolerance * asked.litres() + Volume.A_JUG_L;
    }
}

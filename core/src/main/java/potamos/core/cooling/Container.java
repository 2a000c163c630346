package potamos.core.cooling;

import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/**
 * What a stock is cooled and kept in.
 *
 * @param name  what the kitchen calls it
 * @param shape its inside
 * @param wall  what it is made of
 * @param thick how thick
 * @param holds what it is filled to
 */
public record Container(String name, Shape shape, Wall wall, Length thick, Volume holds) {

    public Container {
        Refusal.unlessWithin("wallMm", thick.cm() * 10, 0.3, 30, "mm");
        Refusal.unlessWithin("holdsL", holds.litres(), 0.05, shape.brimful().litres(), "L");
    }

    /** Wall materials and how they conduct, W/m/K. */
    public enum Wall {
        STEEL(16),
        ALUMINIUM(200),
        PLASTIC(0.25);

        private final double conducts;

        Wall(double conducts) {
            this.conducts = conducts;
        }

        double conducts() {
            return conducts;
        }
    }

    /** How many of it a batch needs. */
    public int neededFor(Volume litres) {
        return (int) Math.max(1, Math.ceil(litres.litres() / holds.litres() - 1e-9));
    }
}

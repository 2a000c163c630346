package potamos.core.charge;

import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What is given; everything else follows. */
public sealed interface Goal {

    /** Largest figures that any kitchen's vessel could ask for. */
    double MOST_LITRES = 500;

    double MOST_KG = 400;
    double MOST_CM = 200;

    /** Litres strained. */
    record Litres(Volume out) implements Goal {
        public Litres {
            Refusal.unlessWithin("litres", out.litres(), 0.5, MOST_LITRES, "L");
        }
    }

    /** Bones or vegetables in hand. */
    record BedInHand(Mass bed) implements Goal {
        public BedInHand {
            Refusal.unlessWithin("bedKg", bed.kg(), 0.2, MOST_KG, "kg");
        }
    }

    /** The vessel up to its fill line. */
    record FullVessel() implements Goal {}

    /** The water line, above the bottom, once it is filled. */
    record Line(Length level) implements Goal {
        public Line {
            Refusal.unlessWithin("levelCm", level.cm(), 0.5, MOST_CM, "cm");
        }
    }

    /** Water to draw. */
    record WaterDrawn(Volume water) implements Goal {
        public WaterDrawn {
            Refusal.unlessWithin("waterL", water.litres(), 0.5, MOST_LITRES, "L");
        }
    }
}

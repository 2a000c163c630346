package potamos.core.charge;

import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What is given; everything else follows. */
public sealed interface Goal {

    /** Largest figures that any kitchen's vessel could ask for. */
    double MOST_LITRES = 500;

    double MOST_KG = 400;

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

    /** Water to draw. */
    record WaterDrawn(Volume water) implements Goal {
        public WaterDrawn {
            Refusal.unlessWithin("waterL", water.litres(), 0.5, MOST_LITRES, "L");
        }
    }
}

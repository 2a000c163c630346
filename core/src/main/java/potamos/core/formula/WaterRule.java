package potamos.core.formula;

import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;

/** What decides how much water is drawn. */
public sealed interface WaterRule {

    /** Litres for each kilogram of bed. */
    record PerKgBed(double litresPerKg) implements WaterRule {
        public PerKgBed {
            Refusal.unlessWithin("litresPerKg", litresPerKg, 0.3, 200, "L/kg");
        }
    }

    /** A depth over the bed as it lies in the chosen vessel. */
    record OverTheBed(Length depth) implements WaterRule {
        public OverTheBed {
            Refusal.unlessWithin("coverCm", depth.cm(), 0, 60, "cm");
        }
    }

    /** Up to the vessel's fill line. */
    record ToTheLine() implements WaterRule {}

    /** Whatever gives so many litres of stock for each kilogram of bed. */
    record ForTheYield(double litresOutPerKg) implements WaterRule {
        public ForTheYield {
            Refusal.unlessWithin("litresOutPerKg", litresOutPerKg, 0.1, 200, "L/kg");
        }
    }
}

package potamos.core.cooling;

import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** What takes the heat. */
public sealed interface Medium {

    /** Where it starts. */
    Temperature start();

    /** Heat transfer outside the wall, W/m²/K. */
    double outsideWPerM2K();

    /** Whether the stock inside is kept moving. */
    boolean stirred();

    /** Ice and water around the containers; the ice melts, then the water warms. */
    record IceBath(Mass ice, Mass water, boolean stirred) implements Medium {
        public IceBath {
            Refusal.unlessWithin("iceKg", ice.kg(), 0, 2000, "kg");
            Refusal.unlessWithin("bathWaterKg", water.kg(), 1, 5000, "kg");
        }

        @Override
        public Temperature start() {
            return Temperature.ofCelsius(0);
        }

        @Override
        public double outsideWPerM2K() {
            return stirred ? 350 : 150;
        }
    }

    /** Air of a cold store. */
    record ColdStore(Temperature air) implements Medium {
        @Override
        public Temperature start() {
            return air;
        }

        @Override
        public double outsideWPerM2K() {
            return 9;
        }

        @Override
        public boolean stirred() {
            return false;
        }
    }

    /** Fast air of a blast chiller. */
    record Blast(Temperature air) implements Medium {
        @Override
        public Temperature start() {
            return air;
        }

        @Override
        public double outsideWPerM2K() {
            return 35;
        }

        @Override
        public boolean stirred() {
            return false;
        }
    }
}

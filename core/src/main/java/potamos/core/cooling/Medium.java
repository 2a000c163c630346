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

    /** Whether a layer of stock gives its heat upwards as well as downwards. */
    default boolean fromBothSides() {
        return true;
    }

    /**
     * Ice and water around the containers; the ice cools its water, then melts, then all of it warms.
     *
     * @param drawnAt temperature of the water as it is drawn
     */
    record IceBath(Mass ice, Mass water, Temperature drawnAt, boolean stirred) implements Medium {
        public IceBath {
            Refusal.unlessWithin("iceKg", ice.kg(), 0, 2000, "kg");
            Refusal.unlessWithin("bathWaterKg", water.kg(), 1, 5000, "kg");
            Refusal.unlessWithin("bathWaterC", drawnAt.celsius(), 0, 40, "°C");
        }

        @Override
        public Temperature start() {
            return Temperature.ofCelsius(0);
        }

        @Override
        public double outsideWPerM2K() {
            return stirred ? 350 : 150;
        }

        /** It stands around the container, not over it. */
        @Override
        public boolean fromBothSides() {
            return false;
        }
    }

    /**
     * A sealed bottle of ice moved through the stock of each container in turn, which stand in air meanwhile. Used up, it leaves the air.
     *
     * @param ice frozen in the paddle
     * @param air around the container
     */
    record IcePaddle(Mass ice, Temperature air) implements Medium {

        /** Wall of a paddle and how well it takes heat from moving stock. */
        private static final double PADDLE_M2 = 0.14;

        private static final double PADDLE_W_PER_M2_K = 300;

        public IcePaddle {
            Refusal.unlessWithin("iceKg", ice.kg(), 0.5, 20, "kg");
        }

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
            return true;
        }

        /** Heat that the paddle takes for each kelvin that the stock is warmer, W/K. */
        public double paddleWPerK() {
            return PADDLE_M2 * PADDLE_W_PER_M2_K;
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

    /**
     * Fast air of a blast chiller.
     *
     * @param name what the kitchen calls it; empty where nobody has told
     */
    record Blast(String name, Temperature air) implements Medium {
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

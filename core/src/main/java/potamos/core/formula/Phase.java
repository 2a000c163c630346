package potamos.core.formula;

import java.time.Duration;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** One step of a procedure with its own parameters. The order in the formula is the order of work. */
public sealed interface Phase {

    /** Washing the bed in running cold water. */
    record Rinse(Duration takes) implements Phase {}

    /** Lying in cold water that is changed now and then. */
    record Soak(Duration takes, Duration changeWaterEvery) implements Phase {}

    /** Wiping with a dry cloth, as for kelp. */
    record Wipe(Duration takes) implements Phase {}

    /** Thawing in the cold. */
    record Thaw(Duration takes) implements Phase {}

    /** Cold water, brought up, held, drained; bed rinsed and pot washed. */
    record Blanch(Duration hold, Duration drainAndWash) implements Phase {}

    /** In the oven to a shade of the kitchen's card. */
    record Roast(Temperature oven, double shade, Duration turnEvery) implements Phase {
        public Roast {
            Refusal.unlessWithin("ovenC", oven.celsius(), 80, 300, "°C");
            Refusal.unlessWithin("shade", shade, 1, 8, "on the shade card");
        }
    }

    /** Vegetables softened without colour. */
    record Sweat(Duration takes) implements Phase {}

    /** Vegetables or shells coloured on the stove. */
    record Brown(Duration takes) implements Phase {}

    /** Tomato cooked to brick red. */
    record CookTomato(Duration takes) implements Phase {}

    /** A spirit flamed off the burner. */
    record Flame(double mlPerKgBed) implements Phase {}

    /** Liquid on the drippings, scraped and reduced to a fraction, so many times. */
    record Deglaze(double toFraction, int times) implements Phase {}

    /** Standing at a temperature without simmering. */
    record Steep(Temperature at, Duration takes) implements Phase {}

    /** Drawing the water. */
    record Fill(Temperature water) implements Phase {}

    /** From cold to the simmer over full heat, watched. */
    record BringUp() implements Phase {}

    /**
     * The simmer.
     *
     * @param band  how it looks
     * @param usual planned length
     * @param least what a cook would call too short
     * @param most  what a cook would call too long
     * @param cover on the pot
     * @param topUp what happens as it steams away
     * @param skim  how often it is skimmed
     */
    record Simmer(SimmerBand band, Duration usual, Duration least, Duration most, Cover cover, TopUp topUp, Skim skim)
            implements Phase {
        public Simmer {
            if (least.compareTo(usual) > 0 || usual.compareTo(most) > 0) {
                throw Refusal.of("simmerMin", "the usual simmer lies between the least and the most");
            }
        }

        public Simmer lasting(Duration length) {
            return new Simmer(
                    band,
                    length,
                    length.compareTo(least) < 0 ? length : least,
                    length.compareTo(most) > 0 ? length : most,
                    cover,
                    topUp,
                    skim);
        }
    }

    /** Off the heat before straining. */
    record Rest(Duration takes) implements Phase {}

    /** Through so many strainers. */
    record Strain(int passes, boolean pressed) implements Phase {
        public Strain {
            Refusal.unlessWithin("passes", passes, 1, 6, "passes");
        }
    }

    /** Fat lifted hot by ladle or set from the cold stock. */
    record Degrease(boolean cold) implements Phase {}

    /** Boiled down to a fraction. */
    record Reduce(double toFraction) implements Phase {
        public Reduce {
            Refusal.unlessWithin("toFraction", toFraction, 0.05, 1, "of the volume");
        }
    }

    /** Cooled through the limits. */
    record Cool() implements Phase {}

    /** Portioned, labelled, put away. */
    record Portion(Duration takes) implements Phase {}

    /**
     * What happens as a pot steams away.
     *
     * @param hold  whether it is topped up at all
     * @param drop  how far the level may fall before it is
     * @param water temperature of what is added
     */
    record TopUp(boolean hold, Length drop, Temperature water) {}

    /**
     * A cadence of skimming that relaxes.
     *
     * @param early    interval while most scum rises
     * @param earlyFor how long that lasts
     * @param late     interval afterwards
     */
    record Skim(Duration early, Duration earlyFor, Duration late) {

        /** Skims within a simmer of some length. */
        public int countWithin(Duration simmer) {
            long first = Math.min(simmer.toMinutes(), earlyFor.toMinutes()) / early.toMinutes();
            long rest = Math.max(0, simmer.toMinutes() - earlyFor.toMinutes()) / late.toMinutes();
            return (int) (1 + first + rest);
        }
    }
}

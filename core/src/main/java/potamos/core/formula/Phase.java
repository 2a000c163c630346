package potamos.core.formula;

import java.time.Duration;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** One step of a procedure with its own parameters. The order in the formula is the order of work. */
public sealed interface Phase {

    /** A phase that says itself how long it takes. */
    interface Lasting {
        Duration takes();
    }

    /** Washing the bed in running cold water. */
    record Rinse(Duration takes) implements Phase, Lasting {
        public Rinse {
            minutes("rinseMin", takes);
        }
    }

    /** Lying in cold water that is changed now and then. */
    record Soak(Duration takes, Duration changeWaterEvery) implements Phase, Lasting {
        public Soak {
            minutes("soakMin", takes);
            minutes("changeWaterEveryMin", changeWaterEvery);
        }
    }

    /** Wiping with a dry cloth, as for kelp. */
    record Wipe(Duration takes) implements Phase, Lasting {
        public Wipe {
            minutes("wipeMin", takes);
        }
    }

    /** Thawing in the cold. */
    record Thaw(Duration takes) implements Phase, Lasting {
        public Thaw {
            minutes("thawMin", takes);
        }
    }

    /** Cold water, brought up, held, drained; bed rinsed and pot washed. */
    record Blanch(Duration hold, Duration drainAndWash) implements Phase {
        public Blanch {
            minutes("blanchHoldMin", hold);
            minutes("drainAndWashMin", drainAndWash);
        }
    }

    /**
     * The bed in the oven to a shade of the kitchen's card.
     *
     * @param keepsMass share of the raw mass that comes out; 1 where the bed's figures are meant for raw mass anyway, as for bones
     */
    record Roast(Temperature oven, double shade, Duration turnEvery, double keepsMass) implements Phase {
        public Roast {
            Refusal.unlessWithin("ovenC", oven.celsius(), 80, 300, "°C");
            Refusal.unlessWithin("shade", shade, 1, 8, "on the shade card");
            minutes("turnEveryMin", turnEvery);
            Refusal.unlessWithin("keepsMass", keepsMass, 0.1, 1, "of the raw mass");
        }

        /** How much longer, for each step of the card that is missing. */
        private static final Duration A_SHADE_MORE = Duration.ofMinutes(5);

        /** How much longer bones of a shade stay in, about; nothing once they are there. */
        public Duration longerAt(double seen) {
            return A_SHADE_MORE.multipliedBy((long) Math.max(0, Math.ceil(shade - seen)));
        }
    }

    /** Vegetables softened without colour. */
    record Sweat(Duration takes) implements Phase, Lasting {
        public Sweat {
            minutes("sweatMin", takes);
        }
    }

    /** Vegetables or shells coloured on the stove. */
    record Brown(Duration takes) implements Phase, Lasting {
        public Brown {
            minutes("brownMin", takes);
        }
    }

    /** Tomato cooked to brick red. */
    record CookTomato(Duration takes) implements Phase, Lasting {
        public CookTomato {
            minutes("cookTomatoMin", takes);
        }
    }

    /** The spirit among the parts, flamed off the burner. */
    record Flame() implements Phase {}

    /** Water on the drippings, scraped and reduced to a fraction, so many times. */
    record Deglaze(double litresPerKgBed, double toFraction, int times) implements Phase {
        public Deglaze {
            Refusal.unlessWithin("deglazeLPerKg", litresPerKgBed, 0.01, 1, "L/kg");
            Refusal.unlessWithin("toFraction", toFraction, 0.05, 1, "of the volume");
            Refusal.unlessWithin("times", times, 1, 4, "times");
        }
    }

    /** The wine among the parts, cooked down to a fraction before it meets the water. */
    record WineDown(double toFraction) implements Phase {
        public WineDown {
            Refusal.unlessWithin("toFraction", toFraction, 0.05, 1, "of the volume");
        }
    }

    /** Standing at a temperature below the simmer, before it. */
    record Steep(Temperature at, Duration takes) implements Phase, Lasting {
        public Steep {
            Refusal.unlessWithin("steepC", at.celsius(), 0, 99, "°C");
            minutes("steepMin", takes);
        }
    }

    /** Drawing the water, or what stands in for it. */
    record Fill(Temperature water, Liquid liquid) implements Phase {
        public Fill {
            Refusal.unlessWithin("waterC", water.celsius(), 0, 100, "°C");
            // Plans from before there was a choice mean water.
        }
    }

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
            minutes("simmerMin", usual);
            minutes("leastSimmerMin", least);
            minutes("mostSimmerMin", most);
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
    record Rest(Duration takes) implements Phase, Lasting {
        public Rest {
            minutes("restMin", takes);
        }
    }

    /** Out of the vessel and through so many strainers. */
    record Strain(int passes, boolean pressed, Transfer transfer) implements Phase {
        public Strain {
            Refusal.unlessWithin("passes", passes, 1, 6, "passes");
        }
    }

    /** How a stock leaves its vessel. */
    enum Transfer {
        LADLE,
        POUR,
        TAP
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
    record Portion(Duration takes) implements Phase, Lasting {
        public Portion {
            minutes("portionMin", takes);
        }
    }

    /**
     * What happens as a pot steams away.
     *
     * @param hold  whether it is topped up at all
     * @param drop  how far the level may fall before it is
     * @param water temperature of what is added
     */
    record TopUp(boolean hold, Length drop, Temperature water) {
        public TopUp {
            Refusal.unlessWithin("topUpDropCm", drop.cm(), 0, 30, "cm");
            Refusal.unlessWithin("topUpC", water.celsius(), 0, 100, "°C");
        }

        /** Left to go down as it will. */
        public static TopUp none() {
            return new TopUp(false, Length.ZERO, Temperature.ofCelsius(85));
        }
    }

    /**
     * A cadence of skimming that relaxes.
     *
     * @param early    interval while most scum rises
     * @param earlyFor how long that lasts
     * @param late     interval afterwards
     */
    record Skim(Duration early, Duration earlyFor, Duration late) {

        public Skim {
            minutes("skimEarlyMin", early);
            minutes("skimEarlyForMin", earlyFor);
            minutes("skimLateMin", late);
            if (early.isZero() != late.isZero()) {
                throw Refusal.of(
                        "skimEarlyMin", "a cadence has both intervals, or neither for a pot that is not skimmed");
            }
        }

        /** Not skimmed at all. */
        public static Skim none() {
            return new Skim(Duration.ZERO, Duration.ZERO, Duration.ZERO);
        }

        /** Skims within a simmer of some length. */
        public int countWithin(Duration simmer) {
            if (early.isZero()) {
                return 0;
            }
            long first = Math.min(simmer.toMinutes(), earlyFor.toMinutes()) / early.toMinutes();
            long rest = Math.max(0, simmer.toMinutes() - earlyFor.toMinutes()) / late.toMinutes();
            return (int) (1 + first + rest);
        }
    }

    private static void minutes(String field, Duration time) {
        if (time == null) {
            throw Refusal.of(field, "is needed here");
        }
        Refusal.unlessWithin(field, time.toSeconds() / 60.0, 0, 7 * 24 * 60, "min");
    }
}

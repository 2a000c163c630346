package potamos.core.formula;

import java.time.Duration;
import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.formula.PhaseKind.Chore;
import potamos.core.heat.Browning;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What is done to the bed and its company before the water. */
public sealed interface PrepPhase extends Phase {

    List<PhaseKind<? extends PrepPhase>> KINDS = List.of(
            Rinse.KIND,
            Soak.KIND,
            Wipe.KIND,
            Thaw.KIND,
            Blanch.KIND,
            Roast.KIND,
            Sweat.KIND,
            Brown.KIND,
            CookTomato.KIND,
            Flame.KIND,
            Deglaze.KIND,
            WineDown.KIND);

    /** Washing the bed in running cold water. */
    record Rinse(Duration takes) implements PrepPhase {
        public static final PhaseKind<Rinse> KIND =
                PhaseKind.lasting("rinse", Rinse.class, Rinse::new, Duration.ofMinutes(10), Chore.AT_A_GO);

        public Rinse {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Rinse> kind() {
            return KIND;
        }
    }

    /** Lying in cold water that is changed now and then. */
    record Soak(Duration takes, Duration changeWaterEvery) implements PrepPhase {
        static final Figure<Duration> EVERY = Figure.duration("everyMin");

        public static final PhaseKind<Soak> KIND = PhaseKind.named("soak", Soak.class)
                .with(MIN, Soak::takes, Duration.ofMinutes(60))
                .with(EVERY, Soak::changeWaterEvery, Duration.ofMinutes(20))
                .isChore(Chore.FOR_A_WHILE)
                .made(f -> new Soak(f.get(MIN), f.get(EVERY)));

        public Soak {
            MIN.check(takes);
            EVERY.check(changeWaterEvery);
        }

        @Override
        public PhaseKind<Soak> kind() {
            return KIND;
        }
    }

    /** Wiping with a dry cloth, as for kelp. */
    record Wipe(Duration takes) implements PrepPhase {
        public static final PhaseKind<Wipe> KIND =
                PhaseKind.lasting("wipe", Wipe.class, Wipe::new, Duration.ofMinutes(3), Chore.AT_A_GO);

        public Wipe {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Wipe> kind() {
            return KIND;
        }
    }

    /** Thawing in the cold. */
    record Thaw(Duration takes) implements PrepPhase {
        public static final PhaseKind<Thaw> KIND =
                PhaseKind.lasting("thaw", Thaw.class, Thaw::new, Duration.ofHours(12), Chore.FOR_A_WHILE);

        public Thaw {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Thaw> kind() {
            return KIND;
        }
    }

    /** Cold water, brought up, held, drained; bed rinsed and pot washed. */
    record Blanch(Duration hold, Duration drainAndWash) implements PrepPhase {
        static final Figure<Duration> DRAIN_AND_WASH = Figure.duration("drainAndWashMin");

        public static final PhaseKind<Blanch> KIND = PhaseKind.named("blanch", Blanch.class)
                .with(MIN, Blanch::hold, Duration.ofMinutes(2))
                .with(DRAIN_AND_WASH, Blanch::drainAndWash, Duration.ofMinutes(15))
                .made(f -> new Blanch(f.get(MIN), f.get(DRAIN_AND_WASH)));

        public Blanch {
            MIN.check(hold);
            DRAIN_AND_WASH.check(drainAndWash);
        }

        @Override
        public PhaseKind<Blanch> kind() {
            return KIND;
        }

        @Override
        public Duration takes() {
            return hold.plus(drainAndWash);
        }
    }

    /**
     * The bed in the oven to a shade of the kitchen's card. How long that takes depends on the oven and what lies in it.
     *
     * @param keepsMass share of the raw mass that comes out; 1 where the bed's figures are meant for raw mass anyway, as for bones
     */
    record Roast(Temperature oven, double shade, Duration turnEvery, double keepsMass) implements PrepPhase {
        static final Figure<Temperature> OVEN = Figure.celsius("ovenC", 80, 300);
        static final Figure<Double> SHADE = Figure.mark("shade", 1, 8, "on the shade card");
        static final Figure<Duration> EVERY = Figure.duration("everyMin");
        /** Bones lose water and fat in the oven: 15 to 25 % of their raw mass. */
        static final double BONES_KEEP = 0.8;

        static final Figure<Double> KEEPS_MASS = Figure.mark("keepsMass", 0.1, 1, "of the raw mass");

        public static final PhaseKind<Roast> KIND = PhaseKind.named("roast", Roast.class)
                .with(OVEN, Roast::oven, Temperature.ofCelsius(210))
                .with(SHADE, Roast::shade, 5.5)
                .with(EVERY, Roast::turnEvery, Duration.ofMinutes(15))
                .maybe(KEEPS_MASS, Roast::keepsMass, BONES_KEEP)
                .isChore(Chore.FOR_A_WHILE)
                .made(f -> new Roast(f.get(OVEN), f.get(SHADE), f.get(EVERY), f.or(KEEPS_MASS, 1.0)));

        public Roast {
            OVEN.check(oven);
            SHADE.check(shade);
            EVERY.check(turnEvery);
            KEEPS_MASS.check(keepsMass);
        }

        /** How much longer, for each step of the card that is missing. */
        private static final Duration A_SHADE_MORE = Duration.ofMinutes(5);

        /** How much longer bones of a shade stay in, about; nothing once they are there. */
        public Duration longerAt(double seen) {
            return A_SHADE_MORE.multipliedBy((long) Math.max(0, Math.ceil(shade - seen)));
        }

        /** How a shade stands to the one that is wanted. */
        public enum Stands {
            BELOW,
            THERE,
            /** Stronger than wanted, and not yet bitter. */
            DARKER,
            /** What is black is bitter, whatever was wanted. */
            SCORCHED
        }

        /** What a shade on the card means for this roast. */
        public Stands stands(double seen) {
            if (seen >= Browning.SCORCHED) {
                return Stands.SCORCHED;
            }
            if (seen < shade) {
                return Stands.BELOW;
            }
            return seen < shade + 1 ? Stands.THERE : Stands.DARKER;
        }

        @Override
        public PhaseKind<Roast> kind() {
            return KIND;
        }
    }

    /** Vegetables softened without colour. */
    record Sweat(Duration takes) implements PrepPhase {
        public static final PhaseKind<Sweat> KIND = PhaseKind.lasting(
                "sweat",
                Sweat.class,
                Sweat::new,
                Duration.ofMinutes(10),
                Chore.FOR_A_WHILE,
                Part.Kind.VEGETABLE,
                Part.Kind.FAT);

        public Sweat {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Sweat> kind() {
            return KIND;
        }
    }

    /** Vegetables or shells coloured on the stove. */
    record Brown(Duration takes) implements PrepPhase {
        public static final PhaseKind<Brown> KIND = PhaseKind.lasting(
                "brown",
                Brown.class,
                Brown::new,
                Duration.ofMinutes(14),
                Chore.FOR_A_WHILE_AND_BURNS,
                Part.Kind.VEGETABLE,
                Part.Kind.FAT);

        public Brown {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Brown> kind() {
            return KIND;
        }
    }

    /** Tomato cooked to brick red. */
    record CookTomato(Duration takes) implements PrepPhase {
        public static final PhaseKind<CookTomato> KIND = PhaseKind.lasting(
                "cook-tomato",
                CookTomato.class,
                CookTomato::new,
                Duration.ofMinutes(8),
                Chore.FOR_A_WHILE_AND_BURNS,
                Part.Kind.TOMATO);

        public CookTomato {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<CookTomato> kind() {
            return KIND;
        }
    }

    /** The spirit among the parts, flamed off the burner. */
    record Flame() implements PrepPhase {
        private static final Duration FLAMING = Duration.ofMinutes(2);

        public static final PhaseKind<Flame> KIND =
                PhaseKind.named("flame", Flame.class).isChore(Chore.AT_A_GO).made(f -> new Flame());

        @Override
        public PhaseKind<Flame> kind() {
            return KIND;
        }

        @Override
        public Duration takes() {
            return FLAMING;
        }
    }

    /** Water on the drippings, scraped and reduced to a fraction, so many times. */
    record Deglaze(double litresPerKgBed, double toFraction, int times) implements PrepPhase {
        private static final Duration ONCE = Duration.ofMinutes(4);

        static final Figure<Double> LITRES_PER_KG = Figure.mark("litresPerKgBed", 0.01, 1, "L/kg");
        static final Figure<Integer> TIMES = Figure.count("times", 1, 4, "times");

        public static final PhaseKind<Deglaze> KIND = PhaseKind.named("deglaze", Deglaze.class)
                .with(LITRES_PER_KG, Deglaze::litresPerKgBed, 0.12)
                .with(TO_FRACTION, Deglaze::toFraction, 0.25)
                .maybe(TIMES, Deglaze::times, 1)
                .isChore(Chore.AT_A_GO)
                .made(f -> new Deglaze(f.get(LITRES_PER_KG), f.get(TO_FRACTION), f.or(TIMES, 1)));

        public Deglaze {
            LITRES_PER_KG.check(litresPerKgBed);
            TO_FRACTION.check(toFraction);
            TIMES.check(times);
        }

        @Override
        public PhaseKind<Deglaze> kind() {
            return KIND;
        }

        @Override
        public Duration takes() {
            return ONCE.multipliedBy(times);
        }

        /** Liquid that is poured on in all, for so much bed as it was weighed. */
        public Volume poured(Mass bed) {
            return Volume.ofLitres(litresPerKgBed * bed.kg() * times);
        }
    }

    /** The wine among the parts, cooked down to a fraction before it meets the water. */
    record WineDown(double toFraction) implements PrepPhase {
        private static final Duration COOKING = Duration.ofMinutes(6);

        public static final PhaseKind<WineDown> KIND = PhaseKind.named("wine-down", WineDown.class)
                .with(TO_FRACTION, WineDown::toFraction, 0.5)
                .isChore(Chore.AT_A_GO)
                .handles(Part.Kind.WINE)
                .made(f -> new WineDown(f.get(TO_FRACTION)));

        public WineDown {
            TO_FRACTION.check(toFraction);
        }

        @Override
        public PhaseKind<WineDown> kind() {
            return KIND;
        }

        @Override
        public Duration takes() {
            return COOKING;
        }
    }
}

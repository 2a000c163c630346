package potamos.core.formula;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What happens in the pot, from the water to the end of the rest. */
public sealed interface PotPhase extends Phase {

    List<PhaseKind<? extends PotPhase>> KINDS = List.of(Steep.KIND, Fill.KIND, BringUp.KIND, Simmer.KIND, Rest.KIND);

    /** Standing at a temperature below the simmer, before it. */
    record Steep(Temperature at, Duration takes) implements PotPhase {
        static final Figure<Temperature> CELSIUS = Figure.celsius("celsius", 0, 99);

        public static final PhaseKind<Steep> KIND = PhaseKind.named("steep", Steep.class)
                .with(CELSIUS, Steep::at, Temperature.ofCelsius(65))
                .with(MIN, Steep::takes, Duration.ofMinutes(20))
                .made(f -> new Steep(f.get(CELSIUS), f.get(MIN)));

        public Steep {
            CELSIUS.check(at);
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Steep> kind() {
            return KIND;
        }
    }

    /**
     * Drawing the water, or what stands in for it.
     *
     * @param water  its temperature
     * @param liquid as the formula has it
     * @param draws  stock of which it is known where it comes from; none in a formula that is only written
     * @param brought bed and parts that came out of other pots, of which it is known which; none in a formula that is only written
     */
    record Fill(Temperature water, Liquid liquid, List<Draw> draws, List<Brought> brought) implements PotPhase {
        /** What is drawn and what is filled are told by different jugs. */
        private static final double JUGS = 0.02;

        static final Figure<Temperature> CELSIUS = Figure.celsius("celsius", 0, 100);
        static final Figure<Liquid.Kind> LIQUID = Figure.choice("liquid", Liquid.Kind.class);
        static final Figure<Double> GELATIN = Figure.mark("gelatinGPerL", 0, Liquid.MOST_GELATIN_G_PER_L, "g/L");
        static final Figure<Double> SALT = Figure.mark("saltGPerL", 0, Liquid.MOST_SALT_G_PER_L, "g/L");

        public static final PhaseKind<Fill> KIND = PhaseKind.named("fill", Fill.class)
                .maybe(LIQUID, fill -> fill.liquid.kind(), Liquid.Kind.WATER)
                .with(CELSIUS, Fill::water, Temperature.ofCelsius(12))
                .maybe(GELATIN, fill -> fill.liquid.gelatinGPerL(), 0.0)
                .maybe(SALT, fill -> fill.liquid.saltGPerL(), 0.0)
                .made(f -> new Fill(
                        f.get(CELSIUS),
                        f.has(LIQUID) ? new Liquid(f.get(LIQUID), f.or(GELATIN, 0.0), f.or(SALT, 0.0)) : Liquid.WATER));

        public Fill {
            CELSIUS.check(water);
            draws = List.copyOf(draws);
            brought = List.copyOf(brought);
        }

        public Fill(Temperature water, Liquid liquid) {
            this(water, liquid, List.of(), List.of());
        }

        /** The same so warm. */
        Fill at(Temperature other) {
            return new Fill(other, liquid, draws, brought);
        }

        /** Stock that is drawn. */
        public Volume drawn() {
            return Draw.all(draws);
        }

        /** What goes in where a pot is filled with so much: the stock that is drawn, and for the rest what the formula says. */
        public Liquid of(Volume filled) {
            return draws.isEmpty() ? liquid : liquid.drawnWith(draws, filled);
        }

        /** Whether it is known of all of so much where it comes from: what no stock is drawn for is water, unless the formula wants more than water. */
        public boolean known(Volume filled) {
            return liquid.kind() == Liquid.Kind.WATER || !lacks(filled) && !draws.isEmpty();
        }

        /** Less is drawn than goes in. */
        private boolean lacks(Volume filled) {
            return drawn().litres() < (1 - JUGS) * filled.litres();
        }

        /** @throws Refusal where what is drawn does not go in, or is not enough for a formula that is drawn with nothing else */
        public void unlessFits(Volume filled) {
            double drawn = drawn().litres();
            if (drawn > (1 + JUGS) * filled.litres()) {
                throw Refusal.outside("draws", "more stock than the pot is filled with", 0, filled.litres(), "L");
            }
            if (drawn > 0 && !known(filled)) {
                throw Refusal.outside(
                        "draws",
                        "less stock than the pot is filled with, which is drawn with nothing else",
                        filled.litres(),
                        Draw.MOST_LITRES,
                        "L");
            }
        }

        @Override
        public PhaseKind<Fill> kind() {
            return KIND;
        }
    }

    /** From cold to the simmer over full heat, watched. */
    record BringUp() implements PotPhase {
        public static final PhaseKind<BringUp> KIND =
                PhaseKind.named("bring-up", BringUp.class).made(f -> new BringUp());

        @Override
        public PhaseKind<BringUp> kind() {
            return KIND;
        }
    }

    /**
     * The simmer.
     *
     * @param band  how it looks
     * @param usual planned length
     * @param least what a cook would call too short
     * @param most  what a cook would call too long
     * @param cover on the pot
     * @param oven  what an oven is set to in which it simmers from the water on; nothing for one over a flame
     * @param topUp what happens as it steams away
     * @param skim  how often it is skimmed
     */
    @RecordBuilder
    record Simmer(
            SimmerBand band,
            Duration usual,
            Duration least,
            Duration most,
            Cover cover,
            Optional<Temperature> oven,
            TopUp topUp,
            Skim skim)
            implements PotPhase, PotPhaseSimmerBuilder.With {
        static final Figure<SimmerBand> BAND = Figure.choice("band", SimmerBand.class);
        static final Figure<Duration> LEAST = Figure.duration("leastMin");
        static final Figure<Duration> MOST = Figure.duration("mostMin");
        static final Figure<Cover> COVER = Figure.choice("cover", Cover.class);
        static final Figure<Temperature> OVEN = Figure.celsius("simmerOvenC", 100, 250);

        public static final PhaseKind<Simmer> KIND = PhaseKind.named("simmer", Simmer.class)
                .with(BAND, Simmer::band, SimmerBand.LAZY)
                .with(MIN, Simmer::usual, Duration.ofMinutes(180))
                .maybe(LEAST, Simmer::least, Duration.ofMinutes(120))
                .maybe(MOST, Simmer::most, Duration.ofMinutes(240))
                .maybe(COVER, Simmer::cover, Cover.OPEN)
                .seldom(OVEN, simmer -> simmer.oven.orElse(null))
                .maybe(TopUp.HOLD, simmer -> simmer.topUp.held(), false)
                .seldom(TopUp.ROUNDS, simmer -> simmer.topUp.inRounds() ? Boolean.TRUE : null)
                .maybe(TopUp.DROP, simmer -> simmer.topUp.drop(), Length.ofCm(2.5))
                .maybe(TopUp.CELSIUS, simmer -> simmer.topUp.water(), Temperature.ofCelsius(85))
                .maybe(Skim.EARLY, simmer -> simmer.skim.early(), Duration.ofMinutes(15))
                .maybe(Skim.EARLY_FOR, simmer -> simmer.skim.earlyFor(), Duration.ofMinutes(75))
                .maybe(Skim.LATE, simmer -> simmer.skim.late(), Duration.ofMinutes(45))
                .made(f -> new Simmer(
                        f.get(BAND),
                        f.get(MIN),
                        f.or(LEAST, f.get(MIN)),
                        f.or(MOST, f.get(MIN)),
                        f.or(COVER, Cover.OPEN),
                        f.has(OVEN) ? Optional.of(f.get(OVEN)) : Optional.empty(),
                        TopUp.of(f),
                        Skim.of(f)));

        /** One over a flame. */
        public Simmer(
                SimmerBand band, Duration usual, Duration least, Duration most, Cover cover, TopUp topUp, Skim skim) {
            this(band, usual, least, most, cover, Optional.empty(), topUp, skim);
        }

        public Simmer {
            MIN.check(usual);
            LEAST.check(least);
            MOST.check(most);
            oven.ifPresent(OVEN::check);
            if (least.compareTo(usual) > 0 || usual.compareTo(most) > 0) {
                throw Refusal.of(MIN.name(), "the usual simmer lies between the least and the most");
            }
        }

        @Override
        public PhaseKind<Simmer> kind() {
            return KIND;
        }

        @Override
        public Duration takes() {
            return usual;
        }

        public Simmer lasting(Duration length) {
            return new Simmer(
                    band,
                    length,
                    length.compareTo(least) < 0 ? length : least,
                    length.compareTo(most) > 0 ? length : most,
                    cover,
                    oven,
                    topUp,
                    skim);
        }
    }

    /** Off the heat before straining. */
    record Rest(Duration takes) implements PotPhase {
        public static final PhaseKind<Rest> KIND =
                PhaseKind.lasting("rest", Rest.class, Rest::new, Duration.ofMinutes(20), PhaseKind.Chore.NONE);

        public Rest {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Rest> kind() {
            return KIND;
        }
    }

    /**
     * What happens as a pot steams away.
     *
     * @param keeps what is done about it
     * @param drop  how far the level of one that is held may fall before it is topped up
     * @param water temperature of what is added
     */
    record TopUp(Keeps keeps, Length drop, Temperature water) {
        static final Figure<Boolean> HOLD = Figure.yes("holdLevel");
        static final Figure<Boolean> ROUNDS = Figure.yes("refillInRounds");
        static final Figure<Length> DROP = Figure.cm("topUpDropCm", 30);
        static final Figure<Temperature> CELSIUS = Figure.celsius("topUpC", 0, 100);

        /** What is done about the level. */
        public enum Keeps {
            /** Nothing: it goes down as it will. */
            LEFT,
            /** Brought back to its mark. */
            HELD,
            /** Let down by a part of its liquor, then refilled with most of it, and again: it concentrates in rounds. */
            IN_ROUNDS
        }

        private static final Temperature USUALLY = Temperature.ofCelsius(85);

        public TopUp {
            DROP.check(drop);
            CELSIUS.check(water);
        }

        /** Left to go down as it will. */
        public static TopUp none() {
            return new TopUp(Keeps.LEFT, Length.ZERO, USUALLY);
        }

        boolean held() {
            return keeps == Keeps.HELD;
        }

        boolean inRounds() {
            return keeps == Keeps.IN_ROUNDS;
        }

        private static TopUp of(Figures figures) {
            boolean hold = figures.or(HOLD, false);
            boolean rounds = figures.or(ROUNDS, false);
            if (hold && rounds) {
                throw Refusal.of(ROUNDS.name(), "a level is held at its mark or refilled in rounds, not both");
            }
            if (!hold && !rounds && !figures.has(DROP)) {
                return TopUp.none();
            }
            Keeps keeps = hold ? Keeps.HELD : rounds ? Keeps.IN_ROUNDS : Keeps.LEFT;
            return new TopUp(keeps, figures.or(DROP, Length.ZERO), figures.or(CELSIUS, USUALLY));
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
        static final Figure<Duration> EARLY = Figure.duration("skimEarlyMin");
        static final Figure<Duration> EARLY_FOR = Figure.duration("skimEarlyForMin");
        static final Figure<Duration> LATE = Figure.duration("skimLateMin");

        public Skim {
            EARLY.check(early);
            EARLY_FOR.check(earlyFor);
            LATE.check(late);
            if (early.isZero() != late.isZero()) {
                throw Refusal.of(
                        EARLY.name(), "a cadence has both intervals, or neither for a pot that is not skimmed");
            }
        }

        /** Not skimmed at all. */
        public static Skim none() {
            return new Skim(Duration.ZERO, Duration.ZERO, Duration.ZERO);
        }

        private static Skim of(Figures figures) {
            return figures.has(EARLY)
                    ? new Skim(figures.get(EARLY), figures.get(EARLY_FOR), figures.get(LATE))
                    : Skim.none();
        }

        /** Skims within a simmer of some length, on the average: a minute more is a part of one more, and decides nothing by itself. */
        public double countWithin(Duration simmer) {
            if (early.isZero()) {
                return 0;
            }
            double often = Math.min(simmer.toSeconds(), earlyFor.toSeconds());
            double seldom = simmer.toSeconds() - often;
            double rest = late.isZero() ? 0 : seldom / late.toSeconds();
            return 1 + often / early.toSeconds() + rest;
        }
    }
}

package potamos.core.formula;

import java.time.Duration;
import java.util.List;
import potamos.core.figure.Figure;

/** What happens to the stock once it is made: strained, reduced, cooled, put away. */
public sealed interface FinishPhase extends Phase {

    List<PhaseKind<? extends FinishPhase>> KINDS =
            List.of(Strain.KIND, Degrease.KIND, Reduce.KIND, Cool.KIND, Portion.KIND);

    /** How a stock leaves its vessel. */
    enum Transfer {
        LADLE,
        POUR,
        TAP
    }

    /** Out of the vessel and through so many strainers. */
    record Strain(int passes, boolean pressed, Transfer transfer) implements FinishPhase {
        static final Figure<Integer> PASSES = Figure.count("passes", 1, 6, "passes");
        static final Figure<Boolean> PRESSED = Figure.yes("pressed");
        static final Figure<Transfer> TRANSFER = Figure.choice("transfer", Transfer.class);

        public static final PhaseKind<Strain> KIND = PhaseKind.named("strain", Strain.class)
                .with(PASSES, Strain::passes, 2)
                .maybe(TRANSFER, Strain::transfer, Transfer.LADLE)
                .maybe(PRESSED, Strain::pressed, false)
                .made(f -> new Strain(f.get(PASSES), f.or(PRESSED, false), f.or(TRANSFER, Transfer.LADLE)));

        public Strain {
            PASSES.check(passes);
        }

        @Override
        public PhaseKind<Strain> kind() {
            return KIND;
        }
    }

    /** Fat lifted hot by ladle or set from the cold stock. */
    record Degrease(boolean cold) implements FinishPhase {
        static final Figure<Boolean> COLD = Figure.yes("cold");

        public static final PhaseKind<Degrease> KIND = PhaseKind.named("degrease", Degrease.class)
                .maybe(COLD, Degrease::cold, true)
                .made(f -> new Degrease(f.or(COLD, false)));

        @Override
        public PhaseKind<Degrease> kind() {
            return KIND;
        }
    }

    /** Boiled down to a fraction. */
    record Reduce(double toFraction) implements FinishPhase {
        public static final PhaseKind<Reduce> KIND = PhaseKind.named("reduce", Reduce.class)
                .with(TO_FRACTION, Reduce::toFraction, 0.5)
                .made(f -> new Reduce(f.get(TO_FRACTION)));

        public Reduce {
            TO_FRACTION.check(toFraction);
        }

        @Override
        public PhaseKind<Reduce> kind() {
            return KIND;
        }
    }

    /** Cooled through the limits. */
    record Cool() implements FinishPhase {
        public static final PhaseKind<Cool> KIND =
                PhaseKind.named("cool", Cool.class).made(f -> new Cool());

        @Override
        public PhaseKind<Cool> kind() {
            return KIND;
        }
    }

    /** Portioned, labelled, put away. */
    record Portion(Duration takes) implements FinishPhase {
        public static final PhaseKind<Portion> KIND =
                PhaseKind.lasting("portion", Portion.class, Portion::new, Duration.ofMinutes(15), PhaseKind.Chore.NONE);

        public Portion {
            MIN.check(takes);
        }

        @Override
        public PhaseKind<Portion> kind() {
            return KIND;
        }
    }
}

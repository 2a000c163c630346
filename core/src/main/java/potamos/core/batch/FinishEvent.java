package potamos.core.batch;

import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Leftover;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What is done from the end of the simmer until the stock is as it is to be: strained, degreased, boiled down. */
public sealed interface FinishEvent extends Fact {

    List<EventKind<? extends FinishEvent>> KINDS =
            List.of(Passed.KIND, Degreased.KIND, Strained.KIND, Reduced.KIND, LeftOver.KIND);

    /** Through one of the strainers, before the last. */
    record Passed(Stamp stamp) implements FinishEvent {
        public static final EventKind<Passed> KIND = EventKind.named("passed", Passed.class)
                .made(Passed::new)
                .when((is, e) -> {
                    is.judgedEnough();
                    is.require(!is.strained(), "it is already strained");
                })
                .then(Replay::passed);

        @Override
        public EventKind<Passed> kind() {
            return KIND;
        }
    }

    /** Fat lifted. */
    record Degreased(Stamp stamp, Volume fat) implements FinishEvent {
        static final Figure<Volume> FAT = Figure.litres(0, Figure.MOST_LITRES);

        public static final EventKind<Degreased> KIND = EventKind.named("degreased", Degreased.class)
                .with(FAT, Degreased::fat)
                .made((stamp, f) -> new Degreased(stamp, f.get(FAT)))
                .when((is, e) -> {
                    is.judgedEnough();
                    is.atMost(FAT.name(), e.fat, is.state().pot().contents().litres(), "more than there is");
                })
                .then(Replay::degreased);

        public Degreased {
            FAT.check(fat);
        }

        @Override
        public EventKind<Degreased> kind() {
            return KIND;
        }
    }

    /** Strained off, and the litres that came out. */
    record Strained(Stamp stamp, Volume out, int passes, boolean pressed) implements FinishEvent {
        static final Figure<Volume> OUT = Figure.litres(0, Figure.MOST_LITRES);
        static final Figure<Integer> PASSES = Figure.count("passes", 1, 6, "passes");
        static final Figure<Boolean> PRESSED = Figure.yes("pressed");
        private static final int USUAL_PASSES = 2;

        public static final EventKind<Strained> KIND = EventKind.named("strained", Strained.class)
                .trusts(EventKind.Trust.JUDGEMENT)
                .with(OUT, Strained::out)
                .with(PASSES, Strained::passes)
                .with(PRESSED, Strained::pressed)
                .made((stamp, f) -> new Strained(stamp, f.get(OUT), f.or(PASSES, USUAL_PASSES), f.or(PRESSED, false)))
                .when((is, e) -> {
                    is.judgedEnough();
                    is.require(!is.strained(), "it is already strained; correct that entry instead");
                    double most = is.state().pot().contents().litres() * Before.JUG;
                    if (e.out.litres() > most) {
                        throw Refusal.outside(OUT.name(), "more than the pot held", 0, most, OUT.unit());
                    }
                })
                .then(Replay::strained);

        public Strained {
            OUT.check(out);
            PASSES.check(passes);
        }

        @Override
        public EventKind<Strained> kind() {
            return KIND;
        }
    }

    /** Boiled down to its mark: the litres that are left. */
    record Reduced(Stamp stamp, Volume left) implements FinishEvent {
        static final Figure<Volume> LEFT = Figure.litres(0.05, Figure.MOST_LITRES);

        public static final EventKind<Reduced> KIND = EventKind.named("reduced", Reduced.class)
                .with(LEFT, Reduced::left)
                .made((stamp, f) -> new Reduced(stamp, f.get(LEFT)))
                .when((is, e) -> {
                    boolean inThePot = is.plan().charge().run().reduction().beforeStraining();
                    is.judgedEnough();
                    is.require(
                            is.formula().phase(FinishPhase.Reduce.class).isPresent(),
                            "this procedure has no reduction; note it, or correct the litres");
                    is.require(inThePot || is.strained(), "strain it first");
                    is.require(
                            is.state().finish().toReduce(),
                            "it is already reduced, or past it; correct that entry instead");
                    double there = is.state()
                            .strained()
                            .map(Volume::litres)
                            .orElse(is.state().pot().liquor().litres());
                    is.atMost(LEFT.name(), e.left, there, "more than there was before");
                })
                .then(Replay::reduced);

        public Reduced {
            LEFT.check(left);
        }

        @Override
        public EventKind<Reduced> kind() {
            return KIND;
        }
    }

    /** So much of the solids, or of the fat, is kept for something, or thrown away: with its weight. */
    record LeftOver(Stamp stamp, Leftover as, Mass mass) implements FinishEvent {
        static final Figure<Leftover> AS = Figure.choice("leftOver", Leftover.class);
        static final Figure<Mass> MASS = Figure.kg(0.01, Figure.MOST_KG);

        public static final EventKind<LeftOver> KIND = EventKind.named("left-over", LeftOver.class)
                .withdrawnOnly()
                .with(AS, LeftOver::as)
                .with(MASS, LeftOver::mass)
                .made((stamp, f) -> new LeftOver(stamp, f.get(AS), f.get(MASS)))
                .when((is, e) -> {
                    is.strainedFirst();
                    is.leftOver(e);
                })
                .then(Replay::leftOver);

        public LeftOver {
            MASS.check(mass);
        }

        @Override
        public EventKind<LeftOver> kind() {
            return KIND;
        }
    }
}

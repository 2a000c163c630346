package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Part;
import potamos.core.formula.WaterRule;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;

/** Every continuous input swept in small steps: no figure jumps further than its step explains. */
class NoJumpsTest {

    private static final int STEPS = 160;

    /** A step may be so many times the usual step of its sweep, where a figure bends; a jump is far beyond. */
    private static final double BENDS = 6;

    private static Charge of(Formula formula, Pot pot) {
        return ChargeSolver.solve(formula, pot, Samples.bones(7));
    }

    private static Pot pot(double diameter, double kw, double altitude) {
        return new Pot(
                Samples.cylinder(diameter, 45),
                new Burner("b", Power.ofKilowatts(kw), 0.5),
                Air.usualAt(Length.ofCm(altitude * 100)));
    }

    private static Formula cut(double mm) {
        Formula white = Book.whiteChicken();
        return white.withParts(white.parts().stream()
                .map(p -> p.id().equals("carrot") ? new Part(p.item(), p.amount(), p.when(), mm) : p)
                .toList());
    }

    static Stream<Arguments> sweeps() {
        return Stream.of(
                sweep(
                        "simmer min",
                        20,
                        180,
                        min -> of(
                                Book.whiteChicken().simmeredFor(Duration.ofSeconds((long) (min * 60))), pot(40, 9, 0))),
                sweep("cut mm", 1, 30, mm -> of(cut(mm), pot(40, 9, 0))),
                sweep("diameter cm", 30, 60, cm -> of(Book.whiteChicken(), pot(cm, 9, 0))),
                sweep("burner kW", 6, 20, kw -> of(Book.whiteChicken(), pot(40, kw, 0))),
                sweep("altitude m", 0, 3000, m -> of(Book.whiteChicken(), pot(40, 9, m))),
                sweep(
                        "water L/kg",
                        1.2,
                        2.4,
                        ratio -> of(Book.whiteChicken().withWater(new WaterRule.PerKgBed(ratio)), pot(40, 9, 0))),
                sweep(
                        "simmer °C",
                        86,
                        99,
                        c -> of(
                                Book.whiteChicken(),
                                new Pot(
                                        Samples.cylinder(40, 45),
                                        Samples.GAS,
                                        Samples.VALLEY,
                                        java.util.Optional.of(Temperature.ofCelsius(c)),
                                        java.util.List.of(),
                                        Pot.BOOK_TAP))),
                sweep("litres", 2, 20, l -> ChargeSolver.solve(Book.whiteChicken(), pot(40, 9, 0), Samples.litres(l))),
                sweep(
                        "fumet min",
                        5,
                        60,
                        min -> of(
                                Book.of("fish-fumet").simmeredFor(Duration.ofSeconds((long) (min * 60))),
                                pot(40, 9, 0))));
    }

    private static Arguments sweep(String name, double from, double to, DoubleFunction<Charge> charge) {
        return Arguments.of(name, from, to, charge);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("sweeps")
    void noFigureJumps(String name, double from, double to, DoubleFunction<Charge> charge) {
        Charge[] swept = new Charge[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            swept[i] = charge.apply(from + (to - from) * i / STEPS);
        }
        smooth(name + ": litres out", swept, c -> c.forecast().yield().mid(), 0.02);
        smooth(name + ": litres at most", swept, c -> c.forecast().yield().high(), 0.03);
        smooth(name + ": gelatin", swept, c -> c.forecast().gelatinGPerL(), 0.05);
        smooth(name + ": bring-up", swept, c -> c.forecast().bringUpMin(), 0.1);
        smooth(name + ": water", swept, c -> c.water().litres(), 0.02);
        smooth(name + ": clarity", swept, c -> c.character().clarity().index(), 0.5);
        smooth(name + ": salt", swept, c -> c.character().salt().gPerL(), 0.01);
        smooth(name + ": aroma", swept, c -> Aroma.of(c).index(), 0.5);
        smooth(
                name + ": spent",
                swept,
                c -> c.character().cuts().stream()
                        .mapToDouble(Character.CutPart::spent)
                        .sum(),
                0.01);
    }

    /** No step is much larger than those around it, unless it is too small to be seen. */
    private static void smooth(String what, Charge[] swept, ToDoubleFunction<Charge> figure, double unseen) {
        double[] step = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            step[i] = Math.abs(figure.applyAsDouble(swept[i + 1]) - figure.applyAsDouble(swept[i]));
        }
        for (int i = 0; i < STEPS; i++) {
            double about = 0;
            int counted = 0;
            for (int j = Math.max(0, i - 5); j <= Math.min(STEPS - 1, i + 5); j++) {
                if (j != i) {
                    about += step[j];
                    counted++;
                }
            }
            assertThat(step[i])
                    .as("%s, step %d of %d", what, i, STEPS)
                    .isLessThanOrEqualTo(unseen + BENDS * about / counted);
        }
    }
}

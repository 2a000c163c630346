package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Pot;
import potamos.core.flow.Forecast;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.formula.PotPhase;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** A batch that is handled as planned comes out as foretold, and says so all the way: forecast, replay and outlook are one pot. */
class AsPlannedTest {

    /** Skims come one by one, where the plan spreads them. */
    private static final Percentage CLOSE = withinPercentage(1);

    static Stream<Formula> formulas() {
        return Book.formulas().stream();
    }

    private static Worker at(Formula formula) {
        return new Worker(formula, formula.reducesTo() < 0.4 ? 2 : 12);
    }

    /** Every formula of the book at three sizes, each in a vessel that suits it. */
    static Stream<Arguments> sizes() {
        return Book.formulas().stream()
                .flatMap(formula -> Stream.of(3, 20, 60)
                        .map(litres -> Arguments.of(formula, formula.reducesTo() < 0.4 ? litres / 3 : litres)));
    }

    /** A pot that the charge fits into, on a burner that suits its size. */
    private static Pot suiting(Formula formula, int litres) {
        for (double wide = 18; wide < 130; wide *= 1.12) {
            Pot pot = new Pot(
                    Samples.cylinder(wide, wide),
                    new Burner("suits", Power.ofKilowatts(1 + wide * wide / 180), 0.5),
                    Samples.VALLEY);
            try {
                if (ChargeSolver.fits(formula, pot, Samples.litres(litres))) {
                    return pot;
                }
            } catch (Refusal tooSmall) {
                // The next.
            }
        }
        throw new AssertionError("no pot for " + formula.slug());
    }

    @ParameterizedTest
    @MethodSource("sizes")
    void litresAreExpectedAsForetoldFromTheFireToTheStrainer(Formula formula, int litres) {
        Worker worker = new Worker(formula, suiting(formula, litres), litres);
        Forecast forecast = worker.plan.charge().forecast();
        double foretold = forecast.yield().mid();
        List<Stage> seen = new ArrayList<>();
        BatchState state = worker.state();
        while (state.strained().isEmpty()) {
            if (state.stage().hot()) {
                assertThat(state.expected().litres().mid())
                        .as("%s of %s", state.stage(), formula.slug())
                        .isCloseTo(foretold, CLOSE);
                seen.add(state.stage());
            }
            if (!worker.workOnce(state)) {
                worker.passToNext(state, Duration.ofMinutes(30));
            }
            state = worker.state();
        }
        assertThat(seen).contains(Stage.BRING_UP, Stage.SIMMER);
        double gelatin = state.course().get(state.course().size() - 1).gelatinGPerL();
        double reduced = worker.plan.charge().run().reduction().beforeStraining() ? 1 : formula.reducesTo();
        assertThat(gelatin / reduced).isCloseTo(forecast.gelatinGPerL(), within(0.1 + 0.01 * forecast.gelatinGPerL()));
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void gelatinAndTopUpsAreThoseForetold(Formula formula) {
        Worker worker = at(formula).until(Stage.STRAIN);
        Forecast forecast = worker.plan.charge().forecast();
        BatchState state = worker.state();
        assertThat(state.pot().gelatinGPerL()).isCloseTo(forecast.gelatinGPerL(), withinPercentage(5));
        long toppedUp = worker.events.stream()
                .filter(PotEvent.ToppedUp.class::isInstance)
                .count();
        assertThat((int) toppedUp)
                .isBetween(forecast.topUps().size() - 1, forecast.topUps().size() + 1);
        assertThat(toppedUp == 0).isEqualTo(forecast.topUps().isEmpty());
    }

    @Test
    void aShortSimmerThatIsHeldIsNeitherForetoldNorAskedToBeToppedUp() {
        Formula held = withSimmer(Book.whiteChicken(), Duration.ofMinutes(40));
        Worker worker = new Worker(held, 12);
        assertThat(worker.plan.charge().forecast().topUps()).isEmpty();
        worker.until(Stage.SIMMER);
        assertThat(worker.state().expected().litres().mid()).isCloseTo(12, CLOSE);
        worker.until(Stage.REST);
        assertThat(worker.done).doesNotContain(Kind.TOP_UP);
        assertThat(worker.state().expected().litres().mid()).isCloseTo(12, CLOSE);
    }

    @Test
    void aReadingRightAfterColdWaterDoesNotSayWhereTheSimmerIsHeld() {
        Worker worker = new Worker(Book.formulas().get(0), 12).until(Stage.SIMMER);
        worker.pass(Duration.ofMinutes(60));
        double steam = worker.state().pot().steamLPerH();
        PotEvent.ToppedUp cold = new PotEvent.ToppedUp(worker.stamp(), Volume.ofLitres(3), Temperature.ofCelsius(12));
        worker.log(cold);
        worker.pass(Duration.ofMinutes(2));
        worker.log(new PotEvent.TemperatureRead(
                worker.stamp(), worker.state().pot().temperature()));
        assertThat(worker.state().pot().steamLPerH()).isLessThan(steam * 0.8);
        worker.pass(Duration.ofMinutes(40));
        assertThat(worker.state().pot().steamLPerH()).isCloseTo(steam, CLOSE);
    }

    private static Formula withSimmer(Formula formula, Duration usual) {
        List<Phase> procedure = formula.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                s.band(),
                                usual,
                                usual,
                                s.most(),
                                s.cover(),
                                new PotPhase.TopUp(
                                        PotPhase.TopUp.Keeps.HELD,
                                        Length.ofCm(2),
                                        s.topUp().water()),
                                s.skim())
                        : phase)
                .toList();
        return formula.withProcedure(procedure);
    }
}

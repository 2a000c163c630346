package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.WaterRule;

class ForecasterTest {

    private static Forecast forecast(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10))
                .forecast();
    }

    private static Formula letItReduce() {
        Formula base = Book.whiteChicken();
        return base.withProcedure(base.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                s.band(), s.usual(), s.least(), s.most(), s.cover(), PotPhase.TopUp.none(), s.skim())
                        : phase)
                .toList());
    }

    @Test
    void aPotThatIsHeldGivesMoreThanOneLeftToReduce() {
        Forecast held = forecast(Book.whiteChicken());
        Forecast reduced = forecast(letItReduce());
        assertThat(held.topUps()).isNotEmpty();
        assertThat(reduced.topUps()).isEmpty();
        assertThat(held.yield().mid()).isGreaterThan(reduced.yield().mid() + 1);
        assertThat(held.gelatinGPerL()).isLessThan(reduced.gelatinGPerL());
    }

    @Test
    void topUpsNeverLiftThePotAboveItsMark() {
        Forecast held = forecast(Book.whiteChicken());
        double most = held.course().stream()
                .mapToDouble(Forecast.Point::contentsL)
                .max()
                .orElseThrow();
        assertThat(most)
                .isLessThanOrEqualTo(ChargeSolver.solve(
                                        Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10))
                                .run()
                                .everythingIn()
                                .litres()
                        + 1e-9);
    }

    @Test
    void longerSimmersSteamMoreAndExtractMore() {
        Forecast twoHours = forecast(letItReduce().simmeredFor(Duration.ofHours(2)));
        Forecast fourHours = forecast(letItReduce().simmeredFor(Duration.ofHours(4)));
        assertThat(fourHours.evaporated().litres())
                .isGreaterThan(twoHours.evaporated().litres());
        assertThat(fourHours.gelatinGPerL()).isGreaterThan(twoHours.gelatinGPerL());
    }

    @Test
    void aPotNobodyTopsUpBaresItsBedInTheEnd() {
        Forecast reduced = forecast(letItReduce().simmeredFor(Duration.ofHours(16)));
        assertThat(reduced.bedBareAtMin()).isPresent();
        assertThat(forecast(Book.whiteChicken()).bedBareAtMin()).isEmpty();
    }

    @Test
    void theBandIsWiderWhenThePotIsLeftToReduce() {
        double held = forecast(Book.whiteChicken()).yield().sd();
        double reduced = forecast(letItReduce()).yield().sd();
        assertThat(held).isPositive();
        assertThat(reduced).isGreaterThan(held);
    }

    @Test
    void blanchingHalvesTheSkimmingAtLeast() {
        double raw =
                forecast(Book.whiteChicken()).ledger().of(Ledger.Cause.SKIMMED).litres();
        double blanched = forecast(Book.whiteChicken().blanched(true))
                .ledger()
                .of(Ledger.Cause.SKIMMED)
                .litres();
        assertThat(blanched).isCloseTo(raw / 4, within(0.01));
    }

    @Test
    void aPotThatBoilsDryStopsAtNothing() {
        Run run = ChargeSolver.solve(
                        letItReduce().withWater(new WaterRule.PerKgBed(0.4)),
                        Samples.pot(Samples.cylinder(60, 30)),
                        Samples.bones(2))
                .run();
        Forecast dry = Forecaster.of(run);
        assertThat(dry.yield().mid()).isCloseTo(0, within(1e-9));
        assertThat(dry.ledger().yield().litres()).isCloseTo(0, within(1e-9));
        assertThat(dry.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(dry.course())
                .allSatisfy(p -> assertThat(p.contentsL())
                        .isGreaterThanOrEqualTo(run.bed().displacedVolume().litres() - 1e-9));
    }
}

package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.batch.DueAct.Kind;
import potamos.core.figure.Figure;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.formula.Schools;
import potamos.core.liquor.Salt;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What a batch is still good for: litres for its calls, salt in them, whether they are hot; and what it proposes to log. */
class ExpectationTest {

    /** Strained, and then boiled down to half of it. */
    private static final Formula AFTERWARDS = Schools.AS_WRITTEN
            .with(Schools.DENSITY, Schools.Vegetables.LIGHT_REDUCED)
            .applyTo(Book.of("vegetable-light"));

    private static double promised(Worker worker, double litres, double delivered) {
        Expectation.Promise call = new Expectation.Promise(Volume.ofLitres(litres), Volume.ofLitres(delivered));
        return Expectation.promised(worker.plan, worker.state(), List.of(call))
                .get(0)
                .litres();
    }

    @Test
    void whatIsBoiledDownAfterTheStrainerIsPromisedAsItWillBe() {
        Worker worker = new Worker(AFTERWARDS, 6).until(Stage.SIMMER);
        double strained = Expectation.litresOut(worker.plan, worker.state()).mid();
        double ahead = promised(worker, 100, 0);
        assertThat(ahead).isLessThan(strained);
        worker.until(Stage.REDUCE);
        double out = worker.state().strained().orElseThrow().litres();
        assertThat(promised(worker, 100, 0)).isCloseTo(out / 2, within(0.01));
        assertThat(Expectation.notPutAway(worker.state()).litres())
                .as("not while it boils")
                .isZero();
        worker.until(Stage.COOL);
        double left = worker.state().out().orElseThrow().litres();
        assertThat(left).isCloseTo(out / 2, within(0.05));
        assertThat(promised(worker, 100, 0)).isCloseTo(left, within(1e-9));
        assertThat(Expectation.notPutAway(worker.state()).litres()).isCloseTo(left, within(1e-9));
    }

    @Test
    void whatIsPutAwayOrGivenUpIsPromisedAsFarAsItIsThere() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.COOL);
        double out = worker.state().out().orElseThrow().litres();
        assertThat(promised(worker, 100, 0)).isCloseTo(out, within(1e-9));
        worker.log(new MishapEvent.Dropped(worker.stamp(), Volume.ofLitres(2)));
        assertThat(promised(worker, 100, 0)).isCloseTo(out - 2, within(1e-9));
        assertThat(promised(worker, 3, 1)).isEqualTo(2);
        worker.until(Stage.ON_SHELF);
        assertThat(Expectation.notPutAway(worker.state()).litres()).isZero();
        assertThat(promised(worker, 100, 0))
                .isCloseTo(worker.state().shelf().left().litres(), within(1e-9));
        Worker given = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        given.log(new ShelfEvent.Abandoned(given.stamp(), "the carcasses smelt"));
        assertThat(promised(given, 5, 0)).isZero();
    }

    /** Handed out hot is what is as hot as the limits want it, by its last reading; before there is one it comes from the pot. */
    @Test
    void hotIsWhatWasReadHotLast() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        assertThat(Expectation.hot(worker.plan, worker.state()))
                .as("still in the pot")
                .isFalse();
        worker.until(Stage.COOL);
        assertThat(Expectation.hot(worker.plan, worker.state())).isTrue();
        double hold = worker.plan.limits().hotHold().celsius();
        worker.log(new ColdEvent.CoolingRead(worker.stamp(), Temperature.ofCelsius(hold)));
        assertThat(Expectation.hot(worker.plan, worker.state())).isTrue();
        worker.pass(Duration.ofMinutes(1));
        worker.log(new ColdEvent.CoolingRead(worker.stamp(), Temperature.ofCelsius(hold - 1)));
        assertThat(Expectation.hot(worker.plan, worker.state())).isFalse();
    }

    /** Sixty grams in the pot: all of them are in the litres that it is boiled down to. */
    @Test
    void saltIsReckonedInWhatIsLeftOfIt() {
        Worker worker = new Worker(AFTERWARDS, 6).until(Stage.REST);
        assertThat(Expectation.salted(worker.plan, worker.state())).isEmpty();
        double planned = worker.plan.charge().character().salt().afterGPerL();
        worker.log(new MishapEvent.Salted(worker.stamp(), Mass.ofKg(0.06)));
        double foretold = promised(worker, 100, 0);
        Salt salt = Expectation.salted(worker.plan, worker.state()).orElseThrow();
        double whole = worker.plan.charge().forecast().yield().mid() / 2 * planned + 60;
        assertThat(salt.afterGPerL()).isCloseTo(whole / foretold, within(1e-6));
        assertThat(salt.gPerL()).isCloseTo(salt.afterGPerL() / 2, within(1e-9));
        worker.until(Stage.COOL);
        assertThat(Expectation.salted(worker.plan, worker.state()).orElseThrow().afterGPerL())
                .isCloseTo(whole / worker.state().out().orElseThrow().litres(), within(1e-6));
    }

    @Test
    void whatIsInALotIsWhatIsInItsBatchOrWasPouredToIt() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.ON_SHELF);
        Contents own = worker.plan.charge().contents();
        assertThat(own.allergens()).isNotEmpty();
        assertThat(Expectation.contents(ShelfEvent.REST, worker.plan, worker.state()))
                .isEqualTo(own);
        String lot = worker.state().shelf().lots().get(0).id();
        assertThat(Expectation.contents(lot, worker.plan, worker.state()).allergens())
                .isEqualTo(own.allergens());
    }

    private static double figure(Worker worker, EventKind<?> kind, Figure<?> figure) {
        Proposal proposal = Proposals.atAnyTime(worker.plan, worker.state()).stream()
                .filter(one -> one.kind() == kind)
                .findFirst()
                .orElseThrow();
        return (double) proposal.figures().byName().get(figure.name());
    }

    private static List<EventKind<?>> kinds(Worker worker) {
        return Proposals.atAnyTime(worker.plan, worker.state()).stream()
                .<EventKind<?>>map(Proposal::kind)
                .toList();
    }

    /** Whoever opens a sheet at any time finds in it what is likely now. */
    @Test
    void atAnyTimeWhatBelongsToItsStageIsProposed() {
        Worker worker = new Worker(AFTERWARDS, 6);
        assertThat(kinds(worker)).isEqualTo(List.of(ChoreEvent.WeighedIn.KIND, PotEvent.Filled.KIND));
        assertThat(figure(worker, ChoreEvent.WeighedIn.KIND, ChoreEvent.WeighedIn.MASS))
                .isEqualTo(worker.plan.charge().run().raw().kg());
        worker.until(Stage.SIMMER);
        assertThat(kinds(worker))
                .contains(PotEvent.LevelRead.KIND, PotEvent.Skimmed.KIND, FinishEvent.Strained.KIND)
                .doesNotContain(PotEvent.Filled.KIND, ColdEvent.CoolingRead.KIND);
        // What is boiled away afterwards is still in what comes through the strainer.
        double now = worker.state().ledger().yield().litres();
        assertThat(figure(worker, FinishEvent.Strained.KIND, FinishEvent.Strained.OUT))
                .isCloseTo(2 * now, within(1e-6));
        worker.until(Stage.COOL);
        assertThat(kinds(worker)).isEqualTo(List.of(ColdEvent.CoolingRead.KIND, FinishEvent.Degreased.KIND));
        double pot = worker.state().pot().temperature().celsius();
        assertThat(figure(worker, ColdEvent.CoolingRead.KIND, ColdEvent.CoolingRead.TEMPERATURE))
                .isCloseTo(pot, within(1e-9));
        worker.log(new ColdEvent.CoolingRead(worker.stamp(), Temperature.ofCelsius(61)));
        assertThat(figure(worker, ColdEvent.CoolingRead.KIND, ColdEvent.CoolingRead.TEMPERATURE))
                .isEqualTo(61);
    }

    /** A probe is asked about from six kelvins on, unless somebody has read the pot within ten minutes. */
    @Test
    void aProbeThatIsFarOffIsAskedAboutWhileThePotIsOnTheFire() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        assertThat(asked(worker, 5.9)).isFalse();
        assertThat(asked(worker, -5.9)).isFalse();
        assertThat(asked(worker, 6.1)).isTrue();
        assertThat(asked(worker, -6.1)).isTrue();
        double reckoned = worker.state().pot().temperature().celsius();
        worker.log(new PotEvent.TemperatureRead(worker.stamp(), Temperature.ofCelsius(reckoned)));
        worker.pass(Duration.ofSeconds(599));
        assertThat(asked(worker, -9)).as("just read").isFalse();
        worker.pass(Duration.ofSeconds(2));
        assertThat(asked(worker, -9)).isTrue();
        worker.until(Stage.COOL);
        assertThat(asked(worker, -30)).as("off the fire").isFalse();
    }

    /** Whether the temperature is asked for now, and once only. */
    private static boolean asked(Worker worker, double off) {
        double shows = worker.state().pot().temperature().celsius() + off;
        List<DueAct> reads = DueActs.of(worker.plan, worker.state(), Optional.of(Temperature.ofCelsius(shows))).stream()
                .filter(act -> act.kind() == Kind.READ_TEMPERATURE)
                .toList();
        assertThat(reads).hasSizeLessThanOrEqualTo(1);
        return reads.stream().anyMatch(act -> act.due().equals(worker.now));
    }
}

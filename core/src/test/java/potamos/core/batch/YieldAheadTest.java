package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.flow.Ledger;
import potamos.core.flow.Ledger.Cause;
import potamos.core.flow.Why;
import potamos.core.flow.Why.Basis;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What the expected litres rest on, and how far each reason may be off: by what a cook would reckon from the book's figures. */
class YieldAheadTest {

    private final Plan plan = Samples.plan();

    private static Formula boiledDownTo(double fraction) {
        List<Phase> phases = new ArrayList<>(Book.whiteChicken().procedure());
        int strain = phases.indexOf(phases.stream()
                .filter(FinishPhase.Strain.class::isInstance)
                .findFirst()
                .orElseThrow());
        phases.add(strain, new FinishPhase.Reduce(fraction));
        return Book.whiteChicken().withProcedure(phases);
    }

    private static List<BatchEvent> simmering(Plan plan) {
        return new ArrayList<>(List.of(
                new ChoreEvent.WeighedIn(
                        Samples.at(5), BatchEvent.BED, plan.charge().run().raw(), "L1"),
                new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)),
                new PotEvent.HeatOn(Samples.at(12)),
                new PotEvent.SimmerReached(Samples.at(80))));
    }

    private static BatchState at(Plan plan, List<BatchEvent> events, int minute) {
        return Batch.replay(plan, events, Samples.EIGHT.plus(Duration.ofMinutes(minute)));
    }

    private static Map<Cause, Basis> bases(Plan plan, BatchState state) {
        return Expectation.why(plan, state).stream().collect(Collectors.toMap(Why::term, Why::basis));
    }

    private static Why why(BatchState state, Cause term) {
        return state.expected().why().stream()
                .filter(one -> one.term() == term)
                .findFirst()
                .orElseThrow();
    }

    /** One standard deviation of the litres that come of one reason alone. */
    private static double sd(BatchState state, Cause term) {
        Band litres = state.expected().litres();
        return Math.sqrt(why(state, term).bandShare()) * (litres.high() - litres.mid()) / Band.Z90;
    }

    @Test
    void whatRestsOnThePlanRestsOnWhatWasMeasuredOnceItWas() {
        List<BatchEvent> events = simmering(plan);
        BatchState before = at(plan, events.subList(0, 1), 6);
        assertThat(before.expected().why()).extracting(Why::basis).containsOnly(Basis.PLANNED, Basis.BOOK);
        assertThat(why(before, Cause.EVAPORATED).basis()).isEqualTo(Basis.BOOK);
        assertThat(why(before, Cause.UPTAKE).basis()).isEqualTo(Basis.PLANNED);
        BatchState hot = at(plan, events, 90);
        assertThat(bases(plan, hot))
                .containsEntry(Cause.WATER, Basis.MEASURED)
                .containsEntry(Cause.EVAPORATED, Basis.BOOK)
                .containsEntry(Cause.SKIMMED, Basis.PLANNED)
                .containsEntry(Cause.TOP_UP, Basis.PLANNED)
                .containsEntry(Cause.UPTAKE, Basis.BOOK)
                .containsEntry(Cause.STRAINERS, Basis.BOOK);
        double belowRim =
                plan.charge().run().vessel().belowRim(hot.pot().level()).cm();
        events.add(new PotEvent.LevelRead(Samples.at(90), Length.ofCm(belowRim + 1)));
        assertThat(bases(plan, at(plan, events, 91))).containsEntry(Cause.EVAPORATED, Basis.MEASURED);
        events.add(new PotEvent.Skimmed(Samples.at(92), Volume.ofLitres(0.3)));
        events.add(new PotEvent.ToppedUp(Samples.at(93), Volume.ofLitres(0.5), Temperature.ofCelsius(85)));
        events.add(new FinishEvent.Strained(Samples.at(300), Volume.ofLitres(14), 2, false));
        assertThat(bases(plan, at(plan, events, 301)))
                .containsEntry(Cause.SKIMMED, Basis.MEASURED)
                .containsEntry(Cause.TOP_UP, Basis.MEASURED)
                .containsEntry(Cause.UPTAKE, Basis.BOOK);
    }

    /** Litres are counted without their fat: more of it came from the bones than the book has, and more was lifted. */
    @Test
    void fatThatWasLiftedIsWhatThereWasOfIt() {
        List<BatchEvent> events = simmering(plan);
        BatchState before = at(plan, events, 240);
        assertThat(why(before, Cause.FAT_LIFTED).basis()).isEqualTo(Basis.BOOK);
        double fat = why(before, Cause.FAT_LIFTED).litres().litres();
        assertThat(before.fatOnIt().litres()).isCloseTo(fat, within(1e-9));
        events.add(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        events.add(new FinishEvent.Degreased(Samples.at(241), Volume.ofLitres(2 * fat)));
        events.add(new FinishEvent.Degreased(Samples.at(242), Volume.ofLitres(0.1)));
        BatchState lifted = at(plan, events, 243);
        assertThat(lifted.fatOnIt().litres()).isZero();
        assertThat(why(lifted, Cause.FAT_LIFTED).basis()).isEqualTo(Basis.MEASURED);
        assertThat(why(lifted, Cause.FAT_LIFTED).litres().litres()).isCloseTo(2 * fat + 0.1, within(1e-9));
        assertThat(lifted.ledger().yield().litres())
                .isCloseTo(before.ledger().yield().litres(), within(0.05));
    }

    @Test
    void eachReasonMovesTheLitresByItsOwnShareOfWhatIsNotKnown() {
        List<BatchEvent> events = simmering(plan);
        events.add(new PotEvent.Skimmed(Samples.at(81), Volume.ofLitres(0.2)));
        BatchState state = at(plan, events, 90);
        Ledger now = state.ledger();
        assertThat(now.of(Cause.SKIMMED).litres()).isCloseTo(0.2, within(1e-9));
        double stillSkimmed = why(state, Cause.SKIMMED).litres().litres() - 0.2;
        assertThat(stillSkimmed).isPositive();
        assertThat(sd(state, Cause.SKIMMED)).isCloseTo(0.4 * stillSkimmed, within(1e-6));
        assertThat(sd(state, Cause.UPTAKE))
                .isCloseTo(0.3 * why(state, Cause.UPTAKE).litres().litres(), within(1e-6));
        assertThat(sd(state, Cause.STRAINERS))
                .isCloseTo(0.4 * why(state, Cause.STRAINERS).litres().litres(), within(1e-6));
        assertThat(sd(state, Cause.EVAPORATED)).isPositive();
        assertThat(sd(state, Cause.WATER)).isZero();
        assertThat(state.expected().why().stream().mapToDouble(Why::bandShare).sum())
                .isCloseTo(1, within(1e-9));
    }

    /** In a stock that is boiled down to half of it, half of everything that is off before is off afterwards, until its litres are read. */
    @Test
    void whatIsStillBoiledAwayTakesItsPartOfWhatIsNotKnown() {
        Plan whole = Samples.plan(Book.whiteChicken(), Samples.bones(8));
        Plan half = Samples.plan(boiledDownTo(0.5), Samples.bones(8));
        List<BatchEvent> events = simmering(half);
        BatchState state = at(half, events, 90);
        assertThat(sd(state, Cause.UPTAKE))
                .isCloseTo(0.3 * why(state, Cause.UPTAKE).litres().litres() / 2, within(1e-6));
        assertThat(sd(state, Cause.STRAINERS))
                .isCloseTo(0.4 * why(state, Cause.STRAINERS).litres().litres() / 2, within(1e-6));
        assertThat(sd(state, Cause.SKIMMED))
                .isCloseTo(0.4 * why(state, Cause.SKIMMED).litres().litres() / 2, within(1e-6));
        assertThat(bases(half, state)).containsEntry(Cause.REDUCED, Basis.PLANNED);
        assertThat(state.expected().gelatinGPerL())
                .isCloseTo(2 * at(whole, simmering(whole), 90).expected().gelatinGPerL(), within(1e-6));
        double left = state.pot().liquor().litres() / 2;
        events.add(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        events.add(new FinishEvent.Reduced(Samples.at(300), Volume.ofLitres(left)));
        BatchState reduced = at(half, events, 301);
        assertThat(bases(half, reduced)).containsEntry(Cause.REDUCED, Basis.MEASURED);
        assertThat(reduced.expected().gelatinGPerL()).isCloseTo(reduced.pot().gelatinGPerL(), within(1e-9));
    }

    /** With what may be off no more comes out than there is in the pot and still goes into it. */
    @Test
    void noMoreIsExpectedThanIsThere() {
        List<BatchEvent> events = simmering(plan);
        events.add(new MishapEvent.BoiledOver(
                Samples.at(90), at(plan, events, 89).pot().liquor().minus(Volume.ofLitres(4))));
        BatchState state = at(plan, events, 91);
        double liquor = state.pot().liquor().litres();
        double topUps = why(state, Cause.TOP_UP).litres().litres();
        assertThat(state.expected().litres().high()).isLessThanOrEqualTo(liquor + topUps + 1e-9);
        assertThat(state.expected().litres().low()).isNotNegative();
    }

    @Test
    void afterTheStrainingWhatWasMeasuredIsExact() {
        List<BatchEvent> events = simmering(plan);
        events.add(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        events.add(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
        BatchState state = at(plan, events, 271);
        assertThat(state.expected().litres()).isEqualTo(Band.exactly(14));
        assertThat(Expectation.litresOut(plan, state)).isEqualTo(Band.exactly(14));
        assertThat(state.expected().why()).extracting(Why::bandShare).containsOnly(0.0);
    }

    @Test
    void aBedThatWeighsOtherwiseIsExpectedOtherwise() {
        List<BatchEvent> events = new ArrayList<>(List.of(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().raw().times(1.2), "L1")));
        double planned = plan.charge().forecast().yield().mid();
        BatchState state = at(plan, events, 6);
        assertThat(state.expected().litres().mid()).isCloseTo(1.2 * planned, within(0.03 * planned));
        assertThat(state.weighed()).containsKey(BatchEvent.BED);
    }
}

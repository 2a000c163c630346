package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import potamos.core.batch.MassLedger.Cause;
import potamos.core.batch.MassLedger.Entry;
import potamos.core.batch.MassLedger.Kept;
import potamos.core.formula.Book;
import potamos.core.formula.Leftover;
import potamos.core.formula.Part;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/** The kilograms of a batch, each held against what somebody weighed, poured or read. */
class MassLedgerTest {

    private static double of(MassLedger ledger, Cause cause) {
        return ledger.entries().stream()
                .filter(entry -> entry.cause() == cause)
                .mapToDouble(entry -> entry.mass().kg())
                .sum();
    }

    private static <E> double logged(Worker worker, Class<E> kind, Function<E, Volume> of) {
        return worker.events.stream()
                .filter(kind::isInstance)
                .mapToDouble(event -> of.apply(kind.cast(event)).litres())
                .sum();
    }

    private static double kg(Worker worker, Predicate<Part.Kind> which) {
        return worker.plan.charge().measures().stream()
                .filter(measure -> which.test(measure.part().kind()))
                .mapToDouble(measure -> measure.mass().kg())
                .sum();
    }

    /** Twenty litres of brown veal as its list has it, in which a piece was scorched and the pot ran over. */
    @Test
    void everyKilogramOfABrownStockIsAccountedFor() {
        Worker worker = new Worker(Book.of("brown-veal"), 20).until(Stage.FILL);
        worker.log(new MishapEvent.PickedOut(worker.stamp(), Mass.ofKg(0.4)));
        worker.until(Stage.SIMMER);
        worker.log(new MishapEvent.BoiledOver(worker.stamp(), Volume.ofLitres(0.7)));
        DueAct lift = worker.awaiting(DueAct.Kind.DEGREASE);
        Volume planned = Volume.ofLitres(lift.amount());
        worker.log(new FinishEvent.Degreased(worker.stamp(), planned.times(1.5)));
        worker.until(Stage.ON_SHELF);
        MassLedger ledger = MassLedger.of(worker.plan, worker.state()).orElseThrow();

        double raw = worker.state().weighed().get(BatchEvent.BED).kg();
        double water = logged(worker, PotEvent.Filled.class, PotEvent.Filled::water);
        double toppedUp = logged(worker, PotEvent.ToppedUp.class, PotEvent.ToppedUp::water);
        double skimmed = logged(worker, PotEvent.Skimmed.class, PotEvent.Skimmed::liquor);
        double out = logged(worker, FinishEvent.Strained.class, FinishEvent.Strained::out);
        double lifted = logged(worker, FinishEvent.Degreased.class, FinishEvent.Degreased::fat);
        assertThat(List.of(toppedUp, skimmed, lifted)).allMatch(litres -> litres > 0);
        double keeps = worker.plan.charge().formula().keepsMass();
        assertThat(keeps).isBetween(0.7, 0.95);
        assertThat(of(ledger, Cause.BED)).isEqualTo(raw);
        assertThat(of(ledger, Cause.ROASTED_OFF)).isCloseTo(raw * (1 - keeps), within(1e-9));
        assertThat(of(ledger, Cause.PICKED_OUT)).isEqualTo(0.4);
        assertThat(of(ledger, Cause.SPILT)).isCloseTo(0.7, within(1e-9));
        assertThat(of(ledger, Cause.SKIMMED)).isCloseTo(skimmed, within(1e-9));
        double parts = kg(worker, kind -> kind != Part.Kind.WINE);
        assertThat(of(ledger, Cause.PARTS)).isCloseTo(parts, within(1e-9));
        double wine = worker.plan.charge().run().poured().litres();
        assertThat(wine).as("what it is deglazed with").isPositive();
        assertThat(of(ledger, Cause.LIQUOR)).isCloseTo(water + toppedUp + wine, within(1e-9));
        double gelatin = worker.state().expected().gelatinGPerL() * out / 1000;
        assertThat(of(ledger, Cause.STOCK)).isCloseTo(out + gelatin, within(1e-6));
        // Fat is lighter than water by eight parts of a hundred.
        assertThat(of(ledger, Cause.FAT_LIFTED)).isCloseTo(0.92 * lifted, within(0.02 * lifted));
        assertThat(ledger.fat().kg()).isEqualTo(of(ledger, Cause.FAT_LIFTED));
        double bed = raw * keeps - 0.4;
        assertThat(ledger.bedShare()).isCloseTo(bed / (bed + parts), within(1e-9));
        assertThat(ledger.spentBed().kg()).isCloseTo(ledger.solids().kg() * bed / (bed + parts), within(1e-9));
    }

    @Test
    void fatThatIsKeptIsNotAmongWhatWasLiftedAndThrownAway() {
        Worker worker = new Worker(Book.of("brown-veal"), 20).until(Stage.ON_SHELF);
        double lifted = of(MassLedger.of(worker.plan, worker.state()).orElseThrow(), Cause.FAT_LIFTED);
        worker.log(new FinishEvent.LeftOver(worker.stamp(), Leftover.FAT, Mass.ofKg(0.1)));
        MassLedger kept = MassLedger.of(worker.plan, worker.state()).orElseThrow();
        assertThat(of(kept, Cause.FAT_LIFTED)).isCloseTo(lifted - 0.1, within(1e-9));
        assertThat(kept.weighed()).containsExactly(new Kept(Leftover.FAT, Mass.ofKg(0.1)));
    }

    @Test
    void whatIsStirredInGoesWithTheStock() {
        Worker worker = new Worker(Book.of("court-bouillon"), 10).until(Stage.ON_SHELF);
        MassLedger ledger = MassLedger.of(worker.plan, worker.state()).orElseThrow();
        double out = worker.state().strained().orElseThrow().litres();
        double salt = kg(worker, kind -> kind == Part.Kind.SEASONING);
        assertThat(salt).isGreaterThan(0.05);
        assertThat(worker.state().expected().gelatinGPerL()).isZero();
        assertThat(of(ledger, Cause.STOCK)).isCloseTo(out + salt, within(1e-9));
    }

    /** What was drawn has brought its gelatin as a part of its litres; only what came from the bones is more. */
    @Test
    void whatAStockBringsIsCountedOnce() {
        Worker worker = new Worker(Book.of("half-reduction"), 6).until(Stage.ON_SHELF);
        MassLedger ledger = MassLedger.of(worker.plan, worker.state()).orElseThrow();
        double out = worker.state().out().orElseThrow().litres();
        double gelatin = worker.state().expected().gelatinGPerL() * out;
        double brought = 18 * worker.plan.charge().water().litres();
        assertThat(gelatin).isGreaterThan(100);
        assertThat(of(ledger, Cause.STOCK)).isCloseTo(out + Math.max(0, gelatin - brought) / 1000, within(1e-9));
    }

    /** Ten in, of which six are stock: four can still be weighed, less the kilogram that was. */
    @Test
    void noMoreCanBeWeighedThanWentInAndIsNotStock() {
        List<Entry> entries = List.of(
                new Entry(Cause.BED, Mass.ofKg(4)),
                new Entry(Cause.LIQUOR, Mass.ofKg(6)),
                new Entry(Cause.STOCK, Mass.ofKg(6)),
                new Entry(Cause.STEAM, Mass.ofKg(0.5)));
        Kept meat = new Kept(Leftover.PICKED_MEAT, Mass.ofKg(0.7));
        Kept fat = new Kept(Leftover.FAT, Mass.ofKg(0.3));
        MassLedger ledger = new MassLedger(entries, List.of(meat, fat), Mass.ofKg(2.5), 0.8, Mass.ofKg(0.3));
        assertThat(ledger.most().kg()).isCloseTo(3, within(1e-9));
        assertThat(ledger.solids().kg()).as("fat is none").isCloseTo(3.2, within(1e-9));
        assertThat(ledger.spentBed().kg()).isCloseTo(2.56, within(1e-9));
        MassLedger over = new MassLedger(entries, List.of(meat), Mass.ofKg(-1), 0.8, Mass.ofKg(0.3));
        assertThat(over.solids().kg()).isZero();
        MassLedger spent = new MassLedger(
                entries, List.of(new Kept(Leftover.COMPOST, Mass.ofKg(5))), Mass.ofKg(-1.5), 0.8, Mass.ofKg(0.3));
        assertThat(spent.most().kg()).isZero();
    }
}

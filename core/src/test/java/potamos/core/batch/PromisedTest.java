package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.formula.Book;
import potamos.core.quantity.Volume;

class PromisedTest {

    private static Expectation.Promise promise(double litres, double delivered) {
        return new Expectation.Promise(Volume.ofLitres(litres), Volume.ofLitres(delivered));
    }

    private static List<Double> promised(Worker worker, Expectation.Promise... calls) {
        return Expectation.promised(worker.plan, worker.state(), List.of(calls)).stream()
                .map(Volume::litres)
                .toList();
    }

    /** Eight litres for three calls: the first has all of its own, the next what is left of it, the last nothing. */
    @Test
    void whatThereIsGoesToTheFirstCallFirst() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.BRING_UP);
        double out = Expectation.litresOut(worker.plan, worker.state()).mid();
        List<Double> each = promised(worker, promise(5, 0), promise(6, 0), promise(2, 0));
        assertThat(each.get(0)).isEqualTo(5);
        assertThat(each.get(1)).isCloseTo(out - 5, within(1e-9));
        assertThat(each.get(2)).isZero();
    }

    @Test
    void whatACallHasAlreadyItIsNotPromisedAgainAndNobodyIsPromisedLessThanNothing() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.BRING_UP);
        assertThat(promised(worker, promise(5, 2), promise(3, 4), promise(1, 0)))
                .containsExactly(3.0, 0.0, 1.0);
        assertThat(promised(worker)).isEmpty();
    }
}

package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import potamos.core.formula.Book;
import potamos.core.probe.SimulatedProbe;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** A simulated probe tells what the cook does to its pot. */
class SimulatedProbeTest {

    /** Bubbles against its tip, K. */
    private static final double UNREST = 0.36;

    private static double read(Worker worker) {
        return SimulatedProbe.read(worker.plan, worker.state(), 1).value();
    }

    @Test
    void followsThePotUpToItsSimmer() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.BRING_UP);
        double before = read(worker);
        worker.pass(Duration.ofMinutes(10));
        assertThat(read(worker)).isGreaterThan(before + 5);
        worker.until(Stage.SIMMER);
        double simmer = worker.plan.charge().run().simmerAt().celsius();
        assertThat(read(worker)).isCloseTo(simmer, within(2.5));
    }

    @Test
    void dipsWhenColdWaterGoesIn() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        worker.pass(Duration.ofMinutes(20));
        double before = read(worker);
        worker.log(new PotEvent.ToppedUp(worker.stamp(), Volume.ofLitres(3), Temperature.ofCelsius(10)));
        assertThat(read(worker)).isLessThan(before - 5);
    }

    @Test
    void hangsInTheRoomUntilThereIsAPotToReadIn() {
        Worker worker = new Worker(Book.whiteChicken(), 8);
        double room = worker.plan.charge().run().air().temperature().celsius();
        assertThat(read(worker)).isCloseTo(room, within(UNREST));
    }

    @Test
    void coolsInTheMiddleAsThePlanHasItOnceStrained() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.COOL);
        double before = Double.POSITIVE_INFINITY;
        for (int quarter = 0; quarter < 4; quarter++) {
            double minute = 15 * quarter;
            double planned = worker.plan.curve().points().stream()
                    .filter(point -> point.minute() <= minute)
                    .reduce((earlier, later) -> later)
                    .orElseThrow()
                    .coreC();
            assertThat(read(worker)).isCloseTo(planned, within(UNREST));
            assertThat(planned).isLessThan(before);
            before = planned;
            worker.pass(Duration.ofMinutes(15));
        }
    }

    /** As bubbles against its tip: a third of a kelvin about what the pot is, and never far from the second before. */
    @Test
    void isRestlessAboutWhatThePotIs() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        worker.pass(Duration.ofMinutes(15));
        double highest = 0;
        double lowest = 0;
        double before = Double.NaN;
        for (int second = 0; second < 120; second++) {
            worker.pass(Duration.ofSeconds(1));
            double off = read(worker) - worker.state().pot().temperature().celsius();
            assertThat(off).isBetween(-UNREST, UNREST);
            if (second > 0) {
                assertThat(off - before).isBetween(-0.09, 0.09);
            }
            before = off;
            highest = Math.max(highest, off);
            lowest = Math.min(lowest, off);
        }
        assertThat(highest).isGreaterThan(0.25);
        assertThat(lowest).isLessThan(-0.25);
    }

    @Test
    void twoProbesInOnePotDoNotAgreeToTheLastDigit() {
        Worker worker = new Worker(Book.whiteChicken(), 8).until(Stage.SIMMER);
        double one = SimulatedProbe.read(worker.plan, worker.state(), 1).value();
        double other = SimulatedProbe.read(worker.plan, worker.state(), 2).value();
        assertThat(one).isNotEqualTo(other).isCloseTo(other, within(1.0));
    }
}

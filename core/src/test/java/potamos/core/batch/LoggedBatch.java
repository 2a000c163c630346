package potamos.core.batch;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import potamos.core.Samples;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** A batch of white chicken stock that is logged act by act. */
abstract class LoggedBatch {

    final Plan plan = Samples.plan();
    final List<BatchEvent> events = new ArrayList<>();

    BatchState log(BatchEvent event) {
        BatchState state = Batch.accept(plan, events, event, event.stamp().at()).state();
        events.add(event);
        return state;
    }

    BatchState at(int minute) {
        return Batch.replay(plan, events, Samples.EIGHT.plus(Duration.ofMinutes(minute)));
    }

    List<DueAct> due(int minute) {
        return DueActs.of(plan, at(minute));
    }

    void fillAndLight() {
        log(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        log(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        log(new PotEvent.HeatOn(Samples.at(12)));
    }

    /** Turned down as soon as it is there. */
    void simmer() {
        fillAndLight();
        log(new PotEvent.FirstFoam(Samples.at(reached() - 3)));
        log(new PotEvent.Skimmed(Samples.at(reached() - 2), Volume.ofLitres(0.1)));
        log(new PotEvent.SimmerReached(Samples.at(reached())));
    }

    int reached() {
        return 12 + (int) plan.charge().forecast().bringUpMin();
    }

    void strain() {
        simmer();
        log(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        log(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
        log(new ColdEvent.CoolingBegan(Samples.at(272)));
    }

    void coolTo(int minute, double celsius) {
        log(new ColdEvent.CoolingRead(Samples.at(minute), Temperature.ofCelsius(celsius)));
    }

    void coolInTime() {
        strain();
        coolTo(273, 85);
        coolTo(290, 57);
        coolTo(330, 21);
        coolTo(400, 10);
        coolTo(500, 4.5);
    }
}

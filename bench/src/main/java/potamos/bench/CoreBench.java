package potamos.bench;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.infra.Blackhole;
import potamos.core.Samples;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.batch.Expectation;
import potamos.core.batch.Plan;
import potamos.core.batch.PotEvent;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.cooling.Container;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Medium;
import potamos.core.flow.Forecast;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Run;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;

/** What a drag on the cutaway and a look at a long batch cost. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class CoreBench {

    private static final int EVENTS = 500;

    private final Vessel vessel = Samples.cylinder(36, 40);
    private final Goal litres = Samples.litres(15);
    private final Formula brownBeef = Book.formulas().get(0);
    private final Run twelveHours = ChargeSolver.solve(
                    brownBeef.simmeredFor(Duration.ofHours(12)), Samples.pot(vessel), Samples.litres(15))
            .run();
    private final List<ContainerSplit.Owned> containers = List.of(
            new ContainerSplit.Owned(Samples.bain(), 6),
            new ContainerSplit.Owned(
                    new Container(
                            "pan",
                            new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(10)),
                            Container.Wall.STEEL,
                            Length.ofMm(1),
                            Volume.ofLitres(12)),
                    6));
    private final Medium bath = new Medium.IceBath(Mass.ofKg(80), Mass.ofKg(80), Temperature.ofCelsius(12), true);
    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = longDay();
    private final List<BatchEvent> thirty = events.subList(0, 30);
    private final Instant afterThirty = Samples.at(90).at();
    private final Instant now = Samples.at(EVENTS + 100).at();

    @Benchmark
    public Charge chargeForLitres() {
        return Samples.charge(vessel, litres);
    }

    @Benchmark
    public Charge chargeOfALongBrownStockForLitres() {
        return ChargeSolver.solve(brownBeef, Samples.pot(vessel), litres);
    }

    @Benchmark
    public Forecast simmerOfTwelveHours() {
        return Forecaster.of(twelveHours);
    }

    @Benchmark
    public ContainerSplit coolingSplitOverTwelveContainers() {
        return ContainerSplit.best(Volume.ofLitres(60), Temperature.ofCelsius(85), containers, bath, true, Samples.US);
    }

    @Benchmark
    public List<DueAct> replayOf500EventsWithDueActs() {
        BatchState state = Batch.replay(plan, events, now);
        return DueActs.of(plan, state);
    }

    /** What other programs ask for: litres expected after thirty acts, with their band, and what is due. */
    @Benchmark
    public Band forecastWithThirtyActs(Blackhole due) {
        BatchState state = Batch.replay(plan, thirty, afterThirty);
        due.consume(DueActs.of(plan, state));
        return Expectation.litresOut(plan, state);
    }

    /** A pot that is read every minute, with a skim and a top-up now and then. */
    private static List<BatchEvent> longDay() {
        List<BatchEvent> day = new ArrayList<>();
        day.add(new ChoreEvent.WeighedIn(Samples.at(0), BatchEvent.BED, Mass.ofKg(12), ""));
        day.add(new PotEvent.Filled(Samples.at(1), Volume.ofLitres(20), Temperature.ofCelsius(12)));
        day.add(new PotEvent.HeatOn(Samples.at(2)));
        day.add(new PotEvent.FirstFoam(Samples.at(45)));
        day.add(new PotEvent.SimmerReached(Samples.at(50)));
        day.add(new PotEvent.Judged(Samples.at(51), false, Duration.ofHours(8)));
        for (int i = day.size(); i < EVENTS; i++) {
            BatchEvent.Stamp stamp = Samples.at(52 + i);
            day.add(
                    switch (i % 5) {
                        case 0 -> new PotEvent.Skimmed(stamp, Volume.ofLitres(0.02));
                        case 1 -> new PotEvent.ToppedUp(stamp, Volume.ofLitres(0.1), Temperature.ofCelsius(85));
                        case 2 -> new PotEvent.LevelRead(stamp, Length.ofCm(9));
                        default -> new PotEvent.TemperatureRead(stamp, Temperature.ofCelsius(92 + i % 3));
                    });
        }
        return day;
    }
}

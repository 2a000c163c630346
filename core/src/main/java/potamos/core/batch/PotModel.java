package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.flow.Luck;
import potamos.core.flow.PotStepper;
import potamos.core.flow.Run;
import potamos.core.flow.Solids;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;

/**
 * The pot between events: heated, steaming, settling. Readings overrule it: a level sets the contents, a temperature sets the temperature, and it runs
 * on from there.
 */
final class PotModel {

    private static final double LONGEST_STEP_S = 120;
    private static final int MOST_POINTS = 400;

    /** What is read so soon after cold water tells of the water, and not of where the simmer is held. */
    private static final Duration COMING_BACK = Duration.ofMinutes(20);

    /** After so long untouched a pot is cold and nothing more happens to it. */
    private static final Duration LONGEST_RUN = Duration.ofDays(3);

    private enum Fire {
        OFF,
        FULL,
        HELD,
        SIMMERING,
        /** Down to a mark: what steams away until it is logged is the reduction, and not a loss before it. */
        REDUCING
    }

    private final Run run;
    private final double boilsAbove;
    private final PotStepper pot;
    private final List<BatchState.CoursePoint> course = new ArrayList<>();

    private Instant clock;
    private Fire fire = Fire.OFF;
    private boolean holding;
    private double markContents;
    private double simmerAt;
    private double simmeredMin;
    private double boiledMin;
    private double reduced;
    private double heldAt;
    private Instant heldUntil;
    private Instant levelRead;
    private Instant temperatureRead;
    private Instant toppedUpAt;

    PotModel(Plan plan, Luck luck) {
        this.run = plan.charge().run();
        this.pot = new PotStepper(run, luck, PotStepper.Depth.AS_IT_IS);
        this.boilsAbove = SimmerBand.LIVELY.high(run.air().boilingPoint()).celsius();
        this.simmerAt = run.simmerAt().celsius();
        this.clock = plan.accepted();
    }

    /** The pot as it stands, to be run on from here without it. */
    private PotModel(PotModel other) {
        this.run = other.run;
        this.pot = new PotStepper(other.pot);
        this.boilsAbove = other.boilsAbove;
        this.clock = other.clock;
        this.fire = other.fire;
        this.holding = other.holding;
        this.markContents = other.markContents;
        this.simmerAt = other.simmerAt;
        this.simmeredMin = other.simmeredMin;
        this.boiledMin = other.boiledMin;
        this.reduced = other.reduced;
        this.heldAt = other.heldAt;
        this.heldUntil = other.heldUntil;
        this.toppedUpAt = other.toppedUpAt;
    }

    PotModel another() {
        return new PotModel(this);
    }

    void bed(Mass mass) {
        pot.bed(mass);
    }

    Bed bed() {
        return pot.bed();
    }

    Instant clock() {
        return clock;
    }

    void fill(Volume water, Temperature temperature, Instant at) {
        pot.fill(water, temperature);
        holding = true;
        markContents = pot.contents();
        clock = at;
        point();
    }

    void light() {
        fire = Fire.FULL;
    }

    /** Held at a temperature for a while, then on with full heat. */
    void hold(Temperature at, Instant until) {
        fire = Fire.HELD;
        heldAt = at.celsius();
        pot.celsius(heldAt);
        heldUntil = until;
        point();
    }

    /** A hold that ends before its time. */
    void goOn() {
        if (fire == Fire.HELD) {
            fire = Fire.FULL;
        }
    }

    /** Boiled down in the pot to so much liquor. */
    void reduce(Volume left) {
        reduced += pot.boilDownTo(left);
        fire = Fire.OFF;
        point();
    }

    void simmer() {
        fire = Fire.SIMMERING;
        pot.celsius(Math.max(pot.celsius(), simmerAt));
        simmerAt = run.simmerAt().celsius();
    }

    void off() {
        fire = Fire.OFF;
    }

    void boilDown() {
        fire = Fire.REDUCING;
    }

    void empty() {
        point();
        holding = false;
    }

    void takeOut(Volume liquor) {
        pot.take(liquor.litres());
    }

    void topUp(Volume water, Temperature temperature, Instant at) {
        toppedUpAt = at;
        pot.topUp(water, temperature);
        point();
    }

    void add(Mass mass) {
        markContents += pot.add(new Solids(null, mass, Duration.ZERO).displaced());
    }

    void levelRead(Length belowRim, Instant at) {
        levelRead = at;
        pot.contents(run.vessel().shape().volumeAt(run.vessel().levelBelowRim(belowRim)));
        point();
    }

    void temperatureRead(Temperature t, Instant at) {
        temperatureRead = at;
        pot.celsius(t.celsius());
        boolean comingBack = toppedUpAt != null && at.isBefore(toppedUpAt.plus(COMING_BACK));
        if (fire == Fire.SIMMERING && !comingBack) {
            simmerAt = t.celsius();
        }
        point();
    }

    /** Lets time pass up to a moment; a moment that is already past changes nothing. */
    void runTo(Instant until) {
        if (!holding || !until.isAfter(clock)) {
            clock = until.isAfter(clock) ? until : clock;
            return;
        }
        Instant end = until.isAfter(clock.plus(LONGEST_RUN)) ? clock.plus(LONGEST_RUN) : until;
        double left = Duration.between(clock, end).toMillis() / 1000.0;
        Instant start = clock;
        double passed = 0;
        double pointEvery = Math.max(300, left / MOST_POINTS);
        double nextPoint = pointEvery;
        while (left - passed > 1e-9) {
            double dt = Math.min(LONGEST_STEP_S, left - passed);
            step(start.plusMillis((long) (passed * 1000)), dt);
            passed += dt;
            if (passed >= nextPoint) {
                clock = start.plusMillis((long) (passed * 1000));
                point();
                nextPoint += pointEvery;
            }
        }
        clock = until;
        point();
    }

    private void step(Instant from, double seconds) {
        if (fire == Fire.HELD && !from.isBefore(heldUntil)) {
            fire = Fire.FULL;
        }
        switch (fire) {
            case REDUCING -> {}
            case OFF -> pot.step(PotStepper.Fire.OFF, 0, seconds);
            case FULL -> pot.step(PotStepper.Fire.FULL, run.simmerAt().celsius(), seconds);
            case HELD -> pot.step(PotStepper.Fire.KEPT, heldAt, seconds);
            case SIMMERING -> {
                pot.step(PotStepper.Fire.KEPT, simmerAt, seconds);
                simmeredMin += seconds / 60;
                boiledMin += pot.celsius() > boilsAbove ? seconds / 60 : 0;
            }
        }
    }

    private void point() {
        course.add(new BatchState.CoursePoint(
                clock, pot.contents(), pot.liquor(), pot.level().cm(), pot.celsius(), gelatinGPerL()));
    }

    private double gelatinGPerL() {
        return holding ? pot.gelatinGPerL() : 0;
    }

    BatchState.Pot state() {
        return new BatchState.Pot(
                Volume.ofLitres(pot.contents()),
                Volume.ofLitres(pot.liquor()),
                pot.level(),
                Temperature.ofCelsius(pot.celsius()),
                run.vessel().shape().levelAt(Volume.ofLitres(markContents)),
                pot.bedTop(simmeredMin, run.simmer().usual()),
                holding ? pot.steamLPerH() : 0,
                gelatinGPerL(),
                boiledMin,
                Optional.ofNullable(levelRead),
                Optional.ofNullable(temperatureRead),
                Optional.ofNullable(toppedUpAt));
    }

    List<BatchState.CoursePoint> course() {
        return course;
    }

    Optional<Instant> toppedUpAt() {
        return Optional.ofNullable(toppedUpAt);
    }

    boolean simmering() {
        return fire == Fire.SIMMERING;
    }

    boolean holding() {
        return holding;
    }

    double celsius() {
        return pot.celsius();
    }

    /** Litres that would bring it back to its mark; 0 or less when it stands there or above. */
    double downL() {
        return markContents - pot.contents();
    }

    /** How far the level stands below its mark. */
    double downCm() {
        return pot.downCm(markContents);
    }

    /** The pot itself, for its litres. */
    PotStepper stepper() {
        return pot;
    }

    Volume reduced() {
        return Volume.ofLitres(reduced);
    }
}

package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.flow.Run;
import potamos.core.flow.Solids;
import potamos.core.heat.PotHeat;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.Gelatin;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
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

    /** After so long untouched a pot is cold and nothing more happens to it. */
    private static final Duration LONGEST_RUN = Duration.ofDays(3);

    private enum Fire {
        OFF,
        FULL,
        HELD,
        SIMMERING
    }

    private final Run run;
    private final Luck luck;
    private final double kappa;
    private final double boilsAbove;
    private final List<BatchState.CoursePoint> course = new ArrayList<>();

    private Bed bed;
    private PotHeat heat;
    private Instant clock;
    private Fire fire = Fire.OFF;
    private boolean holding;
    private double contents;
    private double solids;
    private double celsius;
    private double markContents;
    private double simmerAt;
    private double simmeredMin;
    private double boiledMin;
    private double gelatin;
    private double drawn;
    private double evaporated;
    private double skimmed;
    private double toppedUp;
    private double reduced;
    private double heldAt;
    private Instant heldUntil;
    private Instant levelRead;
    private Instant temperatureRead;
    private Instant toppedUpAt;

    PotModel(Plan plan, Luck luck) {
        this.run = plan.charge().run();
        this.luck = luck;
        this.kappa = run.vessel().kappa().value() * luck.kappa();
        this.boilsAbove = SimmerBand.LIVELY.high(run.air().boilingPoint()).celsius();
        this.simmerAt = run.simmerAt().celsius();
        this.clock = plan.accepted();
        bed(run.bed().mass());
    }

    void bed(Mass mass) {
        bed = new Bed(run.bed().kind(), mass);
        heat = new PotHeat(
                run.vessel(),
                mass.kg() * bed.kind().heatKjPerKgK(),
                bed.displacedVolume(),
                run.air(),
                run.simmer().cover(),
                kappa);
    }

    Bed bed() {
        return bed;
    }

    Instant clock() {
        return clock;
    }

    void fill(Volume water, Temperature temperature, Instant at) {
        double early = run.others().stream()
                .filter(s -> s.intoTheSimmer().isZero())
                .mapToDouble(s -> s.displaced().litres())
                .sum();
        holding = true;
        drawn = water.litres();
        solids = bed.displacedVolume().litres() + early;
        contents = drawn + run.poured().litres() + solids;
        markContents = contents;
        celsius = temperature.celsius();
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
        celsius = heldAt;
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
        reduced += Math.max(0, contents - solids - left.litres());
        contents = solids + left.litres();
        point();
    }

    void simmer() {
        fire = Fire.SIMMERING;
        celsius = Math.max(celsius, simmerAt);
        simmerAt = run.simmerAt().celsius();
    }

    void off() {
        fire = Fire.OFF;
    }

    void empty() {
        point();
        holding = false;
    }

    void takeOut(Volume liquor) {
        double taken = Math.min(liquor.litres(), contents - solids);
        skimmed += taken;
        contents -= taken;
    }

    void topUp(Volume water, Temperature temperature, Instant at) {
        toppedUpAt = at;
        double liquor = contents - solids;
        celsius = (celsius * liquor + temperature.celsius() * water.litres()) / (liquor + water.litres());
        toppedUp += water.litres();
        contents += water.litres();
        point();
    }

    void add(Mass mass) {
        double displaced = new Solids(null, mass, Duration.ZERO).displaced().litres();
        solids += displaced;
        contents += displaced;
        markContents += displaced;
    }

    void levelRead(Length belowRim, Instant at) {
        levelRead = at;
        double read = run.vessel()
                .shape()
                .volumeAt(run.vessel().levelBelowRim(belowRim))
                .litres();
        contents = Math.max(solids, read);
        point();
    }

    void temperatureRead(Temperature t, Instant at) {
        temperatureRead = at;
        celsius = t.celsius();
        if (fire == Fire.SIMMERING) {
            simmerAt = celsius;
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
        Temperature t = Temperature.ofCelsius(celsius);
        double steam;
        if (fire == Fire.HELD && !from.isBefore(heldUntil)) {
            fire = Fire.FULL;
        }
        if (fire == Fire.HELD) {
            steam = heat.steamLPerH(t, level()) * seconds / 3600;
            celsius += (heldAt - celsius) * (1 - Math.exp(-seconds * Math.log(2) / 300));
        } else if (fire == Fire.SIMMERING) {
            steam = heat.steamLPerH(t, level()) * seconds / 3600;
            // After a cold top-up or a low reading the cook's burner brings the pot back; half the distance in five
            // minutes is usual.
            celsius += (simmerAt - celsius) * (1 - Math.exp(-seconds * Math.log(2) / 300));
            simmeredMin += seconds / 60;
            boiledMin += celsius > boilsAbove ? seconds / 60 : 0;
        } else {
            Power power = fire == Fire.FULL ? run.burner().delivered().times(luck.power()) : Power.ofKilowatts(0);
            PotHeat.Step step = heat.step(t, Volume.ofLitres(contents), power, seconds);
            steam = step.steam().litres();
            double highest =
                    fire == Fire.FULL ? Math.max(celsius, run.simmerAt().celsius()) : celsius;
            celsius = Math.min(
                    step.temperature().celsius(),
                    Math.max(highest, run.air().temperature().celsius()));
        }
        double lost = Math.min(steam, contents - solids);
        evaporated += lost;
        contents -= lost;
        double most = bed.kind().collagenGPerKg() * bed.mass().kg() * luck.collagen();
        gelatin = Gelatin.afterAtSpeed(
                gelatin, most, bed.kind().halfTimeH(), Gelatin.speed(t) * luck.extraction(), seconds / 3600);
    }

    private Length level() {
        return run.vessel().shape().levelAt(Volume.ofLitres(contents));
    }

    private void point() {
        BatchState.CoursePoint next =
                new BatchState.CoursePoint(clock, contents, contents - solids, level().cm(), celsius, gelatinGPerL());
        course.add(next);
    }

    private double gelatinGPerL() {
        double brought = run.liquid().gelatinGPerL() * drawn;
        return holding ? (gelatin + brought) / Math.max(0.1, contents - solids) : 0;
    }

    BatchState.Pot state() {
        double settled = Math.min(1, simmeredMin / (run.simmer().usual().toMinutes() / 2.0));
        Temperature t = Temperature.ofCelsius(celsius);
        double steam = holding && celsius > run.air().temperature().celsius() ? heat.steamLPerH(t, level()) : 0;
        return new BatchState.Pot(
                Volume.ofLitres(contents),
                Volume.ofLitres(contents - solids),
                level(),
                t,
                run.vessel().shape().levelAt(Volume.ofLitres(markContents)),
                bed.height(run.vessel(), settled),
                steam,
                gelatinGPerL(),
                boiledMin,
                Optional.ofNullable(levelRead),
                Optional.ofNullable(temperatureRead),
                Optional.ofNullable(toppedUpAt));
    }

    List<BatchState.CoursePoint> course() {
        return course;
    }

    boolean holding() {
        return holding;
    }

    double celsius() {
        return celsius;
    }

    /** Litres that would bring it back to its mark; 0 or less when it stands there or above. */
    double downL() {
        return markContents - contents;
    }

    /** How far the level stands below its mark. */
    Length down() {
        return Length.ofCm(
                run.vessel().shape().levelAt(Volume.ofLitres(markContents)).cm() - level().cm());
    }

    Volume drawn() {
        return Volume.ofLitres(drawn);
    }

    Volume evaporated() {
        return Volume.ofLitres(evaporated);
    }

    Volume skimmed() {
        return Volume.ofLitres(skimmed);
    }

    Volume reduced() {
        return Volume.ofLitres(reduced);
    }

    Volume toppedUp() {
        return Volume.ofLitres(toppedUp);
    }
}

package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.charge.Clouding;
import potamos.core.flow.Luck;
import potamos.core.flow.OwnKappa;
import potamos.core.flow.PotStepper;
import potamos.core.flow.Run;
import potamos.core.flow.Solids;
import potamos.core.flow.TopUpPolicy;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;

/**
 * The pot between events: heated, steaming, settling. Readings overrule it, and move what is expected: what a level says is missing has steamed away, and
 * the pot goes on steaming as it has shown that it does; a temperature sets the temperature, and above its band a pot goes on with the heat of its burner
 * until somebody turns it down.
 */
final class PotModel {

    private static final double LONGEST_STEP_S = 120;
    private static final int MOST_POINTS = 400;

    /** First foam shows this many kelvins below the simmer. */
    static final double FOAM_BELOW_SIMMER_K = 5;

    /** What is read so soon after cold water tells of the water, and not of where the simmer is held. */
    private static final Duration COMING_BACK = Duration.ofMinutes(20);

    /** How far a ruler beside a moving surface is read off, as one standard deviation. */
    private static final double READ_CM = 0.5;

    /** What no steam explains lies further off than a reading may be, so many standard deviations of it. */
    private static final double READ_OFF = 2;

    /** A thermometer that reads so much above a band still reads the band. */
    private static final double THERMOMETER_K = 0.5;

    /** After so long untouched a pot is cold and nothing more happens to it. */
    private static final Duration LONGEST_RUN = Duration.ofDays(3);

    private enum Fire {
        OFF,
        FULL,
        HELD,
        SIMMERING,
        /** It should simmer, and was read at a boil: all the heat of its burner, until it is turned down or read lower. */
        BOILING,
        /** Down to a mark: what steams away until it is logged is the reduction, and not a loss before it. */
        REDUCING
    }

    private final Run run;
    private final Temperature boiling;
    private final double boilsAbove;
    private final double bandEnds;
    private final double foamC;
    private final TopUpPolicy topUps;
    private final PotStepper pot;
    private final OwnKappa own;
    private final List<BatchState.CoursePoint> course = new ArrayList<>();

    private Instant clock;
    private Fire fire = Fire.OFF;
    private boolean holding;
    private double markContents;
    private double simmerAt;
    private double simmeredMin;
    private double boiledMin;
    private double knownSteam;
    /** Steam that its fire could have made up to the last reading of its level. */
    private double couldBefore;

    private double reduced;
    private double heldAt;
    private Instant heldUntil;
    private Instant levelRead;
    private Instant temperatureRead;
    private Instant toppedUpAt;
    private Instant foamsAt;
    private Instant simmersAt;
    private Instant tooHotSince;

    PotModel(Plan plan, Luck luck) {
        this.run = plan.charge().run();
        this.topUps = TopUpPolicy.of(run);
        this.pot = new PotStepper(run, luck, PotStepper.Depth.AS_IT_IS);
        this.boiling = run.air().boilingPoint();
        this.boilsAbove = SimmerBand.LIVELY.high(boiling).celsius();
        this.simmerAt = run.simmerAt().celsius();
        this.bandEnds = Math.max(simmerAt, run.simmer().band().high(boiling).celsius()) + THERMOMETER_K;
        this.foamC = simmerAt - FOAM_BELOW_SIMMER_K;
        this.own = new OwnKappa(run.vessel().kappa().sd() / run.vessel().kappa().value());
        this.clock = plan.accepted();
    }

    /** The pot as it stands, to be run on from here without it. */
    private PotModel(PotModel other) {
        this.run = other.run;
        this.topUps = other.topUps;
        this.pot = new PotStepper(other.pot);
        this.boiling = other.boiling;
        this.boilsAbove = other.boilsAbove;
        this.bandEnds = other.bandEnds;
        this.foamC = other.foamC;
        this.own = new OwnKappa(other.own);
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
        this.tooHotSince = other.tooHotSince;
    }

    PotModel another() {
        return new PotModel(this);
    }

    /** One that steams more than is believed, by as much as that may be off. */
    PotModel anotherThatSteamsMore() {
        PotModel other = new PotModel(this);
        other.pot.steams(own.share() + own.sd());
        return other;
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
        pot.celsius(Math.max(pot.celsius(), run.simmerAt().celsius()));
        turnDown();
    }

    /** Back to where the simmer belongs. */
    void turnDown() {
        fire = Fire.SIMMERING;
        simmerAt = run.simmerAt().celsius();
        tooHotSince = null;
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

    /** At the boil, and over the rim; in its simmer it boils on until somebody turns it down. */
    void boilOver(Volume liquor, Instant at) {
        pot.spill(liquor.litres());
        pot.celsius(boiling.celsius());
        passes(at);
        if (simmering()) {
            fire = Fire.BOILING;
            tooHotSince = tooHotSince == null ? at : tooHotSince;
        }
        point();
    }

    void cover(Cover with) {
        pot.cover(with);
    }

    void topUp(Volume water, Temperature temperature, Instant at) {
        toppedUpAt = at;
        pot.topUp(water, temperature);
        markContents = topUps.inRounds() ? pot.contents() : markContents;
        point();
    }

    void add(Mass mass) {
        markContents += pot.add(new Solids(null, mass, Duration.ZERO).displaced());
    }

    /** What is missing has left the pot: as steam, as far as its fire could have made it; else the reading itself is in doubt, and is booked as that. */
    void levelRead(Length belowRim, Instant at) {
        Length level = run.vessel().levelBelowRim(belowRim);
        double missing = pot.contents() - pot.contentsAt(level);
        double readSd = READ_CM * run.vessel().shape().surfaceDm2(level) / 10;
        double off = READ_OFF * readSd;
        double steamed = pot.evaporated() + missing;
        boolean steam = knownSteam > 0 && steamed >= -off && missing <= pot.couldSteam() - couldBefore + off;
        if (steam) {
            pot.steamedMore(missing);
            pot.read(pot.contentsAt(level) - pot.contents());
            own.read(at, steamed, knownSteam, readSd);
            pot.steams(own.share());
        } else {
            pot.read(-missing);
        }
        levelRead = at;
        couldBefore = pot.couldSteam();
        point();
    }

    void temperatureRead(Temperature t, Instant at) {
        temperatureRead = at;
        pot.celsius(t.celsius());
        passes(at);
        boolean comingBack = toppedUpAt != null && at.isBefore(toppedUpAt.plus(COMING_BACK));
        if (simmering() && !comingBack) {
            simmerAt = t.celsius();
            fire = pot.celsius() > boilsAbove ? Fire.BOILING : Fire.SIMMERING;
            tooHotSince = pot.celsius() <= bandEnds ? null : tooHotSince == null ? at : tooHotSince;
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
        double before = pot.evaporated();
        if (fire != Fire.REDUCING) {
            pot.step(flame(), keptAt(), seconds);
            knownSteam += (pot.evaporated() - before) / own.share();
        }
        if (fire != Fire.OFF) {
            boiledMin += Clouding.boils(Temperature.ofCelsius(pot.celsius()), boiling) * seconds / 60;
        }
        simmeredMin += simmering() ? seconds / 60 : 0;
        passes(from.plusMillis((long) (seconds * 1000)));
    }

    /** What that is to the pot. */
    private PotStepper.Fire flame() {
        return switch (fire) {
            case OFF -> PotStepper.Fire.OFF;
            case FULL, BOILING, REDUCING -> PotStepper.Fire.FULL;
            case HELD, SIMMERING -> PotStepper.Fire.KEPT;
        };
    }

    /** Where it is held, if it is. */
    private double keptAt() {
        return fire == Fire.HELD ? heldAt : simmerAt;
    }

    /** When it comes to its foam and to its simmer is known by the moment at which it does; what a reading takes back has not happened yet. */
    private void passes(Instant at) {
        foamsAt = pot.celsius() < foamC ? null : foamsAt == null ? at : foamsAt;
        simmersAt = pot.celsius() < run.simmerAt().celsius() ? null : simmersAt == null ? at : simmersAt;
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
                pot.levelOf(markContents),
                Volume.ofLitres(downL()),
                pot.bedTop(simmeredMin, run.simmer().usual()),
                holding ? pot.steamLPerH(flame(), keptAt()) : 0,
                gelatinGPerL(),
                boiledMin,
                own.kappa(run.vessel().kappa().value()),
                Optional.ofNullable(foamsAt),
                Optional.ofNullable(simmersAt),
                Optional.ofNullable(tooHotSince),
                pot.cover(),
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
        return fire == Fire.SIMMERING || fire == Fire.BOILING;
    }

    /** Whether readings have shown how much it steams. */
    boolean showsItsSteam() {
        return own.shown();
    }

    boolean tooHot() {
        return tooHotSince != null;
    }

    /** Whether it has come to its warm steep. */
    boolean wasHeld() {
        return heldUntil != null;
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

    /** How far it has gone down from its mark. */
    TopUpPolicy.Down down() {
        return new TopUpPolicy.Down(pot.downCm(markContents), downL(), pot.liquor());
    }

    /** The pot itself, for its litres. */
    PotStepper stepper() {
        return pot;
    }

    Volume reduced() {
        return Volume.ofLitres(reduced);
    }
}

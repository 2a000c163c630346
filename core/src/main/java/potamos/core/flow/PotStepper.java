package potamos.core.flow;

import java.time.Duration;
import potamos.core.heat.Cover;
import potamos.core.heat.PotHeat;
import potamos.core.heat.Surroundings;
import potamos.core.heat.Water;
import potamos.core.liquor.Gelatin;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;

/**
 * The pot on the fire, and all the physics of it: how its liquor warms, steams and takes up gelatin over a stretch of time. A forecast drives it with a
 * plan, a replay with what happened, an outlook with both; none of them knows how a pot works.
 */
public final class PotStepper {

    /** What the fire does. */
    public enum Fire {
        OFF,
        /** All that the burner gives: it heats to the boil and stays there, whatever is wanted. */
        FULL,
        /** Kept where it is held, by hand. */
        KEPT
    }

    /** How far down a pot is followed. */
    public enum Depth {
        /** One that has boiled dry steams no more: what a pot does. */
        AS_IT_IS,
        /** On below nothing, so that the litres out stay a function that falls without a bend: what a search wants. */
        BELOW_NOTHING
    }

    /** After a cold top-up or a low reading the cook brings the pot back: half the distance in five minutes is usual. */
    private static final double BACK_HALF_S = 300;

    /** Nearer than anybody reads; from there on a step costs next to nothing. */
    private static final double AS_GOOD_AS_BACK_K = 0.02;

    private static final double LN_2 = Math.log(2);
    private static final double A_MINUTE_S = 60;
    private static final double BRING_UP_STEP_S = 120;
    private static final double LONGEST_BRING_UP_H = 12;
    private static final double LEAST_GAIN_K = 1e-4;

    private final Run run;
    private final Luck luck;
    private final Depth depth;
    private Bed bed;
    private PotHeat heat;

    /** Off the heat: out of the oven, where it was in one. */
    private PotHeat off;

    private double kappaShare = 1;
    private double contents;
    private double solids;
    private double drawn;
    private double celsius;
    private Gelatin gelatin;
    private Gelatin brought = Gelatin.of(0);
    private double evaporated;
    private double taken;
    private double added;
    private double readL;
    private double spilt;
    private double couldSteam;
    private Cover cover;

    /** Of a long simmer at one temperature only the first step pays for what depends on it. */
    private double knownFor = Double.NaN;

    private double steamLPerM2H;
    private double speed;

    /**
     * A pot with nothing in it yet.
     *
     * @param luck how far it is from the book
     */
    public PotStepper(Run run, Luck luck, Depth depth) {
        this.run = run;
        this.luck = luck;
        this.depth = depth;
        this.cover = run.simmer().cover();
        bed(run.bed().mass());
    }

    /** The same as another at this moment; from here each goes its own way. */
    public PotStepper(PotStepper other) {
        this.run = other.run;
        this.luck = other.luck;
        this.depth = other.depth;
        this.bed = other.bed;
        this.heat = other.heat;
        this.off = other.off;
        this.kappaShare = other.kappaShare;
        this.contents = other.contents;
        this.solids = other.solids;
        this.drawn = other.drawn;
        this.celsius = other.celsius;
        this.gelatin = other.gelatin;
        this.brought = other.brought;
        this.evaporated = other.evaporated;
        this.taken = other.taken;
        this.added = other.added;
        this.readL = other.readL;
        this.spilt = other.spilt;
        this.couldSteam = other.couldSteam;
        this.cover = other.cover;
    }

    /** So much of the bed, as it was weighed; what has come out of it already stays in the liquor. */
    public void bed(Mass mass) {
        bed = new Bed(run.bed().kind(), mass);
        gelatin = gelatin == null
                ? Gelatin.of(most())
                : new Gelatin(Math.max(0, most() - gelatin.grams()), gelatin.grams());
        off = new PotHeat(
                run.vessel(), mass.kg() * bed.kind().heatKjPerKgK(), bed.displacedVolume(), run.air(), cover, kappa());
        heat = run.simmer().oven().map(Surroundings::oven).map(off::in).orElse(off);
        knownFor = Double.NaN;
    }

    /** Covered so from now on. */
    public void cover(Cover with) {
        cover = with;
        heat = heat.withCover(with);
        off = off.withCover(with);
        knownFor = Double.NaN;
    }

    public Cover cover() {
        return cover;
    }

    /** It steams so many times as much as its vessel is known for, as readings of this very run have shown. */
    public void steams(double share) {
        if (share != kappaShare) {
            kappaShare = share;
            heat = heat.withKappa(kappa());
            off = off.withKappa(kappa());
            knownFor = Double.NaN;
        }
    }

    private double kappa() {
        return run.vessel().kappa().value() * luck.kappa() * kappaShare;
    }

    /** Water over the bed and what goes in with it. */
    public void fill(Volume water, Temperature temperature) {
        double early = run.others().stream()
                .filter(s -> s.intoTheSimmer().isZero())
                .mapToDouble(s -> s.displaced().litres())
                .sum();
        solids = bed.displacedVolume().litres() + early;
        drawn = water.litres();
        contents = drawn + run.poured().litres() + solids;
        brought = new Gelatin(0, run.liquid().gelatinGPerL() * drawn);
        celsius = temperature.celsius();
    }

    /** Over full heat until it is so hot, steaming on the way.
     *
     * @return minutes
     * @throws Refusal on {@code burnerKw} when the burner cannot get it there within twelve hours
     */
    public double heatTo(Temperature target) {
        double seconds = 0;
        Power power = power();
        while (celsius < target.celsius()) {
            double before = celsius;
            PotHeat.Step step =
                    heat.step(Temperature.ofCelsius(celsius), Volume.ofLitres(there()), power, BRING_UP_STEP_S);
            double gained = step.temperature().celsius() - before;
            if (gained < LEAST_GAIN_K || seconds > LONGEST_BRING_UP_H * 3600) {
                throw run.heat() == Run.Heat.OVEN
                        ? Refusal.of(
                                "simmerOvenC", "this oven takes longer than twelve hours to bring the pot to a simmer")
                        : Refusal.of("heatKw", "this burner cannot bring the vessel to a simmer; use a stronger one");
            }
            double share = Math.min(1, (target.celsius() - before) / gained);
            steam(step.steam().litres() * share);
            dissolve(before + gained * share / 2, BRING_UP_STEP_S * share);
            celsius = before + gained * share;
            seconds += BRING_UP_STEP_S * share;
        }
        return seconds / 60;
    }

    /**
     * Lets time pass.
     *
     * @param fire    meanwhile
     * @param keptAt  where a kept pot is held, °C
     * @param seconds up to a few minutes
     */
    public void step(Fire fire, double keptAt, double seconds) {
        if (fire == Fire.KEPT) {
            double off = celsius - keptAt;
            double middle = keptAt + left(off, seconds / 2);
            know(middle);
            Length level = level();
            double surfaceM2 = run.vessel().shape().surfaceDm2(level) / 100;
            double most = heat.heatLeavesLPerH(Temperature.ofCelsius(middle), level, power());
            couldSteam += most * seconds / 3600;
            steam(Math.min(steamLPerM2H * surfaceM2, most) * seconds / 3600);
            dissolveAt(speed, seconds);
            celsius = keptAt + left(off, seconds);
            return;
        }
        double before = celsius;
        Temperature at = Temperature.ofCelsius(before);
        Volume there = Volume.ofLitres(there());
        PotHeat.Step step = fire == Fire.FULL
                ? heat.step(at, there, power(), seconds)
                : off.step(at, there, Power.ofKilowatts(0), seconds);
        if (fire == Fire.FULL) {
            couldSteam += heat.heatLeavesLPerH(step.temperature(), level(), power()) * seconds / 3600;
        }
        steam(step.steam().litres());
        celsius = step.temperature().celsius();
        dissolve((before + celsius) / 2, seconds);
    }

    private Power power() {
        return run.fire().times(luck.power());
    }

    /** How far off it still is. */
    private static double left(double off, double seconds) {
        return Math.abs(off) < AS_GOOD_AS_BACK_K ? 0 : off * Math.exp(-seconds * LN_2 / BACK_HALF_S);
    }

    private void know(double at) {
        if (at != knownFor) {
            Temperature t = Temperature.ofCelsius(at);
            steamLPerM2H = heat.steamLPerM2H(t);
            speed = Gelatin.speed(t);
            knownFor = at;
        }
    }

    private void dissolve(double at, double seconds) {
        dissolveAt(Gelatin.speed(Temperature.ofCelsius(at)), seconds);
    }

    private void dissolveAt(double speed, double seconds) {
        gelatin = gelatin.after(bed.kind().halfTimeH(), speed, luck.extraction(), seconds / 3600);
        brought = brought.grams() > 0 ? brought.after(0, speed, 1, seconds / 3600) : brought;
    }

    /** All the collagen that can go, g; an oven takes water and fat from bones, and none of it. */
    private double most() {
        double rawKg = run.bed().mass().kg() > 0
                ? bed.mass().kg() * run.raw().kg() / run.bed().mass().kg()
                : 0;
        return bed.kind().collagenGPerKg() * rawKg * luck.collagen();
    }

    private void steam(double wanted) {
        double lost = atMost(wanted);
        evaporated += lost;
        contents -= lost;
    }

    /** What can leave of what would. */
    public double atMost(double wanted) {
        return depth == Depth.AS_IT_IS ? Math.max(0, Math.min(wanted, contents - solids)) : wanted;
    }

    /** Liquor that ran over. */
    public void spill(double litres) {
        double lost = atMost(litres);
        spilt += lost;
        contents -= lost;
    }

    /** Liquor taken off with the scum. */
    public void take(double litres) {
        double lost = atMost(litres);
        taken += lost;
        contents -= lost;
    }

    /** Boiled away in the pot until so much liquor is left; when that is more than was reckoned, it is a reading that says so.
     *
     * @return litres that went
     */
    public double boilDownTo(Volume left) {
        double gone = contents - solids - left.litres();
        if (gone < 0) {
            read(-gone);
            return 0;
        }
        contents -= gone;
        return gone;
    }

    public void topUp(Volume water, Temperature temperature) {
        double liquor = Math.max(0, contents - solids);
        double all = liquor + water.litres();
        celsius = all > 0 ? (celsius * liquor + temperature.celsius() * water.litres()) / all : celsius;
        added += water.litres();
        contents += water.litres();
    }

    /** Solids put in while it works.
     *
     * @return litres by which they raise the level
     */
    public double add(Volume displaced) {
        solids += displaced.litres();
        contents += displaced.litres();
        return displaced.litres();
    }

    /**
     * What a pot holds whose level stands there now: less than it looks, for hot liquor takes more room; its solids are there in any case.
     *
     * @return litres of liquor and solids as a ledger has them
     */
    public double contentsAt(Length level) {
        double stands = run.vessel().shape().volumeAt(level).litres();
        return solids + Math.max(0, stands - solids) / room();
    }

    /** A reading shows that so much more has steamed away than was reckoned; below nothing for less. */
    public void steamedMore(double litres) {
        double more = litres < 0 ? Math.max(-evaporated, litres) : atMost(litres);
        evaporated += more;
        contents -= more;
    }

    /** A reading that no steam explains is believed all the same, and booked as what it is; below nothing where less is there. */
    public void read(double litresMore) {
        double more = litresMore < 0 ? -atMost(-litresMore) : litresMore;
        readL += more;
        contents += more;
    }

    /** Litres by which readings differ that no steam explains. */
    public double readL() {
        return readL;
    }

    private double room() {
        return Water.room(Temperature.ofCelsius(celsius));
    }

    public void celsius(double read) {
        celsius = read;
    }

    public Bed bed() {
        return bed;
    }

    /** Liquor and solids, L. */
    public double contents() {
        return contents;
    }

    /** Liquor and solids, never less than nothing. */
    private double there() {
        return Math.max(0, contents);
    }

    public double liquor() {
        double liquor = contents - solids;
        return depth == Depth.AS_IT_IS ? Math.max(0, liquor) : liquor;
    }

    public double celsius() {
        return celsius;
    }

    /** How far the level stands below that of so much contents. */
    public double downCm(double mark) {
        return levelOf(mark).cm() - level().cm();
    }

    /** As a ruler reads it: hot liquor takes more room than its litres. */
    public Length level() {
        return levelOf(there());
    }

    /** Where so much contents would stand, as hot as they are now. */
    public Length levelOf(double contents) {
        double liquor = Math.max(0, contents - solids);
        return run.vessel().shape().levelAt(Volume.ofLitres(Math.min(solids, Math.max(0, contents)) + liquor * room()));
    }

    /** Dissolved from the bed, g. */
    public double gelatinG() {
        return gelatin.grams();
    }

    /** Gelatin that what was drawn has brought with it, as far as it still sets, g. */
    public double broughtG() {
        return brought.grams();
    }

    public double gelatinGPerL() {
        return (gelatinG() + broughtG()) / Math.max(0.1, liquor());
    }

    /** Water, or what stands in for it, that it was filled with. */
    public Volume drawn() {
        return Volume.ofLitres(drawn);
    }

    public double evaporated() {
        return evaporated;
    }

    /** Gone with the scum, L. */
    public double taken() {
        return taken;
    }

    /** Run over, L. */
    public double spilt() {
        return spilt;
    }

    /** Water put in since it was filled, L. */
    public double added() {
        return added;
    }

    /** Steam that its fire could have made so far, all of it used at the temperatures it had, L. */
    public double couldSteam() {
        return couldSteam;
    }

    /** Steam that leaves it in the next minute, L/h. */
    public double steamLPerH(Fire fire, double keptAt) {
        PotStepper ahead = new PotStepper(this);
        ahead.step(fire, keptAt, A_MINUTE_S);
        return (ahead.evaporated - evaporated) * 3600 / A_MINUTE_S;
    }

    /** Top of the bed after so long a simmer: it settles over the first half of it. */
    public Length bedTop(double simmeredMin, Duration simmer) {
        double settled = Math.min(1, simmeredMin / (simmer.toSeconds() / 60.0 / 2));
        return bed.height(run.vessel(), settled);
    }
}

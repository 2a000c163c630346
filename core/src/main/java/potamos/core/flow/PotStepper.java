package potamos.core.flow;

import java.time.Duration;
import potamos.core.heat.PotHeat;
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
    private static final double BRING_UP_STEP_S = 120;
    private static final double LONGEST_BRING_UP_H = 12;
    private static final double LEAST_GAIN_K = 1e-4;

    private final Run run;
    private final Luck luck;
    private final Depth depth;
    private Bed bed;
    private PotHeat heat;
    private double contents;
    private double solids;
    private double drawn;
    private double celsius;
    private double gelatin;
    private double evaporated;
    private double taken;
    private double added;

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
        bed(run.bed().mass());
    }

    /** The same as another at this moment; from here each goes its own way. */
    public PotStepper(PotStepper other) {
        this.run = other.run;
        this.luck = other.luck;
        this.depth = other.depth;
        this.bed = other.bed;
        this.heat = other.heat;
        this.contents = other.contents;
        this.solids = other.solids;
        this.drawn = other.drawn;
        this.celsius = other.celsius;
        this.gelatin = other.gelatin;
        this.evaporated = other.evaporated;
        this.taken = other.taken;
        this.added = other.added;
    }

    /** So much of the bed, as it was weighed. */
    public void bed(Mass mass) {
        bed = new Bed(run.bed().kind(), mass);
        heat = new PotHeat(
                run.vessel(),
                mass.kg() * bed.kind().heatKjPerKgK(),
                bed.displacedVolume(),
                run.air(),
                run.simmer().cover(),
                run.vessel().kappa().value() * luck.kappa());
        knownFor = Double.NaN;
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
        celsius = temperature.celsius();
    }

    /** Over full heat until it is so hot, steaming on the way.
     *
     * @return minutes
     * @throws Refusal on {@code burnerKw} when the burner cannot get it there within twelve hours
     */
    public double heatTo(Temperature target) {
        double seconds = 0;
        Power power = run.burner().delivered().times(luck.power());
        while (celsius < target.celsius()) {
            double before = celsius;
            PotHeat.Step step =
                    heat.step(Temperature.ofCelsius(celsius), Volume.ofLitres(there()), power, BRING_UP_STEP_S);
            double gained = step.temperature().celsius() - before;
            if (gained < LEAST_GAIN_K || seconds > LONGEST_BRING_UP_H * 3600) {
                throw Refusal.of("burnerKw", "this burner cannot bring the vessel to a simmer; use a stronger one");
            }
            double share = Math.min(1, (target.celsius() - before) / gained);
            steam(step.steam().litres() * share);
            dissolve(Temperature.ofCelsius(before), BRING_UP_STEP_S * share);
            celsius = before + gained * share;
            seconds += BRING_UP_STEP_S * share;
        }
        return seconds / 60;
    }

    /**
     * Lets time pass.
     *
     * @param fire    meanwhile
     * @param keptAt  where a kept pot is held, °C; a pot over full heat gets no hotter before somebody turns it down
     * @param seconds up to a few minutes
     */
    public void step(Fire fire, double keptAt, double seconds) {
        if (fire == Fire.KEPT) {
            double off = celsius - keptAt;
            know(keptAt + left(off, seconds / 2));
            double surfaceM2 = run.vessel().shape().surfaceDm2(level()) / 100;
            steam(steamLPerM2H * surfaceM2 * seconds / 3600);
            gelatin = Gelatin.afterAtSpeed(gelatin, most(), bed.kind().halfTimeH(), speed, seconds / 3600);
            celsius = keptAt + left(off, seconds);
            return;
        }
        Temperature before = Temperature.ofCelsius(celsius);
        Power power = fire == Fire.FULL ? run.burner().delivered().times(luck.power()) : Power.ofKilowatts(0);
        PotHeat.Step step = heat.step(before, Volume.ofLitres(there()), power, seconds);
        steam(step.steam().litres());
        dissolve(before, seconds);
        double highest = fire == Fire.FULL ? Math.max(celsius, keptAt) : celsius;
        celsius = Math.min(
                step.temperature().celsius(),
                Math.max(highest, run.air().temperature().celsius()));
    }

    /** How far off it still is. */
    private static double left(double off, double seconds) {
        return Math.abs(off) < AS_GOOD_AS_BACK_K ? 0 : off * Math.exp(-seconds * LN_2 / BACK_HALF_S);
    }

    private void know(double at) {
        if (at != knownFor) {
            Temperature t = Temperature.ofCelsius(at);
            steamLPerM2H = heat.steamLPerM2H(t);
            speed = Gelatin.speed(t) * luck.extraction();
            knownFor = at;
        }
    }

    private void dissolve(Temperature at, double seconds) {
        gelatin = Gelatin.afterAtSpeed(
                gelatin, most(), bed.kind().halfTimeH(), Gelatin.speed(at) * luck.extraction(), seconds / 3600);
    }

    /** All the collagen that can go, g. */
    private double most() {
        return bed.kind().collagenGPerKg() * bed.mass().kg() * luck.collagen();
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

    /** Liquor taken off with the scum. */
    public void take(double litres) {
        double lost = atMost(litres);
        taken += lost;
        contents -= lost;
    }

    /** Boiled away in the pot until so much liquor is left.
     *
     * @return litres that went
     */
    public double boilDownTo(Volume left) {
        double gone = Math.max(0, contents - solids - left.litres());
        contents = solids + left.litres();
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

    /** A reading overrules what was reckoned; the solids are there in any case. */
    public void contents(Volume read) {
        contents = Math.max(solids, read.litres());
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
        return contents - solids;
    }

    public double celsius() {
        return celsius;
    }

    /** How far the level stands below that of so much contents. */
    public double downCm(double mark) {
        return run.vessel().shape().levelAt(Volume.ofLitres(Math.max(0, mark))).cm() - level().cm();
    }

    public Length level() {
        return run.vessel().shape().levelAt(Volume.ofLitres(there()));
    }

    /** Dissolved from the bed, g. */
    public double gelatinG() {
        return gelatin;
    }

    /** Gelatin that what was drawn has brought with it, g. */
    public double broughtG() {
        return run.liquid().gelatinGPerL() * drawn;
    }

    public double gelatinGPerL() {
        return (gelatin + broughtG()) / Math.max(0.1, liquor());
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

    /** Water put in since it was filled, L. */
    public double added() {
        return added;
    }

    /** Steam that leaves now, L/h. */
    public double steamLPerH() {
        return celsius > run.air().temperature().celsius()
                ? heat.steamLPerH(Temperature.ofCelsius(celsius), level())
                : 0;
    }

    /** Top of the bed after so long a simmer: it settles over the first half of it. */
    public Length bedTop(double simmeredMin, Duration simmer) {
        double settled = Math.min(1, simmeredMin / (simmer.toSeconds() / 60.0 / 2));
        return bed.height(run.vessel(), settled);
    }
}

package potamos.core.flow;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import potamos.core.formula.Phase;
import potamos.core.heat.PotHeat;
import potamos.core.liquor.Gelatin;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * Predicts a run by stepping through it: bring-up by the heat balance, simmer at its temperature with steam, skimming, late additions and top-ups,
 * rest without heat, strainers.
 *
 * <p>A pot that boils dry stops steaming, and solids hold no more than there is. Only the root finding steps on below nothing, so that the litres out
 * stay a function that falls without a bend.
 *
 * <p>A pot that is held gets its last top-up half an hour before the end, back to its mark; so its yield moves smoothly with the charge.
 */
public final class Forecaster {

    private static final double STEP_MIN = 5;

    /** A pot that is held is topped up for the last time so long before the end. */
    public static final Duration LAST_TOP_UP = Duration.ofMinutes(30);

    private static final double LAST_TOP_UP_MIN = LAST_TOP_UP.toMinutes();

    /** A reading of the pot is kept for each of these, so that curves stay light. */
    private static final double POINT_MIN = 10;

    private final double pointMin;
    private final double stepMin;
    private final Run run;
    private final PotHeat.BringUp bringUp;
    private final double kappa;

    private Forecaster(Run run, double pointMin) {
        this.run = run;
        this.pointMin = pointMin;
        this.stepMin = Math.min(STEP_MIN, pointMin);
        this.kappa = run.vessel().kappa().value();
        this.bringUp = bringUp();
    }

    /** From cold to the simmer over full heat, with its warm holds on the way; those count as part of it. */
    private PotHeat.BringUp bringUp() {
        PotHeat heat = run.heat(kappa);
        Temperature at = run.waterC();
        double minutes = 0;
        Volume evaporated = Volume.ZERO;
        for (Phase.Steep steep : run.steeps()) {
            Volume contents = run.filling().minus(evaporated);
            PotHeat.BringUp leg = heat.bringUp(at, steep.at(), contents, run.burner());
            at = steep.at().compareTo(at) > 0 ? steep.at() : at;
            double held = steep.takes().toSeconds() / 60.0;
            Length level = run.vessel().shape().levelAt(contents);
            evaporated =
                    evaporated.plus(leg.evaporated()).plus(Volume.ofLitres(heat.steamLPerH(at, level) * held / 60));
            minutes += leg.minutes() + held;
        }
        PotHeat.BringUp last =
                heat.bringUp(at, run.simmerAt(), run.filling().minus(evaporated).orNone(), run.burner());
        return new PotHeat.BringUp(minutes + last.minutes(), evaporated.plus(last.evaporated()));
    }

    /** The whole forecast with its band. */
    public static Forecast of(Run run) {
        return of(run, POINT_MIN);
    }

    /**
     * The whole forecast with its band, and its course at steps of the caller's choice.
     *
     * @param pointMin minutes between the points of the course, 1 to 60
     */
    public static Forecast of(Run run, double pointMin) {
        Refusal.unlessWithin("stepMin", pointMin, 1, 60, "min");
        Forecaster forecaster = new Forecaster(run, pointMin);
        Course main = forecaster.step(Factors.of(forecaster.kappa), true);
        Variants variants = forecaster.variants();
        return new Forecast(
                forecaster.bringUp.minutes(),
                run.simmer().usual().toSeconds() / 60.0,
                run.simmerAt(),
                main.points,
                main.topUps,
                main.bareAt < 0 ? OptionalDouble.empty() : OptionalDouble.of(main.bareAt),
                main.ledger,
                variants.band(main, Course::litresOut),
                main.gelatinGPerL,
                new Forecast.Spread(
                        Band.relative(forecaster.bringUp.minutes(), Factors.BURNER_SD),
                        variants.band(main, course -> course.evaporated),
                        variants.band(
                                main, course -> course.gelatinGPerL, main.gelatinOfBedGPerL * Factors.COLLAGEN_SD)));
    }

    /** Only the litres out, for root finding; below nothing when the pot would boil dry. */
    public static double litresOut(Run run) {
        Forecaster forecaster = new Forecaster(run, POINT_MIN);
        return forecaster.step(Factors.of(forecaster.kappa), false).litresOut();
    }

    /** Each uncertain factor moved by one standard deviation alone. */
    private Variants variants() {
        double sd = run.vessel().kappa().sd();
        return new Variants(List.of(
                step(new Factors(kappa + sd, 1, 1, 1, 1), false),
                step(new Factors(kappa, 1 + Factors.UPTAKE_SD, 1, 1, 1), false),
                step(new Factors(kappa, 1, 1 + Factors.SKIM_SD, 1, 1), false),
                step(new Factors(kappa, 1, 1, 1 + Factors.STRAINER_SD, 1), false),
                step(new Factors(kappa, 1, 1, 1, 1 + Factors.EXTRACTION_SD), false)));
    }

    /** Runs that each differ in one factor. The factors are independent, so what they do adds in quadrature. */
    private record Variants(List<Course> courses) {

        Band band(Course main, ToDoubleFunction<Course> figure) {
            return band(main, figure, 0);
        }

        /** The same with one effect more that is known without another run. */
        Band band(Course main, ToDoubleFunction<Course> figure, double known) {
            double mid = figure.applyAsDouble(main);
            double variance = known * known;
            for (Course course : courses) {
                double effect = figure.applyAsDouble(course) - mid;
                variance += effect * effect;
            }
            return Band.ofVariance(mid, variance).notBelow(0);
        }
    }

    /** A run in the making. */
    private static final class Course {
        final List<Forecast.Point> points = new ArrayList<>();
        final List<Forecast.TopUp> topUps = new ArrayList<>();
        double contents;
        double evaporated;
        double skimmed;
        double added;
        double gelatin;
        double bareAt = -1;
        double gelatinGPerL;
        double gelatinOfBedGPerL;
        double solids;
        Ledger ledger;

        double litresOut() {
            return ledger.yield().litres();
        }

        double liquor() {
            return contents - solids;
        }
    }

    /** What can leave of what would: all of it while only a root is looked for, else no more than there is. */
    private static double atMost(double wanted, double there, boolean physical) {
        return physical ? Math.max(0, Math.min(wanted, there)) : wanted;
    }

    private Course step(Factors factors, boolean keepPoints) {
        Course course = new Course();
        PotHeat heat = run.heat(factors.kappa());
        double steamShare = factors.kappa() / kappa;
        course.contents = run.filling().litres();
        course.solids = course.contents - run.water().litres() - run.poured().litres();
        point(course, 0, run.waterC(), keepPoints);
        course.evaporated = atMost(bringUp.evaporated().litres() * steamShare, course.liquor(), keepPoints);
        course.contents -= course.evaporated;
        point(course, bringUp.minutes(), run.simmerAt(), keepPoints);

        simmer(course, heat, factors, keepPoints);
        rest(course, heat, keepPoints);
        close(course, factors, keepPoints);
        return course;
    }

    private void simmer(Course course, PotHeat heat, Factors factors, boolean keepPoints) {
        double length = run.simmer().usual().toSeconds() / 60.0;
        double skim =
                Losses.skimmed(run.bed(), run.preparation(), factors.skim()).litres();
        double full = run.filling().litres();
        double mark = full;
        boolean hold = run.simmer().topUp().hold() && length > 1.5 * LAST_TOP_UP_MIN;
        boolean lastDone = false;
        Temperature at = run.simmerAt();
        double speed = Gelatin.speed(at) * factors.extraction();
        double steamLPerM2H = heat.steamLPerM2H(at);
        double nextPoint = pointMin;
        for (double minute = 0; minute < length - 1e-9; ) {
            double dt = Math.min(Math.min(stepMin, nextPoint - minute), length - minute);
            double end = minute + dt;
            for (Solids solids : run.others()) {
                double when = solids.intoTheSimmer().toSeconds() / 60.0;
                if (when > 0 && when > minute - 1e-9 && when <= end - 1e-9) {
                    course.contents += solids.displaced().litres();
                    course.solids += solids.displaced().litres();
                    mark += solids.displaced().litres();
                }
            }
            Length level = run.vessel().shape().levelAt(Volume.ofLitres(Math.max(0, course.contents)));
            double steam = atMost(
                    steamLPerM2H * run.vessel().shape().surfaceDm2(level) / 100 * dt / 60, course.liquor(), keepPoints);
            double skimmed = atMost(skim * dt / length, course.liquor() - steam, keepPoints);
            course.evaporated += steam;
            course.skimmed += skimmed;
            course.contents -= steam + skimmed;
            course.gelatin = gelatinAfter(course.gelatin, speed, dt / 60);
            noteBare(course, end, length);
            boolean last = hold && !lastDone && end >= length - LAST_TOP_UP_MIN;
            if (last || hold && !lastDone && dropped(course.contents, mark)) {
                double water = Math.max(0, mark - course.contents);
                course.contents += water;
                course.added += water;
                course.topUps.add(new Forecast.TopUp(bringUp.minutes() + end, Volume.ofLitres(water)));
                lastDone = last;
            }
            if (end >= nextPoint - 1e-9 || end >= length - 1e-9) {
                point(course, bringUp.minutes() + end, at, keepPoints);
                nextPoint += pointMin;
            }
            minute = end;
        }
    }

    private boolean dropped(double contents, double mark) {
        double down = run.vessel().shape().levelAt(Volume.ofLitres(mark)).cm()
                - run.vessel()
                        .shape()
                        .levelAt(Volume.ofLitres(Math.max(0, contents)))
                        .cm();
        return down >= run.simmer().topUp().drop().cm();
    }

    /** The bed settles over the first half of the simmer; it stands proud when the liquor is below its top. */
    private void noteBare(Course course, double minute, double length) {
        double settled = Math.min(1, minute / (length / 2));
        double top = run.bed().height(run.vessel(), settled).cm();
        double level = run.vessel()
                .shape()
                .levelAt(Volume.ofLitres(Math.max(0, course.contents)))
                .cm();
        if (course.bareAt < 0 && level < top) {
            course.bareAt = bringUp.minutes() + minute;
        }
    }

    private double gelatinAfter(double grams, double speed, double hours) {
        double most = run.bed().kind().collagenGPerKg() * run.bed().mass().kg();
        return Gelatin.afterAtSpeed(grams, most, run.bed().kind().halfTimeH(), speed, hours);
    }

    private void rest(Course course, PotHeat heat, boolean keepPoints) {
        Temperature at = run.simmerAt();
        double start = bringUp.minutes() + run.simmer().usual().toSeconds() / 60.0;
        for (double minute = 0; minute < run.restMin() - 1e-9; ) {
            double dt = Math.min(STEP_MIN, run.restMin() - minute);
            PotHeat.Step step =
                    heat.step(at, Volume.ofLitres(Math.max(0, course.contents)), Power.ofKilowatts(0), dt * 60);
            double steam = atMost(step.steam().litres(), course.liquor(), keepPoints);
            course.evaporated += steam;
            course.contents -= steam;
            at = step.temperature();
            minute += dt;
        }
        point(course, start + run.restMin(), at, keepPoints);
    }

    private void close(Course course, Factors factors, boolean physical) {
        Volume fat = Losses.renderedFat(run.bed());
        double held = Losses.uptake(run.bed(), run.others(), run.strain().pressed(), factors.uptake())
                .litres();
        Volume uptake = Volume.ofLitres(held > 0 ? atMost(held, course.liquor(), physical) : held);
        Volume strainers = Volume.ofLitres(atMost(
                Losses.strainers(run.strain().passes(), run.vessel().shape().width(), factors.strainer())
                        .litres(),
                course.liquor() - uptake.litres(),
                physical));
        List<Ledger.Entry> entries = new ArrayList<>(List.of(
                new Ledger.Entry(Ledger.Cause.WATER, run.water()),
                new Ledger.Entry(Ledger.Cause.TOP_UP, Volume.ofLitres(course.added)),
                new Ledger.Entry(Ledger.Cause.WINE, run.poured()),
                new Ledger.Entry(Ledger.Cause.EVAPORATED, Volume.ofLitres(course.evaporated)),
                new Ledger.Entry(Ledger.Cause.SKIMMED, Volume.ofLitres(course.skimmed)),
                new Ledger.Entry(Ledger.Cause.STRAINERS, strainers),
                new Ledger.Entry(Ledger.Cause.FAT_LIFTED, run.degreased() ? fat : Volume.ZERO)));
        entries.addAll(Ledger.solids(uptake, fat));
        double fraction = run.reduction().toFraction();
        Volume strained = Ledger.predicted(entries).yield();
        Volume reducing = run.reduction().beforeStraining() ? strained.plus(strainers) : strained;
        entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, reducing.orNone().times(1 - fraction)));
        course.ledger = Ledger.predicted(entries);
        double liquor = Math.max(0.1, course.liquor());
        double brought = run.liquid().gelatinGPerL() * run.water().litres();
        course.gelatinOfBedGPerL = course.gelatin / liquor / fraction;
        course.gelatinGPerL = course.gelatinOfBedGPerL + brought / liquor / fraction;
    }

    private void point(Course course, double minute, Temperature at, boolean keepPoints) {
        if (!keepPoints) {
            return;
        }
        double contents = Math.max(0, course.contents);
        course.points.add(new Forecast.Point(
                minute,
                contents,
                run.vessel().shape().levelAt(Volume.ofLitres(contents)).cm(),
                at.celsius(),
                course.evaporated,
                (course.gelatin + run.liquid().gelatinGPerL() * run.water().litres())
                        / Math.max(0.1, course.liquor())));
    }
}

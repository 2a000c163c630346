package potamos.core.flow;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import potamos.core.formula.PotPhase;
import potamos.core.quantity.Band;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * Predicts a run by driving a pot through it as planned: bring-up, simmer with skimming, late additions and top-ups, rest without heat, strainers.
 */
public final class Forecaster {

    private static final double STEP_MIN = 5;

    /** A reading of the pot is kept for each of these, so that curves stay light. */
    private static final double POINT_MIN = 10;

    private final Run run;
    private final TopUpPolicy topUps;
    private final double pointMin;
    private final double stepMin;

    private Forecaster(Run run, double pointMin) {
        this.run = run;
        this.topUps = TopUpPolicy.of(run);
        this.pointMin = pointMin;
        this.stepMin = Math.min(STEP_MIN, pointMin);
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
        Course main = forecaster.drive(Luck.BOOK, Purpose.FORECAST);
        Variants variants = forecaster.variants();
        return new Forecast(
                main.bringUpMin,
                minutes(run.simmer().usual()),
                run.simmerAt(),
                main.points,
                main.topUps,
                main.bareAt < 0 ? OptionalDouble.empty() : OptionalDouble.of(main.bareAt),
                main.ledger,
                variants.band(main, Course::litresOut).within(0, main.most()),
                main.gelatinGPerL,
                new Forecast.Spread(
                        Band.relative(main.bringUpMin, Luck.BURNER_SD),
                        variants.band(main, course -> course.pot.evaporated()),
                        variants.band(main, course -> course.gelatinGPerL, main.gelatinOfBedGPerL * Luck.COLLAGEN_SD)));
    }

    /** Why so many litres are foretold: where they go, what each figure rests on, and which of them makes the band. */
    public static List<Why> why(Run run, Forecast forecast) {
        Doubts doubts = doubts(run);
        return Why.of(
                forecast.ledger(),
                Map.of(
                        Ledger.Cause.EVAPORATED, doubts.steam().litres(),
                        Ledger.Cause.UPTAKE, doubts.uptake().litres(),
                        Ledger.Cause.SKIMMED, doubts.skims().litres(),
                        Ledger.Cause.STRAINERS, doubts.strainers().litres()),
                cause -> basis(run, cause));
    }

    /**
     * What each uncertain factor does to the end of a run when it is off by one standard deviation, alone.
     *
     * @param liquorL  at the end, reduced as planned
     * @param ofTheBed gelatin that its bed gave, g/L
     */
    record Doubts(
            double liquorL,
            double ofTheBed,
            Effect steam,
            Effect uptake,
            Effect skims,
            Effect strainers,
            Effect extraction) {

        /** On the litres out, and on the gelatin in a litre. */
        record Effect(double litres, double gelatin) {}

        /** On the gelatin, by all that makes more or less liquor of it. */
        double thinning() {
            return Math.sqrt(Stream.of(steam, uptake, skims, strainers)
                    .mapToDouble(effect -> effect.gelatin * effect.gelatin)
                    .sum());
        }
    }

    static Doubts doubts(Run run) {
        Forecaster forecaster = new Forecaster(run, POINT_MIN);
        Course main = forecaster.drive(Luck.BOOK, Purpose.VARIANT);
        List<Doubts.Effect> effects = Luck.ofTheYield(run.vessel().kappa()).stream()
                .map(luck -> forecaster.drive(luck, Purpose.VARIANT))
                .map(off -> new Doubts.Effect(off.litresOut() - main.litresOut(), off.gelatinGPerL - main.gelatinGPerL))
                .toList();
        double liquor = Math.max(0.1, main.pot.liquor()) * run.reduction().toFraction();
        return new Doubts(
                liquor,
                main.gelatinOfBedGPerL,
                effects.get(0),
                effects.get(1),
                effects.get(2),
                effects.get(3),
                effects.get(4));
    }

    private static Why.Basis basis(Run run, Ledger.Cause cause) {
        return switch (cause) {
            case EVAPORATED -> Why.Basis.of(run.vessel().kappa());
            case UPTAKE, SKIMMED, STRAINERS, GIVEN_BY_SOLIDS, FAT_LIFTED -> Why.Basis.BOOK;
            default -> Why.Basis.PLANNED;
        };
    }

    /** Only the litres out, for root finding; below nothing when the pot would boil dry. */
    public static double litresOut(Run run) {
        return new Forecaster(run, POINT_MIN).drive(Luck.BOOK, Purpose.SEARCH).litresOut();
    }

    /**
     * Minutes that a run takes from one temperature to another on its way to the simmer, its warm holds between them counted in.
     *
     * @param to at most the simmer
     */
    public static double minutesBetween(Run run, Temperature from, Temperature to) {
        PotStepper pot = new PotStepper(run, Luck.BOOK, PotStepper.Depth.AS_IT_IS);
        pot.fill(run.water(), run.waterC());
        pot.heatTo(from);
        double held = run.steeps().stream()
                .filter(steep -> steep.at().compareTo(from) >= 0 && steep.at().compareTo(to) < 0)
                .mapToDouble(steep -> minutes(steep.takes()))
                .sum();
        return held + pot.heatTo(run.simmerAt().compareTo(to) < 0 ? run.simmerAt() : to);
    }

    /** Each uncertain factor moved by one standard deviation alone. */
    private Variants variants() {
        return new Variants(Luck.ofTheYield(run.vessel().kappa()).stream()
                .map(luck -> drive(luck, Purpose.VARIANT))
                .toList());
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

    /** What a run is driven for. */
    private enum Purpose {
        FORECAST,
        /** With one factor off the book; only its end counts. */
        VARIANT,
        /** For a root of its litres out. */
        SEARCH
    }

    /** A run in the making. */
    private static final class Course {
        final PotStepper pot;
        final Luck luck;
        final Purpose purpose;
        final List<Forecast.Point> points = new ArrayList<>();
        final List<Forecast.TopUp> topUps = new ArrayList<>();
        double bringUpMin;
        double bareAt = -1;
        double gelatinGPerL;
        double gelatinOfBedGPerL;
        Ledger ledger;

        Course(Run run, Luck luck, Purpose purpose) {
            boolean search = purpose == Purpose.SEARCH;
            this.pot = new PotStepper(run, luck, search ? PotStepper.Depth.BELOW_NOTHING : PotStepper.Depth.AS_IT_IS);
            this.luck = luck;
            this.purpose = purpose;
        }

        /** Whatever is expected, no more can come out than went in and is not boiled away on purpose. */
        double most() {
            return Math.max(
                    litresOut(),
                    ledger.inward().litres() - ledger.of(Ledger.Cause.REDUCED).litres());
        }

        double litresOut() {
            return ledger.yield().litres();
        }

        /** What can leave of what would: all of it while only a root is looked for, else no more than there is. */
        double within(double wanted, double there) {
            return purpose == Purpose.SEARCH ? wanted : Math.max(0, Math.min(wanted, there));
        }
    }

    private Course drive(Luck luck, Purpose purpose) {
        Course course = new Course(run, luck, purpose);
        course.pot.fill(run.water(), run.waterC());
        point(course, 0);
        bringUp(course);
        point(course, course.bringUpMin);
        simmer(course);
        rest(course);
        close(course);
        return course;
    }

    /** From cold to the simmer over full heat, with its warm holds on the way; those count as part of it. */
    private void bringUp(Course course) {
        for (PotPhase.Steep steep : run.steeps()) {
            course.bringUpMin += course.pot.heatTo(steep.at());
            double held = minutes(steep.takes());
            for (double minute = 0; minute < held - 1e-9; minute += STEP_MIN) {
                double dt = Math.min(STEP_MIN, held - minute);
                course.pot.step(PotStepper.Fire.KEPT, course.pot.celsius(), dt * 60);
            }
            course.bringUpMin += held;
        }
        course.bringUpMin += course.pot.heatTo(run.simmerAt());
    }

    private void simmer(Course course) {
        PotStepper pot = course.pot;
        double length = minutes(run.simmer().usual());
        double skim =
                Losses.skimmed(run.bed(), run.preparation(), course.luck.skim()).litres();
        double simmerC = run.simmerAt().celsius();
        double mark = pot.contents() + pot.evaporated();
        double lastTopUp = length - minutes(TopUpPolicy.LAST);
        boolean lastDone = false;
        double nextPoint = pointMin;
        for (double minute = 0; minute < length - 1e-9; ) {
            double stop = minute < lastTopUp - 1e-9 ? lastTopUp : length;
            double dt = Math.min(Math.min(stepMin, nextPoint - minute), stop - minute);
            double end = minute + dt;
            for (Solids solids : run.others()) {
                double when = minutes(solids.intoTheSimmer());
                if (when > 0 && when > minute - 1e-9 && when <= end - 1e-9) {
                    mark += pot.add(solids.displaced());
                }
            }
            pot.step(PotStepper.Fire.KEPT, simmerC, dt * 60);
            pot.take(skim * dt / length);
            noteBare(course, end);
            double left = length - end;
            double missing = mark - pot.contents();
            if (topUps.now(left, new TopUpPolicy.Down(pot.downCm(mark), missing, pot.liquor()), lastDone)) {
                lastDone = topUps.isLast(left);
                Volume water = topUps.amount(missing);
                pot.topUp(water, run.simmer().topUp().water());
                mark = topUps.inRounds() ? pot.contents() : mark;
                course.topUps.add(new Forecast.TopUp(course.bringUpMin + end, water));
            }
            if (end >= nextPoint - 1e-9 || end >= length - 1e-9) {
                point(course, course.bringUpMin + end);
                nextPoint += pointMin;
            }
            minute = end;
        }
    }

    /** The bed stands proud when the liquor is below its top. */
    private void noteBare(Course course, double minute) {
        if (course.purpose == Purpose.FORECAST
                && course.bareAt < 0
                && course.pot.level().cm()
                        < course.pot.bedTop(minute, run.simmer().usual()).cm()) {
            course.bareAt = course.bringUpMin + minute;
        }
    }

    private void rest(Course course) {
        for (double minute = 0; minute < run.restMin() - 1e-9; minute += STEP_MIN) {
            double dt = Math.min(STEP_MIN, run.restMin() - minute);
            course.pot.step(PotStepper.Fire.OFF, 0, dt * 60);
        }
        point(course, course.bringUpMin + minutes(run.simmer().usual()) + run.restMin());
    }

    private void close(Course course) {
        PotStepper pot = course.pot;
        double held = Losses.uptake(run.bed(), run.others(), run.strain().pressed(), course.luck.uptake())
                .litres();
        Volume uptake = Volume.ofLitres(held > 0 ? course.within(held, pot.liquor()) : held);
        Volume strainers = Volume.ofLitres(course.within(
                Losses.strainers(run.strain().passes(), run.vessel().shape().width(), course.luck.strainer())
                        .litres(),
                pot.liquor() - uptake.litres()));
        List<Ledger.Entry> entries = Ledger.ofPot(run, pot, uptake, strainers, Optional.empty());
        double fraction = run.reduction().toFraction();
        Volume strained = Ledger.predicted(entries).yield();
        entries.add(new Ledger.Entry(Ledger.Cause.REDUCED, run.reduction().boiledAway(strained, strainers)));
        course.ledger = Ledger.predicted(entries);
        double liquor = Math.max(0.1, pot.liquor());
        course.gelatinOfBedGPerL = pot.gelatinG() / liquor / fraction;
        course.gelatinGPerL = course.gelatinOfBedGPerL + pot.broughtG() / liquor / fraction;
    }

    private void point(Course course, double minute) {
        PotStepper pot = course.pot;
        if (course.purpose == Purpose.FORECAST) {
            course.points.add(new Forecast.Point(
                    minute, pot.contents(), pot.level().cm(), pot.celsius(), pot.evaporated(), pot.gelatinGPerL()));
        }
    }

    private static double minutes(Duration length) {
        return length.toSeconds() / 60.0;
    }
}

package potamos.core.cooling;

import java.util.ArrayList;
import java.util.List;
import potamos.core.heat.Water;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;

/**
 * Cooling of a stock in its container: {@code C dT/dt = −UA(T − T_medium)} with {@code U = 1/(1/h_in + wall/k + 1/h_out)}, and the medium's own heat
 * balance.
 *
 * <p>Lumped while it flows. A stock that sets stops flowing and cools on by conduction; its core is the slowest place, and the core is what limits are
 * about. Ignores the lid, radiation and layering inside an unstirred liquid; the still coefficients stand for the last.
 *
 * @see <a href="https://global.oup.com/academic/product/9780198533689">Carslaw and Jaeger, Conduction of Heat in Solids, 2nd ed., sections 3.3 and 7.6</a>
 */
public final class Cooler {

    private static final double INSIDE_STIRRED = 400;
    private static final double INSIDE_STILL = 120;

    /** A stock that sets stops flowing at about this temperature. */
    private static final double SETTING_C = 16;

    /** Of a set stock, W/m/K. */
    private static final double CONDUCTS = 0.55;

    /** Conduction as a coefficient of the wall: by a layer's depth from one side, from both, and by a cylinder's radius. */
    private static final double ONE_SIDE = 2.5;

    private static final double BOTH_SIDES = 4.9;
    private static final double CYLINDER = 2.9;

    /** The core of a set stock is so many times as far from its medium as the mean is. */
    private static final double CORE_EXCESS = 1.6;

    private static final double STOCK_KJ_PER_KG_K = 4.1;

    private static final double STEP_MIN = 0.5;
    private static final double POINT_MIN = 2;
    private static final double LONGEST_MIN = 48 * 60;

    /** As near to its medium as makes no difference. */
    private static final double THERE_K = 0.05;

    /** Of the heat through a wall: how a bath is stirred and how a container stands in it differ from day to day. */
    static final double TRANSFER_SD = 0.18;

    /** A bath that has warmed to this has done its work. */
    private static final double BATH_END_C = 5;

    /** Water that a bath stands in for each litre of stock. */
    private static final double BATH_KG_PER_L = 2;

    /** Ice that melts into the kitchen. */
    private static final double SPARE = 1.15;

    private Cooler() {}

    /** The curve of a plan until its last leg is done, at most 48 hours. */
    public static CoolingCurve curve(CoolingPlan plan) {
        return curve(plan, 1);
    }

    /**
     * When a plan will have its stock down to some temperatures, each with its band.
     *
     * @param curve of the plan
     */
    public static List<Crossing> crossings(CoolingPlan plan, CoolingCurve curve, List<Temperature> at) {
        CoolingCurve quick = curve(plan, 1 + Band.Z90 * TRANSFER_SD);
        CoolingCurve slow = curve(plan, 1 - Band.Z90 * TRANSFER_SD);
        return at.stream()
                .map(t -> new Crossing(t, curve.minutesTo(t), quick.minutesTo(t), slow.minutesTo(t)))
                .toList();
    }

    private static CoolingCurve curve(CoolingPlan plan, double transfer) {
        Course course = new Course(plan, transfer);
        for (CoolingPlan.Leg leg : plan.legs()) {
            course.run(leg);
        }
        return new CoolingCurve(course.points, Mass.ofKg(course.melted));
    }

    /** A cooling in the making. */
    private static final class Course {
        private final CoolingPlan plan;
        private final double transfer;
        private final List<CoolingCurve.Point> points = new ArrayList<>();
        private double minute;
        private double mean;
        private double excess = 1;
        private double melted;
        private double medium;
        private double ice;
        private double bathKg;

        Course(CoolingPlan plan, double transfer) {
            this.plan = plan;
            this.transfer = transfer;
            this.mean = plan.from().celsius();
        }

        double core() {
            return medium + excess * (mean - medium);
        }

        void run(CoolingPlan.Leg leg) {
            double was = points.isEmpty() ? mean : core();
            begin(leg.medium());
            // Taken from one medium to another, the core is where it was.
            excess = mean - medium > THERE_K ? Math.max(1, (was - medium) / (mean - medium)) : 1;
            points.add(point());
            while (core() > leg.until().celsius()
                    && minute < LONGEST_MIN
                    && (mean - medium > THERE_K || paddles(leg))) {
                step(leg.medium());
                if (minute % POINT_MIN < 1e-9 || core() <= leg.until().celsius()) {
                    points.add(point());
                }
            }
        }

        private void begin(Medium into) {
            medium = into.start().celsius();
            ice = 0;
            if (into instanceof Medium.IceBath bath) {
                // What melts to cool the bath's own water is gone before the stock comes.
                double kj = bath.water().kg()
                        * Water.HEAT_KJ_PER_KG_K
                        * Math.max(0, bath.drawnAt().celsius());
                double melts = Math.min(bath.ice().kg(), kj / Water.MELTING_KJ_PER_KG);
                ice = bath.ice().kg() - melts;
                bathKg = bath.water().kg() + melts;
                melted += melts;
                medium = (kj - melts * Water.MELTING_KJ_PER_KG) / (bathKg * Water.HEAT_KJ_PER_KG_K);
            } else if (into instanceof Medium.IcePaddle paddle) {
                ice = paddle.ice().kg();
            }
        }

        private boolean paddles(CoolingPlan.Leg leg) {
            return leg.medium() instanceof Medium.IcePaddle && ice > 1e-9 && mean > THERE_K;
        }

        private void step(Medium into) {
            double rate = transfer * ratePerMin(plan, into, mean);
            double next = medium + (mean - medium) * Math.exp(-rate * STEP_MIN);
            if (into instanceof Medium.IcePaddle paddle && ice > 0) {
                double wanted = Math.max(0, next) * paddle.paddleWPerK() * STEP_MIN * 60 / 1000;
                double taken =
                        Math.min(Math.min(wanted, ice * Water.MELTING_KJ_PER_KG), stockKjPerK() * Math.max(0, next));
                ice -= taken / Water.MELTING_KJ_PER_KG;
                melted += taken / Water.MELTING_KJ_PER_KG;
                next -= taken / stockKjPerK();
            }
            if (into instanceof Medium.IceBath) {
                warm(stockKjPerK() * (mean - next));
            }
            boolean set = plan.sets() && !into.stirred() && mean < SETTING_C;
            // A core that has only just stopped flowing stands still until the cold has found its way in.
            double grown = set ? 1 - Math.exp(-rate * STEP_MIN / (CORE_EXCESS - 1)) : 0;
            excess += (CORE_EXCESS - excess) * grown;
            mean = next;
            minute += STEP_MIN;
        }

        /** Heat into the bath melts its ice first, then warms it. */
        private void warm(double kj) {
            double melts = Math.min(ice, kj / Water.MELTING_KJ_PER_KG);
            ice -= melts;
            melted += melts;
            bathKg += melts;
            medium += (kj - melts * Water.MELTING_KJ_PER_KG) / (bathKg * Water.HEAT_KJ_PER_KG_K);
        }

        private double stockKjPerK() {
            return plan.litres().litres() * STOCK_KJ_PER_KG_K;
        }

        private CoolingCurve.Point point() {
            return new CoolingCurve.Point(minute, mean, core(), medium);
        }
    }

    /** The decay constant of a plan in a medium at a stock temperature, per minute. */
    public static double ratePerMin(CoolingPlan plan, Medium medium, double stockC) {
        Container container = plan.container();
        boolean set = plan.sets() && !medium.stirred() && stockC < SETTING_C;
        double flowing = medium.stirred() ? INSIDE_STIRRED : INSIDE_STILL;
        double inside = set ? Math.min(flowing, conduction(plan, medium)) : flowing;
        double wall = container.thick().metres() / container.wall().conducts();
        double u = 1 / (1 / inside + wall + 1 / medium.outsideWPerM2K());
        double m2 = container.shape().wettedDm2(container.shape().levelAt(plan.each())) / 100;
        return u * m2 * 60 / (plan.each().litres() * STOCK_KJ_PER_KG_K * 1000);
    }

    /** What a set stock conducts to its wall, W/m²/K: as a layer, or as a cylinder where that is the shorter way. */
    private static double conduction(CoolingPlan plan, Medium medium) {
        Shape shape = plan.container().shape();
        double depth = shape.levelAt(plan.each()).metres();
        double layer = (medium.fromBothSides() ? BOTH_SIDES : ONE_SIDE) * CONDUCTS / depth;
        double cylinder = CYLINDER * CONDUCTS / (shape.width().metres() / 2);
        return Math.max(layer, cylinder);
    }

    /** Ice that takes a stock from one temperature to another by its heat alone, its melt water warming to 5 °C. */
    public static Mass iceNeeded(Volume stock, Temperature from, Temperature to) {
        double kj = stock.litres() * STOCK_KJ_PER_KG_K * Math.max(0, from.above(to));
        return Mass.ofKg(kj / (Water.MELTING_KJ_PER_KG + Water.HEAT_KJ_PER_KG_K * BATH_END_C));
    }

    /**
     * The bath that is made ready for a stock: water, and the ice that this and the stock need, with what melts into the kitchen meanwhile.
     *
     * @param to  down to this, but no further than the bath itself is to end
     * @param tap temperature of the water as it is drawn
     */
    public static Medium.IceBath bath(Volume stock, Temperature from, Temperature to, Temperature tap) {
        Mass water = Mass.ofKg(Math.max(1, BATH_KG_PER_L * stock.litres()));
        return new Medium.IceBath(iceForBath(stock, from, to, water, tap), water, tap, true);
    }

    /**
     * Ice that a bath needs to take a stock from one temperature to another, with what melts into the kitchen meanwhile.
     *
     * @param water   in it
     * @param drawnAt temperature of that
     */
    public static Mass iceForBath(Volume stock, Temperature from, Temperature to, Mass water, Temperature drawnAt) {
        double end = Math.min(BATH_END_C, to.celsius());
        double kj = stock.litres() * STOCK_KJ_PER_KG_K * Math.max(0, from.above(to))
                + water.kg() * Water.HEAT_KJ_PER_KG_K * Math.max(0, drawnAt.celsius() - end);
        return Mass.ofKg(SPARE * kj / (Water.MELTING_KJ_PER_KG + Water.HEAT_KJ_PER_KG_K * end));
    }
}

package potamos.core.cooling;

import java.util.ArrayList;
import java.util.List;
import potamos.core.heat.Water;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * Lumped cooling: {@code C dT/dt = −UA(T − T_medium)} with {@code U = 1/(1/h_in + wall/k + 1/h_out)}, and the bath's own heat balance.
 *
 * <p>Ignores the lid, radiation and layering inside an unstirred container; the still coefficients stand for the last.
 */
public final class Cooler {

    private static final double INSIDE_STIRRED = 400;
    private static final double INSIDE_STILL = 120;

    /** A stock that sets stops moving below 25 °C. */
    private static final double INSIDE_SET = 40;

    private static final double SETTING_C = 25;

    private static final double STOCK_KJ_PER_KG_K = 4.1;

    private static final double STEP_MIN = 0.5;
    private static final double POINT_MIN = 2;
    private static final double LONGEST_MIN = 48 * 60;

    /** Of the heat through a wall: how a bath is stirred and how a container stands in it differ from day to day. */
    private static final double TRANSFER_SD = 0.18;

    /** A bath that has warmed to this has done its work. */
    private static final double BATH_END_C = 5;

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
        List<CoolingCurve.Point> points = new ArrayList<>();
        double minute = 0;
        double stock = plan.from().celsius();
        double melted = 0;
        for (CoolingPlan.Leg leg : plan.legs()) {
            double medium = leg.medium().start().celsius();
            double ice =
                    leg.medium() instanceof Medium.IceBath bath ? bath.ice().kg() : 0;
            double paddled = 0;
            points.add(new CoolingCurve.Point(minute, stock, medium));
            while (stock > leg.until().celsius() && minute < LONGEST_MIN && stock - medium > 0.05) {
                double next = medium
                        + (stock - medium) * Math.exp(-transfer * ratePerMin(plan, leg.medium(), stock) * STEP_MIN);
                if (leg.medium() instanceof Medium.IcePaddle paddle
                        && paddled < paddle.ice().kg()) {
                    double kj = Math.max(0, next) * paddle.paddleWPerK() * STEP_MIN * 60 / 1000;
                    double most = (paddle.ice().kg() - paddled) * Water.MELTING_KJ_PER_KG;
                    double taken = Math.min(kj, most);
                    paddled += taken / Water.MELTING_KJ_PER_KG;
                    melted += taken / Water.MELTING_KJ_PER_KG;
                    next -= taken / (plan.each().litres() * STOCK_KJ_PER_KG_K);
                }
                double kj = plan.litres().litres() * STOCK_KJ_PER_KG_K * (stock - next);
                if (leg.medium() instanceof Medium.IceBath bath) {
                    double melts = Math.min(ice, kj / Water.MELTING_KJ_PER_KG);
                    ice -= melts;
                    melted += melts;
                    double left = kj - melts * Water.MELTING_KJ_PER_KG;
                    double waterKg = bath.water().kg() + bath.ice().kg() - ice;
                    medium += left / (waterKg * Water.HEAT_KJ_PER_KG_K);
                }
                stock = next;
                minute += STEP_MIN;
                if (minute % POINT_MIN < 1e-9 || stock <= leg.until().celsius()) {
                    points.add(new CoolingCurve.Point(minute, stock, medium));
                }
            }
        }
        return new CoolingCurve(points, Mass.ofKg(melted));
    }

    /** The decay constant of a plan in a medium at a stock temperature, per minute. */
    public static double ratePerMin(CoolingPlan plan, Medium medium, double stockC) {
        Container container = plan.container();
        double inside =
                plan.sets() && stockC < SETTING_C ? INSIDE_SET : medium.stirred() ? INSIDE_STIRRED : INSIDE_STILL;
        double wall = container.thick().metres() / container.wall().conducts();
        double u = 1 / (1 / inside + wall + 1 / medium.outsideWPerM2K());
        double m2 = container.shape().wettedDm2(container.shape().levelAt(plan.each())) / 100;
        return u * m2 * 60 / (plan.each().litres() * STOCK_KJ_PER_KG_K * 1000);
    }

    /** Ice that takes a stock from one temperature to another, its melt water warming to 5 °C. */
    public static Mass iceNeeded(Volume stock, Temperature from, Temperature to) {
        double kj = stock.litres() * STOCK_KJ_PER_KG_K * Math.max(0, from.above(to));
        return Mass.ofKg(kj / (Water.MELTING_KJ_PER_KG + Water.HEAT_KJ_PER_KG_K * BATH_END_C));
    }
}

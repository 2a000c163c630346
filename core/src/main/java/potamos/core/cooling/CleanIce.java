package potamos.core.cooling;

import potamos.core.heat.Water;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * Clean ice put into a stock that was reduced to leave room for it: cold at once, and back at its strength.
 *
 * @param litres      of stock once the ice is melted
 * @param temperature of it
 */
public record CleanIce(Volume litres, Temperature temperature) {

    private static final double STOCK_KJ_PER_KG_K = 4.1;

    /**
     * @param ice at 0 °C; never so much that some would be left unmelted
     * @throws Refusal on {@code iceKg} with how much the stock can melt
     */
    public static CleanIce into(Volume stock, Temperature from, Mass ice) {
        double warmth = stock.litres() * STOCK_KJ_PER_KG_K * from.celsius();
        Refusal.unlessWithin("iceKg", ice.kg(), 0, warmth / Water.MELTING_KJ_PER_KG, "kg");
        double left = warmth - ice.kg() * Water.MELTING_KJ_PER_KG;
        double heat = stock.litres() * STOCK_KJ_PER_KG_K + ice.kg() * Water.HEAT_KJ_PER_KG_K;
        return new CleanIce(stock.plus(Volume.ofLitres(ice.kg())), Temperature.ofCelsius(left / heat));
    }
}

package potamos.core.formula;

import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * Stock that goes into a pot in the place of water. What is in it goes on into whatever is made of it.
 *
 * @param source    the lot that it is taken from, or the batch of what is strained and not put away yet, by its id; empty where no kitchen knows it
 * @param name      of it, for people
 * @param litres    that are taken, 0.05 to 500 L
 * @param contents  what is in it
 * @param saltGPerL in it, 0 to 60 g/L
 */
public record Draw(String source, String name, Volume litres, Contents contents, double saltGPerL) {

    public static final double LEAST_LITRES = 0.05;

    public static final double MOST_LITRES = Figure.MOST_LITRES;

    public Draw {
        Refusal.unlessWithin("litres", litres.litres(), LEAST_LITRES, MOST_LITRES, "L");
        Refusal.unlessWithin("saltGPerL", saltGPerL, 0, Liquid.MOST_SALT_G_PER_L, "g/L");
    }

    /** Litres of several. */
    public static Volume all(List<Draw> draws) {
        return draws.stream().map(Draw::litres).reduce(Volume.ZERO, Volume::plus);
    }

    /** Another amount of the same. */
    public Draw of(Volume other) {
        return new Draw(source, name, other, contents, saltGPerL);
    }
}

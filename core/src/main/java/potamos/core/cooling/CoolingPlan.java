package potamos.core.cooling;

import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * How a batch is to be cooled.
 *
 * @param litres    to cool
 * @param from      temperature at straining
 * @param container it is split into
 * @param count     how many of them
 * @param legs      media in order, each down to a temperature
 * @param sets      whether the stock sets when cold, which stops it moving
 */
public record CoolingPlan(
        Volume litres, Temperature from, Container container, int count, List<Leg> legs, boolean sets) {

    /** As hot as a stock is, most often, when it has been strained. */
    public static final Temperature STRAINED = Temperature.ofCelsius(85);

    public CoolingPlan {
        legs = List.copyOf(legs);
        Refusal.unlessWithin("litres", litres.litres(), 0.05, 1000, "L");
        Refusal.unlessWithin("containers", count, 1, 200, "containers");
        double each = litres.litres() / count;
        double most = container.shape().brimful().litres();
        if (each > most) {
            throw Refusal.outside("litres", "more than the containers hold", 0.05, most * count, "L");
        }
        if (legs.isEmpty()) {
            throw Refusal.of("legs", "something has to take the heat");
        }
    }

    /** One medium, until the stock is down to a temperature. */
    public record Leg(Medium medium, Temperature until) {}

    /** The ice bath that it goes into first; nothing where it is cooled in something else. */
    public Optional<Medium.IceBath> bath() {
        return medium() instanceof Medium.IceBath bath ? Optional.of(bath) : Optional.empty();
    }

    /** The chiller that it stands in first; nothing where it is cooled in something else. */
    public Optional<String> chiller() {
        return medium() instanceof Medium.Blast blast ? Optional.of(blast.name()) : Optional.empty();
    }

    /** What takes its heat first. */
    public Medium medium() {
        return legs.get(0).medium();
    }

    public Volume each() {
        return litres.times(1.0 / count);
    }
}

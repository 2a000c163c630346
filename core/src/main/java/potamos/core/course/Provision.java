package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import potamos.core.larder.Goods;
import potamos.core.larder.Larder;
import potamos.core.quantity.Mass;

/**
 * Something that a batch of the course is made of, with what the larder has of it. Batches are served in the order in which they begin.
 *
 * @param at       when the batch begins
 * @param cover    what there is then
 * @param thawFrom when what lies frozen must come out of the freezer, to be soft by then; may be past already
 */
public record Provision(
        Instant at, String vessel, String stock, String name, Larder.Cover cover, Optional<Instant> thawFrom) {

    /**
     * All of it.
     *
     * @param larder what there is; set aside batch by batch
     */
    public static List<Provision> of(List<Day.Pot> pots, Larder larder) {
        return pots.stream()
                .filter(pot -> pot.charge().isPresent())
                .sorted(Comparator.comparing((Day.Pot pot) -> pot.timeline().start())
                        .thenComparing(Day.Pot::vessel))
                .flatMap(pot -> Larder.wanted(pot.charge().orElseThrow()).entrySet().stream()
                        .map(wanted -> of(pot, wanted.getKey(), wanted.getValue(), larder)))
                .toList();
    }

    private static Provision of(Day.Pot pot, String goods, Mass wanted, Larder larder) {
        Instant start = pot.timeline().start();
        Larder.Cover cover = larder.take(goods, wanted, start);
        return new Provision(
                start,
                pot.vessel(),
                pot.stock(),
                Goods.nameOf(goods),
                cover,
                cover.frozen().stream()
                        .map(draw -> start.minus(draw.box().thaws().orElse(Duration.ZERO)))
                        .min(Comparator.naturalOrder()));
    }
}

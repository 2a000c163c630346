package potamos.server.charges;

import java.time.Duration;
import java.util.Map;
import java.util.Set;

/**
 * What is supposed of the batches under way, before anybody has decided it.
 *
 * @param aside  batches that are looked away from, by id
 * @param longer by how much longer a simmer goes on, by the id of its batch
 */
public record Supposing(Set<String> aside, Map<String, Duration> longer) {

    /** They stand as they are. */
    public static final Supposing NOTHING = new Supposing(Set.of(), Map.of());

    public Supposing {
        aside = Set.copyOf(aside);
        longer = Map.copyOf(longer);
    }
}

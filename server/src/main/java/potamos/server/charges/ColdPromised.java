package potamos.server.charges;

import java.util.List;
import java.util.Map;
import potamos.core.cooling.IceBin;

/** Ice and containers that the batches under way are going to need: what another one cannot count on. */
public interface ColdPromised {

    /**
     * What is promised.
     *
     * @param ice        to baths that are not made ready yet, and when
     * @param containers by name, how many
     */
    record Promised(List<IceBin.Use> ice, Map<String, Integer> containers) {}

    Promised of(String kitchenId, Supposing supposing);
}

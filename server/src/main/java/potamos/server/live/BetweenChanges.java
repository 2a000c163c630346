package potamos.server.live;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.function.Supplier;

/**
 * What was found out about a kitchen, good until something changes there. Numbers of the change log are given out before their transaction ends, and some
 * things move by themselves, so it is not trusted for longer than a moment either.
 */
public final class BetweenChanges<T> {

    private static final int MOST = 500;

    private record Seen(String kitchenId, long change) {}

    private final Changes changes;
    private final Cache<Seen, T> seen;

    /** @param moment for how long it is trusted at most */
    public BetweenChanges(Changes changes, Duration moment) {
        this.changes = changes;
        this.seen =
                Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(moment).build();
    }

    /** As it was found since the latest change, or as it is found now. */
    public T of(String kitchenId, Supplier<T> look) {
        return seen.get(new Seen(kitchenId, changes.latestOf(kitchenId)), now -> look.get());
    }
}

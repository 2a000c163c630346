package potamos.core.course;

import java.time.Instant;

/**
 * A thing of the kitchen, taken for a while.
 *
 * @param amount how many of it; 1 where there is one
 */
public record Use(Kind kind, String name, Instant from, Instant to, int amount) {

    /** What can be taken. */
    public enum Kind {
        VESSEL,
        BURNER,
        OVEN,
        CONTAINER
    }

    boolean sameThing(Use other) {
        return kind == other.kind && name.equals(other.name);
    }

    boolean overlaps(Use other) {
        return from.isBefore(other.to) && other.from.isBefore(to);
    }
}

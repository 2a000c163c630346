package potamos.core.course;

import java.util.List;
import java.util.stream.Stream;
import potamos.core.cooling.IceBin;

/**
 * What a kitchen has no more to give, for batches are under way in it.
 *
 * @param uses  of its things
 * @param ice   by baths
 * @param hands that somebody has in them
 * @param kept  on the cold shelf for whoever it is promised to
 */
public record Busy(List<Use> uses, List<IceBin.Use> ice, List<Attendance.Stretch> hands, List<Kept> kept) {

    public static final Busy NONE = new Busy(List.of(), List.of(), List.of(), List.of());

    public Busy {
        uses = List.copyOf(uses);
        ice = List.copyOf(ice);
        hands = List.copyOf(hands);
        kept = List.copyOf(kept);
    }

    /** Things alone. */
    public static Busy of(List<Use> uses) {
        return new Busy(uses, List.of(), List.of(), List.of());
    }

    /** The same with more things taken. */
    public Busy and(List<Use> more) {
        return new Busy(Stream.concat(uses.stream(), more.stream()).toList(), ice, hands, kept);
    }

    /** The same with other baths. */
    public Busy withIce(List<IceBin.Use> others) {
        return new Busy(uses, others, hands, kept);
    }

    /** The same with more on the cold shelf. */
    public Busy keeping(List<Kept> more) {
        return new Busy(
                uses, ice, hands, Stream.concat(kept.stream(), more.stream()).toList());
    }
}

package potamos.core.batch;

import java.time.Instant;
import java.util.List;

/**
 * Something that a batch needs a person to do.
 *
 * @param kind   what
 * @param parts  which parts, for weighing and adding; those that go in together are one act
 * @param due    when; past when it is overdue
 * @param late   when waiting starts to cost something
 * @param amount how much, in the unit of the kind: kg, L or minutes; 0 where it has none
 * @param cost   what waiting costs
 */
public record DueAct(Kind kind, List<String> parts, Instant due, Instant late, double amount, Cost cost) {

    public DueAct {
        parts = List.copyOf(parts);
    }

    /** What there is to do. */
    public enum Kind {
        WEIGH,
        BLANCH,
        FILL,
        LIGHT,
        FIRST_FOAM,
        TURN_DOWN,
        SKIM,
        READ_LEVEL,
        READ_TEMPERATURE,
        TOP_UP,
        ADD,
        JUDGE,
        STRAIN,
        BEGIN_COOLING,
        READ_COOLING,
        RESCUE,
        STORE
    }

    /** What is lost while it waits, worst first. */
    public enum Cost {
        SAFETY,
        YIELD,
        CLARITY,
        FLAVOUR,
        TIME,
        NOTHING
    }

    public boolean lateAt(Instant now) {
        return now.isAfter(late);
    }
}

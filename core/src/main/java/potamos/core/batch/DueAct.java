package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * Something that a batch needs a person to do.
 *
 * @param kind   what
 * @param step   the phase of the procedure that it belongs to, from 0; −1 where it belongs to none
 * @param parts  which parts, for weighing and adding; those that go in together are one act
 * @param due    when; past when it is overdue
 * @param late   when waiting starts to cost something
 * @param amount how much, in the unit of the kind: kg, L, °C, minutes, a place on a card; 0 where it has none
 * @param cost   what waiting costs
 */
public record DueAct(Kind kind, int step, List<String> parts, Instant due, Instant late, double amount, Cost cost) {

    /** However short its grace, a late act is pressed for so long before what it costs is said to be lost. */
    private static final Duration LEAST_PATIENCE = Duration.ofMinutes(5);

    private static final int NO_STEP = -1;

    public DueAct {
        parts = List.copyOf(parts);
    }

    /** An act on the whole batch. */
    static DueAct of(Kind kind, Instant due, Duration grace, double amount, Cost cost) {
        return of(kind, List.of(), due, grace, amount, cost);
    }

    /** An act on parts. */
    static DueAct of(Kind kind, List<String> parts, Instant due, Duration grace, double amount, Cost cost) {
        return new DueAct(kind, NO_STEP, parts, due, due.plus(grace), amount, cost);
    }

    /** What there is to do. */
    public enum Kind {
        WEIGH,
        BEGIN,
        END,
        TURN,
        JUDGE_SHADE,
        CHANGE_WATER,
        BURNER_OFF,
        BLANCH,
        FILL,
        LIGHT,
        HOLD,
        KELP_OUT,
        FIRST_FOAM,
        TURN_DOWN,
        SKIM,
        READ_LEVEL,
        READ_TEMPERATURE,
        TOP_UP,
        ADD,
        TASTE,
        SET_TEST,
        JUDGE,
        FLAKES_IN,
        PASS,
        STRAIN,
        REDUCE,
        DEGREASE,
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

    /** From when what waiting costs is lost: as long after being late as it had been let wait. */
    public Instant costsFrom() {
        Duration grace = Duration.between(due, late);
        return late.plus(grace.compareTo(LEAST_PATIENCE) < 0 ? LEAST_PATIENCE : grace);
    }
}

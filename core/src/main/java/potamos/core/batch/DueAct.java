package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;

/**
 * Something that a batch needs a person to do.
 *
 * @param kind    what
 * @param step    the phase of the procedure that it belongs to, from 0; −1 where it belongs to none
 * @param due     when; past when it is overdue
 * @param late    when waiting starts to cost something
 * @param amount  how much, in the unit of the kind: kg, L, °C, a place on a card; 0 where it has none
 * @param cost    what waiting costs
 * @param becomes what is logged when it is done, one after another
 */
public record DueAct(Kind kind, int step, Instant due, Instant late, double amount, Cost cost, List<Proposal> becomes) {

    /** However short its grace, a late act is pressed for so long before what it costs is said to be lost. */
    private static final Duration LEAST_PATIENCE = Duration.ofMinutes(5);

    private static final int NO_STEP = -1;

    public DueAct {
        becomes = List.copyOf(becomes);
    }

    /** An act that is as much as what it becomes. */
    static DueAct of(Kind kind, Instant due, Duration grace, Cost cost, List<Proposal> becomes) {
        double amount = becomes.stream().mapToDouble(Proposal::amount).sum();
        return of(kind, amount, due, grace, cost, becomes);
    }

    /** An act whose amount is not a figure of what it becomes. */
    static DueAct of(Kind kind, double amount, Instant due, Duration grace, Cost cost, List<Proposal> becomes) {
        return new DueAct(kind, NO_STEP, due, due.plus(grace), amount, cost, becomes);
    }

    /** Which parts, for weighing, adding and taking out; those that go in together are one act. */
    public List<String> parts() {
        return becomes.stream().flatMap(proposal -> proposal.part().stream()).toList();
    }

    /** How an act is done. */
    private enum Way {
        /** A person reads or decides something before it can be logged. */
        ASKS,
        /** It tells how things stand and changes nothing. */
        MEASURES,
        /** It may be done a little before its time where that clears the way. */
        EARLY
    }

    /** What there is to do, and for how many minutes both hands are in it; 0 for what one hand does in passing. */
    public enum Kind {
        WEIGH(8, Way.ASKS),
        BEGIN(0),
        END(0),
        TURN(5, Way.EARLY),
        JUDGE_SHADE(0, Way.ASKS),
        CHANGE_WATER(2, Way.EARLY),
        BURNER_OFF(0),
        BLANCH(12),
        /** Stock from the shelf, or straight from another pot. */
        DRAW(3, Way.EARLY),
        FILL(5, Way.EARLY),
        LIGHT(0),
        /** The same for a vessel with heat of its own. */
        SWITCH_ON(0),
        /** The same for a pot that simmers in the oven. */
        INTO_THE_OVEN(1),
        HOLD(0),
        KELP_OUT(0),
        FIRST_FOAM(3),
        TURN_DOWN(0),
        SKIM(3),
        READ_LEVEL(0, Way.ASKS, Way.MEASURES),
        READ_TEMPERATURE(0, Way.ASKS, Way.MEASURES),
        TOP_UP(2, Way.EARLY),
        ADD(0),
        TASTE(0, Way.ASKS, Way.MEASURES),
        SET_TEST(0, Way.ASKS, Way.MEASURES),
        JUDGE(0, Way.ASKS),
        FLAKES_IN(0),
        PASS(12),
        STRAIN(12, Way.ASKS),
        REDUCE(5, Way.ASKS),
        DEGREASE(5),
        BEGIN_COOLING(6),
        READ_COOLING(0, Way.ASKS, Way.MEASURES),
        RESCUE(6, Way.ASKS),
        RELEASE(0, Way.ASKS),
        STORE(10, Way.ASKS);

        private final int handsMin;
        private final List<Way> ways;

        Kind(int handsMin, Way... ways) {
            this.handsMin = handsMin;
            this.ways = List.of(ways);
        }

        /** How long both hands are in it. */
        public Duration hands() {
            return Duration.ofMinutes(handsMin);
        }

        /** Whether a person reads or decides something before it can be logged. */
        public boolean asks() {
            return ways.contains(Way.ASKS);
        }

        /** Whether it only tells how things stand: what ends or saves a pot comes before it. */
        public boolean measures() {
            return ways.contains(Way.MEASURES);
        }

        public boolean mayBeEarly() {
            return ways.contains(Way.EARLY);
        }
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

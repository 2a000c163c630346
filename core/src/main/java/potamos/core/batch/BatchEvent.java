package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import potamos.core.cooling.Reading;
import potamos.core.formula.Brought;

/** An entry of a batch's record. Entries are only ever added; a mistake is mended by another entry that names it. */
public sealed interface BatchEvent permits Fact, Amendment {

    /** The name of the bed among the parts. */
    String BED = Brought.BED;

    Stamp stamp();

    /**
     * Which event, when it happened, and by whom.
     *
     * @param id      made by whoever logged it, so that a repeated sending is recognised
     * @param at      when it happened, not when it arrived
     * @param by      the person
     * @param entered when it was told; never earlier than it happened
     */
    record Stamp(String id, Instant at, String by, Instant entered) {
        /** Told so long afterwards, it is from memory. */
        public static final Duration LATE = Reading.LATE;

        public Stamp {
            entered = entered.isBefore(at) ? at : entered;
        }

        /** Told as it happened. */
        public Stamp(String id, Instant at, String by) {
            this(id, at, by, at);
        }

        /** Whether it was told from memory, and not as it happened. */
        public boolean late() {
            return entered.isAfter(at.plus(LATE));
        }

        /** The same event, told at another time: a correction tells it anew. */
        public Stamp enteredAt(Instant when) {
            return new Stamp(id, at, by, when);
        }

        /** The same event, at another moment. */
        public Stamp happenedAt(Instant when) {
            return new Stamp(id, when, by, entered);
        }
    }
}

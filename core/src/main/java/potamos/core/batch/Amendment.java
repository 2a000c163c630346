package potamos.core.batch;

import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.quantity.Refusal;

/** An entry about an entry: told right, or taken back. Both stay in the record. */
public sealed interface Amendment extends BatchEvent {

    /** The id of the entry that it names. */
    String event();

    String reason();

    /** The name of an amendment's kind, as acts, tables and storage have it. */
    String name();

    /** An earlier event, told right. The replacement carries the stamp of what it replaces. */
    record Corrected(Stamp stamp, String event, Fact replacement, String reason) implements Amendment {
        public static final String NAME = "corrected";

        public Corrected {
            checked(reason);
        }

        /**
         * A correction of some figures; what is not named stays as it was told.
         *
         * @throws Refusal when nothing is changed, no reason is given, or a figure makes no sense
         */
        public static Corrected of(Fact target, Figures changes, Stamp stamp, String reason) {
            if (reason.isBlank()) {
                throw Refusal.of("reason", "is needed here");
            }
            if (changes.isEmpty()) {
                throw Refusal.of("act", "a correction changes a figure");
            }
            Fact replacement = target.kind().corrected(target, changes, stamp);
            return new Corrected(stamp, target.stamp().id(), replacement, reason);
        }

        @Override
        public String name() {
            return NAME;
        }
    }

    /** An earlier event that did not happen. */
    record Withdrawn(Stamp stamp, String event, String reason) implements Amendment {
        public static final String NAME = "withdrawn";

        public Withdrawn {
            checked(reason);
        }

        @Override
        public String name() {
            return NAME;
        }
    }

    private static void checked(String reason) {
        if (reason.length() > Figure.LONGEST_TEXT) {
            throw Refusal.outside("reason", "longer than can be kept", 0, Figure.LONGEST_TEXT, "characters");
        }
    }
}

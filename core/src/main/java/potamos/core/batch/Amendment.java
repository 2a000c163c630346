package potamos.core.batch;

import java.time.Instant;
import java.util.Optional;
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

    /**
     * What a correction tells right.
     *
     * @param figures  those that were wrong
     * @param happened when it really was, if that was wrong
     */
    record Change(Figures figures, Optional<Instant> happened) {
        public static Change of(Figures figures) {
            return new Change(figures, Optional.empty());
        }

        public static Change of(Instant happened) {
            return new Change(Figures.NONE, Optional.of(happened));
        }

        boolean isEmpty() {
            return figures.isEmpty() && happened.isEmpty();
        }
    }

    /** An earlier event, told right. The replacement carries the stamp of what it replaces, but for when it was told, and its moment if that was wrong. */
    record Corrected(Stamp stamp, String event, Fact replacement, String reason) implements Amendment {
        public static final String NAME = "corrected";

        public Corrected {
            checked(reason);
        }

        /**
         * A correction of some figures, or of the moment; what is not named stays as it was told.
         *
         * @throws Refusal when nothing is changed, no reason is given, or a figure makes no sense
         */
        public static Corrected of(Fact target, Change change, Stamp stamp, String reason) {
            if (reason.isBlank()) {
                throw Refusal.of("reason", "is needed here");
            }
            if (change.isEmpty()) {
                throw Refusal.of("act", "a correction changes a figure, or when it was");
            }
            Fact replacement = target.kind().corrected(target, change, stamp);
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

package potamos.core.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** What was held against a card, put on a refractometer or tasted in one replay. */
final class Judgements {

    private final List<BatchState.CardReading> cards = new ArrayList<>();
    private final List<BatchState.BrixReading> brix = new ArrayList<>();
    private Instant tasted;

    /** Takes an event in if it is one of these. */
    boolean took(BatchEvent event) {
        Instant at = event.stamp().at();
        if (event instanceof BatchEvent.CardRead e) {
            cards.add(new BatchState.CardReading(at, e.card(), e.value()));
        } else if (event instanceof BatchEvent.BrixRead e) {
            brix.add(new BatchState.BrixReading(at, e.degrees()));
        } else if (event instanceof BatchEvent.Tasted) {
            tasted = at;
        } else {
            return false;
        }
        return true;
    }

    List<BatchState.CardReading> cards() {
        return cards;
    }

    List<BatchState.BrixReading> brix() {
        return brix;
    }

    /** Null while nobody has. */
    Instant tasted() {
        return tasted;
    }
}

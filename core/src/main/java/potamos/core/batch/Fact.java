package potamos.core.batch;

import potamos.core.figure.Figures;

/** Something that happened to a batch. */
public sealed interface Fact extends BatchEvent
        permits ChoreEvent, PotEvent, LookEvent, FinishEvent, ColdEvent, MishapEvent, ShelfEvent, LotEvent, SlipEvent {

    EventKind<?> kind();

    default Figures figures() {
        return kind().figuresOf(this);
    }
}

package potamos.core.batch;

import java.time.LocalDate;
import java.util.Optional;
import potamos.core.formula.Draw;

/** An entry by which stock of another batch comes to this one; that other batch has an entry of the same litres ({@link ShelfEvent.DrawnOff}). */
public sealed interface OfAnother permits ChoreEvent.Drew, LotEvent.Blended {

    /** What it is, with the litres that come. */
    Draw stock();

    BatchEvent.Stamp stamp();

    /**
     * The same with what is known of the stock, whatever it said of that itself.
     *
     * @param until the last day on which that could be used; nothing of what lies in no lot yet
     * @throws potamos.core.quantity.Refusal where it has to lie in one
     */
    Fact knowing(Draw known, Optional<LocalDate> until);
}

package potamos.core.batch;

import potamos.core.formula.Draw;

/** An entry by which stock of another batch comes to this one; that other batch has an entry of the same litres ({@link ShelfEvent.DrawnOff}). */
public sealed interface OfAnother permits ChoreEvent.Drew, LotEvent.Blended {

    /** What it is, with the litres that come. */
    Draw stock();

    BatchEvent.Stamp stamp();
}

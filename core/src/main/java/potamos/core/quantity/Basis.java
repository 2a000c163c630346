package potamos.core.quantity;

/** What an estimate rests on. */
public enum Basis {
    /** Read in this kitchen, in this batch. */
    MEASURED_HERE,
    /** Learnt from this kitchen's earlier batches. */
    CALIBRATED,
    /** The usual figure of the trade. */
    BOOK_DEFAULT
}

package potamos.core.formula;

/**
 * What came out of one pot and goes into another as its bed or as a part: spent bones, rendered fat. What was in that pot is in this one.
 *
 * @param part     {@link #BED}, or the id of the part that it stands for
 * @param source   the box of the larder that it lies in
 * @param contents what was in the stock that it lay in
 */
public record Brought(String part, String source, Contents contents) {

    /** The name of the bed among the parts. */
    public static final String BED = "bed";
}

package potamos.core.course;

import java.time.Instant;
import java.util.List;

/**
 * A rule that a course breaks.
 *
 * @param rule   which
 * @param drafts whose, by id
 * @param thing  of the kitchen that it is about, or the call
 * @param from   when it begins
 * @param to     when it ends
 */
public record Broken(Rule rule, List<String> drafts, String thing, Instant from, Instant to) {

    public Broken {
        drafts = List.copyOf(drafts);
    }

    /** What a course must keep. */
    public enum Rule {
        /** A pot that must not be started on this charge. */
        CHARGE_FITS,
        /** Nothing begins before now. */
        NOT_IN_THE_PAST,
        /** A vessel, burner, oven, or more containers than there are, taken twice at once. */
        TAKEN_TWICE,
        /** What it is made of did not come. */
        BED_THERE,
        /** Between stocks that leave something of themselves the vessel is cleaned down, not only washed. */
        CLEANED_DOWN,
        /** Nobody is there while somebody must be. */
        SOMEBODY_THERE,
        /** The litres cool within the limits. */
        COOLS_IN_TIME,
        /** Its bath wants more ice than there is at its hour. */
        ICE_THERE,
        /** The cold store takes what stands on the shelf. */
        SHELF_ROOM,
        /** More of it is given away than there is. */
        ENOUGH_OF_IT,
        /** What a call is given is its stock, without what it must be without, and good at its hour. */
        FIT_FOR_ITS_CALL
    }
}

package potamos.core.course;

/**
 * How long whoever asked for a course waits for it: asked at every start that is tried, so that an answer is there soon after it is over. What was laid
 * until then stands, and the rest says that there was no time.
 */
@FunctionalInterface
public interface Patience {

    /** For whoever waits as long as it takes. */
    Patience ENDLESS = () -> false;

    /** Whether nobody waits any longer; once it is, it stays so. */
    boolean over();

    /** Until this one is over or so many starts have been tried, whichever comes first: the same for the same course on any machine. */
    default Patience atMost(long starts) {
        long[] left = {starts};
        return () -> over() || left[0]-- <= 0;
    }
}

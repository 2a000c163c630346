package potamos.core.course;

import java.time.Duration;
import potamos.core.formula.Family;

/** In which order stocks follow each other in one vessel: light before dark, vegetable before meat before fish before shellfish. */
final class Order {

    /** What takes longer than a wash: the vessel, its strainers and ladles cleaned so that nothing of the one before is left. */
    static final Duration CLEAN_DOWN = Duration.ofMinutes(30);

    private Order() {}

    /** Time between one stock and the next in the same vessel. */
    static Duration between(Family before, Family after) {
        return place(after) >= place(before) ? Use.WASH : CLEAN_DOWN;
    }

    /** Seconds that it takes beyond the wash. */
    static long cleaning(Family before, Family after) {
        return between(before, after).minus(Use.WASH).toSeconds();
    }

    private static int place(Family family) {
        return switch (family) {
            case VEGETABLE, COURT_BOUILLON, INFUSED -> 0;
            case WHITE, SECOND_WETTING -> 1;
            case BROWN, REDUCTION -> 2;
            case FISH -> 3;
            case SHELLFISH -> 4;
        };
    }
}

package potamos.core.batch;

import static potamos.core.formula.Family.BROWN;
import static potamos.core.formula.Family.COURT_BOUILLON;
import static potamos.core.formula.Family.FISH;
import static potamos.core.formula.Family.SECOND_WETTING;
import static potamos.core.formula.Family.SHELLFISH;
import static potamos.core.formula.Family.VEGETABLE;
import static potamos.core.formula.Family.WHITE;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import potamos.core.formula.Family;

/** By what a cook sees that a bed has given what it has: another one for each kind of bed. */
public enum SpentSign {
    JOINTS_FALL_APART(BROWN, WHITE),
    MARROW_GONE(BROWN),
    BONE_POROUS(BROWN, WHITE, SECOND_WETTING),
    FLESH_OFF_THE_FRAMES(FISH),
    FRAMES_STILL_WHOLE(FISH),
    SHELLS_PALE(SHELLFISH),
    SHELLS_BRITTLE(SHELLFISH),
    VEGETABLES_SOFT(VEGETABLE, COURT_BOUILLON),
    VEGETABLES_TASTE_OF_NOTHING(VEGETABLE),
    COLOUR_IS_THERE(BROWN, WHITE, SHELLFISH, VEGETABLE);

    private final Set<Family> families;

    SpentSign(Family... families) {
        this.families = Set.of(families);
    }

    /** What to look for in a family; nothing where its bed tells nothing. */
    public static List<SpentSign> of(Family family) {
        return Stream.of(values())
                .filter(sign -> sign.families.contains(family))
                .toList();
    }
}

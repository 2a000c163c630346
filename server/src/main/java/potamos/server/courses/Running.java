package potamos.server.courses;

import java.util.List;
import java.util.Optional;
import potamos.core.batch.Timeline;
import potamos.core.course.Lot;
import potamos.core.formula.Family;

/** The batches under way, as a course has to take them. */
public interface Running {

    /**
     * A batch as it stands now.
     *
     * @param ahead  what is left of its stages
     * @param litres that are expected of it
     * @param spare  of them, what nobody has asked for; nothing where it is spoken for
     */
    record Standing(
            String id,
            int number,
            String vessel,
            String formulaName,
            Family family,
            Timeline ahead,
            double litres,
            Optional<Lot> spare) {}

    List<Standing> of(String kitchenId);
}

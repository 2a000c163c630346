package potamos.server.courses;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.Timeline;
import potamos.core.course.Lot;
import potamos.core.formula.Formula;
import potamos.server.charges.Supposing;

/** The batches under way, as a course has to take them. */
public interface Running {

    /**
     * A batch as it stands now.
     *
     * @param vessel   as it was called when it was accepted
     * @param ahead    what is left of its stages
     * @param litres   that are expected of it
     * @param chiller  that it is going to be cooled in; nothing in an ice bath
     * @param promised of them, by call
     * @param spare    what nobody has asked for; nothing where it is spoken for
     * @param place    where it is going to be made, while nobody has begun it
     */
    record Standing(
            String id,
            int number,
            String vessel,
            Formula formula,
            Timeline ahead,
            double litres,
            Optional<String> chiller,
            Map<String, Double> promised,
            Optional<Lot> spare,
            Optional<Place> place) {

        /** By which a course knows what is spare of it. */
        public String lot() {
            return lot(number);
        }

        public static String lot(int number) {
            return "batch " + number;
        }
    }

    /**
     * Where a batch is planned.
     *
     * @param burnerId under its vessel; nothing where it stands on none
     * @param oven     that it is to be roasted in, by its name; nothing where nothing is roasted
     */
    record Place(String vesselId, Optional<String> burnerId, Optional<String> oven, Instant start, Instant readyBy) {}

    List<Standing> of(String kitchenId, Supposing supposing);
}

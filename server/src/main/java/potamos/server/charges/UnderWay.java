package potamos.server.charges;

import java.util.List;
import potamos.core.course.Use;

/** What the batches under way have of the kitchen, and until when as they stand now: by the names that things have today. */
public interface UnderWay {

    List<Use> taken(String kitchenId, Supposing supposing);
}

package potamos.server.charges;

import potamos.core.course.Busy;

/** What the batches under way have of the kitchen and of its cooks, and until when as they stand now: by the names that things have today; their ice apart. */
public interface UnderWay {

    Busy busy(String kitchenId, Supposing supposing);
}

package potamos.server.charges;

import java.util.List;
import potamos.core.formula.Draw;

/** Stock that a pot may be drawn with in the place of water, as the kitchen has it now. */
public interface Sources {

    /**
     * What is asked for, with what is known of it.
     *
     * @throws potamos.core.quantity.Refusal on {@code draws} where it is not there, or not so much of it
     */
    List<Draw> of(String kitchenId, List<ChargeRequest.DrawBody> asked);
}

package potamos.server.courses;

import java.util.List;
import potamos.server.accounts.Person;
import potamos.server.charges.ChargeRequest;

/** Where a drafted batch becomes one. */
public interface Accepting {

    /** Litres that a call gets of it at most; what is open of the call, where that is less. */
    record Gives(String callId, double atMostL) {

        /** All that is open of a call. */
        public static Gives all(String callId) {
            return new Gives(callId, Double.POSITIVE_INFINITY);
        }
    }

    /**
     * Accepts one: freezes its plan and takes its vessel.
     *
     * @param id    made by the client; accepting twice with the same one accepts once
     * @param gives to whom, the first served first; none where nobody has called for it
     * @throws potamos.core.quantity.Refusal   when the charge does not fit its vessel, or a call is named twice
     * @throws potamos.server.problems.Conflict when the vessel is in use, or a call is being made already
     */
    void accept(Person person, String id, List<Gives> gives, ChargeRequest request);
}

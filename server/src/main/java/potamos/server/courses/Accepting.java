package potamos.server.courses;

import java.time.Instant;
import java.util.List;
import potamos.server.accounts.Person;
import potamos.server.charges.ChargeRequest;

/** Where a drafted batch becomes one. */
public interface Accepting {

    /** Litres that a call gets of it. */
    record Gives(String callId, double litres, Instant by) {}

    /**
     * Accepts one.
     *
     * @param id    of the batch, made by the client; accepting twice with the same one accepts once
     * @param gives to whom, the first served first; none where nobody has called for it
     */
    void accept(Person person, String id, List<Gives> gives, ChargeRequest charge);
}

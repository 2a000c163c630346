package potamos.server.accounts;

import java.io.Serializable;
import org.springframework.security.core.AuthenticatedPrincipal;
import potamos.server.problems.Forbidden;

/**
 * Who is signed in. Kept in the session, so it carries only what every request needs.
 *
 * @param stationId the person's station, or null for those of the stock kitchen
 * @param units     {@code metric} or {@code us}
 */
public record Person(
        String id, String kitchenId, String stationId, String name, String initials, Role role, String units)
        implements AuthenticatedPrincipal, Serializable {

    /** What sessions are listed under. */
    @Override
    public String getName() {
        return id;
    }

    /** @throws Forbidden when this person's role does not include it */
    public void require(Role.Right right) {
        if (!role.may(right)) {
            throw new Forbidden("Your role does not include that. Ask the stock cook or the chef.");
        }
    }
}

package potamos.server.accounts;

import java.io.Serializable;
import org.springframework.security.core.AuthenticatedPrincipal;
import potamos.server.problems.Forbidden;

/**
 * Who is signed in. Kept in the session, so it carries only what every request needs.
 *
 * @param stationId the person's station, or null for those of the stock kitchen
 * @param units     {@code metric} or {@code us}
 * @param signature how it is known that it is this person; null, from a session of before, means by password
 */
public record Person(
        String id,
        String kitchenId,
        String stationId,
        String name,
        String initials,
        Role role,
        String units,
        Signature signature)
        implements AuthenticatedPrincipal, Serializable {

    /** How it is known who somebody is. */
    public enum Signature {
        /** Signed in. */
        PASSWORD,
        /** Signed at a tablet that several share: for the work at the pots, not for the kitchen's equipment and figures. */
        PIN,
        /** A shared tablet at which nobody has signed: it may look, and do nothing. */
        NOBODY
    }

    public Person {
        signature = signature == null ? Signature.PASSWORD : signature;
    }

    /** What sessions are listed under. */
    @Override
    public String getName() {
        return id;
    }

    public boolean may(Role.Right right) {
        boolean signedFor = switch (signature) {
            case PASSWORD -> true;
            case PIN -> right != Role.Right.SET_UP;
            case NOBODY -> right == Role.Right.READ;
        };
        return signedFor && role.may(right);
    }

    Person in(String otherUnits) {
        return new Person(id, kitchenId, stationId, name, initials, role, otherUnits, signature);
    }

    /** The same, known in another way. */
    public Person by(Signature other) {
        return new Person(id, kitchenId, stationId, name, initials, role, units, other);
    }

    /** @throws Forbidden when this person's role does not include it, or they have not signed for it */
    public void require(Role.Right right) {
        if (may(right)) {
            return;
        }
        if (role.may(right) || signature == Signature.NOBODY) {
            throw new Forbidden(
                    signature == Signature.PIN
                            ? "A PIN does not sign for that. Sign in with your password."
                            : "Nobody has signed at this tablet. Sign with your PIN.");
        }
        throw new Forbidden("Your role does not include that. Ask the stock cook or the chef.");
    }
}

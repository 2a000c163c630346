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

    private static final String NOT_OF_THE_ROLE = "Your role does not include that. Ask the stock cook or the chef.";

    /** How it is known who somebody is. */
    public enum Signature {
        /** Signed in. */
        PASSWORD,
        /** Signed in with a password that somebody else has set: may choose their own, and nothing else. */
        ONCE,
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
            case ONCE -> false;
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

    /**
     * Asks to look: at the kitchen, or, from a station, at what is the station's own.
     *
     * @throws Forbidden when this person may not, or has not signed for it
     */
    public void requireALook() {
        require(stationId == null ? Role.Right.READ : Role.Right.ASK);
    }

    /** @throws Forbidden when this person's role does not include it, or they have not signed for it */
    public void require(Role.Right right) {
        if (may(right)) {
            return;
        }
        boolean theirs = role.may(right);
        throw new Forbidden(
                switch (signature) {
                    case NOBODY -> "Nobody has signed at this tablet. Sign with your PIN.";
                    case ONCE -> "Choose your own password first; the one you came with was for one sign-in.";
                    case PIN -> theirs ? "A PIN does not sign for that. Sign in with your password." : NOT_OF_THE_ROLE;
                    case PASSWORD -> NOT_OF_THE_ROLE;
                });
    }
}

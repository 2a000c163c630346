package potamos.server.accounts;

import java.time.Instant;
import java.util.List;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Forbidden;
import potamos.server.problems.TooMany;

/**
 * Signing on a tablet that a kitchen shares. A PIN opens nothing by itself: it counts only at a screen that somebody of the same kitchen has signed in
 * and shared.
 */
@Service
public class Pins {

    private static final String TOO_MANY =
            "Too many tries with that PIN. Wait a quarter of an hour, or sign in with the password.";
    private static final int MOST_FAILURES = 5;
    private static final int SHORTEST = 4;
    private static final int LONGEST = 8;

    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final Tries tries;

    Pins(AccountMapper mapper, PasswordEncoder encoder, Tries tries) {
        this.tries = tries;
        this.mapper = mapper;
        this.encoder = encoder;
    }

    /** Somebody who can sign here. */
    public record Hand(String id, String name, String initials) {}

    /**
     * Sets one's own PIN.
     *
     * @param pin 4 to 8 digits, not all the same
     */
    @Transactional
    public void set(Person person, String pin) {
        person.require(Right.ACT);
        if (person.signature() != Person.Signature.PASSWORD) {
            throw new Forbidden("Set your PIN where you are signed in with your password.");
        }
        if (!pin.matches("\\d{" + SHORTEST + "," + LONGEST + "}")) {
            throw Refusal.outside("pin", "digits only", SHORTEST, LONGEST, "digits");
        }
        if (pin.chars().distinct().count() == 1) {
            throw Refusal.of("pin", "not the same digit over and over");
        }
        mapper.setPin(person.id(), encoder.encode(pin));
    }

    /** Everybody of the kitchen who has a PIN. */
    public List<Hand> hands(Person person) {
        person.require(Right.READ);
        return mapper.withPin(person.kitchenId()).stream()
                .map(a -> new Hand(a.id(), a.name(), a.initials()))
                .toList();
    }

    /**
     * Who signs with a PIN at a tablet.
     *
     * @param at whoever the tablet stood for so far
     * @throws TooMany when too many tries failed in the last quarter of an hour
     * @throws Refusal on {@code pin} when it is not theirs, or they have none
     */
    public Person sign(Person at, String personId, String pin, String address, Instant now) {
        String name = "pin " + personId.substring(0, Math.min(36, personId.length()));
        tries.at(name, MOST_FAILURES, now, TOO_MANY);
        boolean right = mapper.pinHash(personId, at.kitchenId())
                .filter(hash -> encoder.matches(pin, hash))
                .isPresent();
        if (!right) {
            tries.failed(name, address, now);
            throw Refusal.of("pin", "that is not the PIN");
        }
        tries.succeeded(name, now);
        AccountMapper.Account account = mapper.byId(personId, at.kitchenId()).orElseThrow();
        return Accounts.person(account).by(Person.Signature.PIN);
    }
}

package potamos.server.accounts;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
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

    private static final String TOO_MANY = "Too many tries with that PIN. Wait a while, or sign in with the password.";
    private static final int FREE_TRIES = 5;
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
     * @param pin 4 to 8 digits, no run and no repeat
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
        if (isRun(pin) || isRepeat(pin)) {
            throw Refusal.of("pin", "no run of digits, and none over and over: those are tried first");
        }
        mapper.setPin(person.id(), encoder.encode(pin));
    }

    /** Each digit as far from the one before: 1234, 8642, 7777. */
    private static boolean isRun(String pin) {
        int step = pin.charAt(1) - pin.charAt(0);
        return IntStream.range(1, pin.length()).allMatch(i -> pin.charAt(i) - pin.charAt(i - 1) == step);
    }

    /** The same digits over and over: 1212, 123123. */
    private static boolean isRepeat(String pin) {
        return IntStream.rangeClosed(1, pin.length() / 2)
                .filter(length -> pin.length() % length == 0)
                .anyMatch(length -> pin.equals(pin.substring(0, length).repeat(pin.length() / length)));
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
        String here = tries.count("pin", personId, address, FREE_TRIES, now, TOO_MANY);
        boolean right = mapper.pinHash(personId, at.kitchenId())
                .filter(hash -> encoder.matches(pin, hash))
                .isPresent();
        if (!right) {
            throw Refusal.of("pin", "that is not the PIN");
        }
        tries.succeeded(here, now);
        AccountMapper.Account account = mapper.byId(personId, at.kitchenId()).orElseThrow();
        return Accounts.person(account).by(Person.Signature.PIN);
    }
}

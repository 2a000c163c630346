package potamos.server.accounts;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.problems.Conflict;
import potamos.server.problems.TooMany;

/** Makes accounts and checks who someone is. */
@Service
public class Accounts {

    private static final String TOO_MANY = "Too many sign-ins failed. Wait a quarter of an hour.";
    private static final int MOST_FAILURES_OF_A_NAME = 8;
    private static final int MOST_FAILURES_FROM_AN_ADDRESS = 40;
    private static final int SHORTEST_PASSWORD = 10;
    private static final int LONGEST_PASSWORD = 72;

    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final Tries tries;

    /** Compared against when there is no such account, so that the time of an answer tells nothing. */
    private final String nobody;

    Accounts(AccountMapper mapper, PasswordEncoder encoder, Tries tries) {
        this.mapper = mapper;
        this.encoder = encoder;
        this.tries = tries;
        this.nobody = encoder.encode(UUID.randomUUID().toString());
    }

    /**
     * Who signs in with a name and a password.
     *
     * @throws TooMany when too many tries failed in the last quarter of an hour
     * @throws Refusal on {@code password} when they do not belong together
     */
    public Person signIn(String signIn, String password, String address, Instant now) {
        String name = signIn.trim().toLowerCase(Locale.ROOT);
        tries.at(name, MOST_FAILURES_OF_A_NAME, now, TOO_MANY);
        tries.from(address, MOST_FAILURES_FROM_AN_ADDRESS, now, TOO_MANY);
        Optional<String> hash = mapper.passwordHash(name);
        boolean right = encoder.matches(password, hash.orElse(nobody));
        if (hash.isEmpty() || !right) {
            tries.failed(name, address, now);
            throw Refusal.of("password", "that name and password do not belong together");
        }
        tries.succeeded(name, now);
        return person(mapper.bySignIn(name).orElseThrow());
    }

    /**
     * Makes an account.
     *
     * @throws Refusal  with its field when name, initials or password will not do
     * @throws Conflict when the sign-in name is taken
     */
    @Transactional
    public String add(String kitchenId, String stationId, String signIn, String name, Role role, String password) {
        String lower = signIn.trim().toLowerCase(Locale.ROOT);
        if (!lower.matches("[a-z0-9.\\-]{2,60}")) {
            throw Refusal.of("signIn", "2 to 60 letters, digits, points or hyphens");
        }
        if (name.isBlank() || name.length() > 80) {
            throw Refusal.of("name", "1 to 80 characters");
        }
        String hash = hashed(password);
        if (mapper.bySignIn(lower).isPresent()) {
            throw new Conflict("signIn", "That sign-in name is taken.");
        }
        String id = UUID.randomUUID().toString();
        mapper.insert(new AccountMapper.Account(
                id, kitchenId, stationId, lower, name.trim(), initials(name), role.name(), null, hash));
        return id;
    }

    /** @throws Refusal on {@code password} when it is too short or too long */
    String hashed(String password) {
        if (password.length() < SHORTEST_PASSWORD || password.length() > LONGEST_PASSWORD) {
            throw Refusal.outside(
                    "password", "too short or too long", SHORTEST_PASSWORD, LONGEST_PASSWORD, "characters");
        }
        return encoder.encode(password);
    }

    /** The same person, in the units chosen. */
    public Person setUnits(Person person, String units) {
        if (!units.equals("metric") && !units.equals("us")) {
            throw Refusal.of("units", "metric or us");
        }
        mapper.setUnits(person.id(), units);
        return person.in(units);
    }

    static Person person(AccountMapper.Account account) {
        return new Person(
                account.id(),
                account.kitchenId(),
                account.stationId(),
                account.name(),
                account.initials(),
                Role.valueOf(account.role()),
                account.units(),
                Person.Signature.PASSWORD);
    }

    private static String initials(String name) {
        StringBuilder initials = new StringBuilder();
        for (String word : name.trim().split("\\s+")) {
            if (initials.length() < 3) {
                initials.appendCodePoint(word.codePointAt(0));
            }
        }
        return initials.toString().toUpperCase(Locale.ROOT);
    }
}

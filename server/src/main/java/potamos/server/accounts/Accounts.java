package potamos.server.accounts;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.problems.Conflict;
import potamos.server.problems.Forbidden;
import potamos.server.problems.TooMany;

/** Makes accounts and checks who someone is. */
@Service
public class Accounts {

    private static final String TOO_MANY =
            "Too many sign-ins with that name failed here. Wait a while, or let a cook or the chef give you a new password.";
    private static final int FREE_TRIES = 8;
    private static final int FREE_TRIES_FROM_AN_ADDRESS = 40;

    private final AccountMapper mapper;
    private final Passwords passwords;
    private final Tries tries;
    /** Compared against when there is no such account, so that the time of an answer tells nothing. */
    private final String nobody;

    Accounts(AccountMapper mapper, Passwords passwords, Tries tries) {
        this.mapper = mapper;
        this.passwords = passwords;
        this.tries = tries;
        this.nobody = passwords.hashOfNothing();
    }

    /**
     * Who signs in with a name and a password.
     *
     * @throws TooMany when too many tries failed just now
     * @throws Refusal on {@code password} when they do not belong together
     */
    public Person signIn(String signIn, String password, String address, Instant now) {
        String name = signIn.trim().toLowerCase(Locale.ROOT);
        String here = tries.count("password", name, address, FREE_TRIES, now, TOO_MANY);
        String anyone = tries.count("password", "of anybody", address, FREE_TRIES_FROM_AN_ADDRESS, now, TOO_MANY);
        Optional<String> hash = mapper.passwordHash(name);
        boolean right = passwords.matches(password, hash.orElse(nobody));
        if (hash.isEmpty() || !right) {
            throw Refusal.of("password", "that name and password do not belong together");
        }
        tries.succeeded(here, now);
        tries.succeeded(anyone, now);
        AccountMapper.Account account = mapper.bySignIn(name).orElseThrow();
        return account.passwordSetBy() == null
                ? person(account)
                : person(account).by(Person.Signature.ONCE);
    }

    /** Makes an account whose password was chosen by whoever it is for. */
    @Transactional
    public String add(String kitchenId, String stationId, String signIn, String name, Role role, String password) {
        return add(kitchenId, stationId, signIn, name, role, password, null, null);
    }

    /**
     * Makes an account.
     *
     * @param by who has set the password, for one sign-in; null when it was chosen by whoever it is for
     * @throws Refusal  with its field when name, initials or password will not do
     * @throws Conflict when the sign-in name is taken
     */
    String add(
            String kitchenId,
            String stationId,
            String signIn,
            String name,
            Role role,
            String password,
            String by,
            Instant at) {
        String lower = signIn.trim().toLowerCase(Locale.ROOT);
        if (!lower.matches("[a-z0-9.\\-]{2,60}")) {
            throw Refusal.of("signIn", "2 to 60 letters, digits, points or hyphens");
        }
        if (name.isBlank() || name.length() > 80) {
            throw Refusal.of("name", "1 to 80 characters");
        }
        String hash = passwords.hashed(password, List.of(lower, name));
        if (mapper.bySignIn(lower).isPresent()) {
            throw new Conflict("signIn", "That sign-in name is taken.");
        }
        String id = UUID.randomUUID().toString();
        mapper.insert(new AccountMapper.Account(
                id, kitchenId, stationId, lower, name.trim(), initials(name), role.name(), null, hash, by, at));
        return id;
    }

    /**
     * Chooses one's own password. A PIN that was set under the old one ends with it.
     *
     * @throws Refusal when the one so far is not right, or the new one will not do
     */
    @Transactional
    public Person choose(Person person, String soFar, String password, String address, Instant now) {
        if (person.signature() != Person.Signature.PASSWORD && person.signature() != Person.Signature.ONCE) {
            throw new Forbidden("Choose your password where you are signed in with it.");
        }
        AccountMapper.Account account =
                mapper.byId(person.id(), person.kitchenId()).orElseThrow();
        String here = tries.count("own password", account.signIn(), address, FREE_TRIES, now, TOO_MANY);
        boolean right = mapper.passwordHash(account.signIn())
                .filter(hash -> passwords.matches(soFar, hash))
                .isPresent();
        if (!right) {
            throw Refusal.of("soFar", "that is not your password so far");
        }
        tries.succeeded(here, now);
        if (soFar.equals(password)) {
            throw Refusal.of("password", "another one than so far");
        }
        mapper.setPassword(
                person.id(), passwords.hashed(password, List.of(account.signIn(), account.name())), null, null);
        return person.by(Person.Signature.PASSWORD);
    }

    /** The same person, in the units chosen. */
    public Person setUnits(Person person, String units) {
        if (!units.equals("metric") && !units.equals("us")) {
            throw Refusal.of("units", "metric or us");
        }
        mapper.setUnits(person.id(), units);
        return person.in(units);
    }

    /** Somebody of a kitchen, as they may act today; nothing once they have left. */
    public Optional<Person> present(String personId, String kitchenId) {
        return mapper.ofKitchen(kitchenId).stream()
                .filter(account -> account.id().equals(personId))
                .findFirst()
                .map(Accounts::person);
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

    /** The first letter or digit of each of the first three words that have one. */
    private static String initials(String name) {
        StringBuilder initials = new StringBuilder();
        for (String word : name.trim().split("\\s+")) {
            if (initials.codePointCount(0, initials.length()) < 3) {
                word.codePoints().filter(Character::isLetterOrDigit).findFirst().ifPresent(initials::appendCodePoint);
            }
        }
        if (initials.isEmpty()) {
            throw Refusal.of("name", "a name with letters in it");
        }
        return initials.toString().toUpperCase(Locale.ROOT);
    }
}

package potamos.server.accounts;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Conflict;
import potamos.server.problems.Forbidden;
import potamos.server.problems.NotFound;

/** Who works in a kitchen, kept by its cook and its chef. */
@Service
public class People {

    private static final int MOST_PEOPLE = 100;

    private final AccountMapper mapper;
    private final Accounts accounts;
    private final Passwords passwords;
    private final KitchenClock clock;

    People(AccountMapper mapper, Accounts accounts, Passwords passwords, KitchenClock clock) {
        this.passwords = passwords;
        this.mapper = mapper;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** One of them. */
    public record Member(
            String id, String signIn, String name, String initials, Role role, Optional<String> stationId) {}

    public List<Member> all(Person person) {
        person.require(Right.READ);
        return mapper.ofKitchen(person.kitchenId()).stream()
                .map(a -> new Member(
                        a.id(),
                        a.signIn(),
                        a.name(),
                        a.initials(),
                        Role.valueOf(a.role()),
                        Optional.ofNullable(a.stationId())))
                .toList();
    }

    /**
     * Takes somebody in.
     *
     * @param stationId whose calls they make; for a station, and for nobody else
     * @throws Refusal  with its field when something will not do
     * @throws Conflict when the sign-in name is taken
     */
    @Transactional
    public String add(Person person, String signIn, String name, Role role, String stationId, String password) {
        person.require(Right.SET_UP);
        if (mapper.ofKitchen(person.kitchenId()).size() >= MOST_PEOPLE) {
            throw Refusal.outside("name", "too many people for one kitchen", 0, MOST_PEOPLE, "people");
        }
        if (role == Role.STATION && stationId == null) {
            throw Refusal.of("stationId", "which station they work at");
        }
        if (role != Role.STATION && stationId != null) {
            throw Refusal.of("stationId", "only somebody of a station has one");
        }
        if (role == Role.CHEF && person.role() != Role.CHEF && hasChef(person.kitchenId())) {
            throw new Forbidden("Only the chef takes in another chef.");
        }
        return accounts.add(person.kitchenId(), stationId, signIn, name, role, password, person.id(), clock.instant());
    }

    /**
     * A new password for somebody who has lost theirs: for one sign-in, at which they choose their own, and are told whose it was. Their PIN ends.
     *
     * @throws Forbidden when it is the chef's and somebody else's hand: with it they could sign as the chef
     */
    @Transactional
    public void renew(Person person, String id, String password) {
        person.require(Right.SET_UP);
        AccountMapper.Account account = own(person, id);
        if (id.equals(person.id())) {
            throw new Conflict("id", "Choose your own password under your name.");
        }
        unlessAboveThem(person, account);
        mapper.setPassword(
                id,
                passwords.hashed(password, List.of(account.signIn(), account.name())),
                person.id(),
                clock.instant());
    }

    /** Who has set the password that this person came with. */
    public Optional<String> passwordSetBy(Person person) {
        return mapper.byId(person.id(), person.kitchenId())
                .flatMap(account -> Optional.ofNullable(account.passwordSetBy()))
                .flatMap(by -> mapper.byId(by, person.kitchenId()))
                .map(AccountMapper.Account::name);
    }

    private static void unlessAboveThem(Person person, AccountMapper.Account account) {
        if (account.role().equals(Role.CHEF.name()) && person.role() != Role.CHEF) {
            throw new Forbidden("Only a chef can do that to a chef. On the machine itself, ./potamos password does.");
        }
    }

    private boolean hasChef(String kitchenId) {
        return mapper.ofKitchen(kitchenId).stream().anyMatch(a -> a.role().equals(Role.CHEF.name()));
    }

    /** Somebody leaves: signs in no more, here or with a PIN. What they did keeps their name. */
    @Transactional
    public void leave(Person person, String id) {
        person.require(Right.SET_UP);
        unlessAboveThem(person, own(person, id));
        if (id.equals(person.id())) {
            throw new Conflict("id", "You cannot take yourself out. Let another cook or the chef do it.");
        }
        // A password that nobody knows.
        mapper.leave(id, clock.instant(), passwords.hashOfNothing());
    }

    private AccountMapper.Account own(Person person, String id) {
        return mapper.ofKitchen(person.kitchenId()).stream()
                .filter(a -> a.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("person"));
    }
}

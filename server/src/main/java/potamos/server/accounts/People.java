package potamos.server.accounts;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Who works in a kitchen, kept by its cook and its chef. */
@Service
public class People {

    private static final int MOST_PEOPLE = 100;

    private final AccountMapper mapper;
    private final Accounts accounts;
    private final KitchenClock clock;

    People(AccountMapper mapper, Accounts accounts, KitchenClock clock) {
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
        return accounts.add(person.kitchenId(), stationId, signIn, name, role, password);
    }

    /** A new password for somebody who has lost theirs. */
    @Transactional
    public void renew(Person person, String id, String password) {
        person.require(Right.SET_UP);
        own(person, id);
        mapper.setPassword(id, accounts.hashed(password));
    }

    /** Somebody leaves: signs in no more, here or with a PIN. What they did keeps their name. */
    @Transactional
    public void leave(Person person, String id) {
        person.require(Right.SET_UP);
        own(person, id);
        if (id.equals(person.id())) {
            throw new Conflict("id", "You cannot take yourself out. Let another cook or the chef do it.");
        }
        // A password that nobody knows.
        mapper.leave(id, clock.instant(), accounts.hashed(UUID.randomUUID().toString()));
    }

    private void own(Person person, String id) {
        boolean here = mapper.ofKitchen(person.kitchenId()).stream().anyMatch(a -> a.id().equals(id));
        if (!here) {
            throw new NotFound("person");
        }
    }
}

package potamos.server.calc;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.accounts.Secrets;
import potamos.server.problems.NotFound;

/** Tokens with which other programs calculate. They open nothing else. */
@Service
public class Tokens {

    private static final int MOST_TOKENS = 50;

    private final TokenMapper mapper;

    /** Real time, also in a demo whose kitchen clock is moved. */
    private final Clock clock = Clock.systemUTC();

    Tokens(TokenMapper mapper) {
        this.mapper = mapper;
    }

    /** Who calls: a token of a kitchen. */
    public record Caller(String tokenId, String kitchenId) {}

    /** A token as the kitchen sees it; never the token itself. */
    public record Made(String id, String name, Instant madeAt, Instant usedAt, Instant revokedAt) {}

    /**
     * Makes a token.
     *
     * @return the token, told this once
     * @throws Refusal on {@code name}
     */
    @Transactional
    public String make(Person person, String name) {
        String token = Secrets.fresh();
        keep(person, name, token);
        return token;
    }

    /** Keeps a token that is known beforehand, as the demo's. */
    @Transactional
    public void keep(Person person, String name, String token) {
        person.require(Right.SET_UP);
        if (name == null || name.isBlank() || name.length() > 60) {
            throw Refusal.outside("name", "too short or too long", 1, 60, "characters");
        }
        if (mapper.all(person.kitchenId()).stream()
                        .filter(t -> t.revokedAt() == null)
                        .count()
                >= MOST_TOKENS) {
            throw Refusal.outside("name", "too many tokens; revoke one first", 0, MOST_TOKENS, "tokens");
        }
        mapper.insert(new TokenMapper.TokenRow(
                UUID.randomUUID().toString(),
                person.kitchenId(),
                name.trim(),
                Secrets.hash(token),
                person.id(),
                clock.instant(),
                null,
                null));
    }

    public List<Made> all(Person person) {
        person.require(Right.SET_UP);
        return mapper.all(person.kitchenId()).stream()
                .map(t -> new Made(t.id(), t.name(), t.madeAt(), t.usedAt(), t.revokedAt()))
                .toList();
    }

    @Transactional
    public void revoke(Person person, String id) {
        person.require(Right.SET_UP);
        if (mapper.revoke(id, person.kitchenId(), clock.instant()) == 0) {
            throw new NotFound("token");
        }
    }

    /** Whose token this is; empty when nobody's, or revoked. */
    public Optional<Caller> caller(String token) {
        Optional<TokenMapper.TokenRow> row = mapper.byHash(Secrets.hash(token));
        row.ifPresent(t -> mapper.used(t.id(), clock.instant()));
        return row.map(t -> new Caller(t.id(), t.kitchenId()));
    }
}

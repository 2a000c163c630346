package potamos.server.accounts;

import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;
import potamos.server.problems.TooMany;

/** Tries that failed, by what was tried and from where, counted over a quarter of an hour to slow down guessing. */
@Component
class Tries {

    private static final Duration WINDOW = Duration.ofMinutes(15);
    private static final int LONGEST_NAME = 60;

    private final AccountMapper mapper;

    Tries(AccountMapper mapper) {
        this.mapper = mapper;
    }

    /** @throws TooMany in these words when so many failed at this name */
    void at(String name, int most, Instant now, String words) {
        if (mapper.failuresOf(name, now.minus(WINDOW)) >= most) {
            throw new TooMany(words, WINDOW.toSeconds());
        }
    }

    /** @throws TooMany in these words when so many failed from this address */
    void from(String address, int most, Instant now, String words) {
        if (mapper.failuresFrom(address, now.minus(WINDOW)) >= most) {
            throw new TooMany(words, WINDOW.toSeconds());
        }
    }

    void failed(String name, String address, Instant now) {
        mapper.insertFailure(name.substring(0, Math.min(LONGEST_NAME, name.length())), address, now);
    }

    void succeeded(String name, Instant now) {
        mapper.forgetFailures(name, now.minus(WINDOW));
    }
}

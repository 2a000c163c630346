package potamos.server.accounts;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import potamos.core.quantity.Refusal;

/** What a password has to be, and what is kept of it. */
@Component
class Passwords {
    private static final int SHORTEST = 10;
    private static final int LONGEST = 72;
    /** The hash reads no further; what lies behind would not count. */
    private static final int MOST_BYTES = 72;
    /** Of 0 to 4: what falls to fewer than a million guesses is too weak. */
    private static final int WEAKEST = 2;

    private final PasswordEncoder encoder;

    /** Read when somebody first chooses a password: the lists are long, and most starts of a server need none of them. */
    private static final class Guesses {
        private static final Zxcvbn LISTS = new Zxcvbn();
    }

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
    }

    /**
     * What is kept of a password.
     *
     * @param known what whoever guesses knows too: name and sign-in
     * @throws Refusal on {@code password} when it is too short, too long, or too easy to guess
     */
    String hashed(String password, List<String> known) {
        if (password.length() < SHORTEST || password.length() > LONGEST) {
            throw Refusal.outside("password", "too short or too long", SHORTEST, LONGEST, "characters");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refusal.outside(
                    "password",
                    "too long: letters beyond a to z take two bytes or more",
                    SHORTEST,
                    MOST_BYTES,
                    "bytes");
        }
        if (Guesses.LISTS.measure(password, known).getScore() < WEAKEST) {
            throw Refusal.of(
                    "password", "too easy to guess; take three or four words that have nothing to do with each other");
        }
        return encoder.encode(password);
    }

    /** The hash of something that nobody knows. */
    String hashOfNothing() {
        return encoder.encode(Secrets.fresh());
    }

    boolean matches(String password, String hash) {
        return password.getBytes(StandardCharsets.UTF_8).length <= MOST_BYTES && encoder.matches(password, hash);
    }
}

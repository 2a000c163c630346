package potamos.server.accounts;

import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import potamos.server.problems.TooMany;

/**
 * Tries at a secret, counted by what is tried and from where together, so that nobody can lock another out from elsewhere. A try is counted before it is
 * compared: however many come at once, only so many are compared. After that each has to wait, longer every time, and never without end.
 */
@Component
class Tries {
    private static final Duration FIRST_WAIT = Duration.ofSeconds(30);
    private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
    /** A name that was tried and left alone for so long begins anew. */
    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(6);

    private static final int LONGEST_NAME = 80;

    private final AccountMapper mapper;
    private final TransactionTemplate alone;

    Tries(AccountMapper mapper, PlatformTransactionManager transactions) {
        this.mapper = mapper;
        // What was tried stays counted, whatever becomes of the request.
        this.alone = new TransactionTemplate(transactions);
        alone.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * Counts a try.
     *
     * @param kind  of secret, so that a PIN and a password of one name are not one
     * @param name  whose it is
     * @param from  the address that it is tried from
     * @param free  how many may follow each other without waiting
     * @param words said to whoever has to wait
     * @return what to forget once it was right
     * @throws TooMany with the time that is left to wait; such a try is not counted
     */
    String count(String kind, String name, String from, int free, Instant now, String words) {
        String what = kind + " " + name.substring(0, Math.min(LONGEST_NAME, name.length())) + " " + from;
        Duration wait = alone.execute(status -> {
            mapper.beginTries(what, now);
            AccountMapper.Tried tried = mapper.holdTries(what);
            int before = tried.lastAt().isBefore(now.minus(FORGOTTEN_AFTER)) ? 0 : tried.tries();
            Duration left = Duration.between(now, tried.lastAt().plus(waitAfter(before, free)));
            // A clock that was ahead once must not make anybody wait for it.
            if (left.compareTo(Duration.ZERO) > 0 && left.compareTo(LONGEST_WAIT) <= 0) {
                return left;
            }
            mapper.setTries(what, before + 1, now);
            return Duration.ZERO;
        });
        if (!wait.isZero()) {
            throw new TooMany(words, wait.toSeconds() + 1);
        }
        return what;
    }

    private static Duration waitAfter(int tries, int free) {
        if (tries < free) {
            return Duration.ZERO;
        }
        int doublings = Math.min(10, tries - free);
        Duration wait = FIRST_WAIT.multipliedBy(1L << doublings);
        return wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait;
    }

    void succeeded(String what, Instant now) {
        mapper.forgetTries(what, now.minus(FORGOTTEN_AFTER));
    }
}

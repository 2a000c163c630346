package potamos.server.solving;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Service;
import potamos.core.course.Course;
import potamos.core.course.Patience;
import potamos.course.Search;
import potamos.server.edge.Asker;
import potamos.server.problems.Busy;

/** Where courses wait for their turn to be laid. */
@Service
public class Solving {

    private static final int LONGEST_WAIT_S = 10;

    private static final int MOST_WAITING = 1;

    private final Semaphore turn = new Semaphore(1, true);

    /** By whose they are. */
    private final Map<String, Search> running = new ConcurrentHashMap<>();

    /** As long as whoever asks here waits for a first answer: not at all when they have gone. */
    public static Patience forAFirstAnswer() {
        return Search.aFirstAnswer(Asker.here()::gone);
    }

    /**
     * Lays a course, and looks for a better one when those who look before it are done. A first answer waits for nobody; whose turn to look does not come
     * in time gets that. A search ends with what it has when whoever asked for it has gone.
     *
     * @param whose name under which it can be stopped; the same has one at a time
     * @param begun its drafts are pinned
     * @param time  to look for a better one than the core lays by itself
     */
    public Search.Found lay(String whose, Course begun, Duration time) {
        Asker asker = Asker.here();
        if (time.isZero()) {
            return new Search(begun, asker::gone).run(time);
        }
        if (!itsTurn(time)) {
            return new Search(begun, asker::gone).run(Duration.ZERO);
        }
        try {
            Search search = new Search(begun, asker::gone);
            running.put(whose, search);
            asker.whenGone(search::stop);
            return search.run(time);
        } finally {
            running.remove(whose);
            turn.release();
        }
    }

    /** Only so many wait: whoever waits keeps a place from those who want a first answer. */
    private boolean itsTurn(Duration time) {
        if (turn.getQueueLength() >= MOST_WAITING) {
            return turn.tryAcquire();
        }
        try {
            return turn.tryAcquire(Math.min(time.toMillis(), LONGEST_WAIT_S * 1000L), TimeUnit.MILLISECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new Busy("The server is stopping.", LONGEST_WAIT_S);
        }
    }

    /** How many look for a better course just now. */
    public int looking() {
        return running.size();
    }

    /** Makes a search come to its end with what it has; nothing where none runs. */
    public void stop(String whose) {
        Search search = running.get(whose);
        if (search != null) {
            search.stop();
        }
    }
}

package potamos.server.solving;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Service;
import potamos.core.course.Course;
import potamos.course.Search;
import potamos.server.problems.Busy;

/** Where courses wait for their turn to be laid. */
@Service
public class Solving {

    private static final int LONGEST_WAIT_S = 10;

    private final Semaphore turn = new Semaphore(1, true);

    /** By whose they are. */
    private final Map<String, Search> running = new ConcurrentHashMap<>();

    /**
     * Lays a course when those before it are done.
     *
     * @param whose name under which it can be stopped; the same has one at a time
     * @param begun its drafts are pinned
     * @param time  to look for a better one than the core lays by itself
     * @throws Busy when its turn does not come for long
     */
    public Search.Found lay(String whose, Course begun, Duration time) {
        try {
            if (!turn.tryAcquire(LONGEST_WAIT_S, TimeUnit.SECONDS)) {
                throw new Busy("Other courses are being laid. Try again in a moment.", LONGEST_WAIT_S);
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new Busy("The server is stopping.", LONGEST_WAIT_S);
        }
        try {
            Search search = new Search(begun);
            running.put(whose, search);
            return search.run(time);
        } finally {
            running.remove(whose);
            turn.release();
        }
    }

    /** Makes a search come to its end with what it has; nothing where none runs. */
    public void stop(String whose) {
        Search search = running.get(whose);
        if (search != null) {
            search.stop();
        }
    }
}

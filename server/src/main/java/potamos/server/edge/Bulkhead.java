package potamos.server.edge;

import java.time.Duration;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import org.eclipse.jetty.io.EofException;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/**
 * Lets only so many requests at the database at once. The others wait without a thread, and for no longer than a cook would; pages, pictures of the
 * interface and the question whether the server lives do not queue behind them. What computes for long has a line and threads of its own, so that acts and
 * pages never wait for it, and ends when whoever asked has gone.
 */
final class Bulkhead extends Handler.Wrapper {
    /** Twice what the pool of connections has: half of them compute while the others ask. */
    static final int AT_ONCE = 24;

    /** More would only share the processors. */
    static final int COMPUTING_AT_ONCE = 4;

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(4);
    private static final int MOST_WAITING = 1000;
    private static final Duration LONGEST_WAIT_TO_COMPUTE = Duration.ofSeconds(10);
    private static final int MOST_WAITING_TO_COMPUTE = 200;
    private static final long LOOK_EVERY_MS = 250;

    private final Departures departures = new Departures();
    private final ScheduledExecutorService lookout = Executors.newSingleThreadScheduledExecutor(named("lookout"));
    private final ExecutorService computers = Executors.newFixedThreadPool(COMPUTING_AT_ONCE, named("computing"));

    private final Line answers = new Line(
            AT_ONCE,
            MOST_WAITING,
            LONGEST_WAIT,
            null,
            "The kitchen's server is busy. Nothing was written; try again in a moment.");
    private final Line computing = new Line(
            COMPUTING_AT_ONCE,
            MOST_WAITING_TO_COMPUTE,
            LONGEST_WAIT_TO_COMPUTE,
            computers,
            "Others are computing. Nothing was written; try again in a moment.");

    Bulkhead(Handler application) {
        super(application);
        lookout.scheduleWithFixedDelay(departures::look, LOOK_EVERY_MS, LOOK_EVERY_MS, TimeUnit.MILLISECONDS);
    }

    private static ThreadFactory named(String name) {
        return work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            return thread;
        };
    }

    @Override
    protected void doStop() throws Exception {
        super.doStop();
        lookout.shutdownNow();
        computers.shutdownNow();
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        String path = Request.getPathInContext(request);
        // An open line of the live feed is no work until something is told.
        if (!path.startsWith("/api/") || path.equals("/api/live")) {
            return super.handle(request, response, callback);
        }
        if (computes(path)) {
            compute(request, response, callback);
        } else {
            // What a page asks first, and whoever watches over this server.
            boolean pressing =
                    path.equals("/api/session") && request.getMethod().equals("GET");
            answers.enter(getHandler(), request, response, callback, pressing);
        }
        return true;
    }

    /** What lays a course or looks for one, and what other programs ask for. That a search is to end is no such thing. */
    private static boolean computes(String path) {
        return path.startsWith("/api/calc/")
                || (path.equals("/api/course") || path.startsWith("/api/course/")) && !path.equals("/api/course/stop");
    }

    private void compute(Request request, Response response, Callback callback) {
        Asker asker = departures.watch(request);
        request.setAttribute(Asker.ATTRIBUTE, asker);
        Request.Handler unlessGone = (asked, answer, then) -> {
            if (asker.gone()) {
                then.failed(new EofException("whoever asked has gone"));
                return true;
            }
            return getHandler().handle(asked, answer, then);
        };
        computing.enter(unlessGone, request, response, Callback.from(() -> departures.forget(asker), callback), false);
    }
}

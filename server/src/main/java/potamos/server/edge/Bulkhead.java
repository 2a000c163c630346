package potamos.server.edge;

import java.time.Duration;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/**
 * Lets only so many requests at the database at once. The others wait without a thread, and for no longer than a cook would; pages, pictures of the
 * interface and the question whether the server lives do not queue behind them.
 */
final class Bulkhead extends Handler.Wrapper {
    /** Twice what the pool of connections has: half of them compute while the others ask. */
    static final int AT_ONCE = 24;

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(4);
    private static final int MOST_WAITING = 1000;

    private final Line answers = new Line(
            AT_ONCE,
            MOST_WAITING,
            LONGEST_WAIT,
            null,
            "The kitchen's server is busy. Nothing was written; try again in a moment.");

    Bulkhead(Handler application) {
        super(application);
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        String path = Request.getPathInContext(request);
        // An open line of the live feed is no work until something is told.
        if (!path.startsWith("/api/") || path.equals("/api/live")) {
            return super.handle(request, response, callback);
        }
        // What a page asks first, and whoever watches over this server.
        boolean pressing = path.equals("/api/session") && request.getMethod().equals("GET");
        answers.enter(getHandler(), request, response, callback, pressing);
        return true;
    }
}

package potamos.server.edge;

import java.time.Duration;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.handler.QoSHandler;
import org.eclipse.jetty.util.Callback;

/**
 * Lets only so many requests at the database at once. The others wait without a thread, and for no longer than a cook would; pages, pictures of the
 * interface and the question whether the server lives do not queue behind them.
 */
final class Bulkhead extends QoSHandler {
    /** Twice what the pool of connections has: half of them compute while the others ask. */
    private static final int AT_ONCE = 24;

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(4);
    private static final int MOST_WAITING = 1000;

    Bulkhead(Handler application) {
        super(application);
        includePath("/api/*");
        // An open line of the live feed is no work until something is told.
        excludePath("/api/live");
        setMaxRequestCount(AT_ONCE);
        setMaxSuspend(LONGEST_WAIT);
        setMaxSuspendedRequestCount(MOST_WAITING);
    }

    @Override
    protected void reject(Request request, Response response, Callback callback, int status) {
        tellToWait(response, callback);
    }

    @Override
    protected void failSuspended(Request request, Response response, Callback callback, int status, Throwable failure) {
        tellToWait(response, callback);
    }

    private static void tellToWait(Response response, Callback callback) {
        Refusals.refuse(
                response,
                callback,
                503,
                "busy",
                "The kitchen's server is busy. Nothing was written; try again in a moment.");
    }
}

package potamos.server.edge;

import java.time.Duration;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.io.Content;
import org.eclipse.jetty.io.EndPoint;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.handler.EagerContentHandler;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.thread.Scheduler;

/**
 * Bodies on their way in. Each says how long it is, is not longer than may be, and is here within its time; all of them together take only so much
 * memory. A request goes on to the application when it is here whole, so whoever sends slowly holds a connection and no thread.
 */
final class Arrivals extends Handler.Wrapper {
    /** Where the application sends what has gone wrong within it; nobody asks for that from outside. */
    private static final String OF_ITS_OWN = "/error";

    private static final long LARGEST_BODY = 256 * 1024;
    private static final long LARGEST_PHOTO = 8 * 1024 * 1024;
    private static final Pattern PHOTO =
            Pattern.compile("/api/(batches|larder/boxes)/[0-9a-f-]{36}/photos/[0-9a-f-]{36}");
    private static final Duration LONGEST = Duration.ofSeconds(10);
    /** Eight megabytes from a pocket telephone at the far end of a cellar. */
    private static final Duration LONGEST_FOR_A_PHOTO = Duration.ofSeconds(60);

    private static final long MOST_HEARD_OUT = 16 * 1024 * 1024;
    private static final long MOST_AT_ONCE = 48 * 1024 * 1024;
    /** What a body of one byte takes while it waits. */
    private static final long LEAST_EACH = 8 * 1024;

    private final AtomicLong onTheirWay = new AtomicLong();

    Arrivals(Handler application) {
        super(new EagerContentHandler(
                new Arrived(application),
                new EagerContentHandler.RetainedContentLoaderFactory(LARGEST_PHOTO + 1, 0, true)));
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        String path = request.getHttpURI().getDecodedPath();
        if (path.equals(OF_ITS_OWN)) {
            Refusals.refuse(response, callback, 404, "not-found", "There is nothing here.");
            return true;
        }
        boolean photo = PHOTO.matcher(path).matches();
        if (request.getHeaders().contains(HttpHeader.TRANSFER_ENCODING)) {
            Refusals.refuse(response, callback, 411, "length-required", "Say how long the request is.");
            return true;
        }
        long length = request.getHeaders().getLongField(HttpHeader.CONTENT_LENGTH);
        if (length > (photo ? LARGEST_PHOTO : LARGEST_BODY)) {
            tooLarge(request, response, callback, length, photo);
            return true;
        }
        return length <= 0
                ? super.handle(request, response, callback)
                : arrive(request, response, callback, length, photo);
    }

    private boolean arrive(Request request, Response response, Callback callback, long length, boolean photo)
            throws Exception {
        long takes = Math.max(LEAST_EACH, length);
        if (onTheirWay.addAndGet(takes) > MOST_AT_ONCE) {
            onTheirWay.addAndGet(-takes);
            Refusals.refuse(
                    response, callback, 503, "busy", "Too much is on its way here just now. Nothing was written.");
            return true;
        }
        // There is nobody to answer while they still send; the line is closed, and what they sent was never looked at.
        Scheduler.Task deadline = closeAfter(request, photo ? LONGEST_FOR_A_PHOTO : LONGEST);
        request.setAttribute(Arrived.DEADLINE, deadline);
        Request.addCompletionListener(request, failure -> {
            deadline.cancel();
            onTheirWay.addAndGet(-takes);
        });
        return super.handle(request, response, callback);
    }

    /** Whoever is still sending does not hear an answer, so what is a little too large is let run out first. */
    private static void tooLarge(Request request, Response response, Callback callback, long length, boolean photo) {
        String most = photo ? "More than 8 MB in one photo." : "More than 256 kB in one request.";
        Runnable refuse = () -> Refusals.refuse(response, callback, 413, "too-large", most);
        if (length > MOST_HEARD_OUT) {
            refuse.run();
            return;
        }
        Scheduler.Task deadline = closeAfter(request, LONGEST);
        Content.Source.consumeAll(
                request, Callback.from(deadline::cancel, Callback.from(refuse, failure -> callback.failed(failure))));
    }

    private static Scheduler.Task closeAfter(Request request, Duration within) {
        EndPoint line = request.getConnectionMetaData().getConnection().getEndPoint();
        return request.getComponents().getScheduler().schedule(line::close, within.toMillis(), TimeUnit.MILLISECONDS);
    }

    /** The body is here; from now on it is the application's time that passes. */
    private static final class Arrived extends Handler.Wrapper {
        private static final String DEADLINE = Arrivals.class.getName() + ".deadline";

        private Arrived(Handler application) {
            super(application);
        }

        @Override
        public boolean handle(Request request, Response response, Callback callback) throws Exception {
            if (request.getAttribute(DEADLINE) instanceof Scheduler.Task deadline) {
                deadline.cancel();
            }
            return super.handle(request, response, callback);
        }
    }
}

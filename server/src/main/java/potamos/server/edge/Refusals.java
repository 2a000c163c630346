package potamos.server.edge;

import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.io.Content;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;
import potamos.server.problems.Problems;

/** Problem details for what is refused before the application sees it. */
final class Refusals {

    private Refusals() {}

    static void refuse(Response response, Callback callback, int status, String type, String detail) {
        response.setStatus(status);
        response.getHeaders().put(HttpHeader.CONTENT_TYPE, "application/problem+json");
        response.getHeaders().put(HttpHeader.CACHE_CONTROL, "no-store");
        if (status == 503) {
            response.getHeaders().put(HttpHeader.RETRY_AFTER, "2");
        }
        Content.Sink.write(response, true, Problems.written(status, type, detail), callback);
    }
}

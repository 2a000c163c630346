package potamos.server.edge;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.thread.Scheduler;

/**
 * Only so many requests of a kind at once. The others stand in line without a thread, for so long at most, and are refused then. A permit belongs to the
 * work and not to the connection: it is given back when the work's callback is completed, however that ends, or when the work throws or will not have
 * the request. A connection that has died meanwhile changes nothing of that.
 */
final class Line {

    private final int mostWaiting;
    private final Duration longestWait;
    private final Executor threads;
    private final String busy;

    /** Whoever asks whether there is an answer at all goes before those who wait for one; so few that nobody else waits for them. */
    private static final int MOST_FIRST = 4;

    private final Object lock = new Object();
    private final Deque<Turn> first = new ArrayDeque<>();
    private final Deque<Turn> waiting = new ArrayDeque<>();
    private int free;

    /**
     * @param threads what work runs on that had to wait; null for the server's own
     * @param busy    what whoever is refused is told
     */
    Line(int atOnce, int mostWaiting, Duration longestWait, Executor threads, String busy) {
        this.mostWaiting = mostWaiting;
        this.longestWait = longestWait;
        this.threads = threads;
        this.busy = busy;
        this.free = atOnce;
    }

    /**
     * Hands a request on when there is room.
     *
     * @param pressing whether it goes before those who wait
     */
    void enter(Request.Handler next, Request request, Response response, Callback callback, boolean pressing) {
        Turn turn = new Turn(next, request, response, callback);
        switch (place(turn, pressing)) {
            case NOW -> turn.begin(threads);
            case NONE -> Refusals.refuse(response, callback, 503, "busy", busy);
            case IN_LINE -> {}
        }
    }

    private enum Place {
        NOW,
        IN_LINE,
        NONE
    }

    private Place place(Turn turn, boolean pressing) {
        synchronized (lock) {
            if (free > 0) {
                free--;
                return Place.NOW;
            }
            Deque<Turn> line = pressing && first.size() < MOST_FIRST ? first : waiting;
            if (line == waiting && waiting.size() >= mostWaiting) {
                return Place.NONE;
            }
            turn.standIn(line);
            return Place.IN_LINE;
        }
    }

    private void giveBack() {
        Turn next;
        synchronized (lock) {
            next = first.isEmpty() ? waiting.pollFirst() : first.pollFirst();
            if (next == null) {
                free++;
            }
        }
        if (next != null) {
            next.deadline.cancel();
            // Never on this thread: a line of short answers would be a tower of calls.
            next.begin(threads == null ? next.request.getComponents().getExecutor() : threads);
        }
    }

    /** One request with its permit, or waiting for it. */
    private final class Turn extends Callback.Nested {
        private final Request.Handler next;
        private final Request request;
        private final Response response;
        private final AtomicBoolean over = new AtomicBoolean();
        private Deque<Turn> line;
        private Scheduler.Task deadline;

        private Turn(Request.Handler next, Request request, Response response, Callback callback) {
            super(callback);
            this.next = next;
            this.request = request;
            this.response = response;
        }

        private void standIn(Deque<Turn> place) {
            line = place;
            deadline = request.getComponents()
                    .getScheduler()
                    .schedule(this::expire, longestWait.toMillis(), TimeUnit.MILLISECONDS);
            line.addLast(this);
        }

        private void begin(Executor elsewhere) {
            if (elsewhere == null) {
                handle();
                return;
            }
            try {
                elsewhere.execute(this::handle);
            } catch (RejectedExecutionException stopping) {
                failed(stopping);
            }
        }

        private void handle() {
            try {
                if (!next.handle(request, response, this)) {
                    Response.writeError(request, response, this, 404);
                }
            } catch (Throwable thrown) {
                Response.writeError(request, response, this, thrown);
            }
        }

        private void expire() {
            boolean stillWaits;
            synchronized (lock) {
                stillWaits = line.remove(this);
            }
            if (stillWaits) {
                Refusals.refuse(response, getCallback(), 503, "busy", busy);
            }
        }

        @Override
        public void completed() {
            if (over.compareAndSet(false, true)) {
                giveBack();
            }
        }
    }
}

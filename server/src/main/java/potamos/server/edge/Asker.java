package potamos.server.edge;

import java.util.ArrayList;
import java.util.List;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Whoever has asked for something that takes long, and may go before it is there. Shared between the work and whoever watches the line. */
public final class Asker {

    static final String ATTRIBUTE = Asker.class.getName();

    private boolean gone;
    private final List<Runnable> then = new ArrayList<>();

    /** Who asked for what this thread works on; somebody who never goes where nobody is known. */
    public static Asker here() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        Object known = request == null ? null : request.getAttribute(ATTRIBUTE, RequestAttributes.SCOPE_REQUEST);
        return known instanceof Asker asker ? asker : new Asker();
    }

    public synchronized boolean gone() {
        return gone;
    }

    /** What is to be done when they go; at once where they have gone. */
    public void whenGone(Runnable end) {
        synchronized (this) {
            if (!gone) {
                then.add(end);
                return;
            }
        }
        end.run();
    }

    void go() {
        List<Runnable> ends;
        synchronized (this) {
            gone = true;
            ends = List.copyOf(then);
            then.clear();
        }
        ends.forEach(Runnable::run);
    }
}

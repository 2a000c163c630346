package potamos.server.live;

import java.io.IOException;
import java.time.Instant;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.accounts.SessionLife;
import potamos.server.problems.Busy;

/** The screens that listen at this instance, and the lines to them. */
@Component
public class Screens {

    private static final Logger LOG = LoggerFactory.getLogger(Screens.class);
    private static final long NO_TIMEOUT = 0;
    private static final int MOST_OF_A_SESSION = 6;
    private static final int MOST_OF_A_KITCHEN = 200;

    /** Who listens at the other end of a line, and whether they may see the pots. */
    private record Listener(String kitchenId, String sessionId, boolean reads) {}

    private final Changes changes;
    private final KitchenClock clock;
    private final Map<SseEmitter, Listener> lines = new ConcurrentHashMap<>();

    Screens(Changes changes, KitchenClock clock) {
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * Opens a line.
     *
     * @throws Busy when this session, or this kitchen, has as many as it can have
     */
    SseEmitter open(Person person, String sessionId) {
        Listener listener = new Listener(person.kitchenId(), sessionId, person.may(Right.READ));
        SseEmitter line = new SseEmitter(NO_TIMEOUT);
        line.onCompletion(() -> lines.remove(line));
        line.onError(error -> lines.remove(line));
        add(line, listener);
        send(line, "hello", "{}");
        return line;
    }

    private synchronized void add(SseEmitter line, Listener listener) {
        long ofTheSession = lines.values().stream().filter(listener::equals).count();
        long ofTheKitchen = lines.values().stream()
                .filter(other -> other.kitchenId().equals(listener.kitchenId()))
                .count();
        if (ofTheSession >= MOST_OF_A_SESSION || ofTheKitchen >= MOST_OF_A_KITCHEN) {
            throw new Busy("As many screens are listening as can. Close one, or try again in a minute.", 60);
        }
        lines.put(line, listener);
    }

    /** Kitchens whose pots somebody looks at just now. */
    public Set<String> kitchensThatRead() {
        return lines.values().stream()
                .filter(Listener::reads)
                .map(Listener::kitchenId)
                .collect(Collectors.toSet());
    }

    /** Tells every screen of a kitchen that something has changed there. */
    void tell(String kitchenId, String event, Object told) {
        tell(listener -> listener.kitchenId().equals(kitchenId), event, told);
    }

    /** Tells what stands in the pots, to those who may see them. */
    public void tellReaders(String kitchenId, String event, Object told) {
        tell(listener -> listener.reads() && listener.kitchenId().equals(kitchenId), event, told);
    }

    private void tell(Predicate<Listener> whom, String event, Object told) {
        lines.forEach((line, listener) -> {
            if (whom.test(listener)) {
                send(line, event, told);
            }
        });
    }

    /** Tells everybody to look at everything. */
    void greetAll() {
        tell(listener -> true, "hello", "{}");
    }

    private void send(SseEmitter line, String event, Object told) {
        send(line, SseEmitter.event().name(event).data(told, MediaType.APPLICATION_JSON));
    }

    private void send(SseEmitter line, SseEmitter.SseEventBuilder event) {
        try {
            line.send(event);
        } catch (IOException | IllegalStateException gone) {
            drop(line, gone);
        }
    }

    /** A line whose other end is gone is ended here as well: left open it would hold up a stop, and be kept for ever. */
    private void drop(SseEmitter line, Exception gone) {
        lines.remove(line);
        line.completeWithError(gone);
    }

    /** Open lines would hold up a shutdown; screens call again by themselves. */
    @EventListener
    void hangUp(ContextClosedEvent closing) {
        lines.keySet().forEach(SseEmitter::complete);
    }

    /** A line ends with the session that opened it, wherever that was ended. */
    @Scheduled(fixedDelay = 5_000)
    void hangUpOnEndedSessions() {
        if (lines.isEmpty()) {
            return;
        }
        try {
            Set<String> asked = lines.values().stream().map(Listener::sessionId).collect(Collectors.toSet());
            Instant now = clock.machine();
            Set<String> alive = changes.sessionsAlive(
                    asked, now.toEpochMilli(), now.minus(SessionLife.LONGEST).toEpochMilli());
            lines.forEach((line, listener) -> {
                if (!alive.contains(listener.sessionId())) {
                    line.complete();
                }
            });
        } catch (DataAccessException | TransactionException away) {
            LOG.warn("Sessions cannot be looked at just now");
        }
    }

    /** Proxies and phones drop a line on which nothing is said. */
    @Scheduled(fixedDelay = 15_000)
    void keepAlive() {
        lines.keySet().forEach(line -> send(line, SseEmitter.event().comment("still here")));
    }
}

package potamos.server.live;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.SessionLife;
import potamos.server.problems.Busy;

/**
 * Server-sent events. A screen is told that something changed, not what: it then asks for it with its own rights.
 *
 * <p>Numbers of the log are given out before their transaction ends, so a lower one can appear after a higher one. The last stretch of the log is
 * therefore read again each time, and what was told already is left out.
 */
@Hidden
@RestController
class LiveEndpoint {

    private static final Logger LOG = LoggerFactory.getLogger(LiveEndpoint.class);
    private static final long OVERLAP = 200;
    private static final long NO_TIMEOUT = 0;
    private static final int MOST_OF_A_SESSION = 6;
    private static final int MOST_OF_A_KITCHEN = 200;

    /** What a screen is told. */
    record Told(@NotNull String topic, @NotNull String ref) {}

    /** Who listens at the other end of a line. */
    private record Listener(String kitchenId, String sessionId) {}

    private final Changes changes;
    private final KitchenClock clock;
    private final Map<SseEmitter, Listener> screens = new ConcurrentHashMap<>();
    private Set<Long> told = Set.of();
    private long latest = -1;

    LiveEndpoint(Changes changes, KitchenClock clock) {
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * Opens a line.
     *
     * @throws Busy when this session, or this kitchen, has as many as it can have
     */
    @Operation(summary = "Tells what has changed, as it changes")
    @GetMapping(path = "/api/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen(@AuthenticationPrincipal Person person, HttpServletRequest request) {
        Listener listener =
                new Listener(person.kitchenId(), request.getSession().getId());
        SseEmitter screen = new SseEmitter(NO_TIMEOUT);
        screen.onCompletion(() -> screens.remove(screen));
        screen.onError(error -> screens.remove(screen));
        // From here on nothing is missed: the screen asks for everything once it is greeted.
        begin();
        add(screen, listener);
        greet(screen);
        return screen;
    }

    private synchronized void add(SseEmitter screen, Listener listener) {
        long ofTheSession = screens.values().stream().filter(listener::equals).count();
        long ofTheKitchen = screens.values().stream()
                .filter(other -> other.kitchenId().equals(listener.kitchenId()))
                .count();
        if (ofTheSession >= MOST_OF_A_SESSION || ofTheKitchen >= MOST_OF_A_KITCHEN) {
            throw new Busy("As many screens are listening as can. Close one, or try again in a minute.", 60);
        }
        screens.put(screen, listener);
    }

    private synchronized void begin() {
        if (latest < 0) {
            latest = changes.latest();
            told = changes.after(latest - OVERLAP).stream()
                    .map(Changes.Change::seq)
                    .collect(Collectors.toSet());
        }
    }

    @Scheduled(fixedDelay = 200)
    synchronized void tell() {
        if (latest < 0) {
            return;
        }
        try {
            goneBack();
            List<Changes.Change> recent = changes.after(latest - OVERLAP);
            for (Changes.Change change : recent) {
                if (!told.contains(change.seq())) {
                    send(change);
                    latest = Math.max(latest, change.seq());
                }
            }
            told = recent.stream().map(Changes.Change::seq).collect(Collectors.toSet());
        } catch (DataAccessException | TransactionException away) {
            LOG.warn("Screens wait: the change log cannot be read just now");
        }
    }

    /** A backup that was put back has a log of its own, whose numbers begin again: everybody is told to look at everything. */
    private void goneBack() {
        if (changes.latest() < latest) {
            latest = changes.latest();
            told = Set.of();
            screens.keySet().forEach(screen -> greet(screen));
        }
    }

    private void greet(SseEmitter screen) {
        try {
            screen.send(SseEmitter.event().name("hello").data("{}", MediaType.APPLICATION_JSON));
        } catch (IOException | IllegalStateException gone) {
            drop(screen, gone);
        }
    }

    private void send(Changes.Change change) {
        screens.forEach((screen, listener) -> {
            if (listener.kitchenId().equals(change.kitchenId())) {
                try {
                    screen.send(SseEmitter.event()
                            .name("change")
                            .data(new Told(change.topic(), change.ref()), MediaType.APPLICATION_JSON));
                } catch (IOException | IllegalStateException gone) {
                    drop(screen, gone);
                }
            }
        });
    }

    /** A line whose other end is gone is ended here as well: left open it would hold up a stop, and be kept for ever. */
    private void drop(SseEmitter screen, Exception gone) {
        screens.remove(screen);
        screen.completeWithError(gone);
    }

    /** Open lines would hold up a shutdown; screens call again by themselves. */
    @EventListener
    void hangUp(ContextClosedEvent closing) {
        screens.keySet().forEach(SseEmitter::complete);
    }

    /** A line ends with the session that opened it, wherever that was ended. */
    @Scheduled(fixedDelay = 5_000)
    void hangUpOnEndedSessions() {
        if (screens.isEmpty()) {
            return;
        }
        try {
            Set<String> asked =
                    screens.values().stream().map(Listener::sessionId).collect(Collectors.toSet());
            Instant now = clock.machine();
            Set<String> alive = changes.sessionsAlive(
                    asked, now.toEpochMilli(), now.minus(SessionLife.LONGEST).toEpochMilli());
            screens.forEach((screen, listener) -> {
                if (!alive.contains(listener.sessionId())) {
                    screen.complete();
                }
            });
        } catch (DataAccessException | TransactionException away) {
            LOG.warn("Sessions cannot be looked at just now");
        }
    }

    /** Proxies and phones drop a line on which nothing is said. */
    @Scheduled(fixedDelay = 15_000)
    void keepAlive() {
        screens.keySet().forEach(screen -> {
            try {
                screen.send(SseEmitter.event().comment("still here"));
            } catch (IOException | IllegalStateException gone) {
                drop(screen, gone);
            }
        });
    }
}

package potamos.server.live;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
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
import potamos.server.accounts.Person;

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
    private static final int MOST_SCREENS = 500;

    /** What a screen is told. */
    record Told(@NotNull String topic, @NotNull String ref) {}

    private final Changes changes;
    private final Map<SseEmitter, String> screens = new ConcurrentHashMap<>();
    private Set<Long> told = Set.of();
    private long latest = -1;

    LiveEndpoint(Changes changes) {
        this.changes = changes;
    }

    @GetMapping(path = "/api/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen(@AuthenticationPrincipal Person person) throws IOException {
        SseEmitter screen = new SseEmitter(NO_TIMEOUT);
        if (screens.size() >= MOST_SCREENS) {
            screen.complete();
            return screen;
        }
        screen.onCompletion(() -> screens.remove(screen));
        screen.onError(error -> screens.remove(screen));
        // From here on nothing is missed: the screen asks for everything once it is greeted.
        begin();
        screens.put(screen, person.kitchenId());
        screen.send(SseEmitter.event().name("hello").data("{}", MediaType.APPLICATION_JSON));
        return screen;
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

    private void send(Changes.Change change) {
        screens.forEach((screen, kitchenId) -> {
            if (kitchenId.equals(change.kitchenId())) {
                try {
                    screen.send(SseEmitter.event()
                            .name("change")
                            .data(new Told(change.topic(), change.ref()), MediaType.APPLICATION_JSON));
                } catch (IOException | IllegalStateException gone) {
                    screens.remove(screen);
                }
            }
        });
    }

    /** Open lines would hold up a shutdown; screens call again by themselves. */
    @EventListener
    void hangUp(ContextClosedEvent closing) {
        screens.keySet().forEach(SseEmitter::complete);
    }

    /** Proxies and phones drop a line on which nothing is said. */
    @Scheduled(fixedDelay = 15_000)
    void keepAlive() {
        screens.keySet().forEach(screen -> {
            try {
                screen.send(SseEmitter.event().comment("still here"));
            } catch (IOException | IllegalStateException gone) {
                screens.remove(screen);
            }
        });
    }

    @Scheduled(cron = "0 30 3 * * *")
    void forgetOld() {
        changes.forgetOld();
    }
}

package potamos.server.live;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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

    /** What a screen is told. */
    record Told(
            @NotNull String topic,
            @NotNull String ref,
            @NotNull String act) {}

    private final Changes changes;
    private final Screens screens;
    private Set<Long> told = Set.of();
    private long latest = -1;

    LiveEndpoint(Changes changes, Screens screens) {
        this.changes = changes;
        this.screens = screens;
    }

    @GetMapping(path = "/api/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen(@AuthenticationPrincipal Person person, HttpServletRequest request) {
        // From here on nothing is missed: the screen asks for everything once it is greeted.
        begin();
        return screens.open(person, request.getSession().getId());
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
                    screens.tell(change.kitchenId(), "change", new Told(change.topic(), change.ref(), change.act()));
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
            screens.greetAll();
        }
    }
}

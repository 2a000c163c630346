package potamos.server.demo;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.Operation;
import java.time.Duration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.live.Changes;

/** Moves the demo's clock on, so that a day can be seen in minutes. There only in the demo. */
@Hidden
@RestController
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoClockEndpoint {

    record Move(int minutes) {}

    private final KitchenClock clock;
    private final Changes changes;

    DemoClockEndpoint(KitchenClock clock, Changes changes) {
        this.clock = clock;
        this.changes = changes;
    }

    @Operation(summary = "Moves the clock of the demo")
    @PostMapping("/api/demo/clock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@AuthenticationPrincipal Person person, @RequestBody Move move) {
        person.require(Role.Right.READ);
        Refusal.unlessWithin("minutes", move.minutes(), 1, 24 * 60, "min");
        clock.advance(Duration.ofMinutes(move.minutes()));
        changes.note(person.kitchenId(), "clock", "");
    }
}

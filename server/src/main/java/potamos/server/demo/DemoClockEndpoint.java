package potamos.server.demo;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
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

    /**
     * How far.
     *
     * @param minutes    1 to 1 440; left out with {@code toTheNextAct}
     * @param cookWorks  whether the cook of the demo looks after the pots meanwhile; as somebody who may log acts
     */
    record Move(Integer minutes, Boolean toTheNextAct, Boolean cookWorks) {}

    private static final int MOST_MIN = 24 * 60;

    private final DemoCook cook;
    private final KitchenClock clock;
    private final Changes changes;

    DemoClockEndpoint(DemoCook cook, KitchenClock clock, Changes changes) {
        this.cook = cook;
        this.clock = clock;
        this.changes = changes;
    }

    /** The kitchen's time afterwards. */
    record Moved(@NotNull Instant now) {}

    @Operation(summary = "Moves the clock of the demo")
    @PostMapping("/api/demo/clock")
    Moved move(@AuthenticationPrincipal Person person, @RequestBody Move move) {
        person.require(Role.Right.READ);
        boolean works = Boolean.TRUE.equals(move.cookWorks());
        if (works) {
            person.require(Role.Right.ACT);
        }
        cook.passes(person, by(person, move), works);
        changes.note(person.kitchenId(), "clock", "");
        return new Moved(clock.instant());
    }

    private Duration by(Person person, Move move) {
        if (Boolean.TRUE.equals(move.toTheNextAct())) {
            Duration most = Duration.ofMinutes(MOST_MIN);
            return cook.nextDue(person)
                    .map(next -> Duration.between(clock.instant(), next).plusMillis(1))
                    .filter(ahead -> ahead.compareTo(most) <= 0)
                    .orElseThrow(() -> Refusal.of("toTheNextAct", "nothing is due within a day"));
        }
        int minutes = Refusal.unlessGiven("minutes", move.minutes());
        Refusal.unlessWithin("minutes", minutes, 1, MOST_MIN, "min");
        return Duration.ofMinutes(minutes);
    }
}

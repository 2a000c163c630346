package potamos.server.charges;

import jakarta.validation.Valid;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;

/** Solving over HTTP; answers while a finger drags. Changes nothing. */
@RestController
class ChargeEndpoint {

    private final Planning planning;

    ChargeEndpoint(Planning planning) {
        this.planning = planning;
    }

    @PostMapping("/api/charges")
    ChargeView solve(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        Planning.Proposed proposed = planning.propose(person.kitchenId(), request);
        return ChargeView.of(proposed, request.readyBy());
    }
}

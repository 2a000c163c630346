package potamos.server.kitchen;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.Changes;

/** The range as it lies, over HTTP. */
@RestController
@RequestMapping("/api/kitchen/hob")
class HobEndpoint {

    /** Where burners are to lie; those left out stay where they are. */
    record Laid(@NotNull @Size(min = 1, max = 60) List<@Valid @NotNull SpotBody> places) {}

    /** {@code row} from 0 at the back, {@code column} from 0 at the left. */
    record SpotBody(@NotNull String burnerId, int row, int column) {}

    private final Hob hob;
    private final Changes changes;

    HobEndpoint(Hob hob, Changes changes) {
        this.hob = hob;
        this.changes = changes;
    }

    @Operation(summary = "How the burners lie")
    @GetMapping
    List<Hob.Place> hob(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return hob.of(person.kitchenId());
    }

    @Operation(summary = "Lays the burners")
    @PutMapping
    List<Hob.Place> lay(@AuthenticationPrincipal Person person, @Valid @RequestBody Laid laid) {
        person.require(Right.SET_UP);
        hob.lay(
                person.kitchenId(),
                laid.places().stream()
                        .map(s -> new Hob.Spot(s.burnerId(), s.row(), s.column()))
                        .toList());
        changes.note(person.kitchenId(), "kitchen", "");
        return hob.of(person.kitchenId());
    }
}

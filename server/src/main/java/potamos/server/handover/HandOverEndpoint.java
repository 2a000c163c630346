package potamos.server.handover;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.Ids;
import potamos.server.accounts.Person;

/** Hand-overs over HTTP. */
@RestController
@RequestMapping("/api/hand-overs")
class HandOverEndpoint {

    record GiftBody(@NotNull String batchId, @NotNull String takenBy) {}

    record Giving(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id,

            @NotNull String words,
            @NotNull @Size(min = 1, max = 60) List<@Valid @NotNull GiftBody> pots) {}

    private final HandOvers handOvers;

    HandOverEndpoint(HandOvers handOvers) {
        this.handOvers = handOvers;
    }

    @Operation(summary = "The latest hand-overs")
    @GetMapping
    List<HandOvers.HandOver> latest(@AuthenticationPrincipal Person person) {
        return handOvers.latest(person);
    }

    /** Whom pots can be given to. */
    @Operation(summary = "Who can be handed a pot")
    @GetMapping("/hands")
    List<HandOvers.Hand> hands(@AuthenticationPrincipal Person person) {
        return handOvers.hands(person);
    }

    @Operation(summary = "Hands pots over")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    void give(@AuthenticationPrincipal Person person, @Valid @RequestBody Giving giving) {
        handOvers.give(
                person,
                giving.id(),
                giving.words(),
                giving.pots().stream()
                        .map(pot -> new HandOvers.Gift(pot.batchId(), pot.takenBy()))
                        .toList());
    }

    /** Signs for what comes to the person who asks. */
    @Operation(summary = "Signs for what was handed over")
    @PostMapping("/{id}/signature")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sign(@AuthenticationPrincipal Person person, @PathVariable String id) {
        handOvers.sign(person, id);
    }
}

package potamos.server.kitchen;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;

/** What a kitchen has to do without, over HTTP. */
@RestController
@RequestMapping("/api/kitchen/outages")
class OutageEndpoint {

    /**
     * Something that is missing.
     *
     * @param name  of the thing; empty of cooks
     * @param cooks how many fewer are there; 0 of a thing
     */
    record OutageView(
            @NotNull String id,
            @NotNull Outages.Kind kind,
            Optional<String> thingId,
            @NotNull String name,
            int cooks,
            @NotNull Instant from,
            @NotNull Instant until,
            @NotNull String reason) {}

    record OutageIn(
            @NotNull @Pattern(regexp = "[0-9a-f-]{36}") String id,
            @NotNull Outages.Kind kind,
            @Size(max = 36) String thingId,
            Integer cooks,
            Instant from,
            @NotNull Instant until,
            @Size(max = 200) String reason) {
        Outages.Missing missing() {
            return new Outages.Missing(kind, thingId, cooks, from, until, reason);
        }
    }

    private final Outages outages;

    OutageEndpoint(Outages outages) {
        this.outages = outages;
    }

    @Operation(summary = "What is out of order, and who is away: now, or later")
    @GetMapping
    List<OutageView> all(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return outages.of(person.kitchenId()).stream()
                .map(o -> new OutageView(
                        o.id(), o.kind(), o.thingId(), o.name(), o.cooks(), o.from(), o.until(), o.reason()))
                .toList();
    }

    @Operation(summary = "Tells that something is out of order, or that cooks are away")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    void add(@AuthenticationPrincipal Person person, @Valid @RequestBody OutageIn body) {
        person.require(Right.PLAN);
        outages.add(person, outages.checked(person.kitchenId(), body.id(), body.missing()));
    }

    @Operation(summary = "Tells that it is there again")
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void over(@AuthenticationPrincipal Person person, @PathVariable String id) {
        outages.over(person, id);
    }
}

package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.batch.SlipEvent;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.server.Ids;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.coldside.Shelf;
import potamos.server.problems.NotFound;

/** What a station says of what it was handed, over HTTP: a station sees no batch, and so it says it of the slip. */
@RestController
class SlipEndpoint {

    /**
     * It is taken over.
     *
     * @param id      made by the screen, a UUID; sending it again changes nothing
     * @param celsius read at handing over; nothing where nobody read it
     */
    record TakingOver(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id, Double celsius) {}

    /**
     * Litres of it come back.
     *
     * @param celsius read as they do: what is not read cold is thrown away
     * @param reason  why
     */
    record Return(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id,

            Double litres,
            Double celsius,
            @Size(max = 500) String reason) {}

    private final Batches batches;
    private final Shelf shelf;
    private final KitchenClock clock;

    SlipEndpoint(Batches batches, Shelf shelf, KitchenClock clock) {
        this.batches = batches;
        this.shelf = shelf;
        this.clock = clock;
    }

    @Operation(summary = "The station has taken over what a slip says")
    @PostMapping("/api/deliveries/{id}/taking-over")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeOver(
            @AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody TakingOver body) {
        log(person, id, new SlipEvent.TakenOver(stamp(person, body.id()), id, read(body.celsius())));
    }

    @Operation(summary = "Litres of a slip come back: cold into their lot, else to be thrown away")
    @PostMapping("/api/deliveries/{id}/returns")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void comeBack(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Return body) {
        Volume litres = Volume.ofLitres(Refusal.unlessGiven("litres", body.litres()));
        String reason = body.reason() == null ? "" : body.reason().trim();
        log(person, id, new SlipEvent.Returned(stamp(person, body.id()), id, litres, read(body.celsius()), reason));
    }

    private void log(Person person, String slip, SlipEvent event) {
        person.requireALook();
        Shelf.Handed handed = shelf.handed(person.kitchenId(), slip).orElseThrow(() -> new NotFound("slip"));
        batches.log(person, handed.batchId(), event);
    }

    private Stamp stamp(Person person, String id) {
        return new Stamp(id, clock.instant(), person.initials());
    }

    private static Optional<Temperature> read(Double celsius) {
        return Optional.ofNullable(celsius).map(Temperature::ofCelsius);
    }
}

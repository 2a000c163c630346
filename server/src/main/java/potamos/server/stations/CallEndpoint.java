package potamos.server.stations;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.charge.Needs;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.safety.Allergen;
import potamos.server.accounts.Person;
import potamos.server.formulas.Formulas;

/** Calls over HTTP. */
@RestController
@RequestMapping("/api/calls")
class CallEndpoint {

    /**
     * A call.
     *
     * @param promisedL what is being made, or stands on the shelf, for it, and is not handed over yet
     * @param openL     what nobody has planned
     * @param dueL      what is still to be handed over
     * @param nearlyMet whether it may be closed as met
     * @param closedAs  why it was closed short
     * @param againUntil until when one that was taken back can be asked for again as it was
     * @param told      what the station was told last of how it comes
     */
    record CallView(
            @NotNull String id,
            @NotNull String stationId,
            @NotNull String stationName,
            @NotNull String formulaSlug,
            @NotNull String formulaName,
            double litres,
            @NotNull Instant readyBy,
            @NotNull List<Allergen> without,
            @NotNull List<Needs.Need> needs,
            @NotNull String note,
            @NotNull String askedBy,
            @NotNull Instant askedAt,
            double deliveredL,
            double promisedL,
            double openL,
            double dueL,
            boolean nearlyMet,
            Optional<String> batchId,
            Optional<String> closedAs,
            Optional<Instant> againUntil,
            Optional<Told> told,
            @NotNull Calls.Status status) {}

    /** What the station was told of it: litres and when they are there; none where it gets none. */
    record Told(
            @NotNull List<Calls.Comes> comes,
            @NotNull Instant at,
            @NotNull String by) {
        static Told of(Calls.Word word) {
            return new Told(word.comes(), word.at(), word.by());
        }
    }

    /** What may be asked for, and by whom. */
    record Menu(@NotNull List<MenuItem> formulas, @NotNull List<MenuStation> stations) {}

    /** A stock; {@code fails} is what it can never be. */
    record MenuItem(
            @NotNull String slug,
            @NotNull String name,
            @NotNull Family family,
            @NotNull List<Allergen> allergens,
            @NotNull List<Needs.Need> fails) {}

    /** A station with what it needs of every stock. */
    record MenuStation(
            @NotNull String id,
            @NotNull String name,
            @NotNull List<Allergen> without,
            @NotNull List<Needs.Need> needs) {}

    record Ask(
            @NotNull @Pattern(regexp = "[0-9a-f-]{36}") String id,
            String stationId,
            @NotBlank @Size(max = 60) String formula,
            double litres,
            @NotNull Instant readyBy,
            Set<@NotNull Allergen> without,
            Set<Needs.@NotNull Need> needs,
            @Size(max = 300) String note) {
        Needs asked() {
            return new Needs(without == null ? Set.of() : without, needs == null ? Set.of() : needs);
        }
    }

    record Change(double litres, @NotNull Instant readyBy) {}

    record Closing(@Size(max = 300) String reason) {}

    private final Calls calls;
    private final Formulas formulas;
    private final Stations stations;
    private final CallTable table;

    CallEndpoint(Calls calls, Formulas formulas, Stations stations, CallTable table) {
        this.table = table;
        this.calls = calls;
        this.formulas = formulas;
        this.stations = stations;
    }

    @Operation(summary = "Calls of the stations")
    @GetMapping
    List<CallView> all(@AuthenticationPrincipal Person person) {
        return calls.all(person).stream().map(CallEndpoint::view).toList();
    }

    @Operation(summary = "Stocks that can be asked for")
    @GetMapping("/menu")
    Menu menu(@AuthenticationPrincipal Person person) {
        person.requireALook();
        return new Menu(
                formulas.all(person.kitchenId()).stream()
                        .map(f -> new MenuItem(f.slug(), f.name(), f.family(), List.copyOf(f.allergens()), fails(f)))
                        .toList(),
                stations.of(person.kitchenId()).stream()
                        .filter(s ->
                                person.stationId() == null || person.stationId().equals(s.id()))
                        .map(s -> new MenuStation(
                                s.id(),
                                s.name(),
                                s.needs().without().stream().sorted().toList(),
                                s.needs().needs().stream().sorted().toList()))
                        .toList());
    }

    @Operation(summary = "A call with what became of it")
    @GetMapping("/{id}")
    CallView one(@AuthenticationPrincipal Person person, @PathVariable String id) {
        return view(calls.of(person, id));
    }

    @Operation(summary = "A station asks for stock")
    @PostMapping
    CallView ask(@AuthenticationPrincipal Person person, @Valid @RequestBody Ask body) {
        calls.ask(
                person,
                body.id(),
                new Calls.Wish(
                        body.stationId(), body.formula(), body.litres(), body.readyBy(), body.asked(), body.note()));
        return view(calls.of(person, body.id()));
    }

    @Operation(summary = "Asks for every line of a table: station, formula, litres, ready by, without, note")
    @PostMapping(path = "/table", consumes = "text/csv")
    List<CallView> table(@AuthenticationPrincipal Person person, @RequestBody String csv) {
        return table.ask(person, csv).stream()
                .map(id -> view(calls.of(person, id)))
                .toList();
    }

    @Operation(summary = "Asks for more or less, or for another time")
    @PutMapping("/{id}")
    CallView change(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Change body) {
        calls.change(person, id, body.litres(), body.readyBy());
        return view(calls.of(person, id));
    }

    @Operation(summary = "Takes a call back")
    @PostMapping("/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@AuthenticationPrincipal Person person, @PathVariable String id) {
        calls.withdraw(person, id);
    }

    @Operation(summary = "Asks again for what was taken back a moment ago")
    @DeleteMapping("/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void askAgain(@AuthenticationPrincipal Person person, @PathVariable String id) {
        calls.askAgain(person, id);
    }

    @Operation(summary = "Closes a call: as met when it nearly is, else short and with a reason")
    @PostMapping("/{id}/closing")
    CallView close(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Closing body) {
        calls.close(person, id, body.reason() == null ? "" : body.reason());
        return view(calls.of(person, id));
    }

    @Operation(summary = "Opens a call that was closed by mistake")
    @DeleteMapping("/{id}/closing")
    CallView open(@AuthenticationPrincipal Person person, @PathVariable String id) {
        calls.open(person, id);
        return view(calls.of(person, id));
    }

    private static List<Needs.Need> fails(Formula formula) {
        return Stream.of(Needs.Need.values())
                .filter(need ->
                        new Needs(Set.of(), Set.of(need)).refused(formula).isPresent())
                .toList();
    }

    private static CallView view(Calls.Call call) {
        return new CallView(
                call.id(),
                call.stationId(),
                call.stationName(),
                call.formulaSlug(),
                call.formulaName(),
                call.litres(),
                call.readyBy(),
                call.needs().without().stream().sorted().toList(),
                call.needs().needs().stream().sorted().toList(),
                call.note(),
                call.askedBy(),
                call.askedAt(),
                call.owed().delivered().litres(),
                call.owed().promised().litres(),
                call.owed().open().litres(),
                call.owed().due().litres(),
                call.owed().nearlyMet(),
                call.batchId(),
                call.closedAs(),
                call.againUntil(),
                call.told().map(Told::of),
                call.status());
    }
}

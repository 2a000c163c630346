package potamos.server.stations;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.charge.Needs;
import potamos.core.safety.Allergen;
import potamos.core.schedule.Standing;
import potamos.server.accounts.Person;

/** Calls that come back, over HTTP. */
@RestController
@RequestMapping("/api/standing-calls")
class StandingEndpoint {

    /**
     * One of them.
     *
     * @param onHand whether its litres are to stand in the cold: only what lacks of them is asked for
     * @param by   hour and minute of the kitchen's own clock
     * @param next when it is wanted next; nothing where that is more than two weeks off
     */
    record StandingView(
            @NotNull String id,
            @NotNull String stationName,
            @NotNull String formulaName,
            double litres,
            @NotNull List<DayOfWeek> days,
            @NotNull String by,
            @NotNull List<LocalDate> skips,
            @NotNull List<Allergen> without,
            @NotNull List<Needs.Need> needs,
            @NotNull String note,
            boolean onHand,
            Optional<Instant> next) {
        static StandingView of(StandingCalls.Pattern pattern) {
            return new StandingView(
                    pattern.id(),
                    pattern.stationName(),
                    pattern.formulaName(),
                    pattern.litres(),
                    pattern.standing().days().stream().sorted().toList(),
                    pattern.standing().by().toString(),
                    pattern.leftOut(),
                    pattern.needs().without().stream().sorted().toList(),
                    pattern.needs().needs().stream().sorted().toList(),
                    pattern.note(),
                    pattern.onHand(),
                    pattern.next());
        }
    }

    record StandingAsk(
            @NotNull @Pattern(regexp = "[0-9a-f-]{36}") String id,
            String stationId,
            @NotBlank @Size(max = 60) String formula,
            double litres,
            @NotNull @Size(min = 1, max = 7) Set<DayOfWeek> days,
            @NotNull LocalTime by,
            Set<@NotNull Allergen> without,
            Set<Needs.@NotNull Need> needs,
            @Size(max = 300) String note,
            Boolean onHand) {}

    private final StandingCalls standing;

    StandingEndpoint(StandingCalls standing) {
        this.standing = standing;
    }

    @Operation(summary = "Calls that come back week by week")
    @GetMapping
    List<StandingView> all(@AuthenticationPrincipal Person person) {
        return standing.all(person).stream().map(StandingView::of).toList();
    }

    @Operation(summary = "A station asks for stock on some weekdays, from now on")
    @PostMapping
    List<StandingView> ask(@AuthenticationPrincipal Person person, @Valid @RequestBody StandingAsk body) {
        standing.ask(
                person,
                body.id(),
                body.stationId(),
                body.formula(),
                body.litres(),
                new Standing(body.days(), body.by(), Set.of()),
                new Needs(
                        body.without() == null ? Set.of() : body.without(),
                        body.needs() == null ? Set.of() : body.needs()),
                body.note() == null ? "" : body.note(),
                Boolean.TRUE.equals(body.onHand()));
        return all(person);
    }

    @Operation(summary = "Leaves a day out")
    @PutMapping("/{id}/skips/{day}")
    List<StandingView> skip(
            @AuthenticationPrincipal Person person, @PathVariable String id, @PathVariable LocalDate day) {
        standing.skip(person, id, day, true);
        return all(person);
    }

    @Operation(summary = "Takes a day in again that was left out")
    @DeleteMapping("/{id}/skips/{day}")
    List<StandingView> takeIn(
            @AuthenticationPrincipal Person person, @PathVariable String id, @PathVariable LocalDate day) {
        standing.skip(person, id, day, false);
        return all(person);
    }

    @Operation(summary = "Ends one: it comes back no more, and what nobody makes yet is taken back")
    @DeleteMapping("/{id}")
    List<StandingView> end(@AuthenticationPrincipal Person person, @PathVariable String id) {
        standing.end(person, id);
        return all(person);
    }
}

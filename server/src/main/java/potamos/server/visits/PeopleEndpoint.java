package potamos.server.visits;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
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
import potamos.server.accounts.People;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.stations.Stations;

/** The people of a kitchen over HTTP. */
@RestController
@RequestMapping("/api/kitchen/people")
class PeopleEndpoint {

    record MemberView(
            @NotNull String id,
            @NotNull String signIn,
            @NotNull String name,
            @NotNull String initials,
            @NotNull Role role,
            Optional<String> stationId) {}

    record NewMember(
            @NotBlank @Size(max = 60) String signIn,
            @NotBlank @Size(max = 80) String name,
            @NotNull Role role,
            @Size(max = 36) String stationId,
            @NotBlank @Size(max = 72) String password) {}

    record NewPassword(@NotBlank @Size(max = 72) String password) {}

    private final People people;
    private final Stations stations;
    private final Visits visits;

    PeopleEndpoint(People people, Stations stations, Visits visits) {
        this.people = people;
        this.stations = stations;
        this.visits = visits;
    }

    @Operation(summary = "Everybody who works here")
    @GetMapping
    List<MemberView> all(@AuthenticationPrincipal Person person) {
        return people.all(person).stream()
                .map(m -> new MemberView(m.id(), m.signIn(), m.name(), m.initials(), m.role(), m.stationId()))
                .toList();
    }

    @Operation(summary = "Adds a person")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    List<MemberView> add(@AuthenticationPrincipal Person person, @Valid @RequestBody NewMember body) {
        if (body.stationId() != null) {
            stations.one(person.kitchenId(), body.stationId());
        }
        people.add(person, body.signIn(), body.name(), body.role(), body.stationId(), body.password());
        return all(person);
    }

    /** A new password; whoever used the old one is signed out everywhere. */
    @Operation(summary = "Gives a person a new password")
    @PutMapping("/{id}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void renew(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody NewPassword body) {
        people.renew(person, id, body.password());
        visits.endAll(id);
    }

    @Operation(summary = "A person leaves")
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@AuthenticationPrincipal Person person, @PathVariable String id) {
        people.leave(person, id);
        visits.endAll(id);
    }
}

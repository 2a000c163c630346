package potamos.server.visits;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.server.KitchenClock;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Person;

/** Signing in and out, and what a page needs to know before anything else. */
@RestController
@RequestMapping("/api/session")
class SessionEndpoint {

    record SignIn(
            @NotBlank @Size(max = 60) String signIn,
            @NotBlank @Size(max = 72) String password) {}

    record PasswordChoice(
            @NotBlank @Size(max = 72) String soFar,
            @NotBlank @Size(max = 72) String password) {}

    record UnitsChoice(@NotBlank String units) {}

    private final Accounts accounts;
    private final Visits visits;
    private final KitchenClock clock;

    SessionEndpoint(Accounts accounts, Visits visits, KitchenClock clock) {
        this.accounts = accounts;
        this.visits = visits;
        this.clock = clock;
    }

    @Operation(summary = "Who is signed in here")
    @GetMapping
    SessionView visit(@AuthenticationPrincipal Person person, CsrfToken csrf, HttpServletRequest request) {
        // Asking for the token is what sends its cookie.
        csrf.getToken();
        return visits.view(person, request);
    }

    @Operation(summary = "Signs in")
    @PostMapping
    SessionView signIn(@Valid @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
        Person person = accounts.signIn(body.signIn(), body.password(), request.getRemoteAddr(), clock.instant());
        request.getSession(true);
        request.changeSessionId();
        visits.remember(person, request, response);
        return visits.view(person, request);
    }

    /** Chooses one's own password; whoever else is signed in as this person is signed out. */
    @Operation(summary = "Another password of one's own")
    @PutMapping("/password")
    SessionView choose(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody PasswordChoice choice,
            HttpServletRequest request,
            HttpServletResponse response) {
        Person chosen =
                accounts.choose(person, choice.soFar(), choice.password(), request.getRemoteAddr(), clock.instant());
        visits.endOthers(person.id(), request);
        request.changeSessionId();
        visits.remember(chosen, request, response);
        return visits.view(chosen, request);
    }

    @Operation(summary = "The units that this person reads in")
    @PutMapping("/units")
    SessionView units(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody UnitsChoice choice,
            HttpServletRequest request,
            HttpServletResponse response) {
        Person changed = accounts.setUnits(person, choice.units());
        visits.remember(changed, request, response);
        return visits.view(changed, request);
    }

    @Operation(summary = "Signs out")
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request, HttpServletResponse response) {
        // What the browser has kept of the kitchen goes with the visit. Acts that are still to be sent lie in a store
        // that this does not empty.
        response.setHeader("Clear-Site-Data", "\"cache\"");
        SecurityContextHolder.clearContext();
        if (request.getSession(false) != null) {
            request.getSession(false).invalidate();
        }
    }
}

package potamos.server.visits;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
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
import potamos.server.accounts.Role;
import potamos.server.kitchen.Kitchens;

/** Signing in and out, and what a page needs to know before anything else. */
@RestController
@RequestMapping("/api/session")
class SessionEndpoint {

    /** The person as the pages see them. */
    record PersonView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String initials,
            @NotNull Role role,
            @NotNull String units,
            Optional<String> stationId,
            @NotNull List<Role.Right> rights) {}

    /**
     * The state of a visit.
     *
     * @param now       the server's time, by which pages correct their own
     * @param firstRun  whether there is no kitchen yet
     * @param person    who is signed in
     * @param kitchen   its name
     * @param timeZone  in which its clocks run
     * @param demo      sign-ins of the demo; empty outside it
     */
    record SessionView(
            @NotNull Instant now,
            boolean firstRun,
            Optional<PersonView> person,
            Optional<String> kitchen,
            Optional<String> timeZone,
            @NotNull List<DemoSignIns.DemoSignIn> demo) {}

    record SignIn(
            @NotBlank @Size(max = 60) String signIn,
            @NotBlank @Size(max = 72) String password) {}

    record UnitsChoice(@NotBlank String units) {}

    private final Accounts accounts;
    private final Kitchens kitchens;
    private final SecurityContextRepository contexts;
    private final KitchenClock clock;
    private final Optional<DemoSignIns> demo;

    SessionEndpoint(
            Accounts accounts,
            Kitchens kitchens,
            SecurityContextRepository contexts,
            KitchenClock clock,
            Optional<DemoSignIns> demo) {
        this.demo = demo;
        this.accounts = accounts;
        this.kitchens = kitchens;
        this.contexts = contexts;
        this.clock = clock;
    }

    @GetMapping
    SessionView visit(@AuthenticationPrincipal Person person, CsrfToken csrf) {
        // Asking for the token is what sends its cookie.
        csrf.getToken();
        return view(person);
    }

    @PostMapping
    SessionView signIn(@Valid @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
        Person person = accounts.signIn(body.signIn(), body.password(), request.getRemoteAddr(), clock.instant());
        request.getSession(true);
        request.changeSessionId();
        remember(person, request, response);
        return view(person);
    }

    @PutMapping("/units")
    SessionView units(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody UnitsChoice choice,
            HttpServletRequest request,
            HttpServletResponse response) {
        accounts.setUnits(person, choice.units());
        Person changed = new Person(
                person.id(),
                person.kitchenId(),
                person.stationId(),
                person.name(),
                person.initials(),
                person.role(),
                choice.units());
        remember(changed, request, response);
        return view(changed);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        SecurityContextHolder.clearContext();
        if (request.getSession(false) != null) {
            request.getSession(false).invalidate();
        }
    }

    private void remember(Person person, HttpServletRequest request, HttpServletResponse response) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                person, null, AuthorityUtils.createAuthorityList("ROLE_" + person.role())));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    private SessionView view(Person person) {
        Optional<Kitchens.Kitchen> kitchen = Optional.ofNullable(person).map(p -> kitchens.of(p.kitchenId()));
        return new SessionView(
                clock.instant(),
                kitchens.none(),
                Optional.ofNullable(person)
                        .map(p -> new PersonView(
                                p.id(),
                                p.name(),
                                p.initials(),
                                p.role(),
                                p.units(),
                                Optional.ofNullable(p.stationId()),
                                List.of(Role.Right.values()).stream()
                                        .filter(p.role()::may)
                                        .toList())),
                kitchen.map(Kitchens.Kitchen::name),
                kitchen.map(k -> k.zone().getId()),
                demo.stream().flatMap(signIns -> signIns.all().stream()).toList());
    }
}

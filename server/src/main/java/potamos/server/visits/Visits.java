package potamos.server.visits;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.stereotype.Component;
import potamos.server.KitchenClock;
import potamos.server.accounts.People;
import potamos.server.accounts.Person;
import potamos.server.accounts.SessionLife;
import potamos.server.kitchen.Kitchens;

/** Who a screen is, from one request to the next. */
@Component
class Visits {

    private static final String SHARED = "potamos.shared";
    private static final String TOUCHED = "potamos.touched";

    private final Kitchens kitchens;
    private final SecurityContextRepository contexts;
    private final KitchenClock clock;
    private final Optional<DemoSignIns> demo;
    private final JdbcIndexedSessionRepository sessions;
    private final People people;
    private final Optional<Instant> startedAgain;

    Visits(
            Kitchens kitchens,
            SecurityContextRepository contexts,
            KitchenClock clock,
            Optional<DemoSignIns> demo,
            JdbcIndexedSessionRepository sessions,
            People people,
            @Value("${potamos.after-fault}") boolean afterFault) {
        this.people = people;
        this.startedAgain = afterFault ? Optional.of(clock.instant()) : Optional.empty();
        this.sessions = sessions;
        this.kitchens = kitchens;
        this.contexts = contexts;
        this.clock = clock;
        this.demo = demo;
    }

    /** From now on this screen is that person. */
    void remember(Person person, HttpServletRequest request, HttpServletResponse response) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                person, null, AuthorityUtils.createAuthorityList("ROLE_" + person.role())));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    /** Signs somebody out wherever they are signed in. */
    void endAll(String personId) {
        sessions.findByPrincipalName(personId).keySet().forEach(sessions::deleteById);
    }

    /** Signs somebody out wherever they are signed in but here. */
    void endOthers(String personId, HttpServletRequest here) {
        String kept = here.getSession(true).getId();
        sessions.findByPrincipalName(personId).keySet().stream()
                .filter(id -> !id.equals(kept))
                .forEach(sessions::deleteById);
    }

    /** Somebody touches this screen: a PIN that was given here goes on standing for them. */
    void touch(HttpServletRequest request) {
        request.getSession(true).setAttribute(TOUCHED, clock.machine().toEpochMilli());
    }

    /** Whether nobody has touched this screen for as long as a PIN stands. */
    boolean untouched(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Object touched = session == null ? null : session.getAttribute(TOUCHED);
        return !(touched instanceof Long at)
                || Instant.ofEpochMilli(at).plus(SessionLife.UNTOUCHED).isBefore(clock.machine());
    }

    void share(HttpServletRequest request) {
        request.getSession(true).setAttribute(SHARED, true);
    }

    boolean shared(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && Boolean.TRUE.equals(session.getAttribute(SHARED));
    }

    SessionView view(Person person, HttpServletRequest request) {
        Optional<Kitchens.Kitchen> kitchen = Optional.ofNullable(person).map(p -> kitchens.of(p.kitchenId()));
        return new SessionView(
                clock.instant(),
                kitchens.none(),
                Optional.ofNullable(person).map(SessionView.PersonView::of),
                kitchen.map(Kitchens.Kitchen::name),
                kitchen.map(k -> k.zone().getId()),
                shared(request),
                startedAgain,
                Optional.ofNullable(person)
                        .filter(p -> p.signature() == Person.Signature.ONCE)
                        .flatMap(people::passwordSetBy),
                demo.stream().flatMap(signIns -> signIns.all().stream()).toList());
    }
}

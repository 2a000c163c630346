package potamos.server.visits;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import potamos.server.accounts.Person;

/** A PIN at a shared tablet ends here when nobody has touched it for a while: the tablet's own clock may stand still, or be somebody else's program. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class WalkedAway extends OncePerRequestFilter {

    private final Visits visits;

    WalkedAway(Visits visits) {
        this.visits = visits;
    }

    /** After the session has said who is there, and before anything is done in their name. */
    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null
                && who.getPrincipal() instanceof Person person
                && person.signature() == Person.Signature.PIN
                && visits.untouched(request)) {
            visits.remember(person.by(Person.Signature.NOBODY), request, response);
        }
        chain.doFilter(request, response);
    }
}

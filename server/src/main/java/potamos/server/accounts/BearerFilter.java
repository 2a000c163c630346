package potamos.server.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Reads the bearer token of a request and lets in whoever it belongs to. */
public final class BearerFilter extends OncePerRequestFilter {

    private static final String SCHEME = "Bearer ";
    private static final int LONGEST_TOKEN = 200;

    private final Function<String, Optional<?>> caller;

    /** @param caller whose a token is; empty when nobody's */
    public BearerFilter(Function<String, Optional<?>> caller) {
        this.caller = caller;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        if (header != null && header.startsWith(SCHEME) && header.length() < LONGEST_TOKEN) {
            caller.apply(header.substring(SCHEME.length()).trim())
                    .ifPresent(who -> SecurityContextHolder.getContext()
                            .setAuthentication(
                                    UsernamePasswordAuthenticationToken.authenticated(who, null, List.of())));
        }
        chain.doFilter(request, response);
    }

    /** Answers a request whose token nobody knows. */
    public static void unknown(HttpServletResponse response, String detail) throws IOException {
        response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter()
                .write("{\"type\":\"urn:potamos:problem:unknown-token\",\"status\":401,\"detail\":\"" + detail
                        + "\",\"fields\":{}}");
    }
}

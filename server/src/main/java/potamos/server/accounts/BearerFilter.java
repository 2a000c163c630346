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
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.web.filter.OncePerRequestFilter;
import potamos.server.problems.Problems;

/** Reads the bearer token of a request and lets in whoever it belongs to. */
public final class BearerFilter extends OncePerRequestFilter {

    private static final String SCHEME = "Bearer ";
    private static final int LONGEST_TOKEN = 200;

    private final Function<String, Optional<?>> caller;

    /**
     * Opens what a chain matches by a bearer token alone: no session, so no cookie that another site could make a browser send.
     *
     * @param caller whose a token is; empty when nobody's
     * @param how    what to send, for a caller whose token nobody knows
     */
    public static HttpSecurity alone(HttpSecurity http, Function<String, Optional<?>> caller, String how)
            throws Exception {
        return http.authorizeHttpRequests(requests -> requests.anyRequest().authenticated())
                .csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .exceptionHandling(
                        e -> e.authenticationEntryPoint((request, response, refused) -> unknown(response, how)))
                .addFilterBefore(new BearerFilter(caller), AuthorizationFilter.class);
    }

    private BearerFilter(Function<String, Optional<?>> caller) {
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
    private static void unknown(HttpServletResponse response, String detail) throws IOException {
        response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter().write(Problems.written(response.getStatus(), "unknown-token", detail));
    }
}

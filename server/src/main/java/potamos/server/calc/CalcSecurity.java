package potamos.server.calc;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.web.filter.OncePerRequestFilter;

/** Calculations are opened by a bearer token alone: no session, so no cookie that another site could make a browser send. */
@Configuration
class CalcSecurity {

    private static final String SCHEME = "Bearer ";
    private static final int LONGEST_TOKEN = 200;

    @Bean
    @Order(1)
    SecurityFilterChain calculations(HttpSecurity http, Tokens tokens) throws Exception {
        return http.securityMatcher("/api/calc/**")
                .authorizeHttpRequests(requests -> requests.anyRequest().authenticated())
                .csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, refused) -> unknown(response)))
                .addFilterBefore(new Bearer(tokens), AuthorizationFilter.class)
                .build();
    }

    private static void unknown(HttpServletResponse response) throws IOException {
        response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter()
                .write("{\"type\":\"urn:potamos:problem:unknown-token\",\"status\":401,"
                        + "\"detail\":\"Send a token of the kitchen: Authorization: Bearer …; it is made under Kitchen.\","
                        + "\"fields\":{}}");
    }

    /** Reads the token of a request. */
    private static final class Bearer extends OncePerRequestFilter {
        private final Tokens tokens;

        Bearer(Tokens tokens) {
            this.tokens = tokens;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            String header = request.getHeader(HttpHeaders.AUTHORIZATION);
            if (header != null && header.startsWith(SCHEME) && header.length() < LONGEST_TOKEN) {
                tokens.caller(header.substring(SCHEME.length()).trim())
                        .ifPresent(caller -> SecurityContextHolder.getContext()
                                .setAuthentication(
                                        UsernamePasswordAuthenticationToken.authenticated(caller, null, List.of())));
            }
            chain.doFilter(request, response);
        }
    }
}

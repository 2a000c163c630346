package potamos.server.accounts;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may reach what over HTTP. Rows are guarded again in the services: everything belongs to a kitchen, some of it to a station. */
@Configuration
class SecurityConfiguration {

    /** Scripts, styles, fonts and pictures come from us alone; nobody may frame us. Radix places its poppers with inline style attributes. */
    private static final String CONTENT_SECURITY =
            "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline';"
                    + " object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";

    static final int STRONG = 10;
    private static final int WEAK = 4;

    /** The pages themselves, and whether the server lives: the same for everybody, and there also while the database is away. */
    @Bean
    @Order(3)
    SecurityFilterChain open(HttpSecurity http) throws Exception {
        return http.securityMatcher(SecurityConfiguration::forEverybody)
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .securityContext(AbstractHttpConfigurer::disable)
                .sessionManagement(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .headers(SecurityConfiguration::headers)
                .build();
    }

    private static boolean forEverybody(HttpServletRequest request) {
        String path = request.getServletPath();
        return path.startsWith("/actuator/health") || !path.startsWith("/api/") && !path.startsWith("/actuator");
    }

    private static void headers(HeadersConfigurer<HttpSecurity> headers) {
        headers.contentSecurityPolicy(csp -> csp.policyDirectives(CONTENT_SECURITY))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN));
    }

    /** The token that shows where a request comes from is kept as long as the visit: a browser that was closed and opened again still has both. */
    private static CookieCsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.maxAge(SessionLife.LONGEST).sameSite("Strict"));
        return tokens;
    }

    @Bean
    SecurityFilterChain security(HttpSecurity http, SecurityContextRepository contexts) throws Exception {
        return http.authorizeHttpRequests(
                        requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.ASYNC)
                                .permitAll()
                                .requestMatchers("/api/session", "/api/openapi.json")
                                .permitAll()
                                .requestMatchers(HttpMethod.POST, "/api/kitchen")
                                .permitAll()
                                .requestMatchers(HttpMethod.GET, "/api/calendars/*")
                                .permitAll()
                                .anyRequest()
                                .authenticated())
                .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens()))
                .securityContext(context -> context.securityContextRepository(contexts))
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .exceptionHandling(e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .headers(SecurityConfiguration::headers)
                .build();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** The passwords of a demo are printed beside its sign-in; its start does not wait for hashing them hard. */
    @Bean
    PasswordEncoder encoder(@Value("${potamos.demo}") boolean demo) {
        return new BCryptPasswordEncoder(demo ? WEAK : STRONG);
    }

    /** Sign-in goes through {@link Accounts}; this keeps Spring from making an account of its own. */
    @Bean
    UserDetailsService nobody() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }
}

package potamos.server.accounts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;
import potamos.server.problems.Problems;

/**
 * Limits on how often and how many at once: no session above forty requests a second for long, no program or device above twenty, none with more than a
 * dozen at once. Counted by each instance for itself: it is its own machine that they protect.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Limits extends OncePerRequestFilter {

    /** A screen asks half a dozen things at once; half of what the bulkhead lets in is the most for one of them. */
    private static final int AT_ONCE = 12;

    private static final int AT_ONCE_FROM_AN_ADDRESS = 48;
    private static final int BURST = 400;
    private static final int A_SECOND = 40;

    /** A program or a device gets less than a person at a screen whose finger drags; each by its token, for two hundred probes report through one gateway. */
    private static final int PROGRAM_BURST = 60;

    private static final int PROGRAM_A_SECOND = 20;
    private static final Pattern PROGRAM = Pattern.compile("/api/calc/.*|/api/devices/[^/]+/readings");
    private static final int LONGEST_KEY = 250;

    /** What anybody may ask: an answer says nothing about who asked. */
    private static final Set<String> OPEN = Set.of("/api/session", "/api/openapi.json", "/api/kitchen");

    private static final class Caller {
        private final Bucket bucket;
        private final Semaphore atOnce;
        private volatile boolean letIn;

        private Caller(int burst, int aSecond, int most) {
            atOnce = new Semaphore(most);
            bucket = Bucket.builder()
                    .addLimit(limit -> limit.capacity(burst).refillGreedy(aSecond, Duration.ofSeconds(1)))
                    .build();
        }
    }

    private final Cache<String, Caller> callers = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterAccess(Duration.ofMinutes(10))
            .build();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getServletPath().startsWith("/api/")) {
            limited(request, response, chain);
        } else {
            answer(request, response, chain);
        }
    }

    /** Each caller by its own limit; one that has not been let in yet also by that of its address, or a made-up token for each request would meet none. */
    private void limited(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Caller> caller = caller(request);
        boolean known = caller.map(c -> c.letIn).orElse(false);
        List<Caller> counted = Stream.concat(caller.stream(), known ? Stream.empty() : Stream.of(address(request)))
                .toList();
        if (!counted.stream().allMatch(c -> c.bucket.tryConsume(1))) {
            tellToWait(response);
            return;
        }
        List<Caller> entered = new ArrayList<>();
        try {
            for (Caller each : counted) {
                if (!each.atOnce.tryAcquire()) {
                    tellToWait(response);
                    return;
                }
                entered.add(each);
            }
            answer(request, response, chain);
        } finally {
            entered.forEach(each -> each.atOnce.release());
        }
        boolean letIn = response.getStatus() < 400 && !OPEN.contains(request.getServletPath());
        if (letIn || response.getStatus() == HttpServletResponse.SC_UNAUTHORIZED) {
            caller.ifPresent(c -> c.letIn = letIn);
        }
    }

    private static void tellToWait(HttpServletResponse response) throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, "1");
        refuse(response, 429, "too-many", "Too many requests; wait a second.");
    }

    private static void answer(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException away) {
            // The session lies in the database too, so this can happen before any endpoint is reached, and after one
            // has begun to answer.
            if (response.isCommitted()) {
                throw away;
            }
            response.resetBuffer();
            response.setHeader(HttpHeaders.RETRY_AFTER, "5");
            refuse(response, 503, "unavailable", Problems.STORE_AWAY);
        }
    }

    /** Whoever says who they are: a program or a device by its token, a screen by its session. */
    private Optional<Caller> caller(HttpServletRequest request) {
        if (PROGRAM.matcher(request.getServletPath()).matches()
                && request.getMethod().equals("POST")) {
            return Optional.ofNullable(request.getHeader(HttpHeaders.AUTHORIZATION))
                    .map(token -> callers.get(
                            key("token ", token), k -> new Caller(PROGRAM_BURST, PROGRAM_A_SECOND, AT_ONCE)));
        }
        Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
        return Arrays.stream(cookies)
                .filter(cookie -> cookie.getName().equals("potamos"))
                .findFirst()
                .map(cookie ->
                        callers.get(key("screen ", cookie.getValue()), k -> new Caller(BURST, A_SECOND, AT_ONCE)));
    }

    private Caller address(HttpServletRequest request) {
        return callers.get(
                "from " + request.getRemoteAddr(), k -> new Caller(BURST, A_SECOND, AT_ONCE_FROM_AN_ADDRESS));
    }

    private static String key(String kind, String value) {
        return kind + value.substring(0, Math.min(LONGEST_KEY, value.length()));
    }

    private static void refuse(HttpServletResponse response, int status, String type, String detail)
            throws IOException {
        byte[] problem = Problems.written(status, type, detail).getBytes(StandardCharsets.UTF_8);
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setContentLength(problem.length);
        // As endpoints write: one that has begun has taken the stream, and a response gives a writer or a stream.
        response.getOutputStream().write(problem);
    }
}

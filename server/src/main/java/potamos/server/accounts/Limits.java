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
import java.time.Duration;
import java.util.Arrays;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/** Limits on how large and how often: no body above a quarter of a megabyte, or eight for a photo; no session above forty requests a second for long. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Limits extends OncePerRequestFilter {

    private static final long LARGEST_BODY = 256 * 1024;
    private static final long LARGEST_PHOTO = 8 * 1024 * 1024;
    private static final Pattern PHOTO = Pattern.compile("/api/batches/[0-9a-f-]{36}/photos/[0-9a-f-]{36}");
    private static final int BURST = 400;
    private static final int A_SECOND = 40;

    /** Programs that calculate get less than a person at a screen whose finger drags. */
    private static final int CALC_BURST = 60;

    private static final int CALC_A_SECOND = 20;

    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterAccess(Duration.ofMinutes(10))
            .build();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean photo = PHOTO.matcher(request.getRequestURI()).matches();
        if (request.getContentLengthLong() > (photo ? LARGEST_PHOTO : LARGEST_BODY)) {
            String most = photo ? "More than 8 MB in one photo." : "More than 256 kB in one request.";
            refuse(response, 413, "too-large", most);
        } else if (request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null) {
            refuse(response, 411, "length-required", "Say how long the request is.");
        } else if (request.getRequestURI().startsWith("/api/")
                && !bucket(request).tryConsume(1)) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "1");
            refuse(response, 429, "too-many", "Too many requests; wait a second.");
        } else {
            try {
                chain.doFilter(request, response);
            } catch (DataAccessException | TransactionException away) {
                // The session lies in the database too, so this can happen before any endpoint is reached.
                response.setHeader(HttpHeaders.RETRY_AFTER, "5");
                refuse(response, 503, "unavailable", "The store does not answer just now. Nothing was written.");
            }
        }
    }

    private Bucket bucket(HttpServletRequest request) {
        if (request.getRequestURI().startsWith("/api/calc/")) {
            String token = request.getHeader(HttpHeaders.AUTHORIZATION);
            String caller = "calc " + (token == null ? request.getRemoteAddr() : token);
            return buckets.get(
                    caller.substring(0, Math.min(250, caller.length())), key -> bucket(CALC_BURST, CALC_A_SECOND));
        }
        Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
        String who = Arrays.stream(cookies)
                .filter(cookie -> cookie.getName().equals("potamos"))
                .map(Cookie::getValue)
                .findFirst()
                .orElse(request.getRemoteAddr());
        return buckets.get(who, key -> bucket(BURST, A_SECOND));
    }

    private static Bucket bucket(int burst, int aSecond) {
        return Bucket.builder()
                .addLimit(limit -> limit.capacity(burst).refillGreedy(aSecond, Duration.ofSeconds(1)))
                .build();
    }

    private static void refuse(HttpServletResponse response, int status, String type, String detail)
            throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter()
                .write("{\"type\":\"urn:potamos:problem:%s\",\"status\":%d,\"detail\":\"%s\",\"fields\":{}}"
                        .formatted(type, status, detail));
    }
}

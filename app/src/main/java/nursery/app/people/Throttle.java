package nursery.app.people;

import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How often one address may try to get in: a bucket of tries that fills again by the minute. Each instance counts for
 * itself; how often one maker is tried is counted in the database.
 */
@Component
class Throttle extends OncePerRequestFilter {

    private static final Set<String> DOORS = Set.of("/sign-in", "/join", "/unlock");
    private static final int MOST_ADDRESSES = 10_000;

    private final int perMinute;
    private final Map<String, Bucket> buckets = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Bucket> eldest) {
            return size() > MOST_ADDRESSES;
        }
    });

    Throttle(@Value("${nursery.tries-per-minute:20}") int perMinute) {
        this.perMinute = perMinute;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if ("POST".equals(request.getMethod())
                && DOORS.contains(request.getRequestURI())
                && !bucket(request.getRemoteAddr()).tryConsume(1)) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            response.setHeader("Retry-After", "60");
            response.setContentType("text/plain;charset=UTF-8");
            response.getWriter().write("Too many tries from this address. Wait a minute, go back and try again.");
            return;
        }
        chain.doFilter(request, response);
    }

    private Bucket bucket(String address) {
        return buckets.computeIfAbsent(address, key -> Bucket.builder()
                .addLimit(Bandwidth.builder()
                        .capacity(perMinute)
                        .refillGreedy(perMinute, Duration.ofMinutes(1))
                        .build())
                .build());
    }
}

package nursery.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.server.ServletServerHttpRequest;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.WebUtils;

/**
 * Refuses what changes something when the browser itself says that another site sent it: also one on another port of
 * this machine, which could plant a cookie here. Browsers of before 2020 say it by Origin only.
 */
@Component
class SameSite extends OncePerRequestFilter {

    private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS", "TRACE");
    private static final Set<String> OURS = Set.of("same-origin", "none");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!SAFE.contains(request.getMethod()) && isForeign(request)) {
            request.getRequestDispatcher("/stale").forward(request, response);
        } else {
            chain.doFilter(request, response);
        }
    }

    private static boolean isForeign(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        if (site != null && !OURS.contains(site)) {
            return true;
        }
        // "null" is what a page without an origin sends: a file, a sandbox.
        return origin != null && ("null".equals(origin) || !isSame(request));
    }

    private static boolean isSame(HttpServletRequest request) {
        try {
            return WebUtils.isSameOrigin(new ServletServerHttpRequest(request));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}

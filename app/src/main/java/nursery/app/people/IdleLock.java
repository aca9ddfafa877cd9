package nursery.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import nursery.app.platform.Moments;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A signed-in screen that nobody touched for a while asks again who is there. What was typed is carried through the
 * question: a form that comes from a locked screen comes back with a field for PIN or password, and is taken with it.
 */
@Component
class IdleLock extends OncePerRequestFilter {

    static final String FIELD = "unlock-secret";
    private static final String TOUCHED = "touchedAt";
    private static final String LOCKED = "locked";
    private static final Duration NOTED_EVERY = Duration.ofSeconds(30);
    private static final Set<String> FREE =
            Set.of("/sign-in", "/sign-out", "/join", "/trust", "/trust/nursery.crt", "/stale", "/not-yours", "/locked");

    private final Makers makers;
    private final Moments moments;
    private final Audit audit;

    IdleLock(Makers makers, Moments moments, Audit audit) {
        this.makers = makers;
        this.moments = moments;
        this.audit = audit;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        HttpSession session = request.getSession(false);
        if (session == null
                || who == null
                || who instanceof AnonymousAuthenticationToken
                || FREE.contains(request.getRequestURI())
                || request.getRequestURI().startsWith("/seen/")) {
            chain.doFilter(request, response);
            return;
        }
        Instant now = moments.now();
        if (isLocked(session, now)) {
            String secret = Optional.ofNullable(request.getParameter(FIELD)).orElse("");
            if (secret.isEmpty() || !opens(who, secret)) {
                ask(request, response, !secret.isEmpty());
                return;
            }
            session.removeAttribute(LOCKED);
        }
        touch(request, session, now);
        if (request.getRequestURI().equals("/unlock")) {
            onwards(request, response);
            return;
        }
        chain.doFilter(request, response);
    }

    private boolean isLocked(HttpSession session, Instant now) {
        if (session.getAttribute(LOCKED) != null) {
            return true;
        }
        if (session.getAttribute(TOUCHED) instanceof Instant touched
                && touched.plus(Duration.ofMinutes(makers.lockMinutes())).isBefore(now)) {
            session.setAttribute(LOCKED, Boolean.TRUE);
            return true;
        }
        return false;
    }

    private boolean opens(Authentication who, String secret) {
        String name = who.getName();
        boolean right = makers.named(name)
                .filter(found -> makers.knows(found, secret, SignInDetails.device(who)))
                .isPresent();
        if (!right) {
            audit.tell(name, Audit.What.WRONG, "at a locked screen");
        }
        return right;
    }

    /** What a page fetches by itself is no touch. */
    private static void touch(HttpServletRequest request, HttpSession session, Instant now) {
        boolean byItself = "GET".equals(request.getMethod())
                && (request.getHeader("HX-Request") != null
                        || request.getRequestURI().equals("/scale/stream"));
        Object touched = session.getAttribute(TOUCHED);
        if (touched == null
                || !byItself && Duration.between((Instant) touched, now).compareTo(NOTED_EVERY) > 0) {
            session.setAttribute(TOUCHED, now);
        }
    }

    private static boolean isAskedByScript(HttpServletRequest request) {
        return request.getRequestURI().equals("/unlock") && request.getParameter("to") == null;
    }

    private static void onwards(HttpServletRequest request, HttpServletResponse response) throws IOException {
        String to = Optional.ofNullable(request.getParameter("to")).orElse("");
        // Only within the shop: no other site is led to from here.
        if (to.matches("/([^/\\\\].*)?")) {
            response.sendRedirect(to);
        } else {
            response.setStatus(HttpStatus.NO_CONTENT.value());
        }
    }

    private static void ask(HttpServletRequest request, HttpServletResponse response, boolean wrong)
            throws ServletException, IOException {
        if (request.getHeader("HX-Request") != null
                || isAskedByScript(request)
                || request.getRequestURI().startsWith("/api/")) {
            // The page stays as it is, with all that was typed; its script asks.
            response.setStatus(HttpStatus.LOCKED.value());
            return;
        }
        request.setAttribute("wrong", wrong);
        request.getRequestDispatcher("/locked").forward(request, response);
    }
}

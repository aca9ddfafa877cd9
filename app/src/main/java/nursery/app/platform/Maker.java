package nursery.app.platform;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Duration;
import java.util.stream.Stream;
import org.springframework.http.ResponseCookie;

/** Who is at this tablet, so that the log can say by whom. */
public record Maker(String name) {

    public static final int LONGEST_NAME = 40;
    private static final String COOKIE = "maker";
    private static final Maker UNNAMED = new Maker("the bench");

    /** Whoever is signed in; where nobody needs to, the name that was given at this tablet. */
    public static Maker of(HttpServletRequest request) {
        Principal signedIn = request.getUserPrincipal();
        if (signedIn != null) {
            return new Maker(signedIn.getName());
        }
        Cookie[] cookies = request.getCookies();
        return Stream.of(cookies == null ? new Cookie[0] : cookies)
                .filter(cookie -> COOKIE.equals(cookie.getName()))
                .map(cookie -> decode(cookie.getValue()))
                .filter(name -> !name.isBlank() && name.length() <= LONGEST_NAME)
                .findFirst()
                .map(Maker::new)
                .orElse(UNNAMED);
    }

    public boolean isNamed() {
        return !equals(UNNAMED);
    }

    public ResponseCookie cookie() {
        return ResponseCookie.from(COOKIE, URLEncoder.encode(name, StandardCharsets.UTF_8))
                .path("/")
                .sameSite("Strict")
                .httpOnly(true)
                .maxAge(Duration.ofDays(365))
                .build();
    }

    private static String decode(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8).strip();
        } catch (IllegalArgumentException e) {
            return "";
        }
    }
}

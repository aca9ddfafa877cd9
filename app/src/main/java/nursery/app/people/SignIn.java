package nursery.app.people;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.people.DeviceMapper.DeviceRow;
import nursery.app.people.PeopleMapper.MakerRow;
import nursery.app.platform.Secret;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/**
 * Getting in: by a password anywhere, by a PIN on a device that joined. Both are the framework's own comparison; here
 * stands which of the two counts, and what becomes of it.
 */
@Component
class SignIn {

    static final String DEVICE_COOKIE = "device";
    private static final Duration VISIT = Duration.ofHours(1);

    private final Makers makers;
    private final Devices devices;
    private final PasswordEncoder encoder;
    private final Audit audit;
    private final Duration staysIn;
    /**
     * What is compared where there is none, so that this takes as long; it takes a second, and is made when asked for.
     */
    private final SingletonSupplier<String> nobodys;

    private final SavedRequestAwareAuthenticationSuccessHandler onwards =
            new SavedRequestAwareAuthenticationSuccessHandler();

    /** @param staysIn how long somebody stays signed in without a touch */
    SignIn(
            Makers makers,
            Devices devices,
            PasswordEncoder encoder,
            Audit audit,
            @Value("${spring.session.timeout}") Duration staysIn) {
        this.staysIn = staysIn;
        this.makers = makers;
        this.devices = devices;
        this.encoder = encoder;
        this.audit = audit;
        onwards.setDefaultTargetUrl("/");
        nobodys = SingletonSupplier.of(
                () -> Objects.requireNonNull(encoder.encode(Secret.fresh().text())));
    }

    AuthenticationManager manager() {
        return new ProviderManager(way(false, this::byPassword), way(true, this::byPin));
    }

    /** The framework's provider for one way of signing in; of another it says nothing. */
    private AuthenticationProvider way(boolean pin, UserDetailsService who) {
        DaoAuthenticationProvider compares = new DaoAuthenticationProvider(who);
        compares.setPasswordEncoder(encoder);
        return new AuthenticationProvider() {
            @Override
            public @Nullable Authentication authenticate(Authentication tried) {
                boolean byPin = tried.getDetails() instanceof SignInDetails details && details.pin();
                if (byPin != pin) {
                    return null;
                }
                boolean mayNot = makers.named(tried.getName())
                        .filter(row -> (pin ? row.pinHash() : row.passwordHash()) != null)
                        .filter(row -> !makers.mayTry(row.id(), SignInDetails.device(tried), pin))
                        .isPresent();
                if (mayNot) {
                    throw new LockedException("Too many tries");
                }
                return compares.authenticate(tried);
            }

            @Override
            public boolean supports(Class<?> kind) {
                return compares.supports(kind);
            }
        };
    }

    private UserDetails byPassword(String name) {
        MakerRow row = makers.named(name).orElseThrow(() -> new UsernameNotFoundException(name));
        return user(row, row.passwordHash());
    }

    private UserDetails byPin(String name) {
        MakerRow row = makers.named(name).orElseThrow(() -> new UsernameNotFoundException(name));
        return user(row, row.pinHash());
    }

    private UserDetails user(MakerRow row, @Nullable String hash) {
        return User.withUsername(row.name())
                .password(hash == null ? nobodys.obtain() : hash)
                .disabled(hash == null)
                .authorities("maker")
                .build();
    }

    SignInDetails details(HttpServletRequest request) {
        Optional<DeviceRow> device = device(request).filter(row -> row.removedAt() == null);
        return new SignInDetails(
                device.map(DeviceRow::id).orElse(0L),
                device.map(DeviceRow::name).orElse(""),
                device.isPresent() && "pin".equals(request.getParameter("way")));
    }

    /** The joined device that asks, or one that was removed. */
    Optional<DeviceRow> device(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return Stream.of(cookies == null ? new Cookie[0] : cookies)
                .filter(cookie -> DEVICE_COOKIE.equals(cookie.getName()))
                .map(Cookie::getValue)
                .findFirst()
                .flatMap(devices::of);
    }

    /** Whoever has not come in is soon forgotten: nobody can fill the database by knocking. */
    static void visits(HttpSession session) {
        session.setMaxInactiveInterval((int) VISIT.toSeconds());
    }

    void succeeded(HttpServletRequest request, HttpServletResponse response, Authentication who)
            throws IOException, jakarta.servlet.ServletException {
        boolean pin = who.getDetails() instanceof SignInDetails details && details.pin();
        request.getSession().setMaxInactiveInterval((int) staysIn.toSeconds());
        makers.right(who.getName(), SignInDetails.device(who), pin);
        audit.tell(who.getName(), Audit.What.SIGNED_IN, pin ? "by PIN" : "by password");
        onwards.onAuthenticationSuccess(request, response, who);
    }

    void failed(HttpServletRequest request, HttpServletResponse response, AuthenticationException refused)
            throws IOException {
        String name = Optional.ofNullable(request.getParameter("who")).orElse("");
        boolean pin = details(request).pin();
        boolean locked = refused instanceof LockedException;
        audit.tell(name, Audit.What.WRONG, locked ? "locked" : pin ? "wrong PIN" : "wrong name or password");
        response.sendRedirect("/sign-in?" + (locked ? pin ? "pin-locked" : "wait" : pin ? "wrong-pin" : "wrong"));
    }

    void leaving(HttpServletRequest request, HttpServletResponse response, @Nullable Authentication who) {
        if (who != null) {
            audit.tell(who.getName(), Audit.What.SIGNED_OUT, "");
        }
    }
}

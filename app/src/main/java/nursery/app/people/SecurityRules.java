package nursery.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import nursery.app.platform.Hosts;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder.SecretKeyFactoryAlgorithm;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;

/**
 * Who may act. As long as no owner has a password, whoever reaches the shop is at its bench: it listens on loopback.
 * From then on every page asks who is there and {@link Access} says what for. In both cases another site acting through
 * the maker's browser is kept out: forms carry a token that belongs to the session, what a browser says comes from
 * elsewhere is refused, pages run no script but ours, and a request that names a foreign host (DNS rebinding) is
 * refused.
 */
@Configuration
class SecurityRules {

    private static final String CONTENT_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; manifest-src 'self'; form-action 'self'; base-uri "
                    + "'none'; frame-ancestors 'none'";
    private static final String[] STATIC = {
        "/css/**", "/js/**", "/fonts/**", "/webjars/**", "/favicon.svg", "/favicon.ico", "/ping", "/manifest.json"
    };

    private final Makers makers;
    private final Hosts hosts;
    private final int plainPort;
    private final int tlsPort;

    SecurityRules(
            Makers makers,
            Hosts hosts,
            @Value("${nursery.plain.port:0}") int plainPort,
            @Value("${nursery.lan.port:8443}") int tlsPort) {
        this.makers = makers;
        this.hosts = hosts;
        this.plainPort = plainPort;
        this.tlsPort = tlsPort;
    }

    /** What ships with the application is anybody's, and needs no session. */
    @Bean
    @Order(1)
    SecurityFilterChain shipped(HttpSecurity http) throws Exception {
        return plain(http.securityMatcher(STATIC))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable)
                .build();
    }

    /** A calendar program knows one secret and keeps no cookie. */
    @Bean
    @Order(2)
    SecurityFilterChain feeds(HttpSecurity http) throws Exception {
        return plain(http.securityMatcher("/alarms/feed/**"))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable)
                .build();
    }

    /** A sensor is known by its own secret, which is checked where its readings are taken. */
    @Bean
    @Order(3)
    SecurityFilterChain sensors(HttpSecurity http) throws Exception {
        return plain(http.securityMatcher("/api/room/readings"))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable)
                .build();
    }

    /**
     * Programs: a hashed token each, or the session of whoever is signed in at this screen. A POST here computes and
     * changes nothing, so no other site has anything to do with it; the scale's needs a header of its own.
     */
    @Bean
    @Order(4)
    SecurityFilterChain programs(HttpSecurity http, ProgramTokens tokens, IdleLock lock) throws Exception {
        return headers(http.securityMatcher("/api/**", "/v3/**"))
                .authorizeHttpRequests(requests -> requests.anyRequest()
                        .access((who, request) -> new AuthorizationDecision(who.get() instanceof ProgramTokens.Program
                                || makers.seat(who.get()).isPresent())))
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.NEVER))
                .requestCache(AbstractHttpConfigurer::disable)
                .csrf(AbstractHttpConfigurer::disable)
                .addFilterBefore(lock, AuthorizationFilter.class)
                .addFilterBefore(tokens, AuthorizationFilter.class)
                .exceptionHandling(handling -> handling.authenticationEntryPoint(
                                (request, response, refused) -> problem(response, HttpStatus.UNAUTHORIZED))
                        .accessDeniedHandler(
                                (request, response, refused) -> problem(response, HttpStatus.UNAUTHORIZED)))
                .build();
    }

    /** How the application is: for programs on this machine, and for whoever is signed in. */
    @Bean
    @Order(5)
    SecurityFilterChain health(HttpSecurity http, IdleLock lock) throws Exception {
        return headers(http.securityMatcher("/actuator/**"))
                .authorizeHttpRequests(requests -> requests.anyRequest()
                        .access((who, request) -> new AuthorizationDecision(isFromHere(request.getRequest())
                                || makers.seat(who.get()).isPresent())))
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.NEVER))
                .requestCache(AbstractHttpConfigurer::disable)
                .csrf(AbstractHttpConfigurer::disable)
                .addFilterBefore(lock, AuthorizationFilter.class)
                .exceptionHandling(handling -> handling.authenticationEntryPoint(
                                (request, response, refused) -> problem(response, HttpStatus.UNAUTHORIZED))
                        .accessDeniedHandler(
                                (request, response, refused) -> problem(response, HttpStatus.UNAUTHORIZED)))
                .build();
    }

    /** By nobody’s hand: what a proxy on this machine passes on came from elsewhere. */
    private static boolean isFromHere(HttpServletRequest request) {
        return isLoopback(request.getRemoteAddr())
                && request.getHeader("X-Forwarded-For") == null
                && request.getHeader("Forwarded") == null;
    }

    @Bean
    @Order(6)
    SecurityFilterChain pages(HttpSecurity http, SignIn signIn, IdleLock lock, SameSite sameSite, Throttle throttle)
            throws Exception {
        headers(http)
                .authorizeHttpRequests(requests -> {
                    for (Access.Line line : Access.LINES) {
                        requests.requestMatchers(
                                        PathPatternRequestMatcher.withDefaults().matcher(line.method(), line.pattern()))
                                .access(line.role().map(this::atLeast).orElse(ANYBODY));
                        if (line.method() == HttpMethod.GET) {
                            requests.requestMatchers(PathPatternRequestMatcher.withDefaults()
                                            .matcher(HttpMethod.HEAD, line.pattern()))
                                    .access(line.role().map(this::atLeast).orElse(ANYBODY));
                        }
                    }
                    requests.anyRequest().access(atLeast(Role.OWNER));
                })
                .addFilterBefore(throttle, CsrfFilter.class)
                .addFilterBefore(sameSite, CsrfFilter.class)
                .addFilterBefore(lock, AuthorizationFilter.class)
                .authenticationManager(signIn.manager())
                .formLogin(form -> form.loginPage("/sign-in")
                        .loginProcessingUrl("/sign-in")
                        .usernameParameter("who")
                        .passwordParameter("secret")
                        .authenticationDetailsSource(signIn::details)
                        .successHandler(signIn::succeeded)
                        .failureHandler(signIn::failed))
                .logout(logout -> logout.logoutRequestMatcher(
                                PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, "/sign-out"))
                        .addLogoutHandler(signIn::leaving)
                        .logoutSuccessUrl("/sign-in?out"))
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.IF_REQUIRED))
                .exceptionHandling(handling ->
                        handling.authenticationEntryPoint(SecurityRules::askWho).accessDeniedHandler(this::refuse));
        return http.build();
    }

    private static final AuthorizationManager<RequestAuthorizationContext> ANYBODY =
            (who, request) -> new AuthorizationDecision(true);

    private AuthorizationManager<RequestAuthorizationContext> atLeast(Role role) {
        return (who, request) -> new AuthorizationDecision(
                makers.seat(who.get()).filter(seat -> seat.role().atLeast(role)).isPresent());
    }

    private HttpSecurity plain(HttpSecurity http) throws Exception {
        return headers(http)
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(AbstractHttpConfigurer::disable)
                .formLogin(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable);
    }

    private HttpSecurity headers(HttpSecurity http) throws Exception {
        if (hosts.isNetwork()) {
            http.redirectToHttps(https -> https.requestMatchers(this::isPlainFromElsewhere))
                    .portMapper(ports -> ports.http(plainPort).mapsTo(tlsPort));
        }
        return http.headers(headers -> headers
                        // Not for this machine itself, which is reached by plain HTTP on loopback too.
                        .httpStrictTransportSecurity(strict -> strict.requestMatcher(
                                request -> request.isSecure() && !hosts.isHere(request.getServerName())))
                        .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .httpBasic(AbstractHttpConfigurer::disable);
    }

    /** Somebody who is not signed in: a page leads to the sign-in, a part of one makes the whole go there. */
    private static void askWho(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException refused)
            throws IOException {
        toTheDoor(request, response);
    }

    private static void toTheDoor(HttpServletRequest request, HttpServletResponse response) throws IOException {
        Optional.ofNullable(request.getSession(false)).ifPresent(SignIn::visits);
        if (request.getHeader("HX-Request") != null) {
            response.setHeader("HX-Redirect", "/sign-in");
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
        } else {
            response.sendRedirect("/sign-in");
        }
    }

    private void refuse(HttpServletRequest request, HttpServletResponse response, AccessDeniedException denied)
            throws IOException, jakarta.servlet.ServletException {
        if (!(denied instanceof CsrfException) && makers.seat().isEmpty()) {
            // Signed in once, but removed since, or on a device that was.
            Optional.ofNullable(request.getSession(false)).ifPresent(session -> session.invalidate());
            toTheDoor(request, response);
            return;
        }
        request.getRequestDispatcher(denied instanceof CsrfException ? "/stale" : "/not-yours")
                .forward(request, response);
    }

    private boolean isPlainFromElsewhere(HttpServletRequest request) {
        return !request.isSecure() && !isLoopback(request.getRemoteAddr());
    }

    private static boolean isLoopback(String address) {
        return address.equals("127.0.0.1") || address.equals("0:0:0:0:0:0:0:1") || address.equals("::1");
    }

    private static void problem(HttpServletResponse response, HttpStatus status) throws IOException {
        response.setStatus(status.value());
        response.setHeader("WWW-Authenticate", "Bearer");
        response.setContentType("application/problem+json");
        response.getWriter()
                .write("{\"type\":\"about:blank\",\"title\":\"Unauthorized\",\"status\":401,\"detail\":\"Sign in, or "
                        + "send a token made under Devices as Authorization: Bearer.\"}");
    }

    @Bean
    HttpFirewall onlyOurHosts() {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(hosts::isOurs);
        return firewall;
    }

    /**
     * PBKDF2 with SHA-256 and a salt of 16 bytes; any length, unlike bcrypt. As many rounds as the library's own
     * default of 5.8 has; tests take fewer.
     */
    @Configuration
    static class Encoding {
        @Bean
        PasswordEncoder encoder(@Value("${nursery.password-rounds:310000}") int rounds) {
            return new Pbkdf2PasswordEncoder("", 16, rounds, SecretKeyFactoryAlgorithm.PBKDF2WithHmacSHA256);
        }
    }
}

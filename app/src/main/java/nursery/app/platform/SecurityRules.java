package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * Who may do what. The shop listens on loopback only, so whoever can reach it is at the bench: no log-in. What is kept
 * out is another site acting through the maker's browser: forms carry a token, pages run no script but ours, and a
 * request that names a foreign host (DNS rebinding) is refused.
 */
@Configuration
class SecurityRules {

    private static final String CONTENT_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; manifest-src 'self'; form-action 'self'; base-uri "
                    + "'none'; frame-ancestors 'none'";
    private static final Set<String> OUR_HOSTS = Set.of("127.0.0.1", "localhost", "[::1]");

    /** The token lives in a cookie, so a tablet left on the bench overnight can still send the form it shows. */
    @Bean
    SecurityFilterChain rules(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(csrf ->
                        csrf.csrfTokenRepository(tokens()).ignoringRequestMatchers(SecurityRules::isPureComputation))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .exceptionHandling(handling -> handling.accessDeniedHandler((request, response, denied) ->
                        request.getRequestDispatcher("/stale").forward(request, response)))
                .httpBasic(AbstractHttpConfigurer::disable)
                .formLogin(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .anonymous(AbstractHttpConfigurer::disable)
                .build();
    }

    @Bean
    HttpFirewall onlyOurHosts() {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(OUR_HOSTS::contains);
        return firewall;
    }

    private static CookieCsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict").path("/").maxAge(java.time.Duration.ofDays(30)));
        return tokens;
    }

    /**
     * Under /api a POST computes and changes nothing, so there is nothing for a foreign page to do with it. Those that
     * take a scale's or a sensor's readings need a header of their own, which a browser does not send across sites.
     */
    private static boolean isPureComputation(HttpServletRequest request) {
        return HttpMethod.POST.matches(request.getMethod())
                && request.getRequestURI().startsWith("/api/");
    }
}

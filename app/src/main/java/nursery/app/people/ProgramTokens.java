package nursery.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Serial;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.security.authentication.AbstractAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A program's token, sent as {@code Authorization: Bearer}. */
@Component
class ProgramTokens extends OncePerRequestFilter {

    private static final String BEARER = "Bearer ";

    private final Devices devices;

    ProgramTokens(Devices devices) {
        this.devices = devices;
    }

    /** A program that is known. */
    static final class Program extends AbstractAuthenticationToken {
        @Serial
        private static final long serialVersionUID = 1;

        private final String name;

        Program(String name) {
            super(List.of());
            this.name = name;
            setAuthenticated(true);
        }

        @Override
        public Object getCredentials() {
            return "";
        }

        @Override
        public Object getPrincipal() {
            return name;
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional.ofNullable(request.getHeader("Authorization"))
                .filter(header -> header.startsWith(BEARER) && header.length() < 200)
                .flatMap(header ->
                        devices.token(header.substring(BEARER.length()).strip()))
                .ifPresent(token -> {
                    SecurityContext context = SecurityContextHolder.createEmptyContext();
                    context.setAuthentication(new Program(token.name()));
                    SecurityContextHolder.setContext(context);
                });
        chain.doFilter(request, response);
    }

    /** It stands in its chain, and nowhere else. */
    @org.springframework.context.annotation.Configuration
    static class OnlyThere {
        @Bean
        FilterRegistrationBean<ProgramTokens> tokensOnlyInTheirChain(ProgramTokens filter) {
            return off(filter);
        }

        @Bean
        FilterRegistrationBean<IdleLock> lockOnlyInItsChain(IdleLock filter) {
            return off(filter);
        }

        @Bean
        FilterRegistrationBean<SameSite> sameSiteOnlyInItsChain(SameSite filter) {
            return off(filter);
        }

        @Bean
        FilterRegistrationBean<Throttle> throttleOnlyInItsChain(Throttle filter) {
            return off(filter);
        }

        private static <F extends jakarta.servlet.Filter> FilterRegistrationBean<F> off(F filter) {
            FilterRegistrationBean<F> registration = new FilterRegistrationBean<>(filter);
            registration.setEnabled(false);
            return registration;
        }
    }
}

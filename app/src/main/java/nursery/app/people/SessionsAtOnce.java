package nursery.app.people;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.MySqlJdbcIndexedSessionRepositoryCustomizer;

/**
 * A page and what it fetches by itself are of one session and come at once: the first to set something must not make
 * the second fail. The library's own statement for this family of databases.
 */
@Configuration
class SessionsAtOnce {

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> setOrSetAgain() {
        return new MySqlJdbcIndexedSessionRepositoryCustomizer();
    }
}

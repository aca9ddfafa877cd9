package nursery.app.keep;

import net.javacrumbs.shedlock.core.LockProvider;
import net.javacrumbs.shedlock.provider.jdbctemplate.JdbcTemplateLockProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;

/** Of several instances on one database, one does a job. By the database's time: their clocks may differ. */
@Configuration
class JobLock {

    @Bean
    LockProvider locks(JdbcTemplate database) {
        return new JdbcTemplateLockProvider(JdbcTemplateLockProvider.Configuration.builder()
                .withJdbcTemplate(database)
                .usingDbTime()
                .build());
    }
}

package nursery.app.keep;

import java.util.Optional;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.boot.health.contributor.Status;
import org.springframework.stereotype.Component;

/** Whether the shop's backups are as new as they should be: what the pages warn of, for programs. */
@Component("backupHealthIndicator")
class BackupHealth implements HealthIndicator {

    static final Status SEE_TO = new Status("SEE-TO");

    private final Backups backups;

    BackupHealth(Backups backups) {
        this.backups = backups;
    }

    @Override
    public Health health() {
        Optional<String> warning = backups.warning();
        Health.Builder health = warning.isPresent() ? Health.status(SEE_TO) : Health.up();
        warning.ifPresent(words -> health.withDetail("warning", words));
        backups.newest().ifPresent(at -> health.withDetail("newest", at.toString()));
        return health.build();
    }
}

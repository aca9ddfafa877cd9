package nursery.app.floor;

import java.time.Duration;
import java.time.Instant;
import nursery.app.platform.Moments;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.boot.health.contributor.Status;
import org.springframework.stereotype.Component;

/**
 * Every wait is counted by this machine's clock: whether it has been set back behind what was written by it already.
 */
@Component("clockHealthIndicator")
class ClockHealth implements HealthIndicator {

    private static final Duration CLOSE_ENOUGH = Duration.ofMinutes(2);

    private final FloorMapper mapper;
    private final Moments moments;

    ClockHealth(FloorMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    @Override
    public Health health() {
        Instant now = moments.now();
        return mapper.lastWritten()
                .filter(last -> last.isAfter(now.plus(CLOSE_ENOUGH)))
                .map(last -> Health.status(new Status("SEE-TO"))
                        .withDetail(
                                "warning",
                                "This machine’s clock says %s, but something was written at %s: the clock is behind."
                                        .formatted(now, last)))
                .orElseGet(Health::up)
                .withDetail("now", now.toString())
                .build();
    }
}

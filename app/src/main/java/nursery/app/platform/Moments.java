package nursery.app.platform;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** What time it is. The one place that reads a clock; to the millisecond, which is what the database keeps. */
@Component
public class Moments {

    private final Clock clock;

    Moments(ObjectProvider<Clock> clock) {
        this.clock = clock.getIfAvailable(Clock::systemUTC);
    }

    /** What time it really is: for a device, which lives in it whatever the shop's clock is moved to in a test. */
    public Instant real() {
        return Clock.systemUTC().instant();
    }

    public Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }
}

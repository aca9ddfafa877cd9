package nursery.app.mix;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;

/**
 * A mix that was started.
 *
 * @param number     as the logs name it
 * @param ratio      the label's ratio when it was measured; a label corrected later does not change it
 * @param actual     what was measured, once it was
 * @param potMinutes how long it stays usable from mixing on
 * @param mixedAt    when the clock was started
 * @param closedAt   when it was used up or given up
 */
record Batch(long number, long resinId, long measuringCupId, MixRatio ratio, Mix planned, double potMinutes, Instant startedAt, String startedBy,
        Optional<Mix> actual, Optional<Instant> mixedAt, Optional<Instant> closedAt, Optional<Double> leftoverMl, List<BatchShare> shares) {

    /** A coat this mix was made for. */
    record BatchShare(long cupId, String code, int step, double ml) {}

    Optional<Instant> offAt() {
        return mixedAt.map(at -> at.plus(Duration.ofSeconds(Math.round(potMinutes * 60))));
    }

    public boolean isOpen() {
        return closedAt.isEmpty();
    }
}

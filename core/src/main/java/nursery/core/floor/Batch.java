package nursery.core.floor;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.resin.Addition;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;

/**
 * A mix that was started.
 *
 * @param number as the logs name it
 * @param ratio the label's ratio when it was measured; a label corrected later does not change it
 * @param actual what was measured, once it was
 * @param potMinutes how long it stays usable from mixing on
 * @param mixedAt when the clock was started
 * @param closedAt when it was used up or given up
 * @param byScale whether it was begun by scale, and goes on so
 * @param wasted whether it was measured and thrown away
 */
public record Batch(
        long number,
        long resinId,
        long measuringCupId,
        MixRatio ratio,
        Mix planned,
        double potMinutes,
        Instant startedAt,
        String startedBy,
        Optional<Mix> actual,
        Optional<Instant> mixedAt,
        Optional<Instant> closedAt,
        Optional<Double> leftoverMl,
        boolean wasted,
        boolean byScale,
        List<BatchShare> shares) {

    /**
     * A coat this mix was made for.
     *
     * @param atMinute when its turn was planned, counted from mixing
     * @param additions what is stirred into it or into parts of it
     */
    public record BatchShare(long cupId, String code, int step, double ml, double atMinute, List<Addition> additions) {

        /** What is stirred into it, in a sentence; empty if nothing is. */
        public String stirredIn() {
            return Addition.words(additions, ml);
        }
    }

    public Optional<Instant> offAt() {
        return mixedAt.map(at -> at.plus(Duration.ofSeconds(Math.round(potMinutes * 60))));
    }

    /** When a cup's turn comes by the clock, once the clock runs. */
    public Optional<Instant> turnAt(BatchShare share) {
        return mixedAt.map(at -> at.plus(Duration.ofSeconds(Math.round(share.atMinute() * 60))));
    }

    public boolean isOpen() {
        return closedAt.isEmpty();
    }
}

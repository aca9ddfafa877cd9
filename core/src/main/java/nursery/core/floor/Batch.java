package nursery.core.floor;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
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
 * @param wasted whether it was measured and thrown away
 * @param byScale whether it was begun by scale, and goes on so
 * @param stirring what the guide knows of the stirring
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
        Optional<Left> left,
        boolean wasted,
        boolean byScale,
        Stirring stirring,
        List<BatchShare> shares) {

    /** Quicker than this nobody has stirred: the guide was only clicked through. */
    private static final double LEAST_STIRRED_S = 30;

    private static final double MINUTE_S = 60;

    /** What was left in the pot and thrown away, and what was put aside, for a trial or another piece. */
    public record Left(double thrownMl, double asideMl) {
        public double totalMl() {
            return thrownMl + asideMl;
        }
    }

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

    /**
     * When the steps of stirring were touched as done in the guide; what was not touched is not known.
     *
     * @param first stirred in the first cup
     * @param again stirred in the second
     * @param rested left to rest
     */
    public record Stirring(Optional<Instant> first, Optional<Instant> again, Optional<Instant> rested) {
        public static final Stirring UNKNOWN = new Stirring(Optional.empty(), Optional.empty(), Optional.empty());
    }

    /**
     * How long it was stirred before a cup was poured, by the guide: from the moment A and B met. Not known where the
     * guide was not used before that, clicked through, or touched only when the mix was no longer usable.
     */
    public OptionalDouble secondsStirred(Instant poured) {
        return Stream.of(stirring.again(), stirring.first())
                .flatMap(Optional::stream)
                .filter(done -> !done.isAfter(poured))
                .limit(1)
                .flatMap(done -> mixedAt.stream()
                        .map(mixed -> Duration.between(mixed, done).toSeconds()))
                .filter(seconds -> seconds >= LEAST_STIRRED_S && seconds <= potMinutes * MINUTE_S)
                .mapToDouble(Long::doubleValue)
                .findFirst();
    }

    /**
     * Whether it was stirred again in a second cup before a cup was poured; not known without the guide, nor where the
     * two steps were touched at once.
     */
    public Optional<Boolean> inTwoCups(Instant poured) {
        boolean atOnce = stirring.first()
                .flatMap(first -> stirring.again().map(again -> Duration.between(first, again)))
                .filter(between -> between.toSeconds() < LEAST_STIRRED_S)
                .isPresent();
        return atOnce ? Optional.empty() : known(poured, stirring.again());
    }

    /** Whether it was left to rest before a cup was poured; not known without the guide. */
    public Optional<Boolean> wasRested(Instant poured) {
        return known(poured, stirring.rested());
    }

    private Optional<Boolean> known(Instant poured, Optional<Instant> done) {
        return secondsStirred(poured).isPresent()
                ? Optional.of(done.filter(at -> !at.isAfter(poured)).isPresent())
                : Optional.empty();
    }

    public Optional<Instant> offAt() {
        return mixedAt.map(at -> at.plus(Duration.ofSeconds(Math.round(potMinutes * MINUTE_S))));
    }

    /** When a cup's turn comes by the clock, once the clock runs. */
    public Optional<Instant> turnAt(BatchShare share) {
        return mixedAt.map(at -> at.plus(Duration.ofSeconds(Math.round(share.atMinute() * MINUTE_S))));
    }

    public boolean isOpen() {
        return closedAt.isEmpty();
    }
}

package nursery.app.cups;

import java.time.Duration;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.platform.Show;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;

/**
 * What was written just now, told back.
 *
 * @param undoes the entry a touch takes back; empty if there is nothing to take back
 */
record Said(String words, OptionalLong undoes) {

    /** So long after it was written an entry is the one a maker may have touched by mistake. */
    private static final Duration JUST_NOW = Duration.ofMinutes(10);

    static Optional<Said> of(Cup cup, Show show) {
        return cup.log().stream()
                .filter(entry -> entry.mark().isInTheBook())
                .max(Comparator.comparing(entry -> entry.mark().id()))
                .filter(newest -> newest.mark().recordedAt().plus(JUST_NOW).isAfter(show.now()))
                .map(newest -> newest instanceof LogEntry.Cancelled
                        ? new Said("Taken back. It stays in the history, struck out.", OptionalLong.empty())
                        : logged(newest, cup, show));
    }

    private static Said logged(LogEntry entry, Cup cup, Show show) {
        return new Said(
                "Logged %s: %s".formatted(show.at(entry.mark().happenedAt()), HistoryLine.what(entry, cup, show)),
                // A remedy is taken back where its steps are: in the plan.
                entry.kind() == LogEntry.Kind.REMEDY_CHOSEN
                        ? OptionalLong.empty()
                        : OptionalLong.of(entry.mark().id()));
    }
}

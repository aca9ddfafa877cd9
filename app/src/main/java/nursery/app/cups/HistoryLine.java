package nursery.app.cups;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.platform.Show;
import nursery.core.log.CupFile;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Spindle;

/**
 * A line of a cup's history, cancelled entries included.
 *
 * @param cancelled by whom and when it was cancelled, and why; empty if it stands
 */
record HistoryLine(long id, String what, String when, String recorded, String note, Optional<String> cancelled) {

    /** Newest first. A cancellation is told on the line it cancels. */
    static List<HistoryLine> of(CupFile file, Show show) {
        Map<Long, Mark> cancellations = file.log().stream().filter(LogEntry.Cancelled.class::isInstance).map(LogEntry.Cancelled.class::cast)
                .collect(Collectors.toMap(LogEntry.Cancelled::cancelsId, LogEntry.Cancelled::mark));
        return file.log().stream().filter(entry -> !(entry instanceof LogEntry.Cancelled))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.mark().happenedAt()).thenComparing(entry -> entry.mark().id()).reversed())
                .map(entry -> line(entry, file, Optional.ofNullable(cancellations.get(entry.mark().id())), show)).toList();
    }

    static String what(LogEntry entry, CupFile file, Show show) {
        if (entry instanceof LogEntry.Poured pour) {
            return "%s: %s poured, %s".formatted(file.step(pour.step()).title(), show.volume(pour.amountMl()),
                    pour.spindle().map(Spindle::name).orElse("hung") + (pour.batch().isPresent() ? ", mix " + pour.batch().getAsLong() : ""));
        }
        if (entry instanceof LogEntry.StepDone done) {
            return file.step(done.step()).title() + ": done";
        }
        if (entry instanceof LogEntry.Skipped skipped) {
            return file.step(skipped.step()).title() + ": left out";
        }
        if (entry instanceof LogEntry.Touched touched) {
            return "Felt: " + touched.touch().words();
        }
        if (entry instanceof LogEntry.FaultsSeen) {
            return "Not flawless";
        }
        if (entry instanceof LogEntry.HandedOver) {
            return "Handed over";
        }
        if (entry instanceof LogEntry.Scuffed) {
            return "Scuffed";
        }
        return entry instanceof LogEntry.TakenOff ? "Taken off the turner" : "Note";
    }

    private static HistoryLine line(LogEntry entry, CupFile file, Optional<Mark> cancellation, Show show) {
        Mark mark = entry.mark();
        String recorded = "written by %s at %s".formatted(mark.recordedBy(), show.at(mark.recordedAt()));
        return new HistoryLine(mark.id(), what(entry, file, show), show.at(mark.happenedAt()), recorded, mark.note(),
                cancellation.map(by -> "cancelled by %s at %s%s".formatted(by.recordedBy(), show.at(by.recordedAt()), by.note().isEmpty() ? "" : ": " + by.note())));
    }
}

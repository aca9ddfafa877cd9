package nursery.app.cups;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.inspect.Cause;
import nursery.core.inspect.Remedy;
import nursery.core.inspect.StartingModel;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Sighting;
import nursery.core.log.Spindle;
import nursery.core.technique.Field;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Where;

/**
 * A line of a cup's history, cancelled entries included.
 *
 * @param id the entry's number; what follows from another cup's log has none
 * @param why it was done all the same, in the maker's words, where that was asked; possibly empty
 * @param cancelled by whom and when it was cancelled, and why; empty if it stands
 */
@Published
public record HistoryLine(
        OptionalLong id,
        String what,
        String when,
        String recorded,
        String note,
        String why,
        Optional<String> cancelled) {

    /** Newest first. A cancellation is told on the line it cancels. */
    public static List<HistoryLine> of(Cup cup, Show show) {
        Map<Long, Mark> cancellations = cup.log().stream()
                .filter(LogEntry.Cancelled.class::isInstance)
                .map(LogEntry.Cancelled.class::cast)
                .collect(Collectors.toMap(LogEntry.Cancelled::cancelsId, LogEntry.Cancelled::mark));
        return cup.log().stream()
                .filter(entry -> !(entry instanceof LogEntry.Cancelled))
                // What only follows from another cup and says nothing of this one is no history.
                .filter(entry ->
                        entry.mark().isInTheBook() || !entry.mark().note().isEmpty())
                .sorted(Comparator.comparing((LogEntry entry) -> entry.mark().happenedAt())
                        .thenComparing(entry -> entry.mark().id())
                        .reversed())
                .map(entry -> line(
                        entry,
                        cup,
                        Optional.ofNullable(cancellations.get(entry.mark().id())),
                        show))
                .toList();
    }

    static String what(LogEntry entry, Cup cup, Show show) {
        return switch (entry.kind()) {
            case POURED -> poured((LogEntry.Poured) entry, cup, show);
            case DONE ->
                cup.step((LogEntry.OfStep) entry).titleAndPlace() + ": done" + otherwise((LogEntry.OfStep) entry, cup);
            case SKIPPED -> cup.step((LogEntry.OfStep) entry).titleAndPlace() + ": left out";
            case TOUCHED -> "Felt: " + ((LogEntry.Touched) entry).touch().words();
            case FAULTS_SEEN -> seen((LogEntry.FaultsSeen) entry);
            case REMEDY_CHOSEN -> "Done about it: " + remedy((LogEntry.RemedyChosen) entry);
            case CAUSE_KNOWN ->
                "It was: "
                        + StartingModel.MODEL
                                .cause(((LogEntry.CauseKnown) entry).cause())
                                .map(Cause::words)
                                .orElse(((LogEntry.CauseKnown) entry).cause().replace('-', ' '));
            case HANDED_OVER -> "Handed over";
            case ABANDONED -> "Given up";
            case REOPENED -> "Opened again";
            case SCUFFED -> "Scuffed";
            case TAKEN_OFF -> "Taken off the turner";
            case NOTED -> "Note";
            case CANCELLED -> "Cancelled";
        };
    }

    private static String remedy(LogEntry.RemedyChosen chosen) {
        return Remedy.named(chosen.remedy()).map(Remedy::words).orElse(chosen.remedy());
    }

    private static String seen(LogEntry.FaultsSeen entry) {
        return entry.sightings().isEmpty()
                ? "Not flawless"
                : "Seen: " + entry.sightings().stream().map(Sighting::words).collect(Collectors.joining("; "));
    }

    private static String poured(LogEntry.Poured pour, Cup cup, Show show) {
        String where = pour.spindle().map(Spindle::name).orElse("hung")
                + (pour.batch().isPresent() ? ", mix " + pour.batch().getAsLong() : "");
        String other = pour.pot()
                .map(Pot::resin)
                .filter(resin -> !resin.equals(cup.resinFor(cup.step(pour))))
                .map(resin -> ", of " + resin.name())
                .orElse("");
        return "%s: %s poured, %s%s%s"
                .formatted(
                        cup.step(pour).titleAndPlace(),
                        show.volume(pour.amountMl()),
                        where,
                        other,
                        otherwise(pour, cup));
    }

    /** How it was done, as far as that was not as planned: {@code , with dust still on it}. */
    private static String otherwise(LogEntry.OfStep entry, Cup cup) {
        PlanStep planned = cup.step(entry.step());
        String otherwise = entry.how().stream()
                .flatMap(how -> Field.of(planned.kind()).stream()
                        // Where it was done stands with its title.
                        .filter(field -> field != Field.PLACE || how.where().part() == Where.Part.BAND)
                        .filter(field ->
                                !how.written(field).equals(planned.how().written(field)))
                        .map(field -> how.told(field)))
                .collect(Collectors.joining(", "));
        return otherwise.isEmpty() ? "" : " · " + otherwise;
    }

    private static HistoryLine line(LogEntry entry, Cup cup, Optional<Mark> cancellation, Show show) {
        Mark mark = entry.mark();
        String recorded = mark.isInTheBook()
                ? "written by %s at %s".formatted(mark.recordedBy(), show.at(mark.recordedAt()))
                : "follows from what was logged there";
        return new HistoryLine(
                mark.isInTheBook() ? OptionalLong.of(mark.id()) : OptionalLong.empty(),
                what(entry, cup, show),
                show.at(mark.happenedAt()),
                recorded,
                mark.note(),
                mark.answers().stream()
                        .map(Mark.Answer::reason)
                        .filter(reason -> !reason.isBlank())
                        .distinct()
                        .collect(Collectors.joining("; ")),
                cancellation.map(by -> "cancelled by %s at %s%s"
                        .formatted(
                                by.recordedBy(),
                                show.at(by.recordedAt()),
                                by.note().isEmpty() ? "" : ": " + by.note())));
    }
}

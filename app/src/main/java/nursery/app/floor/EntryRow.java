package nursery.app.floor;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.platform.Published;
import nursery.core.cure.Touch;
import nursery.core.floor.Shelf;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Kind;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Sighting;
import nursery.core.log.Spindle;
import nursery.core.resin.MixRatio;
import nursery.core.technique.Fields;
import org.jspecify.annotations.Nullable;

/**
 * A log entry as its table keeps it: each kind fills the columns it has a use for.
 *
 * @param seen faults with their place, or what is done about them
 * @param how how a step was done, if that is not how its plan has it
 * @param ratio what its mix was measured by, if it was poured from one
 * @param actualAMl what was measured of it
 */
@Published
public record EntryRow(
        @Nullable Long id,
        long cupId,
        String kind,
        @Nullable Integer step,
        @Nullable Double amountMl,
        @Nullable Long spindleId,
        @Nullable Long cancelsId,
        @Nullable Long batchId,
        @Nullable Long resinId,
        @Nullable Integer resinEdition,
        @Nullable String touch,
        @Nullable String seen,
        @Nullable String cause,
        @Nullable String how,
        Instant happenedAt,
        Instant recordedAt,
        String recordedBy,
        String note,
        @Nullable String ratio,
        @Nullable Double actualAMl,
        @Nullable Double actualBMl) {

    public static EntryRow of(long cupId, LogEntry entry) {
        return switch (entry.kind()) {
            case POURED -> poured(cupId, (LogEntry.Poured) entry);
            case DONE, SKIPPED -> row(cupId, entry, ((LogEntry.OfStep) entry).step(), null, null);
            case TOUCHED ->
                row(cupId, entry, null, null, ((LogEntry.Touched) entry).touch().name());
            case CANCELLED -> row(cupId, entry, null, ((LogEntry.Cancelled) entry).cancelsId(), null);
            case FAULTS_SEEN ->
                row(cupId, entry, null, null, null)
                        .saying(Sighting.written(((LogEntry.FaultsSeen) entry).sightings()), null);
            case CAUSE_KNOWN -> row(cupId, entry, null, null, null).saying(null, ((LogEntry.CauseKnown) entry).cause());
            case REMEDY_CHOSEN -> {
                LogEntry.RemedyChosen chosen = (LogEntry.RemedyChosen) entry;
                yield row(cupId, entry, null, null, null).saying(chosen.remedy(), chosen.cause());
            }
            case HANDED_OVER, ABANDONED, REOPENED, SCUFFED, TAKEN_OFF, NOTED -> row(cupId, entry, null, null, null);
        };
    }

    private static EntryRow poured(long cupId, LogEntry.Poured pour) {
        Mark mark = pour.mark();
        Pot pot =
                pour.pot().orElseThrow(() -> new IllegalStateException("A coat is kept with what it was mixed from."));
        return new EntryRow(
                null,
                cupId,
                pour.kind().name(),
                pour.step(),
                pour.amountMl(),
                pour.spindle().map(Spindle::id).orElse(null),
                null,
                pot.batch().isPresent() ? pot.batch().getAsLong() : null,
                pot.resin().id(),
                pot.edition(),
                null,
                null,
                null,
                pour.how().map(Fields::written).orElse(null),
                mark.happenedAt(),
                mark.recordedAt(),
                mark.recordedBy(),
                mark.note(),
                null,
                null,
                null);
    }

    private static EntryRow row(
            long cupId, LogEntry entry, @Nullable Integer step, @Nullable Long cancels, @Nullable String touch) {
        Mark mark = entry.mark();
        return new EntryRow(
                null,
                cupId,
                entry.kind().name(),
                step,
                null,
                null,
                cancels,
                null,
                null,
                null,
                touch,
                null,
                null,
                entry instanceof LogEntry.OfStep of
                        ? of.how().map(Fields::written).orElse(null)
                        : null,
                mark.happenedAt(),
                mark.recordedAt(),
                mark.recordedBy(),
                mark.note(),
                null,
                null,
                null);
    }

    private EntryRow saying(@Nullable String said, @Nullable String behind) {
        return new EntryRow(
                id,
                cupId,
                kind,
                step,
                amountMl,
                spindleId,
                cancelsId,
                batchId,
                resinId,
                resinEdition,
                touch,
                said,
                behind,
                how,
                happenedAt,
                recordedAt,
                recordedBy,
                note,
                ratio,
                actualAMl,
                actualBMl);
    }

    /** @param answers why it was done all the same, as it was asked */
    LogEntry entry(Shelf shelf, List<Mark.Answer> answers) {
        Mark mark = new Mark(needed(id), happenedAt, recordedAt, recordedBy, note, answers);
        Kind of = Kind.valueOf(kind);
        return switch (of) {
            case POURED ->
                new LogEntry.Poured(
                        mark,
                        needed(step),
                        needed(amountMl),
                        Optional.ofNullable(spindleId).flatMap(shelf::spindle),
                        Optional.of(pot(shelf)),
                        done());
            case DONE -> new LogEntry.StepDone(mark, needed(step), done());
            case SKIPPED -> new LogEntry.Skipped(mark, needed(step));
            case TOUCHED -> new LogEntry.Touched(mark, Touch.valueOf(needed(touch)));
            case CANCELLED -> new LogEntry.Cancelled(mark, needed(cancelsId));
            case FAULTS_SEEN ->
                new LogEntry.FaultsSeen(
                        mark, Sighting.read(Optional.ofNullable(seen).orElse("")));
            case CAUSE_KNOWN -> new LogEntry.CauseKnown(mark, needed(cause));
            case REMEDY_CHOSEN -> new LogEntry.RemedyChosen(mark, needed(seen), needed(cause));
            case HANDED_OVER, ABANDONED, REOPENED, SCUFFED, TAKEN_OFF, NOTED -> new LogEntry.Plain(mark, of);
        };
    }

    private Optional<Fields> done() {
        return Optional.ofNullable(how).map(Fields::parse);
    }

    private Pot pot(Shelf shelf) {
        Pot pot = new Pot(
                shelf.resin(needed(resinId)).orElseThrow(),
                needed(resinEdition),
                batchId == null ? OptionalLong.empty() : OptionalLong.of(batchId));
        return ratio == null || actualAMl == null || actualBMl == null
                ? pot
                : pot.measured(MixRatio.parse(ratio), actualAMl, actualBMl);
    }

    private static <T> T needed(@Nullable T value) {
        return Optional.ofNullable(value)
                .orElseThrow(() -> new IllegalStateException("A log entry lacks what its kind needs."));
    }
}

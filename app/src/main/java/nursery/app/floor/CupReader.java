package nursery.app.floor;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.log.CupFold;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.technique.HandsOn;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The cups on the floor. A cup's row counts every change to it, its steps and its log, so that one nobody touched since
 * is not read and folded again.
 */
@Component
class CupReader {

    private final FloorMapper mapper;
    private volatile Map<Long, Known> known = Map.of();

    CupReader(FloorMapper mapper) {
        this.mapper = mapper;
    }

    /** What a cup is read with, beside its own rows. */
    record Base(Shelf shelf, ZoneId zone, HandsOn hands) {

        boolean isSame(Base other) {
            return shelf == other.shelf && zone.equals(other.zone) && hands.equals(other.hands);
        }
    }

    private record Known(CupRow row, Base base, RoomCourse room, Cup cup, CupFold fold) {

        static Known of(CupRow row, Base base, RoomCourse room, Cup cup) {
            return new Known(row, base, room, cup, CupFold.of(cup, room));
        }

        boolean isOf(CupRow other, Base otherBase) {
            return row.equals(other) && base.isSame(otherBase);
        }

        Known in(RoomCourse other) {
            return room == other ? this : of(row, base, other, cup);
        }
    }

    List<CupNow> onTheFloor(Base base, RoomCourse room, Instant now) {
        List<CupRow> rows = mapper.cups(now);
        Map<Long, Known> before = known();
        List<CupRow> changed = rows.stream()
                .filter(row ->
                        before.get(row.id()) == null || !before.get(row.id()).isOf(row, base))
                .toList();
        Map<Long, Cup> read = read(changed, base, now).stream().collect(Collectors.toMap(Cup::id, cup -> cup));
        List<Known> all = rows.stream()
                .flatMap(row -> Optional.ofNullable(read.get(row.id()))
                        .map(cup -> Known.of(row, base, room, cup))
                        .or(() -> Optional.ofNullable(before.get(row.id()))
                                .filter(old -> old.isOf(row, base))
                                .map(old -> old.in(room)))
                        .stream())
                .toList();
        know(all.stream().collect(Collectors.toUnmodifiableMap(one -> one.cup().id(), Function.identity())));
        return all.stream()
                .map(one -> new CupNow(one.cup(), one.fold().stateAt(now)))
                .toList();
    }

    /** What was read last, by a transaction of its own work if it has read before. */
    @SuppressWarnings("unchecked")
    private Map<Long, Known> known() {
        Object own = TransactionSynchronizationManager.getResource(this);
        return own == null ? known : (Map<Long, Known>) own;
    }

    /**
     * What a transaction reads of its own work may still be undone: it is known to nobody else, and only until its end.
     */
    private void know(Map<Long, Known> all) {
        if (!TransactionSynchronizationManager.isActualTransactionActive()) {
            known = all;
        } else if (TransactionSynchronizationManager.isSynchronizationActive()) {
            if (TransactionSynchronizationManager.unbindResourceIfPossible(this) == null) {
                TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                    @Override
                    public void afterCompletion(int status) {
                        TransactionSynchronizationManager.unbindResourceIfPossible(CupReader.this);
                    }
                });
            }
            TransactionSynchronizationManager.bindResource(this, all);
        }
    }

    Optional<Cup> find(String code, Base base, Instant now) {
        return mapper.cup(code)
                .flatMap(row -> read(List.of(row), base, now).stream().findFirst());
    }

    /** Wherever they lie. */
    List<Cup> all(List<Long> ids, Base base, Instant now) {
        return ids.isEmpty() ? List.of() : read(mapper.cupsOf(ids), base, now);
    }

    /** The log before the steps: an entry never names a step that is not there yet. */
    private List<Cup> read(List<CupRow> rows, Base base, Instant now) {
        if (rows.isEmpty()) {
            return List.of();
        }
        List<Long> ids = rows.stream().map(CupRow::id).toList();
        Map<Long, List<EntryRow>> entries =
                mapper.entriesOf(ids).stream().collect(Collectors.groupingBy(EntryRow::cupId));
        Map<Long, List<Mark.Answer>> answers = mapper.answersOf(ids).stream()
                .collect(Collectors.groupingBy(
                        FloorMapper.AnswerRow::entryId,
                        Collectors.mapping(row -> new Mark.Answer(row.question(), row.reason()), Collectors.toList())));
        Map<Long, List<StepRow>> steps = mapper.stepsOf(ids).stream().collect(Collectors.groupingBy(StepRow::cupId));
        return rows.stream()
                .filter(row -> steps.containsKey(row.id()))
                .map(row -> cup(
                        row,
                        base,
                        steps.getOrDefault(row.id(), List.of()),
                        entries.getOrDefault(row.id(), List.of()),
                        answers,
                        now))
                .toList();
    }

    private static Cup cup(
            CupRow row,
            Base base,
            List<StepRow> steps,
            List<EntryRow> entries,
            Map<Long, List<Mark.Answer>> answers,
            Instant now) {
        Shelf shelf = base.shelf();
        Optional<Instant> leftAt = Optional.of(row.leavesAt()).filter(at -> !at.isAfter(now));
        ShelfBlank blank = shelf.blank(row.blankId()).orElseThrow();
        Cup.Resins resins = new Cup.Resins(
                shelf.resin(row.baseResinId()).orElseThrow(),
                shelf.resin(row.lastResinId()).orElseThrow());
        Schools schools = Schools.read(row.schools());
        List<PlanStep> plan =
                steps.stream().map(step -> step.step(base.hands())).toList();
        List<LogEntry> log = entries.stream()
                .map(entry -> entry.entry(shelf, answers.getOrDefault(entry.id(), List.of())))
                .toList();
        Optional<Instant> due = Optional.ofNullable(row.dueOn())
                .map(day -> day.atStartOfDay(base.zone()).toInstant());
        return new Cup(
                row.id(),
                row.code(),
                new Cup.About(
                        row.name(),
                        row.madeFor(),
                        row.technique(),
                        blank.name(),
                        row.paintColour(),
                        row.glitterColour(),
                        row.glitterMore().isEmpty()
                                ? List.of()
                                : List.of(row.glitterMore().split(" ")),
                        steps.stream()
                                .filter(step -> step.colours() != null)
                                .collect(Collectors.toMap(StepRow::number, StepRow::colourList))),
                blank.editions().asKnown(row.blankEdition(), leftAt.orElse(Instant.MAX)),
                resins,
                schools,
                plan,
                row.nextStep() - 1,
                row.startedAt(),
                log,
                new Cup.Promise(due, row.matters()),
                leftAt);
    }
}

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
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Component;
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

    private record Known(CupRow row, Shelf shelf, ZoneId zone, RoomCourse room, Cup cup, CupFold fold) {

        static Known of(CupRow row, Shelf shelf, ZoneId zone, RoomCourse room, Cup cup) {
            return new Known(row, shelf, zone, room, cup, CupFold.of(cup, room));
        }

        boolean isOf(CupRow other, Shelf otherShelf, ZoneId otherZone) {
            return row.equals(other) && shelf == otherShelf && zone.equals(otherZone);
        }

        Known in(RoomCourse other) {
            return room == other ? this : of(row, shelf, zone, other, cup);
        }
    }

    List<CupNow> onTheFloor(Shelf shelf, ZoneId zone, RoomCourse room, Instant now) {
        List<CupRow> rows = mapper.cups(now);
        Map<Long, Known> before = known;
        List<CupRow> changed = rows.stream()
                .filter(row ->
                        before.get(row.id()) == null || !before.get(row.id()).isOf(row, shelf, zone))
                .toList();
        Map<Long, Cup> read = read(changed, shelf, zone, now).stream().collect(Collectors.toMap(Cup::id, cup -> cup));
        List<Known> all = rows.stream()
                .flatMap(row -> Optional.ofNullable(read.get(row.id()))
                        .map(cup -> Known.of(row, shelf, zone, room, cup))
                        .or(() -> Optional.ofNullable(before.get(row.id()))
                                .filter(old -> old.isOf(row, shelf, zone))
                                .map(old -> old.in(room)))
                        .stream())
                .toList();
        // What a transaction reads of its own work may still be undone.
        if (!TransactionSynchronizationManager.isActualTransactionActive()) {
            known = all.stream()
                    .collect(Collectors.toUnmodifiableMap(one -> one.cup().id(), Function.identity()));
        }
        return all.stream()
                .map(one -> new CupNow(one.cup(), one.fold().stateAt(now)))
                .toList();
    }

    Optional<Cup> find(String code, Shelf shelf, ZoneId zone, Instant now) {
        return mapper.cup(code)
                .flatMap(row -> read(List.of(row), shelf, zone, now).stream().findFirst());
    }

    /** Wherever they lie. */
    List<Cup> all(List<Long> ids, Shelf shelf, ZoneId zone, Instant now) {
        return ids.isEmpty() ? List.of() : read(mapper.cupsOf(ids), shelf, zone, now);
    }

    /** The log before the steps: an entry never names a step that is not there yet. */
    private List<Cup> read(List<CupRow> rows, Shelf shelf, ZoneId zone, Instant now) {
        if (rows.isEmpty()) {
            return List.of();
        }
        List<Long> ids = rows.stream().map(CupRow::id).toList();
        Map<Long, List<EntryRow>> entries =
                mapper.entriesOf(ids).stream().collect(Collectors.groupingBy(EntryRow::cupId));
        Map<Long, List<StepRow>> steps = mapper.stepsOf(ids).stream().collect(Collectors.groupingBy(StepRow::cupId));
        return rows.stream()
                .filter(row -> steps.containsKey(row.id()))
                .map(row -> cup(
                        row,
                        shelf,
                        zone,
                        steps.getOrDefault(row.id(), List.of()),
                        entries.getOrDefault(row.id(), List.of()),
                        now))
                .toList();
    }

    private static Cup cup(
            CupRow row, Shelf shelf, ZoneId zone, List<StepRow> steps, List<EntryRow> entries, Instant now) {
        Optional<Instant> leftAt = Optional.of(row.leavesAt()).filter(at -> !at.isAfter(now));
        ShelfBlank blank = shelf.blank(row.blankId()).orElseThrow();
        Cup.Resins resins = new Cup.Resins(
                shelf.resin(row.baseResinId()).orElseThrow(),
                shelf.resin(row.lastResinId()).orElseThrow());
        Schools schools = Schools.read(row.schools());
        List<PlanStep> plan = steps.stream().map(StepRow::step).toList();
        List<LogEntry> log = entries.stream().map(entry -> entry.entry(shelf)).toList();
        Optional<Instant> due = Optional.ofNullable(row.dueOn())
                .map(day -> day.atStartOfDay(zone).toInstant());
        return new Cup(
                row.id(),
                row.code(),
                new Cup.About(
                        row.name(),
                        row.madeFor(),
                        row.technique(),
                        blank.name(),
                        row.paintColour(),
                        row.glitterColour()),
                blank.editions().asKnown(row.blankEdition(), leftAt.orElse(Instant.MAX)),
                resins,
                schools,
                plan,
                row.startedAt(),
                log,
                new Cup.Promise(due, row.matters()),
                leftAt);
    }
}

package nursery.app.cups;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.cups.CupRows.CupRow;
import nursery.app.cups.CupRows.EntryRow;
import nursery.app.cups.CupRows.StepRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.room.RoomBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfBlank;
import nursery.app.shelf.ShelfResin;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CupFile;
import nursery.core.log.CupFold;
import nursery.core.log.LogEntry;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Every cup there is, as it is now. */
@Published
@Service
public class CupBook {

    private final CupMapper mapper;
    private final Shelf shelf;
    private final RoomBook room;
    private final Moments moments;

    CupBook(CupMapper mapper, Shelf shelf, RoomBook room, Moments moments) {
        this.mapper = mapper;
        this.shelf = shelf;
        this.room = room;
        this.moments = moments;
    }

    /** All cups, oldest first. */
    @Transactional(readOnly = true)
    public List<CupOnBench> all() {
        Map<Long, List<PlanStep>> steps = mapper.steps().stream()
                .collect(Collectors.groupingBy(StepRow::cupId, Collectors.mapping(StepRow::step, Collectors.toList())));
        Map<Long, List<LogEntry>> logs = mapper.entries().stream()
                .collect(Collectors.groupingBy(EntryRow::cupId, Collectors.mapping(EntryRow::entry, Collectors.toList())));
        Stock stock = stock();
        RoomCourse course = room.course();
        Instant now = moments.now();
        return mapper.cups().stream()
                .map(row -> onBench(row, stock, steps.getOrDefault(row.id(), List.of()), logs.getOrDefault(row.id(), List.of()), course, now)).toList();
    }

    /** The cup with this code on its tape. */
    @Transactional(readOnly = true)
    public Optional<CupOnBench> cup(String code) {
        return mapper.cup(code).map(row -> onBench(row, stock(), mapper.stepsOf(row.id()).stream().map(StepRow::step).toList(),
                mapper.entriesOf(row.id()).stream().map(EntryRow::entry).toList(), room.course(), moments.now()));
    }

    /** Starts a cup with a plan of its own, and returns the code to write on its tape. */
    @Transactional
    public String start(NewCup cup) {
        mapper.countOn();
        String code = CupCode.of(mapper.counted());
        String schools = cup.schools().all().stream().map(School::name).collect(Collectors.joining(","));
        mapper.insertCup(new CupRow(null, code, cup.name(), cup.madeFor(), cup.blankId(), cup.baseResinId(), cup.lastResinId(),
                cup.dueOn().orElse(null), cup.paint(), cup.glitter(), schools, cup.technique(), cup.startedAt(), cup.matters()));
        long id = mapper.lock(code).orElseThrow();
        for (int i = 0; i < cup.plan().size(); i++) {
            mapper.insertStep(StepRow.of(id, i + 1, cup.plan().get(i)));
        }
        return code;
    }

    /** Starts several cups alike, all or none, and returns their codes. */
    @Transactional
    public List<String> startAll(List<NewCup> alike) {
        return alike.stream().map(this::start).toList();
    }

    /** When the cups of each batch were poured, in order. */
    public Map<Long, List<Instant>> poursByBatch() {
        return mapper.entries().stream().filter(row -> row.batchId() != null)
                .collect(Collectors.groupingBy(row -> Optional.ofNullable(row.batchId()).orElseThrow(), Collectors.mapping(EntryRow::happenedAt, Collectors.toList())));
    }

    /** Sets how much an hour late counts for a cup. */
    @Transactional
    public void matters(String code, int matters) {
        mapper.setMatters(code, matters);
    }

    Instant now() {
        return moments.now();
    }

    private record Stock(Map<Long, ShelfBlank> blanks, Map<Long, ShelfResin> resins) {}

    private Stock stock() {
        return new Stock(shelf.blanks().stream().collect(Collectors.toMap(ShelfBlank::id, Function.identity())),
                shelf.resins().stream().collect(Collectors.toMap(ShelfResin::id, Function.identity())));
    }

    private static CupOnBench onBench(CupRow row, Stock stock, List<PlanStep> steps, List<LogEntry> log, RoomCourse room, Instant now) {
        Schools schools = Schools.of(Arrays.stream(row.schools().split(",")).map(School::valueOf).toList());
        Cup cup = new Cup(row.id(), row.code(), row.name(), row.madeFor(), stock.blanks().get(row.blankId()), stock.resins().get(row.baseResinId()),
                stock.resins().get(row.lastResinId()), Optional.ofNullable(row.dueOn()), row.paintColour(), row.glitterColour(), schools, row.technique(), row.startedAt(), row.matters());
        CupFile file = new CupFile(cup.blank().blank(), cup.base().cureLabel(), cup.last().cureLabel(), steps, row.startedAt(), log);
        return new CupOnBench(cup, file, CupFold.stateOf(file, room, now));
    }
}

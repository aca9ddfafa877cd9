package nursery.app.cups;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import nursery.app.cups.CupRows.EntryRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.room.RoomBook;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.CupFile;
import nursery.core.log.CupFold;
import nursery.core.log.CupState;
import nursery.core.log.CupState.Concern;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Refusal;
import nursery.core.log.Spindle;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Wait;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes into the cups' logs what the core's legal moves allow; one cup at a time, each entry in one transaction. */
@Published
@Service
public class LogBook {

    private final CupMapper mapper;
    private final CupBook cups;
    private final RoomBook room;
    private final Moments moments;

    LogBook(CupMapper mapper, CupBook cups, RoomBook room, Moments moments) {
        this.mapper = mapper;
        this.cups = cups;
        this.room = room;
        this.moments = moments;
    }

    /** Holds a cup until the caller's transaction ends, so that nothing else is decided about it meanwhile. */
    public void hold(String code) {
        mapper.lock(code).orElseThrow();
    }

    /**
     * @param confirmed whether the maker has seen the concerns and says it happened all the same
     * @throws NotLogged if it cannot be logged, or if there are concerns and it is not confirmed
     */
    @Transactional
    public void add(String code, Happening happening, boolean confirmed) {
        happening.spindle().ifPresent(spindle -> mapper.lockSpindle(spindle.id()).orElseThrow());
        long cupId = mapper.lock(code).orElseThrow();
        CupFile file = cups.cup(code).orElseThrow().file();
        Instant now = moments.now();
        LogEntry entry = happening.entry(now);
        CupState before = CupFold.stateOf(file, room.course(), happening.at());
        LegalMoves.refusalOf(before, file, entry, now).ifPresent(refusal -> {
            throw NotLogged.refused(refusal);
        });
        List<String> concerns = new ArrayList<>(LegalMoves.concernsAbout(before, file, entry).stream().map(Concern::message).toList());
        Optional<CupOnBench> holder = happening.spindle().flatMap(spindle -> holderOf(spindle, code));
        holder.ifPresent(other -> concerns.add("%s still carries %s. Logging this takes %s off it.".formatted(
                happening.spindle().orElseThrow().name(), other.cup().code(), other.cup().code())));
        if (!concerns.isEmpty() && !confirmed) {
            throw NotLogged.questioned(concerns);
        }
        holder.ifPresent(other -> makeRoom(other, code, happening, now));
        mapper.insertEntry(EntryRow.of(cupId, entry));
    }

    /**
     * Logs one step on several cups, on all or on none.
     *
     * @param happenings what happened to each cup, by its code
     * @throws NotLogged with what is wrong on each cup, named by its code
     */
    @Transactional
    public void addAll(Map<String, Happening> happenings, boolean confirmed) {
        List<Refusal> refusals = new ArrayList<>();
        List<String> concerns = new ArrayList<>();
        for (Map.Entry<String, Happening> each : new TreeMap<>(happenings).entrySet()) {
            try {
                add(each.getKey(), each.getValue(), confirmed);
            } catch (NotLogged answer) {
                answer.refusals().forEach(refusal -> refusals.add(refusal.of(each.getKey())));
                answer.concerns().forEach(concern -> concerns.add(each.getKey() + ": " + concern));
            }
        }
        if (!refusals.isEmpty() || !concerns.isEmpty()) {
            throw NotLogged.because(refusals, concerns);
        }
    }

    /** Puts one more coat into a cup's plan, to be poured next: it felt rough, or a fault was seen. */
    @Transactional
    public void addCoat(String code) {
        addStep(code, file -> new PlanStep(file.freeNumber(), StepKind.BUILD_COAT, "Extra coat", new Wait.StraightOn(), "Spread, heat pass, turn.", Optional.of(CoatRole.BUILD),
                Material.ORDINARY, Optional.empty(), ""));
    }

    /** Puts a step that was done into a cup's plan once more, to be done next. */
    @Transactional
    public void repeat(String code, int number) {
        addStep(code, file -> file.find(number).map(step -> step.numbered(file.freeNumber())).orElseThrow(() -> NotLogged.refused(
                new Refusal("step", "This cup's plan has no step %d.".formatted(number), Optional.empty(), Optional.empty()))));
    }

    private void addStep(String code, Function<CupFile, PlanStep> made) {
        long cupId = mapper.lock(code).orElseThrow();
        CupOnBench cup = cups.cup(code).orElseThrow();
        if (cup.file().plan().size() >= Technique.MOST_STEPS) {
            throw NotLogged.refused(new Refusal("step", "This plan has %d steps already: no more can be followed.".formatted(Technique.MOST_STEPS), Optional.empty(), Optional.empty()));
        }
        int position = cup.state().next().map(next -> mapper.positionOf(cupId, next.step().number())).orElse(cup.file().plan().size() + 1);
        mapper.shiftSteps(cupId, position);
        mapper.insertStep(CupRows.StepRow.of(cupId, position, made.apply(cup.file())));
    }

    /**
     * Cancels an entry and, if something else happened instead, logs that.
     *
     * @throws NotLogged if the entry was cancelled before, or if what was logged after it could not have happened then
     */
    @Transactional
    public void correct(String code, long entryId, Optional<Happening> instead, String by, String why) {
        long cupId = mapper.lock(code).orElseThrow();
        CupFile file = cups.cup(code).orElseThrow().file();
        LogEntry wrong = file.log().stream().filter(entry -> entry.mark().id() == entryId).findFirst().orElseThrow();
        refuseTwice(file, wrong);
        Instant now = moments.now();
        LogEntry cancellation = new LogEntry.Cancelled(new Mark(Long.MAX_VALUE - 1, now, now, by, why), entryId);
        List<LogEntry> corrected = new ArrayList<>(file.log());
        corrected.add(cancellation);
        instead.ifPresent(happening -> corrected.add(happening.entry(now)));
        RoomCourse course = room.course();
        LegalMoves.refusalOf(file.withLog(corrected), course, now).ifPresent(refusal -> {
            throw NotLogged.refused(refusal);
        });
        mapper.insertEntry(EntryRow.of(cupId, cancellation));
        instead.ifPresent(happening -> mapper.insertEntry(EntryRow.of(cupId, happening.entry(now))));
    }

    private static void refuseTwice(CupFile file, LogEntry wrong) {
        if (wrong instanceof LogEntry.Cancelled) {
            throw NotLogged.refused(new Refusal("step", "A correction cannot itself be corrected: log what is right instead.", Optional.empty(), Optional.empty()));
        }
        file.log().stream()
                .filter(entry -> entry instanceof LogEntry.Cancelled cancelled && cancelled.cancelsId() == wrong.mark().id())
                .findFirst().ifPresent(earlier -> {
                    throw NotLogged.refused(new Refusal("step", "This entry is already corrected.", Optional.of(earlier.mark()), Optional.empty()));
                });
    }

    private Optional<CupOnBench> holderOf(Spindle spindle, String exceptCode) {
        return cups.all().stream().filter(other -> !other.cup().code().equals(exceptCode))
                .filter(other -> other.state().hold().map(SpindleHold::spindle).filter(spindle::equals).isPresent())
                .findFirst();
    }

    /** The other cup's log says that it came off, no earlier than what it says already. */
    private void makeRoom(CupOnBench other, String code, Happening happening, Instant now) {
        Instant last = other.state().lastDoneAt();
        Instant at = happening.at().isBefore(last) ? last : happening.at();
        mapper.insertEntry(EntryRow.of(other.cup().id(), new LogEntry.TakenOff(
                new Mark(0, at, now, happening.by(), "Made room for %s.".formatted(code)))));
    }
}

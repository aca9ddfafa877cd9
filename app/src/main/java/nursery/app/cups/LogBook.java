package nursery.app.cups;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Stream;
import nursery.app.floor.EntryRow;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.shelf.StockBook;
import nursery.core.cure.RoomCourse;
import nursery.core.film.PourCheck;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Turner;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Refusal;
import nursery.core.log.Spindle;
import nursery.core.technique.PlanStep;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes into the cups' logs what the core's legal moves allow; one cup at a time, each entry in one transaction. */
@Published
@Service
public class LogBook {

    /** A cup with work on it leaves the floor no sooner than this. */
    private static final Instant NOT_YET = Instant.parse("9999-12-31T00:00:00Z");

    private final CupMapper mapper;
    private final Floors floors;
    private final StockBook stock;
    private final MaterialBook materials;
    private final HandsBook hands;
    private final Moments moments;
    private final ApplicationEventPublisher events;

    LogBook(
            CupMapper mapper,
            Floors floors,
            StockBook stock,
            MaterialBook materials,
            HandsBook hands,
            Moments moments,
            ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.floors = floors;
        this.stock = stock;
        this.materials = materials;
        this.hands = hands;
        this.moments = moments;
        this.events = events;
    }

    /** Holds a cup until the caller's transaction ends, so that nothing else is decided about it meanwhile. */
    public void hold(String code) {
        mapper.lock(code).orElseThrow(Gone::new);
    }

    /**
     * @param confirmed whether the maker has seen the concerns and says it happened all the same
     * @throws NotLogged if it cannot be logged, or if there are concerns and it is not confirmed
     */
    @Transactional
    public void add(String code, LogEntry entry, boolean confirmed) {
        Optional<Spindle> spindle = spindleOf(entry);
        spindle.ifPresent(taken -> mapper.lockSpindle(taken.id()).orElseThrow(Gone::new));
        long cupId = mapper.lock(code).orElseThrow(Gone::new);
        Read read = read(code);
        Cup cup = read.cup();
        CupState before = cup.at(read.room(), entry.mark().happenedAt());
        LegalMoves.refusalOf(before, cup, entry, moments.now()).ifPresent(refusal -> {
            throw NotLogged.refused(refusal);
        });
        Instant happened = entry.mark().happenedAt();
        List<String> concerns = new ArrayList<>(LegalMoves.concernsAbout(before, cup, entry).stream()
                .filter(concern -> !concern.isAdvice())
                .map(Concern::message)
                .toList());
        if (entry instanceof LogEntry.Poured pour) {
            againstPour(read, pour).ifPresent(concerns::add);
        }
        spindle.flatMap(taken -> holder(read, taken, happened, code))
                .ifPresent(other -> concerns.add("%s still carries %s, which counts as taken off then."
                        .formatted(spindle.orElseThrow().name(), other.code())));
        if (!concerns.isEmpty() && !confirmed) {
            throw NotLogged.questioned(concerns);
        }
        write(cupId, read, List.of(entry));
    }

    /** Whether a coat stays where it is poured: by the turner it is put on, or hung where it ought to turn. */
    private static Optional<String> againstPour(Read read, LogEntry.Poured pour) {
        Cup cup = read.cup();
        PlanStep step = cup.step(pour.step());
        if (pour.spindle().isEmpty() && cup.staysWithoutSpindle(step)) {
            return Optional.empty();
        }
        OptionalDouble rpm = read.floor().shelf().turners().stream()
                .filter(turner ->
                        pour.spindle().filter(turner.spindles()::contains).isPresent())
                .mapToDouble(Turner::rpm)
                .findFirst();
        return PourCheck.against(
                cup.blank(),
                pour.pot().map(pot -> pot.resin().label()).orElseGet(() -> cup.labelFor(step)),
                pour.amountMl(),
                rpm,
                read.room().temperatureCAt(pour.mark().happenedAt()));
    }

    /** The other cup that was on a spindle at a moment, by what had happened until then. */
    private static Optional<CupNow> holder(Read read, Spindle spindle, Instant then, String code) {
        return read.floor().cups().stream()
                .filter(other -> !other.code().equals(code))
                .filter(other -> other.cup()
                        .asOf(read.room(), then)
                        .hold()
                        .filter(hold -> hold.spindle().id() == spindle.id())
                        .isPresent())
                .filter(other -> other.state()
                        .hold()
                        .filter(hold -> hold.spindle().id() == spindle.id()
                                && !hold.since().isAfter(then))
                        .isPresent())
                .findFirst();
    }

    /** A cup as it is under its lock, with the floor around it. */
    record Read(Floor floor, Cup cup, RoomCourse room) {}

    Read read(String code) {
        Floor floor = floors.at(moments.now());
        Optional<CupNow> here = floor.find(code);
        CupNow cup = here.orElseGet(() -> floors.cup(code).orElseThrow(Gone::new));
        return new Read(floor, cup.cup(), here.isPresent() ? floor.air().course() : floors.roomOf(cup.cup()));
    }

    private static Optional<Spindle> spindleOf(LogEntry entry) {
        return entry instanceof LogEntry.Poured pour ? pour.spindle() : Optional.empty();
    }

    /**
     * Writes entries, takes what was mixed for them out of the bottles, and works out anew when the cup leaves the
     * floor.
     */
    private void write(long cupId, Read read, List<LogEntry> entries) {
        if (read.cup().log().isEmpty()) {
            events.publishEvent(new CupBegun(read.cup().code()));
        }
        for (LogEntry entry : entries) {
            long id = mapper.insertEntry(EntryRow.of(cupId, entry));
            if (entry instanceof LogEntry.StepDone || entry instanceof LogEntry.Poured) {
                read.cup()
                        .find(((LogEntry.OfStep) entry).step())
                        .ifPresent(step -> materials.use(
                                read.cup(),
                                step,
                                id,
                                entry.mark().happenedAt(),
                                entry.mark().recordedBy()));
                hands.done(cupId, ((LogEntry.OfStep) entry).step(), entry.mark().happenedAt());
            }
            if (entry instanceof LogEntry.Skipped skipped) {
                hands.leftOut(cupId, skipped.step());
            }
            if (entry instanceof LogEntry.Poured pour && pour.batch().isEmpty()) {
                Pot pot = pour.pot().orElseThrow();
                stock.drawFor(
                        id,
                        pot.resin().id(),
                        read.floor().mixedFor(read.cup(), pot.resin(), pour.amountMl()),
                        entry.mark().recordedBy());
            }
        }
        Cup after = read.cup()
                .withLog(Stream.concat(read.cup().log().stream(), entries.stream())
                        .toList());
        settle(cupId, after.at(read.room(), moments.now()));
    }

    /** Works out anew when each cup with nothing left to do leaves the floor; an older shop never wrote it down. */
    @Transactional
    void settleFinished() {
        for (CupNow cup : floors.at(moments.now()).cups()) {
            if (cup.state().leavesAt().isPresent()) {
                settle(cup.cup().id(), cup.state());
            }
        }
    }

    void settle(long cupId, CupState state) {
        mapper.leaves(
                cupId,
                state.leavesAt().orElse(NOT_YET),
                state.gone().map(gone -> gone.how().name()).orElse(""));
    }

    /**
     * Logs one step on several cups, on all or on none.
     *
     * @param entries what happened to each cup, by its code
     * @throws NotLogged with what is wrong on each cup, named by its code
     */
    @Transactional
    public void addAll(Map<String, LogEntry> entries, boolean confirmed) {
        List<Refusal> refusals = new ArrayList<>();
        List<String> concerns = new ArrayList<>();
        for (Map.Entry<String, LogEntry> each : new TreeMap<>(entries).entrySet()) {
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

    /**
     * Logs several steps of one cup, one after the other, all or none.
     *
     * @throws NotLogged with what is wrong or questionable about each
     */
    @Transactional
    public void addRow(String code, List<LogEntry> entries, boolean confirmed) {
        List<String> concerns = new ArrayList<>();
        for (LogEntry entry : entries) {
            try {
                add(code, entry, confirmed);
            } catch (NotLogged answer) {
                if (!answer.refusals().isEmpty()) {
                    throw answer;
                }
                concerns.addAll(answer.concerns());
                add(code, entry, true);
            }
        }
        if (!concerns.isEmpty()) {
            throw NotLogged.questioned(concerns);
        }
    }

    /**
     * Cancels an entry and, if something else happened instead, logs that.
     *
     * @throws NotLogged if the entry was cancelled before, or if what was logged after it could not have happened then
     */
    @Transactional
    public void correct(String code, long entryId, Optional<LogEntry> instead, String by, String why) {
        long cupId = mapper.lock(code).orElseThrow(Gone::new);
        Read read = read(code);
        LogEntry wrong = read.cup().log().stream()
                .filter(entry -> entry.mark().id() == entryId)
                .findFirst()
                .orElseThrow();
        refuseTwice(read.cup(), wrong);
        Instant now = moments.now();
        List<LogEntry> entries =
                new ArrayList<>(List.of(new LogEntry.Cancelled(Mark.unnumbered(now, now, by, why), entryId)));
        instead.ifPresent(entries::add);
        Cup corrected = read.cup()
                .withLog(Stream.concat(read.cup().log().stream(), entries.stream())
                        .toList());
        LegalMoves.refusalOf(corrected, read.room(), now).ifPresent(refusal -> {
            throw NotLogged.refused(refusal);
        });
        stock.giveBack(entryId, by);
        materials.giveBack(entryId, by);
        if (wrong instanceof LogEntry.OfStep done) {
            hands.takenBack(cupId, done.step());
        }
        write(cupId, read, entries);
    }

    private static void refuseTwice(Cup cup, LogEntry wrong) {
        if (wrong instanceof LogEntry.Cancelled) {
            throw NotLogged.refused(
                    Refusal.simple("step", "A correction cannot itself be corrected: log what is right instead."));
        }
        cup.log().stream()
                .filter(entry -> entry instanceof LogEntry.Cancelled cancelled
                        && cancelled.cancelsId() == wrong.mark().id())
                .findFirst()
                .ifPresent(earlier -> {
                    throw NotLogged.refused(new Refusal(
                            "step", "This entry is already corrected.", Optional.of(earlier.mark()), Optional.empty()));
                });
    }
}

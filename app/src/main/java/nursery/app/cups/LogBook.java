package nursery.app.cups;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Refusal;
import nursery.core.log.Spindle;
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
     * @param reasons why it is done all the same, where that is asked
     * @throws NotLogged if it cannot be logged, or if a question is not answered
     */
    @Transactional
    public void add(String code, LogEntry entry, Reasons reasons) {
        List<Question> open = write(code, entry, Among.ONE, reasons);
        if (!open.isEmpty()) {
            throw NotLogged.questioned(open);
        }
    }

    /** The same with nothing said about what is asked: it is so, or it is asked. */
    @Transactional
    public void add(String code, LogEntry entry, boolean confirmed) {
        add(code, entry, confirmed ? Reasons.UNSAID : Reasons.NONE);
    }

    /** Which of several entries that are written together one is: by its cup, or by its step. */
    private record Among(String name, String code) {
        static final Among ONE = new Among("", "");

        static Among cups(String code) {
            return new Among(code + "-", code);
        }

        static Among row(LogEntry entry) {
            return entry instanceof LogEntry.OfStep of ? new Among(of.step() + "-", "") : ONE;
        }
    }

    /**
     * An entry as it may be written.
     *
     * @param asked every question about it
     * @param answers to those that were answered
     */
    private record Judged(LogEntry entry, List<Question> asked, List<Mark.Answer> answers) {
        /** What was asked, if any of it is not answered: then the caller has to undo what was written. */
        List<Question> open() {
            return answers.size() < asked.size() ? asked : List.of();
        }
    }

    /**
     * Writes an entry with the answers to what is asked about it.
     *
     * @param of which of several entries it is, for the questions
     */
    private List<Question> write(String code, LogEntry entry, Among of, Reasons reasons) {
        long cupId = lock(code, List.of(entry));
        Read read = read(code);
        Judged judged = judge(read, entry, of, reasons);
        write(cupId, read, List.of(judged));
        return judged.open();
    }

    /** The spindles before the cup, and in one order: two that want each other's must not wait for each other. */
    private long lock(String code, List<? extends LogEntry> entries) {
        entries.stream()
                .flatMap(entry -> spindleOf(entry).stream())
                .map(Spindle::id)
                .distinct()
                .sorted()
                .forEach(spindle -> mapper.lockSpindle(spindle).orElseThrow(Gone::new));
        return mapper.lock(code).orElseThrow(Gone::new);
    }

    /** @throws NotLogged if it could not have happened */
    private Judged judge(Read read, LogEntry entry, Among of, Reasons reasons) {
        Cup cup = read.cup();
        Instant happened = entry.mark().happenedAt();
        boolean between = LegalMoves.mayComeBetween(entry.kind());
        CupState before = between ? cup.asOf(read.room(), happened) : cup.at(read.room(), happened);
        LegalMoves.refusalOf(before, cup, entry, moments.now())
                .or(() -> between ? afterwards(read, entry) : Optional.empty())
                .ifPresent(refusal -> {
                    throw NotLogged.refused(refusal);
                });
        List<Question> asked = new ArrayList<>();
        LegalMoves.concernsAbout(before, cup, entry).stream()
                .filter(concern -> !concern.isAdvice())
                .map(concern -> new Question(of.name(), of.code(), concern))
                .forEach(asked::add);
        if (entry instanceof LogEntry.Poured pour) {
            new CoatQuestions(read, before, pour)
                    .all(pour.batch().stream().boxed().findFirst().flatMap(floors::batch)).stream()
                            .map(concern -> new Question(of.name(), of.code(), concern))
                            .forEach(asked::add);
        }
        List<Mark.Answer> answers = asked.stream()
                .flatMap(question -> reasons.to(question).stream()
                        .map(reason -> new Mark.Answer(question.concern().key(), reason)))
                .toList();
        return new Judged(entry, asked, answers);
    }

    /** Whether what was written down already still stands with an entry before it. */
    private Optional<Refusal> afterwards(Read read, LogEntry entry) {
        Cup cup = written(read.cup());
        return cup.log().stream()
                        .noneMatch(other ->
                                other.mark().happenedAt().isAfter(entry.mark().happenedAt()))
                ? Optional.empty()
                : LegalMoves.refusalOf(
                        cup.withLog(Stream.concat(cup.log().stream(), Stream.of(entry))
                                .toList()),
                        read.room(),
                        moments.now());
    }

    /** A cup with what stands in its own log alone: what follows from other cups' logs changes with theirs. */
    private static Cup written(Cup cup) {
        return cup.withLog(
                cup.log().stream().filter(entry -> entry.mark().isInTheBook()).toList());
    }

    /** A cup as it is under its lock, with the floor around it. */
    record Read(Floor floor, Cup cup, RoomCourse room) {
        /** With one more entry in its log. */
        Read and(LogEntry entry) {
            return new Read(
                    floor,
                    cup.withLog(
                            Stream.concat(cup.log().stream(), Stream.of(entry)).toList()),
                    room);
        }
    }

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
    private void write(long cupId, Read read, List<Judged> entries) {
        if (read.cup().log().isEmpty()) {
            events.publishEvent(new CupBegun(read.cup().code()));
        }
        Read after = read;
        List<MaterialBook.Done> done = new ArrayList<>();
        for (Judged judged : entries) {
            LogEntry entry = judged.entry();
            after = after.and(entry);
            long id = insert(cupId, entry, judged.answers());
            if (entry instanceof LogEntry.StepDone || entry instanceof LogEntry.Poured) {
                read.cup()
                        .find((LogEntry.OfStep) entry)
                        .ifPresent(step -> done.add(new MaterialBook.Done(
                                step,
                                id,
                                entry.mark().happenedAt(),
                                entry.mark().recordedBy())));
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
        hands.done(cupId, done);
        materials.use(read.cup(), done);
        settle(cupId, after.cup().at(read.room(), moments.now()));
    }

    private long insert(long cupId, LogEntry entry, List<Mark.Answer> answers) {
        long id = mapper.insertEntry(EntryRow.of(cupId, entry));
        if (!entry.mark().note().isEmpty()) {
            mapper.said(cupId, entry.mark().note());
        }
        answers.stream()
                .filter(answer -> !answer.reason().isEmpty())
                .forEach(answer -> mapper.answer(id, answer.question(), answer.reason()));
        return id;
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
        List<LogEntry.Poured> poured = state.done().values().stream()
                .filter(LogEntry.Poured.class::isInstance)
                .map(LogEntry.Poured.class::cast)
                .toList();
        boolean begun = !state.done().isEmpty() || state.gone().isPresent();
        mapper.settle(new CupMapper.SumsRow(
                cupId,
                state.leavesAt().orElse(NOT_YET),
                state.gone().map(gone -> gone.how().name()).orElse(""),
                poured.stream().mapToDouble(LogEntry.Poured::amountMl).sum(),
                poured.size(),
                begun ? state.lastSeenAt() : null));
    }

    /**
     * Logs one step on several cups, on all or on none.
     *
     * @param entries what happened to each cup, by its code
     * @throws NotLogged with what is wrong on each cup, named by its code
     */
    @Transactional
    public void addAll(Map<String, LogEntry> entries, Reasons reasons) {
        List<Refusal> refusals = new ArrayList<>();
        List<Question> asked = new ArrayList<>();
        for (Map.Entry<String, LogEntry> each : new TreeMap<>(entries).entrySet()) {
            try {
                asked.addAll(write(each.getKey(), each.getValue(), Among.cups(each.getKey()), reasons));
            } catch (NotLogged answer) {
                answer.refusals().forEach(refusal -> refusals.add(refusal.of(each.getKey())));
            }
        }
        if (!refusals.isEmpty() || !asked.isEmpty()) {
            throw NotLogged.because(refusals, asked);
        }
    }

    /**
     * Logs what happened to one cup, one after the other, all or none.
     *
     * @throws NotLogged with what is wrong or asked about each, named by its step's number
     */
    @Transactional
    public void addRow(String code, List<? extends LogEntry> entries, Reasons reasons) {
        long cupId = lock(code, entries);
        Read read = read(code);
        List<Judged> row = new ArrayList<>();
        Read soFar = read;
        for (LogEntry entry : entries) {
            row.add(judge(soFar, entry, Among.row(entry), reasons));
            soFar = soFar.and(entry);
        }
        write(cupId, read, row);
        List<Question> asked =
                row.stream().flatMap(judged -> judged.open().stream()).toList();
        if (!asked.isEmpty()) {
            throw NotLogged.questioned(asked);
        }
    }

    /**
     * Cancels an entry and, if something else happened instead, logs that. What was asked about the entry and answered
     * stays answered; what it took out of bottles and packs stays taken where that is as it was.
     *
     * @throws NotLogged if the entry was cancelled before, or if what was logged after it could not have happened then
     */
    @Transactional
    public void correct(String code, long entryId, Optional<LogEntry> instead, String by, String why) {
        long cupId = mapper.lock(code).orElseThrow(Gone::new);
        Read read = read(code);
        Cup cup = written(read.cup());
        LogEntry wrong = cup.log().stream()
                .filter(entry -> entry.mark().id() == entryId)
                .findFirst()
                .orElseThrow();
        refuseTwice(cup, wrong);
        Instant now = moments.now();
        LogEntry cancelled = new LogEntry.Cancelled(Mark.unnumbered(now, now, by, why), entryId);
        Cup corrected = cup.withLog(Stream.of(cup.log().stream(), Stream.of(cancelled), instead.stream())
                .flatMap(entries -> entries)
                .toList());
        LegalMoves.refusalOf(corrected, read.room(), now).ifPresent(refusal -> {
            throw NotLogged.refused(refusal);
        });
        boolean sameWork = instead.filter(right -> isSameWork(wrong, right)).isPresent();
        if (!sameWork) {
            stock.giveBack(entryId, by);
            materials.giveBack(entryId, by);
        }
        boolean sameTime = sameWork
                && instead.filter(right ->
                                right.mark().happenedAt().equals(wrong.mark().happenedAt()))
                        .isPresent();
        if (!sameTime && wrong instanceof LogEntry.OfStep done) {
            hands.takenBack(cupId, done.step());
        }
        insert(cupId, cancelled, List.of());
        if (sameWork) {
            long id = insert(cupId, instead.orElseThrow(), wrong.mark().answers());
            stock.passOn(entryId, id);
            materials.passOn(entryId, id);
            settle(cupId, corrected.at(read.room(), now));
        } else {
            write(
                    cupId,
                    new Read(read.floor(), corrected.withLog(withoutLast(corrected.log(), instead)), read.room()),
                    instead.stream()
                            .map(right ->
                                    new Judged(right, List.of(), wrong.mark().answers()))
                            .toList());
        }
    }

    private static List<LogEntry> withoutLast(List<LogEntry> log, Optional<LogEntry> instead) {
        return log.subList(0, log.size() - (instead.isPresent() ? 1 : 0));
    }

    /** Whether the right entry used just what the wrong one did. */
    private static boolean isSameWork(LogEntry wrong, LogEntry right) {
        if (wrong instanceof LogEntry.Poured before && right instanceof LogEntry.Poured after) {
            return before.step() == after.step()
                    && before.amountMl() == after.amountMl()
                    && before.pot().equals(after.pot());
        }
        return wrong.kind() == right.kind()
                && (!(wrong instanceof LogEntry.OfStep before)
                        || right instanceof LogEntry.OfStep after && before.step() == after.step());
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

package nursery.app.platform;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import nursery.app.platform.DeskMapper.RunRow;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DuplicateKeyException;

/**
 * Work too long for a page runs beside it, one piece after the other; the page that waits asks how far it is, on
 * whichever instance it is answered: what is being done is written to the database a few times a second.
 *
 * @param <R> what comes of it
 */
@Published
public final class Desk<R> implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Desk.class);
    private static final int MOST_WAITING = 8;
    private static final int BEAT_MS = 300;
    private static final Fault BROKEN_OFF =
            new Fault("file", "It was broken off when Nursery was stopped, and nothing was taken: begin again.");

    private final String what;
    private final Class<R> type;
    private final Desks desks;
    /** What this instance does or has yet to write. */
    private final Map<Long, Doing<R>> doing = new ConcurrentHashMap<>();

    private final ExecutorService working;
    private final ScheduledExecutorService beating;

    Desk(String what, Class<R> type, Desks desks) {
        this.what = what;
        this.type = type;
        this.desks = desks;
        this.working = Executors.newSingleThreadExecutor(daemon(what));
        this.beating = Executors.newSingleThreadScheduledExecutor(daemon(what + "-beat"));
        beating.scheduleWithFixedDelay(this::beat, BEAT_MS, BEAT_MS, TimeUnit.MILLISECONDS);
    }

    private static ThreadFactory daemon(String name) {
        return work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            return thread;
        };
    }

    /**
     * How far a piece of work is.
     *
     * @param soFar the best there is yet, if the work says so; what came of it, once it is over
     * @param faults if nothing came of it
     */
    public record Run<R>(int percent, Optional<R> soFar, List<Fault> faults, boolean isOver) {
        public Optional<R> result() {
            return isOver && faults.isEmpty() ? soFar : Optional.empty();
        }
    }

    /** A piece of work that says how far it is. */
    @FunctionalInterface
    public interface Work<R> {
        R done(Doing<R> doing);
    }

    /** Where work says how far it is and hears whether it is enough. */
    public static final class Doing<R> {

        private volatile int percent;
        private volatile @Nullable R soFar;
        private volatile List<Fault> faults = List.of();
        private volatile boolean over;
        private volatile boolean enough;

        public void percent(int reached) {
            percent = Math.max(0, Math.min(99, reached));
        }

        public void soFar(R found) {
            soFar = found;
        }

        /** Whether somebody wants what there is so far. */
        public boolean isEnough() {
            return enough;
        }

        private Run<R> run() {
            // Over is read first: what comes of it is there before.
            boolean ended = over;
            return new Run<>(ended && faults.isEmpty() ? 100 : percent, Optional.ofNullable(soFar), faults, ended);
        }
    }

    public Optional<Run<R>> run(long number) {
        Doing<R> here = doing.get(number);
        return here != null
                ? Optional.of(here.run())
                : desks.mapper.run(number, what).map(this::read);
    }

    /** The work of this kind that was begun last. */
    public Optional<Run<R>> latest() {
        return desks.mapper.latest(what).flatMap(this::run);
    }

    private Run<R> read(RunRow row) {
        Optional<R> told = Optional.ofNullable(row.told()).map(text -> desks.json.readValue(text, type));
        if (Desks.isRunning(row) && row.cold()) {
            return new Run<>(row.percent(), told, List.of(BROKEN_OFF), true);
        }
        List<Fault> faults = Optional.ofNullable(row.faults())
                .map(text -> List.of(desks.json.readValue(text, Fault[].class)))
                .orElse(List.of());
        return new Run<>(row.percent(), told, faults, !Desks.isRunning(row));
    }

    /**
     * @return the number it is asked for by
     * @throws InvalidInput about the field {@code file}, if too much is waiting already
     */
    public long start(Work<R> work) {
        if (doing.values().stream().filter(waits -> !waits.over).count() >= MOST_WAITING) {
            throw new InvalidInput(List.of(
                    new Fault("file", "%d others are waiting: let them finish first.".formatted(MOST_WAITING))));
        }
        return begin(null, null, work);
    }

    /**
     * Begins it unless work of this kind is being done by anybody.
     *
     * @param first what there is before anything is found
     */
    public void startAlone(R first, Work<R> work) {
        try {
            desks.mapper.release(what);
            begin(what, first, work);
        } catch (DuplicateKeyException e) {
            LOG.debug("{} is being done already", what);
        }
    }

    private long begin(@Nullable String alone, @Nullable R first, Work<R> work) {
        String told = first == null ? null : desks.json.writeValueAsString(first);
        long number = desks.apart.execute(status -> {
            desks.mapper.forget();
            return desks.mapper.insert(what, alone, told);
        });
        Doing<R> begun = new Doing<>();
        begun.soFar = first;
        doing.put(number, begun);
        working.execute(() -> work(begun, work));
        return number;
    }

    /** Work of this kind ends with what it has so far. */
    public void enough() {
        doing.values().forEach(here -> here.enough = true);
        desks.mapper.enough(what);
    }

    private void work(Doing<R> begun, Work<R> work) {
        try {
            begun.soFar = work.done(begun);
        } catch (InvalidInput e) {
            begun.faults = e.faults();
        } catch (DataAccessException e) {
            LOG.error("{} failed", what, e);
            failed(begun, Races.sentence(e).orElse("The database did not take it, and nothing was taken."));
        } catch (RuntimeException | OutOfMemoryError e) {
            LOG.error("{} failed", what, e);
            failed(begun, "It failed and nothing was taken; the reason is in the log.");
        } finally {
            begun.over = true;
        }
    }

    private void failed(Doing<R> begun, String words) {
        begun.faults = List.of(new Fault("file", words));
    }

    /** On a thread of its own: what the work writes is seen by nobody before it is whole, how far it is at once. */
    private void beat() {
        doing.forEach((number, here) -> {
            try {
                Run<R> run = here.run();
                desks.mapper.write(
                        number,
                        !run.isOver() ? "RUNNING" : run.faults().isEmpty() ? "DONE" : "FAILED",
                        run.percent(),
                        run.soFar().map(desks.json::writeValueAsString).orElse(null),
                        run.faults().isEmpty() ? null : desks.json.writeValueAsString(run.faults()));
                if (run.isOver()) {
                    doing.remove(number);
                } else if (desks.mapper.isEnough(number).orElse(true)) {
                    here.enough = true;
                }
            } catch (RuntimeException e) {
                // A database that is away hears of it later.
                LOG.debug("{} could not be written", what, e);
            }
        });
    }

    @Override
    public void close() {
        doing.values().forEach(here -> here.enough = true);
        working.shutdownNow();
        beating.shutdownNow();
    }
}

package nursery.app.platform;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.IntConsumer;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;

/**
 * Work too long for a page runs beside it, one piece after the other; the page that waits asks how far it is.
 *
 * @param <R> what comes of it
 */
@Published
public final class Desk<R> implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Desk.class);
    private static final int MOST_WAITING = 8;
    private static final int MOST_REMEMBERED = 100;

    private final String what;
    private final Map<Long, Run<R>> runs = new ConcurrentHashMap<>();
    private final AtomicLong numbers = new AtomicLong();
    private final AtomicInteger waiting = new AtomicInteger();
    private final ExecutorService working;

    /** @param what is done here, as its thread and its troubles are called */
    public Desk(String what) {
        this.what = what;
        this.working = Executors.newSingleThreadExecutor(work -> {
            Thread thread = new Thread(work, what);
            thread.setDaemon(true);
            return thread;
        });
    }

    /**
     * How far a piece of work is.
     *
     * @param result once it is done
     * @param faults if nothing came of it
     */
    public record Run<R>(int percent, Optional<R> result, List<Fault> faults) {
        public boolean isOver() {
            return result.isPresent() || !faults.isEmpty();
        }
    }

    /** A piece of work that says how far it is, in per cent. */
    @FunctionalInterface
    public interface Work<R> {
        R done(IntConsumer percent);
    }

    public Optional<Run<R>> run(long number) {
        return Optional.ofNullable(runs.get(number));
    }

    /**
     * @return the number it is asked for by
     * @throws InvalidInput about the field {@code file}, if too much is waiting already
     */
    public long start(Work<R> work) {
        if (waiting.incrementAndGet() > MOST_WAITING) {
            waiting.decrementAndGet();
            throw new InvalidInput(List.of(
                    new Fault("file", "%d others are waiting: let them finish first.".formatted(MOST_WAITING))));
        }
        long number = numbers.incrementAndGet();
        runs.put(number, new Run<>(0, Optional.empty(), List.of()));
        runs.remove(number - MOST_REMEMBERED);
        working.execute(() -> work(number, work));
        return number;
    }

    private void work(long number, Work<R> work) {
        try {
            R result = work.done(percent ->
                    runs.put(number, new Run<>(Math.max(0, Math.min(99, percent)), Optional.empty(), List.of())));
            runs.put(number, new Run<>(100, Optional.of(result), List.of()));
        } catch (InvalidInput e) {
            runs.put(number, new Run<>(0, Optional.empty(), e.faults()));
        } catch (DataAccessException e) {
            LOG.error("{} failed", what, e);
            failed(number, Races.sentence(e).orElse("The database did not take it, and nothing was taken."));
        } catch (RuntimeException | OutOfMemoryError e) {
            LOG.error("{} failed", what, e);
            failed(number, "It failed and nothing was taken; the reason is in the log.");
        } finally {
            waiting.decrementAndGet();
        }
    }

    private void failed(long number, String words) {
        runs.put(number, new Run<>(0, Optional.empty(), List.of(new Fault("file", words))));
    }

    @Override
    public void close() {
        working.shutdownNow();
    }
}

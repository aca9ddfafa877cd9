package nursery.app.room;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import nursery.app.platform.Moments;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.TemperatureUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Imports run one after the other beside the page that waits for them; all of a file's good rows are taken, or none.
 */
@Component
class ImportDesk implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(ImportDesk.class);

    private final RoomBook room;
    private final Moments moments;
    private final Map<Long, Run> runs = new ConcurrentHashMap<>();
    private final AtomicLong numbers = new AtomicLong();
    private final ExecutorService working = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "room-import");
        thread.setDaemon(true);
        return thread;
    });

    ImportDesk(RoomBook room, Moments moments) {
        this.room = room;
        this.moments = moments;
    }

    /** How far an import is; {@code result} once it is done, {@code faults} if nothing was taken. */
    record Run(int rows, int done, Optional<Result> result, List<Fault> faults) {

        public int percent() {
            return rows == 0 ? 0 : Math.min(100, 100 * done / rows);
        }

        public boolean isOver() {
            return result.isPresent() || !faults.isEmpty();
        }
    }

    /** @param known how many were there already */
    record Result(int added, int known, int leftOut, List<String> told) {}

    Optional<Run> run(long number) {
        return Optional.ofNullable(runs.get(number));
    }

    /** @throws InvalidInput if the file is no text */
    long start(byte[] file, String place, ZoneId zone, Optional<TemperatureUnit> unit, String by) {
        String text = text(file);
        int rows = (int) text.lines().count();
        long number = numbers.incrementAndGet();
        runs.put(number, new Run(rows, 0, Optional.empty(), List.of()));
        working.submit(() -> work(number, text, rows, place, zone, unit, by));
        return number;
    }

    private void work(
            long number, String text, int rows, String place, ZoneId zone, Optional<TemperatureUnit> unit, String by) {
        try {
            ReadingsCsv.Read read = ReadingsCsv.read(
                    text,
                    zone,
                    unit,
                    moments.now(),
                    done -> runs.put(number, new Run(rows, done / 2, Optional.empty(), List.of())));
            int added = room.add(place, read.readings(), by);
            runs.put(
                    number,
                    new Run(
                            rows,
                            rows,
                            Optional.of(new Result(added, read.readings().size() - added, read.leftOut(), read.told())),
                            List.of()));
        } catch (InvalidInput e) {
            runs.put(number, new Run(rows, 0, Optional.empty(), e.faults()));
        } catch (RuntimeException e) {
            LOG.error("An import failed", e);
            runs.put(
                    number,
                    new Run(
                            rows,
                            0,
                            Optional.empty(),
                            List.of(new Fault(
                                    "file", "The import failed and nothing was taken; the reason is in the log."))));
        }
    }

    private static String text(byte[] file) {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
        } catch (CharacterCodingException e) {
            return new String(file, StandardCharsets.ISO_8859_1);
        }
    }

    @Override
    public void destroy() {
        working.shutdownNow();
    }
}

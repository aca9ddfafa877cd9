package nursery.app.room;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.platform.Desk;
import nursery.app.platform.Desks;
import nursery.app.platform.FileText;
import nursery.app.platform.Moments;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.TemperatureUnit;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

/**
 * Imports run beside the page that waits for them; all of a file's good rows are taken, or none. A file waits on the
 * disk, so that only the one being read needs memory.
 */
@Component
class ImportDesk implements DisposableBean {

    private final RoomBook room;
    private final Moments moments;
    private final Desk<Result> desk;

    ImportDesk(RoomBook room, Moments moments, Desks desks) {
        this.room = room;
        this.moments = moments;
        this.desk = desks.desk("room-import", Result.class);
    }

    /** @param known how many were there already */
    record Result(int added, int known, int leftOut, List<String> told) {}

    Optional<Desk.Run<Result>> run(long number) {
        return desk.run(number);
    }

    /** @throws InvalidInput if too many are waiting */
    long start(MultipartFile file, String place, ZoneId zone, Optional<TemperatureUnit> unit, String by) {
        try {
            Path waiting = Files.createTempFile("nursery-room-", ".csv");
            file.transferTo(waiting);
            try {
                return desk.start(doing -> {
                    FileText text = taken(waiting);
                    int rows = (int) text.text().lines().count();
                    ReadingsCsv.Read read = ReadingsCsv.read(
                            text.text(),
                            zone,
                            unit,
                            moments.now(),
                            done -> doing.percent(50 * done / Math.max(1, rows)));
                    int added = room.add(place, read.readings(), by);
                    return new Result(
                            added,
                            read.readings().size() - added,
                            read.leftOut(),
                            Stream.concat(text.said().stream(), read.told().stream())
                                    .toList());
                });
            } catch (InvalidInput e) {
                Files.delete(waiting);
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static FileText taken(Path waiting) {
        try {
            FileText text = FileText.of(Files.readAllBytes(waiting));
            Files.delete(waiting);
            return text;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void destroy() {
        desk.close();
    }
}

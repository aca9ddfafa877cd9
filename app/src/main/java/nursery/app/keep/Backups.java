package nursery.app.keep;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import net.javacrumbs.shedlock.core.DefaultLockingTaskExecutor;
import net.javacrumbs.shedlock.core.LockConfiguration;
import net.javacrumbs.shedlock.core.LockProvider;
import nursery.app.floor.Floors;
import nursery.app.keep.KeepMapper.RunRow;
import nursery.app.keep.KeepMapper.WaysRow;
import nursery.app.people.Audit;
import nursery.app.platform.FileStore;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Backups: made by night by themselves and at any time by hand, the old ones thinned out. */
@Published
@Service
public class Backups implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final Duration TOO_OLD = Duration.ofDays(3);
    private static final Duration A_DAY = Duration.ofHours(20);
    private static final Duration OVERDUE = Duration.ofHours(30);
    private static final Duration LONGEST = Duration.ofHours(2);
    private static final int FROM_HOUR = 2;
    private static final int UNTIL_HOUR = 6;
    private static final long LOOKS_EVERY_MINUTES = 10;
    private static final int MOST_KEPT = 400;
    private static final int LONGEST_SAID = 400;
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH-mm-ss'Z'").withZone(ZoneId.of("UTC"));

    private final KeepMapper mapper;
    private final Audit audit;
    private final Moments moments;
    private final Floors floors;
    private final FileStore files;
    private final DatabaseTools database;
    private final String beside;
    private final boolean nightly;
    private final DefaultLockingTaskExecutor once;
    private final ScheduledExecutorService nights = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "backup");
        thread.setDaemon(true);
        return thread;
    });

    /** @param beside the folder for backups where none is chosen; nightly only where there is one */
    Backups(
            KeepMapper mapper,
            Audit audit,
            Moments moments,
            Floors floors,
            LockProvider locks,
            FileStore files,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password,
            @Value("${nursery.keep.folder:}") String beside,
            @Value("${nursery.demo:false}") boolean demo) {
        this.mapper = mapper;
        this.audit = audit;
        this.moments = moments;
        this.floors = floors;
        this.files = files;
        this.database = DatabaseTools.of(url, user, password);
        this.beside = beside;
        this.nightly = !beside.isEmpty() && !demo;
        this.once = new DefaultLockingTaskExecutor(locks);
        if (nightly) {
            nights.scheduleWithFixedDelay(this::look, 1, LOOKS_EVERY_MINUTES, TimeUnit.MINUTES);
        }
    }

    /** One that lies in the folder. */
    record Kept(Path file, Instant at, long bytes) {
        public String name() {
            return String.valueOf(file.getFileName());
        }
    }

    WaysRow ways() {
        return mapper.ways();
    }

    List<RunRow> runs() {
        return mapper.runs();
    }

    /** Where they go; empty where none is chosen and the shop was not started by {@code ./nursery}. */
    Optional<Path> folder() {
        String chosen = mapper.ways().folder();
        return Optional.of(chosen.isEmpty() ? beside : chosen)
                .filter(folder -> !folder.isEmpty())
                .map(folder -> Path.of(folder).toAbsolutePath());
    }

    /** Those in the folder that are called as ours are, the newest first. */
    List<Kept> kept() {
        Optional<Path> folder = folder().filter(Files::isDirectory);
        if (folder.isEmpty()) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder.get())) {
            return files.flatMap(file -> kept(file).stream())
                    .sorted((one, other) -> other.at().compareTo(one.at()))
                    .toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    private static Optional<Kept> kept(Path file) {
        String name = String.valueOf(file.getFileName());
        if (!name.matches("nursery-.*\\.zip")) {
            return Optional.empty();
        }
        try {
            Instant at =
                    STAMP.parse(name.substring("nursery-".length(), name.length() - ".zip".length()), Instant::from);
            return Optional.of(new Kept(file, at, Files.size(file)));
        } catch (DateTimeParseException | IOException e) {
            return Optional.empty();
        }
    }

    /** @throws InvalidInput with every figure that cannot be */
    @Transactional
    public void setWays(String folder, double days, double weeks, double months) {
        Faults faults = new Faults();
        faults.within("days", "The days kept", days, 1, MOST_KEPT, "");
        faults.within("weeks", "The weeks kept", weeks, 0, MOST_KEPT, "");
        faults.within("months", "The months kept", months, 0, MOST_KEPT, "");
        if (!folder.isEmpty()) {
            faults.require(
                    isFolder(folder),
                    "folder",
                    ("There is no folder “%s” that Nursery may write to: make it "
                                    + "first, or mount the stick. It begins with /.")
                            .formatted(folder));
        }
        faults.throwIfAny();
        mapper.setWays(new WaysRow(folder, (int) Math.round(days), (int) Math.round(weeks), (int) Math.round(months)));
        audit.tell(
                Audit.What.BACKUP, "to %s, %.0f days, %.0f weeks, %.0f months".formatted(folder, days, weeks, months));
    }

    private static boolean isFolder(String folder) {
        try {
            Path path = Path.of(folder);
            return path.isAbsolute()
                    && Files.isDirectory(path)
                    && Files.isWritable(path)
                    && folder.length() <= LONGEST_SAID;
        } catch (InvalidPathException e) {
            return false;
        }
    }

    /** Now, unless one is being made; says what came of it. */
    public RunRow backUp() {
        if (folder().isEmpty()) {
            throw new InvalidInput(List.of(new Fault("folder", "Choose a folder for backups first.")));
        }
        boolean[] ran = {false};
        once.executeWithLock(
                (Runnable) () -> {
                    ran[0] = true;
                    make();
                },
                new LockConfiguration(moments.real(), "backup", LONGEST, Duration.ZERO));
        if (!ran[0]) {
            throw new InvalidInput(List.of(new Fault("backup", "One is being made at this moment: look again soon.")));
        }
        return mapper.runs().get(0);
    }

    private void make() {
        Instant now = moments.now();
        Path folder = folder().orElseThrow();
        Path file = folder.resolve("nursery-%s.zip".formatted(STAMP.format(now)));
        try {
            if (mapper.ways().folder().isEmpty()) {
                // Ours is made; one that was chosen and is not there is a stick that is not mounted.
                Files.createDirectories(folder);
            }
            Manifest manifest = Archive.make(database, files.folder(), file, now);
            mapper.insert(now, true, file.toString(), Files.size(file), "%d cups".formatted(manifest.cups()));
            audit.tell(Audit.What.BACKUP, "made: " + file.getFileName());
            thinOut();
        } catch (IOException e) {
            String said = String.valueOf(e.getMessage());
            LOG.warn("The backup failed: {}", said);
            mapper.insert(now, false, file.toString(), 0, said.substring(0, Math.min(LONGEST_SAID, said.length())));
            audit.tell(Audit.What.BACKUP, "failed: " + said);
        }
    }

    /** Of our own files alone, and never the newest. */
    private void thinOut() throws IOException {
        WaysRow ways = mapper.ways();
        Map<Instant, Path> files = new TreeMap<>();
        kept().forEach(one -> files.put(one.at(), one.file()));
        var staying = new Rotation(ways.days(), ways.weeks(), ways.months())
                .kept(files.keySet(), floors.show().zone());
        for (Map.Entry<Instant, Path> file : files.entrySet()) {
            if (!staying.contains(file.getKey())) {
                Files.deleteIfExists(file.getValue());
            }
        }
    }

    private void look() {
        try {
            Instant now = moments.now();
            ZonedDateTime local = now.atZone(floors.show().zone());
            boolean night = local.getHour() >= FROM_HOUR && local.getHour() < UNTIL_HOUR;
            Optional<Instant> last = mapper.lastGood();
            Duration since = last.map(at -> Duration.between(at, now)).orElse(OVERDUE.plusDays(1));
            if (since.compareTo(night ? A_DAY : OVERDUE) > 0
                    && mapper.firstCup().isPresent()) {
                once.executeWithLock(
                        (Runnable) this::make, new LockConfiguration(moments.real(), "backup", LONGEST, Duration.ZERO));
            }
        } catch (RuntimeException e) {
            LOG.warn("Looking after the backups failed; tried again later", e);
        }
    }

    /** When the newest one was made. */
    public Optional<Instant> newest() {
        return mapper.lastGood();
    }

    /** What the bench says when the last good backup is too old; nothing where none is made by itself. */
    public Optional<String> warning() {
        if (!nightly) {
            return Optional.empty();
        }
        Instant now = moments.now();
        Optional<Instant> since = mapper.lastGood().or(mapper::firstCup);
        return since.filter(at -> at.plus(TOO_OLD).isBefore(now)).map(at -> "No good backup for %d days."
                .formatted(Duration.between(at, now).toDays()));
    }

    @Override
    public void destroy() {
        nights.shutdownNow();
    }
}

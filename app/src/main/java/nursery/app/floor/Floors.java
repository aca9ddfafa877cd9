package nursery.app.floor;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import nursery.app.floor.FloorMapper.PlaceRow;
import nursery.app.floor.FloorMapper.PourRow;
import nursery.app.floor.FloorMapper.StampRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Air;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Standing;
import nursery.core.floor.Ways;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.QuietHours;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.plan.Pin;
import nursery.core.plan.Placement;
import nursery.core.plan.Workshop;
import nursery.core.resin.Losses;
import nursery.core.resin.Pace;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * The shop as it is at a moment, read in about ten statements. What only changes with the shelf or the room is kept in
 * memory until its stamp says otherwise; a page that asks twice is given the same.
 */
@Published
@Component
public class Floors {

    /** Enough of the newest mixes to know how fast the maker works. */
    private static final int BATCHES_TOLD = 60;

    private static final int ARCHIVE_PAGE = 50;
    private static final int MOST_TOUCHED = 60;
    private static final Duration AROUND_A_CUP = Duration.ofDays(2);

    private final FloorMapper mapper;
    private final ShelfReader shelves;
    private final AirReader airs;
    private final HoursReader hours;
    private final Moments moments;
    private volatile Optional<Standing> looked = Optional.empty();

    Floors(FloorMapper mapper, ShelfReader shelves, AirReader airs, HoursReader hours, Moments moments) {
        this.mapper = mapper;
        this.shelves = shelves;
        this.airs = airs;
        this.hours = hours;
        this.moments = moments;
    }

    /** The floor now; read once for a page. */
    public Floor now() {
        return once("floor", () -> at(moments.now()));
    }

    /** The shop's own ways. */
    public Ways ways() {
        return once("ways", () -> mapper.ways()
                .map(row -> new Ways(
                        LengthUnit.valueOf(row.lengthUnit()),
                        VolumeUnit.valueOf(row.volumeUnit()),
                        TemperatureUnit.valueOf(row.temperatureUnit()),
                        new QuietHours(row.quietFrom(), row.quietUntil(), ZoneId.of(row.zone())),
                        new Losses(row.lossFillMl(), row.lossCupMl()),
                        row.minutesPerCup() == null ? OptionalDouble.empty() : OptionalDouble.of(row.minutesPerCup())))
                .orElseGet(() -> Ways.starting(ZoneId.systemDefault())));
    }

    /** How figures are shown here. */
    public Show show() {
        return once("show", () -> Show.of(ways(), moments.now()));
    }

    public Shelf shelf() {
        return shelves.shelf(mapper.stamps().shelf());
    }

    /** What is expected of the room. */
    public RoomPlan roomPlan() {
        return AirReader.plan(mapper.stamps());
    }

    /** The floor at a moment. */
    public Floor at(Instant now) {
        Ways ways = ways();
        StampRow stamps = mapper.stamps();
        Shelf shelf = shelves.shelf(stamps.shelf());
        Air air = airs.air(stamps, ways.zone(), now);
        List<CupNow> cups = cups(mapper.cups(now), mapper.steps(now), mapper.entries(now), shelf, now).stream()
                .map(cup -> new CupNow(cup, cup.at(air.course(), now)))
                .toList();
        List<PlaceRow> places = mapper.places(now);
        List<Pin> pins = places.stream()
                .filter(PlaceRow::pinned)
                .map(row -> new Pin(row.code(), row.step(), row.at()))
                .toList();
        List<Placement> kept = places.stream()
                .filter(row -> !row.pinned())
                .map(row -> new Placement(row.code(), row.step(), row.at()))
                .toList();
        double pace = ways.minutesPerCup().orElseGet(this::learnedPace);
        return new Floor(
                now,
                ways,
                air,
                shelf,
                cups,
                Batches.of(mapper.open()),
                pace,
                hours.hours(ways.quiet(), now),
                pins,
                kept);
    }

    /** How the plan stands, laid out once for as long as nothing it rests on changes. */
    public Standing standing(Floor floor) {
        Workshop shop = floor.workshop();
        Optional<Standing> before = looked.filter(
                then -> then.plan().workshop().equals(shop) && then.kept().equals(floor.kept()));
        if (before.isPresent()) {
            return before.get();
        }
        Standing standing = Standing.of(shop, floor.kept());
        looked = Optional.of(standing);
        return standing;
    }

    /** A cup wherever it lies: on the floor, or in the archive. */
    public Optional<CupNow> cup(String code) {
        Floor floor = now();
        return floor.find(code).or(() -> archived(code, floor));
    }

    private Optional<CupNow> archived(String code, Floor floor) {
        return mapper.cup(code).map(row -> {
            List<Long> id = List.of(row.id());
            Cup cup = cups(List.of(row), mapper.stepsOf(id), mapper.entriesOf(id), floor.shelf(), floor.now())
                    .get(0);
            // One that came back while the floor was being read has the room everyone has.
            RoomCourse room = cup.leftAt().isEmpty()
                    ? floor.air().course()
                    : airs.then(
                            roomPlan().curePlace(),
                            cup.startedAt().minus(AROUND_A_CUP),
                            cup.leftAt().get().plus(AROUND_A_CUP));
            return new CupNow(cup, cup.at(room, floor.now()));
        });
    }

    public Optional<Batch> batch(long number) {
        return Batches.of(mapper.batch(number)).stream().findFirst();
    }

    /** A page of the archive, the newest first; pages count from 1. */
    public List<Archived> archive(int page) {
        return mapper.archived(moments.now(), Math.max(0, page - 1) * ARCHIVE_PAGE, ARCHIVE_PAGE).stream()
                .map(row -> new Archived(
                        row.code(),
                        row.name(),
                        row.madeFor(),
                        Optional.ofNullable(row.dueOn()),
                        row.leavesAt(),
                        Arrays.stream(LogEntry.Kind.values())
                                .filter(kind -> kind.name().equals(row.leftHow()))
                                .findFirst()))
                .toList();
    }

    public int archivedCups() {
        return mapper.archivedCount(moments.now());
    }

    public int archivePages() {
        return (archivedCups() + ARCHIVE_PAGE - 1) / ARCHIVE_PAGE;
    }

    /**
     * Cups on which a coat of a resin was touched.
     *
     * @param cups the newest ones, wherever they lie
     * @param room as it was over all their lives
     */
    public record Felt(List<Cup> cups, RoomCourse room) {}

    public Felt felt(long resinId) {
        Instant now = moments.now();
        List<Long> ids = mapper.touched(resinId, MOST_TOUCHED);
        if (ids.isEmpty()) {
            return new Felt(List.of(), now().air().course());
        }
        List<Cup> cups = cups(mapper.cupsOf(ids), mapper.stepsOf(ids), mapper.entriesOf(ids), shelf(), now);
        Instant from = cups.stream().map(Cup::startedAt).min(Instant::compareTo).orElse(now);
        return new Felt(cups, airs.then(roomPlan().curePlace(), from.minus(AROUND_A_CUP), now));
    }

    /** What a room was over a cup's life: the floor's own, or for one in the archive its own stretch. */
    public RoomCourse roomOf(CupNow cup) {
        return cup.cup()
                .leftAt()
                .map(left -> airs.then(
                        roomPlan().curePlace(), cup.cup().startedAt().minus(AROUND_A_CUP), left.plus(AROUND_A_CUP)))
                .orElseGet(() -> now().air().course());
    }

    private List<Cup> cups(List<CupRow> rows, List<StepRow> steps, List<EntryRow> entries, Shelf shelf, Instant now) {
        ZoneId zone = ways().zone();
        Map<Long, List<StepRow>> stepsOf = steps.stream().collect(Collectors.groupingBy(StepRow::cupId));
        Map<Long, List<EntryRow>> entriesOf = entries.stream().collect(Collectors.groupingBy(EntryRow::cupId));
        return rows.stream()
                .filter(row -> stepsOf.containsKey(row.id()))
                .map(row -> cup(
                        row,
                        shelf,
                        zone,
                        stepsOf.getOrDefault(row.id(), List.of()),
                        entriesOf.getOrDefault(row.id(), List.of()),
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
        Schools schools = Schools.of(
                Arrays.stream(row.schools().split(",")).map(School::valueOf).toList());
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

    private double learnedPace() {
        Map<Long, List<Instant>> pours = new HashMap<>();
        for (PourRow row : mapper.pours(BATCHES_TOLD)) {
            pours.computeIfAbsent(row.batchId(), id -> new ArrayList<>()).add(row.happenedAt());
        }
        return Pace.learnedMinutesPerCup(pours.values());
    }

    /**
     * What a page that only shows has asked for once it is given again; where something is being done it may have
     * changed.
     */
    private static <T> T once(String what, Supplier<T> reading) {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)
                || !HttpMethod.GET.matches(request.getRequest().getMethod())) {
            return reading.get();
        }
        String key = Floors.class.getName() + "." + what;
        @SuppressWarnings("unchecked")
        T known = (T) request.getAttribute(key, RequestAttributes.SCOPE_REQUEST);
        if (known != null) {
            return known;
        }
        T fresh = reading.get();
        request.setAttribute(key, fresh, RequestAttributes.SCOPE_REQUEST);
        return fresh;
    }
}

package nursery.app.floor;

import java.time.DayOfWeek;
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
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.floor.FloorMapper.PlaceRow;
import nursery.app.floor.FloorMapper.PourRow;
import nursery.app.floor.FloorMapper.StampRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Air;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.MadeRoom;
import nursery.core.floor.Shelf;
import nursery.core.floor.Standing;
import nursery.core.floor.Ways;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.plan.Pin;
import nursery.core.plan.Placement;
import nursery.core.plan.Workshop;
import nursery.core.resin.Losses;
import nursery.core.resin.Pace;
import nursery.core.technique.HandsOn;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;

/**
 * The shop as it is at a moment, read in about ten statements. What only changes with the shelf or the room is kept in
 * memory until its stamp says otherwise; a page that asks twice is given the same.
 */
@Published
@Component
public class Floors {

    /** Enough of the newest mixes to know how fast the maker works. */
    private static final int BATCHES_TOLD = 60;

    public static final int ARCHIVE_PAGE = 50;
    private static final int MOST_TOUCHED = 40;
    /** What a resin does today is told by the touches of the last months. */
    private static final int NEWEST_CUPS = 5000;

    private static final Duration AROUND_A_CUP = Duration.ofDays(2);

    private final FloorMapper mapper;
    private final CupReader cups;
    private final ShelfReader shelves;
    private final AirReader airs;
    private final HoursReader hours;
    private final HandsReader hands;
    private final Moments moments;
    private volatile Optional<Standing> looked = Optional.empty();

    Floors(
            FloorMapper mapper,
            CupReader cups,
            ShelfReader shelves,
            AirReader airs,
            HoursReader hours,
            HandsReader hands,
            Moments moments) {
        this.mapper = mapper;
        this.cups = cups;
        this.shelves = shelves;
        this.airs = airs;
        this.hours = hours;
        this.hands = hands;
        this.moments = moments;
    }

    /** The floor now; read once for a page. */
    public Floor now() {
        return Once.aPage(Floors.class, "floor", () -> at(moment()));
    }

    /** The shop's own ways. */
    public Ways ways() {
        return Once.aPage(Floors.class, "ways", this::waysAfresh);
    }

    /** The same as the table has them now, for who holds its lock. */
    public Ways waysAfresh() {
        return mapper.ways()
                .map(row -> new Ways(
                        LengthUnit.valueOf(row.lengthUnit()),
                        VolumeUnit.valueOf(row.volumeUnit()),
                        TemperatureUnit.valueOf(row.temperatureUnit()),
                        new QuietHours(row.quietFrom(), row.quietUntil(), ZoneId.of(row.zone())),
                        new Losses(row.lossFillMl(), row.lossCupMl()),
                        row.minutesPerCup() == null ? OptionalDouble.empty() : OptionalDouble.of(row.minutesPerCup()),
                        Clock.valueOf(row.clock()),
                        DayOfWeek.of(row.weekStarts())))
                .orElseGet(() -> Ways.starting(ZoneId.systemDefault()));
    }

    /** How figures are shown here. */
    public Show show() {
        return Once.aPage(Floors.class, "show", () -> Show.of(ways(), moments.now()));
    }

    public Shelf shelf() {
        return shelves.shelf(stamps().shelf());
    }

    /** How long hands are on a cup for each kind of step here. */
    public HandsOn hands() {
        return hands.hands(stamps().hands());
    }

    /** What everything else is read with, read once for all of it. */
    private record Ground(StampRow stamps, Ways ways) {}

    private Ground ground() {
        return new Ground(stamps(), ways());
    }

    private CupReader.Base base(Ground ground) {
        return new CupReader.Base(
                shelves.shelf(ground.stamps().shelf()),
                ground.ways().zone(),
                hands.hands(ground.stamps().hands()));
    }

    /** What is expected of the room. */
    public RoomPlan roomPlan() {
        return AirReader.plan(stamps());
    }

    private StampRow stamps() {
        return Once.aPage(Floors.class, "stamps", mapper::stamps);
    }

    /** The floor at a moment. */
    public Floor at(Instant now) {
        Ground ground = ground();
        Ways ways = ground.ways();
        Air air = air(ground, now);
        List<CupNow> onTheFloor = cups(ground, air, now);
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
                shelves.shelf(ground.stamps().shelf()),
                onTheFloor,
                Batches.of(mapper.open()),
                pace,
                hours.hours(ways.quiet(), now),
                pins,
                kept);
    }

    /** Of a page, one moment. */
    private Instant moment() {
        return Once.aPage(Floors.class, "moment", moments::now);
    }

    /** The cups on the floor now. */
    public List<CupNow> cups() {
        Ground ground = ground();
        return cups(ground, air(ground, moment()), moment());
    }

    /** The cups on the floor at a moment. */
    private List<CupNow> cups(Ground ground, Air air, Instant now) {
        return Once.aPage(
                Floors.class,
                "cups " + now,
                () -> MadeRoom.on(cups.onTheFloor(base(ground), air.course(), now), air.course(), now));
    }

    /** The floor now for who measures and prices: without what is mixed, planned and pinned, and the hours for it. */
    public Floor withoutAPlan() {
        return Once.aPage(Floors.class, "without a plan", () -> {
            Instant now = moment();
            Ground ground = ground();
            Ways ways = ground.ways();
            Air air = air(ground, now);
            return new Floor(
                    now,
                    ways,
                    air,
                    shelves.shelf(ground.stamps().shelf()),
                    cups(ground, air, now),
                    List.of(),
                    ways.minutesPerCup().orElseGet(this::learnedPace),
                    HoursReader.usual(ways.quiet()),
                    List.of(),
                    List.of());
        });
    }

    private Air air(Ground ground, Instant now) {
        return airs.air(ground.stamps(), ground.ways().zone(), now);
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
        Instant now = moment();
        Ground ground = ground();
        return cups(ground, air(ground, now), now).stream()
                .filter(cup -> cup.code().equals(code))
                .findFirst()
                .or(() -> archived(ground, code, now));
    }

    private Optional<CupNow> archived(Ground ground, String code, Instant now) {
        return cups.find(code, base(ground), now).map(cup -> new CupNow(cup, cup.at(roomOf(cup), now)));
    }

    /** The cup an address names; a page about none is 404. */
    public CupNow named(String code) {
        return cup(code)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no cup " + code + "."));
    }

    public Optional<Batch> batch(long number) {
        return Batches.of(mapper.batch(number)).stream().findFirst();
    }

    /** How a cup came to lie in the archive, as it is looked for there. */
    public enum Left {
        ANY("all", null),
        HANDED_OVER("handed over", LogEntry.Kind.HANDED_OVER.name()),
        ABANDONED("given up", LogEntry.Kind.ABANDONED.name()),
        CURED("cured for two weeks", "");

        private final String word;
        private final @Nullable String how;

        Left(String word, @Nullable String how) {
            this.word = word;
            this.how = how;
        }

        public String word() {
            return word;
        }
    }

    /**
     * A page of the archive, the newest first; pages count from 1.
     *
     * @param find what must stand in its code, its name, its technique or for whom it was made; nothing if empty
     */
    public List<Archived> archive(int page, String find, Left left) {
        int skip = Math.max(0, page - 1) * ARCHIVE_PAGE;
        return mapper.archived(moments.now(), find, left.how, skip, ARCHIVE_PAGE).stream()
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

    public int archivedCups(String find, Left left) {
        return mapper.archivedCount(moments.now(), find, left.how);
    }

    /**
     * Cups on which a coat of a resin was touched.
     *
     * @param cups the newest ones, wherever they lie
     * @param room as it was over all their lives
     */
    public record Felt(List<Cup> cups, RoomCourse room) {}

    public Felt felt(long resinId) {
        Instant now = moment();
        List<Cup> touched = cups.all(mapper.touched(resinId, NEWEST_CUPS, MOST_TOUCHED), base(ground()), now);
        Instant from =
                touched.stream().map(Cup::begunAt).min(Instant::compareTo).orElse(now);
        return new Felt(touched, airs.then(roomPlan().curePlace(), from.minus(AROUND_A_CUP), now));
    }

    /** Cups wherever they lie, as they were written down: where they stand now is not worked out. */
    public List<Cup> cups(List<Long> ids) {
        return cups.all(ids, base(ground()), moment());
    }

    /**
     * The same with what is done of them. Their coats are as old as this room makes them, which for one in the archive
     * is not its own room: nothing is to be read out of their times.
     */
    public List<CupNow> cupsByTheirLogs(List<Long> ids) {
        Instant now = moment();
        Ground ground = ground();
        Air air = air(ground, now);
        RoomCourse room = air.course();
        Map<String, CupNow> floor =
                cups(ground, air, now).stream().collect(Collectors.toMap(CupNow::code, Function.identity()));
        return cups(ids).stream()
                .map(cup ->
                        Optional.ofNullable(floor.get(cup.code())).orElseGet(() -> new CupNow(cup, cup.at(room, now))))
                .toList();
    }

    /**
     * When each of some cups in the archive was fully cured, in the room of its own days; nothing of one that never had
     * a coat. Cups of about the same days: the room is read once for all of them.
     */
    public Map<Long, Instant> curedAt(List<Long> ids) {
        Instant now = moment();
        List<Cup> left = cups.all(ids, base(ground()), now);
        Optional<Instant> from = left.stream().map(Cup::begunAt).min(Instant::compareTo);
        if (from.isEmpty()) {
            return Map.of();
        }
        Instant until = left.stream()
                .map(cup -> cup.leftAt().orElse(now))
                .max(Instant::compareTo)
                .orElse(now);
        RoomCourse room = airs.then(roomPlan().curePlace(), from.get().minus(AROUND_A_CUP), until.plus(AROUND_A_CUP));
        Map<Long, Instant> cured = new HashMap<>();
        left.forEach(cup -> cup.at(room, now).fullCureAt().ifPresent(at -> cured.put(cup.id(), at)));
        return cured;
    }

    /** What a room was over a cup's life: the floor's own, or for one in the archive its own stretch. */
    public RoomCourse roomOf(Cup cup) {
        return cup.leftAt()
                .map(left -> Once.aPage(
                        Floors.class,
                        "room from " + cup.begunAt() + " to " + left,
                        () -> airs.then(
                                roomPlan().curePlace(), cup.begunAt().minus(AROUND_A_CUP), left.plus(AROUND_A_CUP))))
                .orElseGet(() -> air(ground(), moment()).course());
    }

    private double learnedPace() {
        Map<Long, List<Instant>> pours = new HashMap<>();
        for (PourRow row : mapper.pours(BATCHES_TOLD)) {
            pours.computeIfAbsent(row.batchId(), id -> new ArrayList<>()).add(row.happenedAt());
        }
        return Pace.learnedMinutesPerCup(pours.values());
    }
}

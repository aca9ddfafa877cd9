package nursery.app.room;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.platform.Secret;
import nursery.app.room.RoomMapper.PlanRow;
import nursery.app.room.RoomMapper.ReadingRow;
import nursery.app.room.RoomMapper.SensorRow;
import nursery.app.room.RoomMapper.Stamp;
import nursery.app.settings.ShopBook;
import nursery.core.cure.CoatFitness;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the room was, by its readings, and what it is expected to be. */
@Published
@Service
public class RoomBook {

    /** Taken until the first reading: the middle of an ordinary room (practice, section 3, from memory). */
    public static final double ASSUMED_C = 22;
    public static final String BENCH = "bench";
    private static final int ROWS_AT_ONCE = 5000;
    private static final DateTimeFormatter TAKEN_AT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss.SSS").withZone(ZoneOffset.UTC);
    /** A forecast is worth this long; then it is worked out anew. */
    private static final Duration FORECAST_LASTS = Duration.ofMinutes(5);

    private final RoomMapper mapper;
    private final ShopBook shops;
    private final Moments moments;
    private final Map<String, Known> histories = new ConcurrentHashMap<>();
    private final Map<String, Expected> forecasts = new ConcurrentHashMap<>();

    RoomBook(RoomMapper mapper, ShopBook shops, Moments moments) {
        this.mapper = mapper;
        this.shops = shops;
        this.moments = moments;
    }

    private record Known(Stamp stamp, RoomCourse course) {}

    private record Expected(Stamp stamp, Instant from, RoomPlan plan, ZoneId zone, RoomCourse course) {}

    /** The room the cups cure in: its readings, and behind them what is expected of it. */
    public RoomCourse course() {
        RoomPlan plan = plan();
        Stamp stamp = mapper.stamp(plan.curePlace());
        RoomCourse history = history(plan.curePlace(), stamp);
        Instant now = moments.now().truncatedTo(ChronoUnit.MINUTES);
        Instant period = Instant.ofEpochSecond(now.getEpochSecond() / FORECAST_LASTS.toSeconds() * FORECAST_LASTS.toSeconds());
        Instant from = history.lastReadingAt().isAfter(period) ? history.lastReadingAt() : period;
        ZoneId zone = shops.shop().zoneId();
        Expected kept = forecasts.get(plan.curePlace());
        if (kept == null || !kept.stamp().equals(stamp) || !kept.from().equals(from) || !kept.plan().equals(plan) || !kept.zone().equals(zone)) {
            kept = new Expected(stamp, from, plan, zone, plan.forecast().continuing(history, from, zone));
            forecasts.put(plan.curePlace(), kept);
        }
        return kept.course();
    }

    /** What was read at a place; assumed steady until the first reading. */
    RoomCourse history(String place) {
        return history(place, mapper.stamp(place));
    }

    private RoomCourse history(String place, Stamp stamp) {
        Known known = histories.get(place);
        if (known == null || !known.stamp().equals(stamp)) {
            List<RoomReading> readings = RoomCourse.withoutSpikes(mapper.all(place).stream().map(ReadingRow::reading).toList());
            known = new Known(stamp, readings.isEmpty() ? RoomCourse.steady(ASSUMED_C) : new RoomCourse(readings));
            histories.put(place, known);
        }
        return known.course();
    }

    /** How far the room ahead may be off, °C up or down. */
    public double spreadC() {
        RoomPlan plan = plan();
        return plan.forecast().spreadC(history(plan.curePlace()), moments.now(), shops.shop().zoneId());
    }

    /** Since when the thermometer where the cups cure has been silent, if it has been for long; empty also if there is none. */
    public Optional<Instant> silentSince() {
        return lastReadAt().filter(at -> Forecast.isSilent(history(plan().curePlace()), moments.now()));
    }

    /** When the room the cups cure in was last read, if it ever was. */
    public Optional<Instant> lastReadAt() {
        String place = plan().curePlace();
        return mapper.stamp(place).count() == 0 ? Optional.empty() : Optional.of(history(place).lastReadingAt());
    }

    /** Whether a cup as warm as the room is fit for a coat now. */
    public CoatFitness fitness() {
        return CoatFitness.at(course(), moments.now());
    }

    /** When, by the forecast, the verdict on a coat changes. */
    public Optional<Instant> fitnessTurnsAt() {
        return CoatFitness.turnsAt(course(), moments.now());
    }

    RoomPlan plan() {
        return mapper.plan().map(row -> new RoomPlan(row.curePlace(), RoomPlan.Way.valueOf(row.forecast()), row.steadyC() == null ? OptionalDouble.empty() : OptionalDouble.of(row.steadyC()), row.heating()))
                .orElse(RoomPlan.STARTING);
    }

    @Transactional
    void save(RoomPlan plan) {
        mapper.savePlan(new PlanRow(plan.curePlace(), plan.way().name(), plan.steadyC().isPresent() ? plan.steadyC().getAsDouble() : null, plan.heating()));
    }

    /** Every place that was ever read, the bench first. */
    List<String> places() {
        List<String> places = new ArrayList<>(mapper.places());
        places.remove(BENCH);
        places.add(0, BENCH);
        return places;
    }

    List<ReadingRow> newest(String place, int count) {
        return mapper.newest(place, count);
    }

    /** A reading at the bench. */
    @Transactional
    public void add(RoomReading reading, String recordedBy) {
        add(BENCH, List.of(reading), recordedBy);
    }

    /**
     * Adds readings; what is known already for the same place and moment is left as it is.
     *
     * @return how many were new
     */
    @Transactional
    public int add(String place, List<RoomReading> readings, String recordedBy) {
        if (readings.isEmpty()) {
            return 0;
        }
        Instant from = readings.stream().map(RoomReading::at).min(Instant::compareTo).orElseThrow().truncatedTo(ChronoUnit.MILLIS);
        Instant until = readings.stream().map(RoomReading::at).max(Instant::compareTo).orElseThrow();
        Set<Instant> known = new HashSet<>(mapper.taken(place, from, until));
        List<RoomReading> fresh = readings.stream().filter(reading -> known.add(reading.at().truncatedTo(ChronoUnit.MILLIS))).toList();
        for (int i = 0; i < fresh.size(); i += ROWS_AT_ONCE) {
            mapper.insertAll(place, recordedBy, json(fresh.subList(i, Math.min(fresh.size(), i + ROWS_AT_ONCE))));
        }
        return fresh.size();
    }

    /** Numbers and moments only, so nothing needs quoting. */
    private static String json(List<RoomReading> readings) {
        StringBuilder json = new StringBuilder("[");
        for (RoomReading reading : readings) {
            json.append(json.length() == 1 ? "[\"" : ",[\"").append(TAKEN_AT.format(reading.at())).append("\",").append(reading.temperatureC());
            reading.humidityPercent().ifPresent(percent -> json.append(',').append(percent));
            json.append(']');
        }
        return json.append(']').toString();
    }

    List<SensorRow> sensors() {
        return mapper.sensors().stream().filter(sensor -> sensor.revokedAt() == null).toList();
    }

    /** Lets a sensor write for a place; the token is told once and only its hash is kept. */
    @Transactional
    String newSensor(String place, String by) {
        Secret token = Secret.fresh();
        mapper.insertSensor(place, token.hash(), moments.now(), by);
        return token.text();
    }

    @Transactional
    void revoke(long sensorId) {
        mapper.revoke(sensorId, moments.now());
    }

    /** The place a token may write for; empty if it is none, or revoked. */
    Optional<String> placeOf(String token) {
        Optional<SensorRow> sensor = mapper.sensor(new Secret(token).hash()).filter(found -> found.revokedAt() == null);
        sensor.ifPresent(found -> mapper.heard(found.id(), moments.now()));
        return sensor.map(SensorRow::place);
    }

    /** The temperature now, as the clock takes it. */
    public double temperatureC(Instant now) {
        return course().temperatureCAt(now);
    }
}

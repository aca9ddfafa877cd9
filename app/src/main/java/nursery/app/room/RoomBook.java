package nursery.app.room;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.RoomPlan;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.platform.Secret;
import nursery.app.room.RoomMapper.PlanRow;
import nursery.app.room.RoomMapper.ReadingRow;
import nursery.app.room.RoomMapper.SensorRow;
import nursery.core.cure.RoomReading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Writes what the room was, who may say so, and what is expected of it. */
@Published
@Service
public class RoomBook {

    private static final int ROWS_AT_ONCE = 5000;
    private static final DateTimeFormatter TAKEN_AT =
            DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss.SSS").withZone(ZoneOffset.UTC);
    private static final JsonMapper JSON = new JsonMapper();

    private final RoomMapper mapper;
    private final Moments moments;

    RoomBook(RoomMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    @Transactional
    void save(RoomPlan plan) {
        mapper.savePlan(new PlanRow(
                plan.curePlace(),
                plan.way().name(),
                plan.steadyC().isPresent() ? plan.steadyC().getAsDouble() : null,
                plan.heating()));
    }

    /** Every place that was ever read, the bench first. */
    List<String> places() {
        List<String> places = new ArrayList<>(mapper.places());
        places.remove(RoomPlan.BENCH);
        places.add(0, RoomPlan.BENCH);
        return places;
    }

    List<ReadingRow> newest(String place, int count) {
        return mapper.newest(place, count);
    }

    /** A reading at the bench. */
    @Transactional
    public void add(RoomReading reading, String recordedBy) {
        add(RoomPlan.BENCH, List.of(reading), recordedBy);
    }

    /**
     * Adds readings; what is known already for the same place and moment is left as it is, also if it is being sent
     * twice at once.
     *
     * @return how many were new
     */
    @Transactional
    public int add(String place, List<RoomReading> readings, String recordedBy) {
        int added = 0;
        for (int i = 0; i < readings.size(); i += ROWS_AT_ONCE) {
            added += mapper.insertAll(
                    place, recordedBy, json(readings.subList(i, Math.min(readings.size(), i + ROWS_AT_ONCE))));
        }
        if (added > 0) {
            mapper.changed();
        }
        return added;
    }

    private static String json(List<RoomReading> readings) {
        return JSON.writeValueAsString(readings.stream()
                .map(reading -> {
                    List<Object> row = new ArrayList<>(List.of(TAKEN_AT.format(reading.at()), reading.temperatureC()));
                    reading.humidityPercent().ifPresent(row::add);
                    return row;
                })
                .toList());
    }

    List<SensorRow> sensors() {
        return mapper.sensors().stream()
                .filter(sensor -> sensor.revokedAt() == null)
                .toList();
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
        Instant now = moments.now();
        Optional<SensorRow> sensor = mapper.sensor(new Secret(token).hash()).filter(found -> found.revokedAt() == null);
        sensor.ifPresent(found -> mapper.heard(found.id(), now));
        return sensor.map(SensorRow::place);
    }
}

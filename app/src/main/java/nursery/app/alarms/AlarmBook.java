package nursery.app.alarms;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.app.alarms.FeedMapper.FeedRow;
import nursery.app.floor.Floors;
import nursery.app.platform.Moments;
import nursery.app.platform.Secret;
import nursery.core.floor.Floor;
import nursery.core.log.Alarm;
import nursery.core.log.QuietHours;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What there is to tell of all cups, and the feeds that tell it. */
@Service
class AlarmBook {

    private final Floors floors;
    private final FeedMapper mapper;
    private final Moments moments;

    AlarmBook(Floors floors, FeedMapper mapper, Moments moments) {
        this.floors = floors;
        this.mapper = mapper;
        this.moments = moments;
    }

    /** An alarm with when it is to be heard, if it is. */
    record Told(Alarm alarm, Optional<Instant> heardAt) {}

    QuietHours quiet() {
        return floors.ways().quiet();
    }

    /** All there is to tell from a moment on, in the order of its moments. */
    List<Told> from(Instant from) {
        QuietHours quiet = quiet();
        return floors.now().cups().stream()
                .flatMap(cup -> Alarm.of(cup.code(), cup.state(), from).stream())
                .map(alarm -> new Told(alarm, alarm.heardAt(quiet)))
                .sorted(Comparator.comparing(told -> told.alarm().at()))
                .toList();
    }

    /**
     * What was to be heard by now: for as long as its window is open, or for a while where it has none. What closes
     * first comes first; the quiet hours are kept.
     */
    List<Told> due(Duration otherwise) {
        Instant now = moments.now();
        return quiet().isQuiet(now)
                ? List.of()
                : from(now.minus(otherwise)).stream()
                        .filter(told -> told.heardAt()
                                .filter(at -> !at.isAfter(now)
                                        && (at.isAfter(now.minus(otherwise))
                                                || told.alarm()
                                                        .until()
                                                        .filter(now::isBefore)
                                                        .isPresent()))
                                .isPresent())
                        .sorted(Comparator.comparing(
                                (Told told) -> told.alarm().until().orElse(Instant.MAX)))
                        .toList();
    }

    /** Counts on whenever the log or the room has: a calendar takes the entry with the higher number. */
    int edition() {
        Floor floor = floors.now();
        Instant newest = floor.cups().stream()
                .flatMap(cup -> cup.cup().log().stream())
                .map(entry -> entry.mark().recordedAt())
                .max(Instant::compareTo)
                .orElse(Instant.EPOCH);
        Instant latest = floor.air().lastReadAt().filter(newest::isBefore).orElse(newest);
        return (int) Math.max(
                0,
                Duration.between(Instant.parse("2026-01-01T00:00:00Z"), latest).toMinutes());
    }

    List<FeedRow> feeds() {
        return mapper.feeds();
    }

    @Transactional
    String newFeed(String by) {
        Secret secret = Secret.fresh();
        mapper.insert(secret.hash(), moments.now(), by);
        return secret.text();
    }

    @Transactional
    void revoke(long id) {
        mapper.revoke(id, moments.now());
    }

    @Transactional
    boolean opens(String secret) {
        Optional<FeedRow> feed = mapper.feed(new Secret(secret).hash());
        feed.ifPresent(found -> mapper.read(found.id(), moments.now()));
        return feed.isPresent();
    }
}

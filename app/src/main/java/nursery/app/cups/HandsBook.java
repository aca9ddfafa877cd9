package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.app.cups.HandsMapper.BegunRow;
import nursery.app.cups.HandsMapper.PouredRow;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.floor.CupNow;
import nursery.core.log.NextAction;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.HandsOn;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * How long hands are on a cup: from the touch that begins a step to the entry that it is done, and for a mix from its
 * measuring to its last cup. Cups that were done together share the time.
 */
@Published
@Service
public class HandsBook {

    private static final double SECONDS_PER_MINUTE = 60;

    private final HandsMapper mapper;
    private final CupMapper cups;
    private final Floors floors;
    private final Moments moments;

    HandsBook(HandsMapper mapper, CupMapper cups, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.cups = cups;
        this.floors = floors;
        this.moments = moments;
    }

    /** What is being done now, and since when. */
    record Begun(Instant at, String by, int cups) {}

    Optional<Begun> begun(CupNow cup) {
        return timeable(cup)
                .flatMap(next -> mapper.begun(cup.cup().id(), next.step().number()))
                .map(row -> new Begun(row.begunAt(), row.begunBy(), row.cups()));
    }

    /** The next step, if hands are on it and it is not timed by its mix. */
    static Optional<NextAction> timeable(CupNow cup) {
        return cup.state()
                .next()
                .filter(next -> next.kind() == NextAction.Kind.STEP)
                .filter(next ->
                        !next.step().kind().isPour() && next.step().kind().handsOnMinutes() > 0)
                .filter(next -> cup.state().gone().isEmpty());
    }

    /**
     * Begins the next step of each of these cups, together.
     *
     * @throws InvalidInput if one of them has no step that hands are on next
     */
    @Transactional
    public void begin(List<String> codes, String by) {
        for (String code : codes.stream().sorted().toList()) {
            long id = cups.lock(code).orElseThrow(Gone::new);
            NextAction next = floors.at(moments.now())
                    .find(code)
                    .flatMap(HandsBook::timeable)
                    .orElseThrow(() -> new InvalidInput(
                            List.of(new Fault("cup", code + ": nothing that hands are on is next. Look at it anew."))));
            mapper.begin(id, next.step().number(), moments.now(), by, codes.size());
        }
    }

    /** A step that is done was timed otherwise than by touches. */
    @Transactional
    public void timed(String code, int step, double minutes, Instant at) {
        keep(cups.lock(code).orElseThrow(Gone::new), step, minutes, at);
    }

    /** Touched by mistake. */
    @Transactional
    public void notBegun(String code) {
        long id = cups.lock(code).orElseThrow(Gone::new);
        floors.at(moments.now())
                .find(code)
                .flatMap(HandsBook::timeable)
                .ifPresent(next -> mapper.forget(id, next.step().number()));
    }

    /** Steps are done: of those that were begun with a touch, it is known how long they took. */
    void done(long cup, List<MaterialBook.Done> done) {
        List<HandsMapper.BegunStepRow> begun = done.isEmpty() ? List.of() : mapper.begunOn(cup);
        for (HandsMapper.BegunStepRow row : begun) {
            done.stream().filter(one -> one.step().number() == row.step()).forEach(one -> {
                keep(cup, row.step(), share(row.begun(), one.at()), one.at());
                mapper.forget(cup, row.step());
            });
        }
    }

    /** A step was left out: nothing is being done any more. */
    void leftOut(long cup, int step) {
        mapper.forget(cup, step);
    }

    /** An entry was not so: neither is what it told. */
    void takenBack(long cup, int step) {
        if (mapper.untimed(cup, step) > 0) {
            mapper.countOn();
        }
    }

    /** A mix is closed: its cups share the time from measuring to the last of them. */
    @Transactional
    public void mixDone(long batch, Instant begun) {
        List<PouredRow> poured = mapper.poured(batch);
        poured.stream().map(PouredRow::happenedAt).max(Instant::compareTo).ifPresent(last -> {
            double minutes = minutes(begun, last) / poured.size();
            for (PouredRow row : poured) {
                cups.lock(row.code());
                keep(row.cupId(), row.step(), minutes, row.happenedAt());
            }
        });
    }

    private void keep(long cup, int step, double minutes, Instant at) {
        if (HandsOn.isPlausible(minutes)) {
            mapper.timed(cup, step, minutes, at);
            mapper.countOn();
        }
    }

    private static double share(BegunRow begun, Instant happened) {
        return minutes(begun.begunAt(), happened) / begun.cups();
    }

    private static double minutes(Instant from, Instant to) {
        return Duration.between(from, to).toSeconds() / SECONDS_PER_MINUTE;
    }
}

package nursery.app.scale;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import nursery.app.scale.ScaleMapper.ShownRow;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Takes readings from whatever scale there is and passes each on to every page that listens: at once to those of this
 * instance, by way of the database to those of others.
 */
@Component
class ScaleFeed {

    private static final Logger LOG = LoggerFactory.getLogger(ScaleFeed.class);
    private static final long LISTEN_MS = 30 * 60 * 1000L;
    private static final long LOOK_MS = 200;
    /** More than a hand pours between two readings: something was set down, lifted or knocked. From memory. */
    private static final double JUMP_G = 15;

    private static final int MOST_LISTENERS = 20;

    private final ScaleMapper mapper;
    private final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();
    /** What each scale showed last, as the pages of this instance were told. */
    private final Map<String, ShownRow> told = new HashMap<>();

    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "scale-look");
        thread.setDaemon(true);
        return thread;
    });

    ScaleFeed(ScaleMapper mapper) {
        this.mapper = mapper;
        looking.scheduleWithFixedDelay(this::look, LOOK_MS, LOOK_MS, TimeUnit.MILLISECONDS);
    }

    /**
     * What a listening page is told.
     *
     * @param scale which scale it is, by the name it gives itself
     * @param jumped whether the weight changed by more than a hand pours since the reading before
     */
    record Told(String scale, String at, double grams, boolean stable, boolean jumped) {}

    SseEmitter listen() {
        if (listeners.size() >= MOST_LISTENERS) {
            listeners.get(0).complete();
        }
        SseEmitter listener = new SseEmitter(LISTEN_MS);
        Runnable gone = () -> listeners.remove(listener);
        listener.onCompletion(gone);
        listener.onTimeout(gone);
        listener.onError(error -> gone.run());
        if (!isHeard()) {
            catchUp();
        }
        listeners.add(listener);
        greet(listener);
        return listener;
    }

    /** Pages that listen would hold up the end of the application. */
    @EventListener(ContextClosedEvent.class)
    void hangUp() {
        looking.shutdownNow();
        listeners.forEach(SseEmitter::complete);
    }

    /** The answer's head is only sent with its first byte: say something, so that a listener knows it is connected. */
    private void greet(SseEmitter listener) {
        try {
            listener.send(SseEmitter.event().comment("listening"));
        } catch (IOException e) {
            listeners.remove(listener);
        }
    }

    boolean isHeard() {
        return !listeners.isEmpty();
    }

    /** What was shown while nobody here listened is no news to one who begins to. */
    private synchronized void catchUp() {
        try {
            mapper.all().forEach(row -> told.put(row.scale(), row));
        } catch (DataAccessException e) {
            LOG.debug("The database does not say what the scales showed", e);
        }
    }

    /** @param readings one or several, the newest last */
    synchronized void accept(String scale, List<ScaleReading> readings) {
        if (readings.isEmpty()) {
            return;
        }
        ShownRow before = told.get(scale);
        double grams = before == null ? readings.get(0).grams() : before.grams();
        int within = 0;
        for (int i = 0; i < readings.size(); i++) {
            ScaleReading reading = readings.get(i);
            boolean jumped = Math.abs(reading.grams() - grams) > JUMP_G;
            within += jumped && i > 0 ? 1 : 0;
            grams = reading.grams();
            send(new Told(scale, reading.at().toString(), grams, reading.stable(), jumped));
        }
        ScaleReading last = readings.get(readings.size() - 1);
        try {
            told.put(scale, mapper.show(scale, last, readings.get(0).grams(), JUMP_G, within, readings.size()));
        } catch (DataAccessException e) {
            // Who pours goes on pouring: the pages here were told, those of others will be once it is back.
            LOG.debug("What the scale shows could not be written", e);
            int jumps = before == null ? 0 : before.jumps();
            long known = before == null ? 0 : before.readings();
            told.put(scale, new ShownRow(scale, last.at(), last.grams(), last.stable(), jumps, known));
        }
    }

    /** Whether a scale showed something that another instance took. */
    private synchronized void look() {
        if (!isHeard()) {
            return;
        }
        try {
            for (ShownRow row : mapper.all()) {
                ShownRow before = told.put(row.scale(), row);
                if (before == null || before.readings() != row.readings()) {
                    boolean jumped = before != null
                            && (before.jumps() < row.jumps() || Math.abs(row.grams() - before.grams()) > JUMP_G);
                    send(new Told(row.scale(), row.at().toString(), row.grams(), row.stable(), jumped));
                }
            }
        } catch (DataAccessException e) {
            LOG.debug("The database does not say what the scales show", e);
        }
    }

    private void send(Told message) {
        for (SseEmitter listener : listeners) {
            try {
                listener.send(message, MediaType.APPLICATION_JSON);
            } catch (IOException | IllegalStateException e) {
                listeners.remove(listener);
            }
        }
    }
}

package nursery.app.scale;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Takes readings from whatever scale there is and passes each on to every page that listens. */
@Component
class ScaleFeed {

    private static final long LISTEN_MS = 30 * 60 * 1000L;
    /** More than a hand pours between two readings: something was set down, lifted or knocked. From memory. */
    private static final double JUMP_G = 15;

    private static final int MOST_LISTENERS = 20;

    private final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();
    private final Map<String, ScaleReading> last = new ConcurrentHashMap<>();

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
        listeners.add(listener);
        greet(listener);
        return listener;
    }

    /** Pages that listen would hold up the end of the application. */
    @EventListener(ContextClosedEvent.class)
    void hangUp() {
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

    void accept(String scale, ScaleReading reading) {
        Optional<ScaleReading> before = Optional.ofNullable(last.put(scale, reading));
        boolean jumped = before.filter(found -> Math.abs(reading.grams() - found.grams()) > JUMP_G)
                .isPresent();
        Told told = new Told(scale, reading.at().toString(), reading.grams(), reading.stable(), jumped);
        for (SseEmitter listener : listeners) {
            try {
                listener.send(told, MediaType.APPLICATION_JSON);
            } catch (IOException | IllegalStateException e) {
                listeners.remove(listener);
            }
        }
    }
}

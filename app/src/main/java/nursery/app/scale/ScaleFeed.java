package nursery.app.scale;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
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
    private volatile Optional<ScaleReading> last = Optional.empty();

    /**
     * What a listening page is told.
     *
     * @param jumped whether the weight changed by more than a hand pours since the reading before
     */
    record Told(String at, double grams, boolean stable, boolean jumped) {}

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

    void accept(ScaleReading reading) {
        boolean jumped = last.map(before -> Math.abs(reading.grams() - before.grams()) > JUMP_G).orElse(false);
        last = Optional.of(reading);
        Told told = new Told(reading.at().toString(), reading.grams(), reading.stable(), jumped);
        for (SseEmitter listener : listeners) {
            try {
                listener.send(told, MediaType.APPLICATION_JSON);
            } catch (IOException | IllegalStateException e) {
                listeners.remove(listener);
            }
        }
    }
}

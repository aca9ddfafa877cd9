package nursery.app.scale;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import nursery.app.platform.FormReader;
import nursery.app.platform.Moments;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * The scale's open interface: a stream to listen to, an address to write readings to, and the simulated scale's own
 * buttons.
 */
@Controller
class ScaleController implements DisposableBean {

    private static final long EVERY_MS = 200;
    private static final int MOST_LINES = 1000;
    private static final Duration SHOWS_ON = Duration.ofMinutes(10);
    private static final String SIMULATED = "simulated";

    private final ScaleFeed feed;
    private final Moments moments;
    private final SimulatedScale simulated;
    private final ScheduledExecutorService ticking = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "simulated-scale");
        thread.setDaemon(true);
        return thread;
    });
    private volatile boolean simulating;
    private volatile Instant pressed = Instant.EPOCH;

    ScaleController(ScaleFeed feed, Moments moments) {
        this.feed = feed;
        this.moments = moments;
        this.simulated = new SimulatedScale(7, moments.real());
        ticking.scheduleAtFixedRate(this::tick, EVERY_MS, EVERY_MS, TimeUnit.MILLISECONDS);
    }

    @GetMapping(value = "/scale/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream() {
        return feed.listen();
    }

    /**
     * Where a real scale, or the small program beside it, writes its lines. The header keeps other sites out: a browser
     * does not send it across sites without asking first, and is not answered.
     */
    @PostMapping(value = "/api/scale/readings", consumes = MediaType.TEXT_PLAIN_VALUE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void readings(@RequestBody String lines, @RequestHeader("X-Scale") String name) {
        Faults faults = new Faults();
        List<String> written =
                lines.lines().filter(line -> !line.isBlank()).limit(MOST_LINES).toList();
        List<ScaleReading> readings = new ArrayList<>();
        for (int i = 0; i < written.size(); i++) {
            String line = written.get(i);
            faults.attempt("line " + (i + 1), () -> ScaleReading.parse(line)).ifPresent(readings::add);
        }
        faults.require(
                name.matches("[\\w .-]{1,40}"),
                "X-Scale",
                "The scale's name must be 1 to 40 letters, digits, dots, dashes or blanks.");
        faults.throwIfAny();
        feed.accept(name, readings);
    }

    /**
     * The simulated scale's buttons: on, off, tare, cup, stop, or pour at so many grams a second until it shows so
     * much.
     */
    @PostMapping("/scale/simulated")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void press(@RequestParam Map<String, String> typed) {
        Instant now = moments.real();
        pressed = now;
        simulating = !"off".equals(typed.get("press"));
        switch (typed.getOrDefault("press", "")) {
            case "on", "off" -> {}
            case "tare" -> simulated.tare(now);
            case "cup" -> simulated.freshCup(now);
            case "stop" -> simulated.stop(now);
            case "pour" -> pour(new FormReader(typed), now);
            default ->
                throw new InvalidInput(List.of(
                        new Fault("press", "The simulated scale has the buttons on, off, tare, cup, pour and stop.")));
        }
    }

    private void pour(FormReader reader, Instant now) {
        double grams = reader.number("to", "The amount to pour to");
        double speed = reader.number("speed", "The speed");
        reader.faults().within("to", "The amount to pour to", grams, 0.1, 2000, "g");
        reader.faults().within("speed", "The speed", speed, 0.1, 100, "g/s");
        reader.faults().throwIfAny();
        simulated.pourTo(now, grams, speed);
    }

    /** The simulated scale writes the same lines a real one would. */
    private void tick() {
        Instant now = moments.real();
        // Pages of another instance may listen, which cannot be known here: for a while after each touch it shows on.
        if (simulating && (feed.isHeard() || now.isBefore(pressed.plus(SHOWS_ON)))) {
            feed.accept(
                    SIMULATED, List.of(ScaleReading.parse(simulated.read(now).line())));
        }
    }

    @Override
    public void destroy() {
        ticking.shutdownNow();
    }
}

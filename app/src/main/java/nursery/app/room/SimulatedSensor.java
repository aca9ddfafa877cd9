package nursery.app.room;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import nursery.app.floor.Floors;
import nursery.app.platform.Moments;
import nursery.core.cure.RoomReading;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Switches the simulated thermometer on: it writes over the same endpoint, with a token of its own, as a real one
 * would.
 */
@Component
class SimulatedSensor implements DisposableBean {

    static final String PLACE = "simulated";
    private static final Logger LOG = LoggerFactory.getLogger(SimulatedSensor.class);
    private static final long EVERY_S = 5;
    /** Whoever revokes its token wants to hear no more of it. */
    private static final int REVOKED = 401;

    private final RoomBook room;
    private final Floors floors;
    private final Moments moments;
    private final Environment environment;
    private final HttpClient client = HttpClient.newHttpClient();
    private final ScheduledExecutorService ticking = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "simulated-thermometer");
        thread.setDaemon(true);
        return thread;
    });
    private Optional<ScheduledFuture<?>> running = Optional.empty();

    SimulatedSensor(RoomBook room, Floors floors, Moments moments, Environment environment) {
        this.room = room;
        this.floors = floors;
        this.moments = moments;
        this.environment = environment;
    }

    synchronized boolean isOn() {
        return running.isPresent();
    }

    synchronized void switchOn(String by) {
        if (running.isEmpty()) {
            String token = room.newSensor(PLACE, by);
            SimulatedThermometer thermometer =
                    new SimulatedThermometer(3, floors.ways().zone(), 21, 16, Optional.empty());
            running = Optional.of(ticking.scheduleAtFixedRate(
                    () -> thermometer.read(moments.now()).ifPresent(reading -> write(reading, token)),
                    0,
                    EVERY_S,
                    TimeUnit.SECONDS));
        }
    }

    synchronized void switchOff() {
        running.ifPresent(work -> work.cancel(false));
        running = Optional.empty();
        room.sensors().stream()
                .filter(sensor -> sensor.place().equals(PLACE))
                .forEach(sensor -> room.revoke(sensor.id()));
    }

    private void write(RoomReading reading, String token) {
        String body = String.format(
                Locale.ROOT,
                "[{\"at\":\"%s\",\"temperatureC\":%.2f,\"humidityPercent\":%.1f}]",
                reading.at(),
                reading.temperatureC(),
                reading.humidityPercent().orElse(50));
        URI address =
                URI.create("http://127.0.0.1:" + environment.getProperty("local.server.port") + "/api/room/readings");
        try {
            int answer = client.send(
                            HttpRequest.newBuilder(address)
                                    .header("Authorization", "Bearer " + token)
                                    .header("Content-Type", "application/json")
                                    .POST(BodyPublishers.ofString(body))
                                    .build(),
                            BodyHandlers.discarding())
                    .statusCode();
            if (answer == REVOKED) {
                switchOff();
            }
        } catch (IOException e) {
            LOG.warn("The simulated thermometer could not write: {}", e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void destroy() {
        ticking.shutdownNow();
    }
}

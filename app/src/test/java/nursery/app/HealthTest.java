package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.List;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.slf4j.LoggerFactory;

/** How the application says that it is, and what it says of a failure that nobody foresaw. */
@ExtendWith(ShopUnderTest.class)
class HealthTest {

    private Running shop;

    @BeforeEach
    void open(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
    }

    private HttpResponse<String> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(shop.address() + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return HttpClient.newHttpClient().send(request.build(), BodyHandlers.ofString());
    }

    @Test
    void aProgramOnThisMachineIsToldOfDatabaseDiskBackupAndClock() throws Exception {
        assertThat(get("/actuator/health").body())
                .contains("\"db\":{")
                .contains("\"diskSpace\":{")
                .contains("\"backup\":{\"status\":\"UP\"}")
                .contains("\"clock\":{");
        assertThat(get("/actuator/metrics/hikaricp.connections").statusCode()).isEqualTo(200);
        for (String closed : List.of("env", "heapdump", "beans", "loggers", "shutdown")) {
            assertThat(get("/actuator/" + closed).statusCode()).as(closed).isEqualTo(404);
        }
    }

    @Test
    void nobodyElseIsOnceTheShopHasAnOwner() throws Exception {
        shop.bean(Makers.class).add("Mira", Role.OWNER, "tram seed comet lantern", "4821");
        assertThat(get("/actuator/health").statusCode()).isEqualTo(200);
        assertThat(get("/actuator/health", "X-Forwarded-For", "192.0.2.7").statusCode())
                .as("what a proxy on this machine passes on")
                .isEqualTo(401);
        shop.empty();
    }

    @Test
    void aClockThatWasSetBackIsToldAndIsNoOutage() throws Exception {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 228.6), true, 5, 0, 0, OptionalDouble.empty()));
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        shop.clock().forward(Duration.ofDays(5));
        shop.bean(LogBook.class).add(code, shop.entry(code, 1, shop.clock().instant(), 0), true);
        shop.clock().forward(Duration.ofDays(-1));
        HttpResponse<String> behind = get("/actuator/health");
        assertThat(behind.statusCode()).isEqualTo(200);
        assertThat(behind.body()).contains("the clock is behind").endsWith("\"status\":\"SEE-TO\"}");
    }

    @Test
    void aFailureIsOneLineInTheLogUnderTheWordThatItsPageShows() throws Exception {
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        log.start();
        Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.addAppender(log);
        shop.sql().execute("RENAME TABLE cup_next_time TO cup_next_time_gone");
        HttpResponse<String> page;
        try {
            page = get("/stories?find=tram", "Accept", "text/html");
        } finally {
            shop.sql().execute("RENAME TABLE cup_next_time_gone TO cup_next_time");
            root.detachAppender(log);
        }
        assertThat(page.statusCode()).isEqualTo(500);
        String word = page.body().replaceAll("(?s).*<code>([0-9a-f]{8})</code>.*", "$1");
        assertThat(word).hasSize(8);
        assertThat(page.body()).doesNotContain("SQL").doesNotContain("cup_next_time");
        assertThat(log.list.stream().filter(event -> event.getLevel().isGreaterOrEqual(Level.WARN)))
                .singleElement()
                .satisfies(event ->
                        assertThat(event.getFormattedMessage()).startsWith("GET /stories failed [" + word + "]"));
    }
}

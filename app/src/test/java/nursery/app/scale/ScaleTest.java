package nursery.app.scale;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Timeout(60)
@ExtendWith(ShopUnderTest.class)
class ScaleTest {

    private static final Instant START = Instant.parse("2026-03-01T18:00:00Z");

    @Test
    void aLineIsReadAsItIsWritten() {
        ScaleReading reading = new ScaleReading(START.plusMillis(200), 12.34, true);
        assertThat(reading.line()).isEqualTo("2026-03-01T18:00:00.200Z 12.34 g stable");
        assertThat(ScaleReading.parse(reading.line())).isEqualTo(reading);
        assertThat(ScaleReading.parse("2026-03-01T18:00:00Z -0.5 g").stable()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "12.34 g",
                "yesterday 12 g",
                "2026-03-01T18:00:00Z 12,3 g",
                "2026-03-01T18:00:00Z NaN g",
                "2026-03-01T18:00:00Z 1e308 g",
                "2026-03-01T18:00:00Z 99999 g",
                "2026-03-01T18:00:00Z 12 oz"
            })
    void whatIsNoReadingIsRefused(String line) {
        assertThatThrownBy(() -> ScaleReading.parse(line))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .endsWith(".");
    }

    /** 14.4 g at 6 g/s take 2.4 s; noise is a few hundredths of a gram, drift 0.4 g an hour. */
    @Test
    void theSimulatedScalePoursAtTheSpeedItIsTold() {
        SimulatedScale scale = new SimulatedScale(1, START);
        scale.tare(START);
        assertThat(scale.read(START).grams()).isCloseTo(0, within(0.2));
        scale.pourTo(START, 14.4, 6);
        assertThat(scale.read(START.plusSeconds(1)).grams()).isCloseTo(6, within(0.4));
        assertThat(scale.read(START.plusSeconds(1)).stable()).isFalse();
        assertThat(scale.read(START.plusSeconds(5)).grams()).isCloseTo(14.4, within(0.2));
        assertThat(scale.read(START.plusSeconds(5)).stable()).isTrue();
        assertThat(scale.read(START.plus(Duration.ofHours(10))).grams())
                .as("drift")
                .isCloseTo(18.4, within(0.2));
        scale.freshCup(START.plus(Duration.ofHours(10)));
        scale.tare(START.plus(Duration.ofHours(10)));
        assertThat(scale.read(START.plus(Duration.ofHours(10))).grams()).isCloseTo(0, within(0.2));
    }

    @Test
    void whatAScaleWritesIsHeardAndAJumpIsMarked(Running shop) throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        HttpResponse<Stream<String>> stream = client.send(
                HttpRequest.newBuilder(URI.create(shop.address() + "/scale/stream"))
                        .build(),
                BodyHandlers.ofLines());
        assertThat(write(
                                client,
                                shop,
                                "2026-03-01T18:00:00Z 1.00 g\n2026-03-01T18:00:00.2Z 2.00 g "
                                        + "stable\n2026-03-01T18:00:00.4Z 40.00 g")
                        .statusCode())
                .isEqualTo(204);
        Iterator<String> events =
                stream.body().filter(line -> line.startsWith("data:")).iterator();
        assertThat(events.next()).contains("\"grams\":1.0").contains("\"jumped\":false");
        assertThat(events.next())
                .contains("\"grams\":2.0")
                .contains("\"stable\":true")
                .contains("\"jumped\":false");
        assertThat(events.next()).contains("\"grams\":40.0").contains("\"jumped\":true");
        stream.body().close();
    }

    @Test
    void aWrongLineIsNamedAndNoneCounts(Running shop) throws Exception {
        HttpResponse<String> answer = write(HttpClient.newHttpClient(), shop, "2026-03-01T18:00:00Z 1.00 g\nheavy");
        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(answer.body()).contains("line 2").contains("is not a reading");
    }

    @Test
    void withoutItsHeaderNothingIsTaken(Running shop) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(shop.address() + "/api/scale/readings"))
                .header("Content-Type", "text/plain")
                .POST(BodyPublishers.ofString("2026-03-01T18:00:00Z 1.00 g"))
                .build();
        assertThat(HttpClient.newHttpClient()
                        .send(request, BodyHandlers.ofString())
                        .statusCode())
                .isEqualTo(400);
    }

    private static HttpResponse<String> write(HttpClient client, Running shop, String lines) throws Exception {
        return client.send(
                HttpRequest.newBuilder(URI.create(shop.address() + "/api/scale/readings"))
                        .header("Content-Type", "text/plain")
                        .header("X-Scale", "test")
                        .POST(BodyPublishers.ofString(lines))
                        .build(),
                BodyHandlers.ofString());
    }
}

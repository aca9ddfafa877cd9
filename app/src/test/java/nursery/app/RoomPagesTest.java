package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.floor.RoomPlan;
import nursery.app.room.RoomBook;
import nursery.app.room.SimulatedThermometer;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomReading;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;

/** The room's readings: by hand, from a file, from a sensor; and what the pages make of them. */
@Timeout(120)
@ExtendWith(ShopUnderTest.class)
class RoomPagesTest {

    private static Running shop;
    private static Tablet tablet;
    private static RoomBook room;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        room = running.bean(RoomBook.class);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        shop.settle("Europe/Berlin");
    }

    private static Instant now() {
        return shop.clock().instant();
    }

    /** Sends a file and waits until it is read. */
    private static String read(String csv, String... more) throws InterruptedException {
        MockMvcTester web =
                MockMvcTester.from((WebApplicationContext) shop.context(), builder -> builder.apply(springSecurity())
                        .build());
        var request = web.post()
                .uri("/room/import")
                .multipart()
                .file(new MockMultipartFile("file", "room.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)))
                .param("token", UUID.randomUUID().toString())
                .with(csrf());
        for (int i = 0; i < more.length; i += 2) {
            request.param(more[i], more[i + 1]);
        }
        MvcTestResult sent = request.exchange();
        if (sent.getResponse().getStatus() != 302) {
            return text(sent);
        }
        String page = tablet.page(sent.getResponse().getRedirectedUrl());
        for (int i = 0; i < 400 && page.contains("% done"); i++) {
            Thread.sleep(25);
            page = tablet.page(sent.getResponse().getRedirectedUrl());
        }
        return page;
    }

    private static int count() {
        return shop.sql().queryForObject("SELECT COUNT(*) FROM room_reading", Integer.class);
    }

    @Test
    void columnsInAnyOrderAndFahrenheitByTheHeadingAreUnderstood() throws InterruptedException {
        assertThat(read("humidity (%),Temp (°F),Timestamp\n45,68,2026-03-01T18:00:00Z\n"
                        + "50,59.0,2026-03-01T20:00:00+01:00\n"))
                .contains("<b>2</b> readings taken");
        assertThat(shop.floor().air().course().temperatureCAt(Instant.parse("2026-03-01T18:00:00Z")))
                .as("68 °F")
                .isCloseTo(20, within(1e-9));
        assertThat(shop.floor().air().course().temperatureCAt(Instant.parse("2026-03-01T19:00:00Z")))
                .as("59 °F")
                .isCloseTo(15, within(1e-9));
        assertThat(shop.floor().air().course().humidityPercentAt(Instant.parse("2026-03-01T18:30:00Z")))
                .hasValueCloseTo(47.5, within(1e-9));
    }

    @Test
    void semicolonsAndDecimalCommasAndLocalTimesAreUnderstood() throws InterruptedException {
        assertThat(read("Datum;Zeit;Temperatur °C\n01.03.2026;18:00;19,5\n01.03.2026;18:15;19,25\n"))
                .contains("<b>2</b> readings taken");
        assertThat(shop.floor().air().course().temperatureCAt(Instant.parse("2026-03-01T17:15:00Z")))
                .as("18:15 in Berlin in winter")
                .isCloseTo(19.25, within(1e-9));
    }

    /** On 25 October 2026 the hour from 02:00 comes twice in Berlin; on 29 March it does not come at all. */
    @Test
    void theHourThatComesTwiceAndTheOneThatNeverCame() throws InterruptedException {
        shop.clock().set(Instant.parse("2026-10-26T08:00:00Z"));
        assertThat(read("time,temp_c\n2026-10-25 02:30,10\n2026-10-25 02:45,11\n2026-10-25 "
                        + "02:30,12\n2026-10-25 02:45,13\n2026-03-29 02:30,14\n"))
                .contains("<b>4</b> readings taken")
                .contains("1 left out")
                .contains("did not exist in Europe/Berlin");
        assertThat(shop.sql()
                        .queryForList(
                                "SELECT CAST(taken_at AS CHAR) FROM room_reading ORDER BY taken_at", String.class))
                .containsExactly(
                        "2026-10-25 00:30:00.000",
                        "2026-10-25 00:45:00.000",
                        "2026-10-25 01:30:00.000",
                        "2026-10-25 01:45:00.000");
    }

    @Test
    void badRowsAreToldByNumberAndTheOthersTaken() throws InterruptedException {
        assertThat(read("time,temp_c,hum\n2026-03-01T18:00:00Z,20,45\nyesterday,20,45\n"
                        + "2026-03-01T19:00:00Z,warm,45\n2026-03-01T20:00:00Z,70,45\n"
                        + "2026-03-01T21:00:00Z,20,145\n2026-03-01T22:00:00Z\n"
                        + "2027-01-01T00:00:00Z,20,40\n"))
                .contains("<b>1</b> readings taken")
                .contains("6 left out")
                .contains("still to come")
                .contains("Row 3: “yesterday” is not a time")
                .contains("Row 4: “warm” is not a number")
                .contains("did you mean 70 °F")
                .contains("hygrometer")
                .contains("too few columns");
        assertThat(count()).isEqualTo(1);
    }

    @Test
    void aFileReadTwiceCountsOnce() throws InterruptedException {
        String csv = "time,temp_c\n2026-03-01T18:00:00Z,20\n2026-03-01T18:15:00Z,21\n2026-03-01T18:15:00Z,22\n";
        assertThat(read(csv)).contains("<b>2</b> readings taken").contains("1 known already");
        assertThat(read(csv)).contains("<b>0</b> readings taken").contains("3 known already");
        assertThat(count()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "when,warmth|No column is headed as a temperature",
                "temp_c,hum|No column is headed as a time",
                "time,temp|does not say whether it is °C or °F",
                "''|No file was chosen"
            })
    void aFileThatSaysTooLittleIsAskedAbout(String head, String told) throws InterruptedException {
        assertThat(read(head.isEmpty() ? "" : head + "\n2026-03-01T18:00:00Z,20\n"))
                .contains(told);
        assertThat(count()).isZero();
    }

    @Test
    void theUnitAskedForIsTaken() throws InterruptedException {
        assertThat(read("time,temp\n2026-03-01T18:00:00Z,50\n", "unit", "F")).contains("<b>1</b> readings taken");
        assertThat(shop.floor().air().course().temperatureCAt(Instant.parse("2026-03-01T18:00:00Z")))
                .isCloseTo(10, within(1e-9));
    }

    @Test
    void thousandsOfRowsOutOfOrderAreTaken() throws InterruptedException {
        String rows = IntStream.range(0, 6000)
                .mapToObj(i -> Instant.parse("2026-01-01T00:00:00Z").plus(Duration.ofMinutes(5L * (i * 7919 % 6000)))
                        + "," + (15 + i % 10))
                .collect(Collectors.joining("\n"));
        assertThat(read("timestamp,temperature_c\n" + rows)).contains("<b>6000</b> readings taken");
        assertThat(count()).isEqualTo(6000);
    }

    private static String tokenFor(String place) {
        String page = text(tablet.send("/room/sensors", typed("place", place)));
        return page.replaceAll("(?s).*<code>([0-9a-f]{48})</code>.*", "$1");
    }

    private static HttpResponse<String> write(String token, String body) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(shop.address() + "/api/room/readings"))
                                .header("Content-Type", "application/json")
                                .header("Authorization", "Bearer " + token)
                                .POST(BodyPublishers.ofString(body))
                                .build(),
                        BodyHandlers.ofString());
    }

    @Test
    void aSensorWritesWithItsTokenUntilItIsRevoked() throws Exception {
        String token = tokenFor("curing shelf");
        assertThat(write(
                                token,
                                "[{\"at\":\"2026-03-02T07:00:00Z\",\"temperatureC\":18.5,"
                                        + "\"humidityPercent\":55},{\"temperatureF\":68}]")
                        .body())
                .isEqualTo("{\"added\":2,\"known\":0}");
        assertThat(write(token, "[{\"at\":\"2026-03-02T07:00:00Z\",\"temperatureC\":18.5}]")
                        .body())
                .isEqualTo("{\"added\":0,\"known\":1}");
        assertThat(shop.sql().queryForList("SELECT DISTINCT place FROM room_reading", String.class))
                .containsExactly("curing shelf");
        assertThat(shop.sql().queryForList("SELECT token_hash FROM room_sensor", String.class))
                .doesNotContain(token);
        assertThat(tablet.page("/room"))
                .contains("curing shelf")
                .contains("heard")
                .doesNotContain(token);
        long sensor = shop.sql().queryForObject("SELECT id FROM room_sensor", Long.class);
        assertThat(tablet.send("/room/sensors/" + sensor + "/revoke", typed())).hasStatus(302);
        assertThat(write(token, "[{\"temperatureC\":18}]").statusCode()).isEqualTo(401);
        assertThat(write("guess", "[{\"temperatureC\":18}]").statusCode()).isEqualTo(401);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[{\"temperatureC\":70}]|did you mean 70 °F",
                "[{\"at\":\"2026-03-03T08:00:00Z\",\"temperatureC\":20}]|still to come",
                "[{\"at\":\"today\",\"temperatureC\":20}]|is not a moment",
                "[{\"humidityPercent\":50}]|needs either temperatureC",
                "[{\"temperatureC\":20,\"temperatureF\":68}]|needs either",
                "[]|from 1 to 5000",
                "[null]|needs either",
                "[{\"temperatureC\":20,\"humidityPercent\":-4}]|hygrometer"
            })
    void aWrongReadingIsToldAndNoneOfItsRequestCounts(String body, String told) throws Exception {
        HttpResponse<String> answer = write(
                tokenFor("bench"), body.equals("[]") ? body : body.replaceFirst("\\[", "[{\"temperatureC\":19},"));
        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(answer.body()).contains(told);
        assertThat(count()).isZero();
    }

    @Test
    void theSimulatedThermometerSpeaksTheSameEndpoint() throws Exception {
        assertThat(tablet.send("/room/simulated", typed("press", "on"))).hasStatus(302);
        for (int i = 0; i < 200 && count() == 0; i++) {
            shop.clock().forward(Duration.ofSeconds(1));
            Thread.sleep(50);
        }
        assertThat(shop.sql().queryForList("SELECT DISTINCT place FROM room_reading", String.class))
                .containsExactly("simulated");
        assertThat(tablet.send("/room/simulated", typed("press", "off"))).hasStatus(302);
        assertThat(tablet.page("/room")).contains("Try the simulated one");
    }

    /** It is colder by some degrees after the window was opened, and never colder than outside would make it. */
    @Test
    void theSimulatedThermometerFeelsAnOpenWindow() {
        Instant window = Instant.parse("2026-03-01T20:00:00Z");
        SimulatedThermometer shut = new SimulatedThermometer(1, java.time.ZoneOffset.UTC, 21, 17, Optional.empty());
        SimulatedThermometer open = new SimulatedThermometer(1, java.time.ZoneOffset.UTC, 21, 17, Optional.of(window));
        Instant at = IntStream.range(0, 50)
                .mapToObj(i -> window.plus(Duration.ofHours(5)).plusSeconds(i))
                .filter(moment -> shut.read(moment).isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(shut.read(at).orElseThrow().temperatureC()
                        - open.read(at).orElseThrow().temperatureC())
                .isCloseTo(8, within(0.4));
        assertThat(open.read(window.minusSeconds(60))).isEqualTo(shut.read(window.minusSeconds(60)));
    }

    @Test
    void whetherTheRoomIsFitForACoatIsSaidWithItsReason() {
        room.add(new RoomReading(now(), 22, OptionalDouble.of(45)), "Mira");
        assertThat(tablet.page("/room"))
                .contains("Dry and warm enough")
                .contains("45 % humidity")
                .contains("dew point 9.5 °C");
        shop.clock().forward(Duration.ofMinutes(10));
        room.add(new RoomReading(now(), 14, OptionalDouble.of(88)), "Mira");
        assertThat(tablet.page("/room"))
                .contains("Not now")
                .contains("above the dew point")
                .contains("it blushes");
    }

    @Test
    void whatIsExpectedOfTheRoomMovesTheWindows() {
        assertThat(tablet.send("/room/plan", typed("way", "STEADY", "steady", "12", "place", "bench")))
                .hasStatus(302);
        assertThat(shop.floor().air().course().temperatureCAt(now().plus(Duration.ofHours(5))))
                .isCloseTo(12, within(1e-9));
        assertThat(tablet.send("/room/plan", typed("way", "HEATING", "heating", "6:30 21; 22:00 16", "place", "bench")))
                .hasStatus(302);
        assertThat(shop.floor().air().course().temperatureCAt(Instant.parse("2026-03-03T02:00:00Z")))
                .isCloseTo(16, within(1e-9));
        assertThat(tablet.page("/room")).contains("06:30 21, 22:00 16");
        for (String heating : new String[] {"", "warm", "25:00 21", "06:30 99"}) {
            MvcTestResult result =
                    tablet.send("/room/plan", typed("way", "HEATING", "heating", heating, "place", "bench"));
            assertThat(result).hasStatus(422);
            assertThat(text(result)).contains("value=\"" + heating + "\"");
        }
        assertThat(text(tablet.send("/room/plan", typed("way", "STEADY", "steady", "", "place", "bench"))))
                .contains("The temperature expected is missing");
    }

    /** In a shop of °F the heating is written in °F, kept in °C, and 21 is asked about: 70 °F = 21.1 °C. */
    @Test
    void aHeatingIsInTheShopsOwnUnit() {
        shop.sql().update("UPDATE shop SET temperature_unit = 'F'");
        assertThat(text(tablet.send(
                        "/room/plan", typed("way", "HEATING", "heating", "06:30 21, 22:00 16", "place", "bench"))))
                .contains("did you mean 21 °C")
                .contains("value=\"06:30 21, 22:00 16\"");
        assertThat(tablet.send(
                        "/room/plan", typed("way", "HEATING", "heating", "06:30 70, 22:00 16 °C", "place", "bench")))
                .hasStatus(302);
        assertThat(shop.floor().air().course().temperatureCAt(now().plus(Duration.ofDays(30))))
                .isBetween(15.9, 21.2);
        assertThat(tablet.page("/room"))
                .contains("value=\"06:30 70, 22:00 60.8\"")
                .contains("Times and °F");
    }

    @Test
    void aSilentThermometerIsSaid() {
        room.add(new RoomReading(now().minus(Duration.ofDays(2)), 20), "sensor");
        assertThat(tablet.page("/room")).contains("has been silent since").contains("Four times in five");
    }

    @Test
    void aColdNightIsToldOnTheCupsPage() {
        ShelfBook shelf = shop.bean(ShelfBook.class);
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        long regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        Instant evening = now().minus(Duration.ofHours(12));
        room.add(
                RoomPlan.BENCH,
                java.util.List.of(
                        new RoomReading(evening.minus(Duration.ofHours(3)), 22),
                        new RoomReading(evening, 22),
                        new RoomReading(evening.plus(Duration.ofHours(2)), 12),
                        new RoomReading(now(), 12)),
                "sensor");
        String code = shop.start("Winter sky", regular, evening.minus(Duration.ofHours(1)));
        LogBook log = shop.bean(LogBook.class);
        log.add(code, shop.entry(code, 1, evening.minus(Duration.ofMinutes(50)), 0), true);
        log.add(code, shop.entry(code, 2, evening.minus(Duration.ofMinutes(40)), 0), true);
        log.add(code, shop.entry(code, 3, evening, 1), true);
        assertThat(tablet.page("/cups/" + code))
                .contains("The room <span>fell</span> to <b>12 °C</b>")
                .contains("sandable moved from")
                .contains("If the room is warmer or colder than expected");
        assertThat(tablet.page("/room/coats?span=week")).contains(code).contains("chart-band");
    }

    @Test
    void humidityIsTypedByHandAndJudged() {
        assertThat(tablet.send("/room", typed("temperature", "70 °F", "humidity", "48", "place", "")))
                .hasStatus(302);
        assertThat(shop.floor().air().course().humidityPercentAt(now())).hasValue(48);
        Map<String, String> wrong = typed("temperature", "21", "humidity", "480");
        assertThat(text(tablet.send("/room", wrong)))
                .contains("check the hygrometer")
                .contains("value=\"480\"");
    }

    @Test
    void theLabPlaysACoatThroughAndGivesItsValuesAway() throws Exception {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        assertThat(tablet.page("/room/lab?starts=22&ends=22"))
                .contains("It never sags")
                .contains("4 h 00")
                .contains("pot life 40 min");
        assertThat(tablet.page("/room/lab?starts=22&ends=22&share=80")).contains("It sags until");
        assertThat(tablet.page("/room/lab?tilt=12&starts=90&span=x&share=-2"))
                .contains("The room at first is 90")
                .contains("is not a number")
                .contains("On the cup is -2");
        assertThat(tablet.page("/room/lab?tilt=12")).contains("Tilt 12° is outside 0°–10°");
        assertThat(tablet.page("/room/lab?starts=22&ends=22&cup=8")).contains("spreads badly: warm the cup");
        assertThat(tablet.page("/room/lab?starts=12&ends=12&passAfter=10&passFor=2&passAt=45"))
                .contains("spreads badly")
                .contains("70 kJ/mol, from memory");
        assertThat(tablet.page("/room/lab?passAfter=10&passAt=450"))
                .contains("How long the heat pass lasts is missing");
        assertThat(tablet.page("/room/lab?passAfter=10&passFor=2&passAt=450&cup=-40"))
                .contains("The film in the heat pass is 450")
                .contains("The cup at the pour is -40");
        MvcTestResult csv = tablet.get("/room/lab.csv?starts=22&ends=22");
        assertThat(csv.getResponse().getContentAsString())
                .startsWith("minutes,film_c,equivalent_age_h,phase")
                .contains("0.0,22.00,0.0000,workable,1.0000");
        MvcTestResult svg = tablet.get("/room/lab.svg?starts=22&ends=22");
        assertThat(svg.getResponse().getContentAsString())
                .startsWith("<svg xmlns")
                .contains("width=\"160mm\"")
                .contains("viewBox=\"0 0 640 690\"")
                .doesNotContain(" th:")
                .contains("equivalent age, h");
        javax.xml.parsers.DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new java.io.ByteArrayInputStream(svg.getResponse().getContentAsByteArray()));
        assertThat(tablet.get("/room/lab.csv?share=-2")).hasStatus(400);
    }

    /** Over the real server, because it is the server that stops reading. */
    @Test
    void aFileTooLargeToReadIsRefusedInWords() throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        HttpResponse<String> page = client.send(
                HttpRequest.newBuilder(URI.create(shop.address() + "/room")).build(), BodyHandlers.ofString());
        String cookie = page.headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        String head = "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"room.csv\"\r\nContent-Type: "
                + "text/csv\r\n\r\n";
        byte[] body = (head + "time,temp_c\n" + "2026-03-01T18:00:00Z,20\n".repeat(1_200_000) + "\r\n--cut--\r\n")
                .getBytes(StandardCharsets.UTF_8);
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(shop.address() + "/room/import"))
                        .header("Cookie", cookie)
                        .header("Accept", "text/html")
                        .header("Content-Type", "multipart/form-data; boundary=cut")
                        .POST(BodyPublishers.ofByteArray(body))
                        .build(),
                BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(413);
        assertThat(answer.body()).contains("larger than 25 MB");
        assertThat(count()).isZero();
    }
}

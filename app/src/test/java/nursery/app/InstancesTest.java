package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** Two instances on one database: what is done on one is so on the other, at the next look. */
@ExtendWith(ShopUnderTest.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class InstancesTest {

    private static final String PASSWORD = "tram seed comet lantern";

    /** What a search has told before its instance was gone. */
    private static final String SEARCHED =
            """
            {"first":{"notPlaced":0,"missed":0,"lateMinutes":90,"scuffs":1,"sessions":4,"fadedHours":0,"mixes":3,
            "finishMinutes":8000},"best":{"notPlaced":0,"missed":0,"lateMinutes":0,"scuffs":1,"sessions":4,
            "fadedHours":0,"mixes":3,"finishMinutes":8000},"steps":70,"proposal":null}""";

    private Running shop;
    private ConfigurableApplicationContext second;
    private String there;

    @BeforeAll
    void asecondInstance(Running running) {
        shop = running;
        second = new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run(
                        "--server.port=0",
                        "--nursery.tries-per-minute=1000",
                        "--nursery.password-rounds=500",
                        "--server.forward-headers-strategy=native",
                        "--server.tomcat.remoteip.internal-proxies=127\\.0\\.0\\.1");
        there = "http://127.0.0.1:" + second.getEnvironment().getProperty("local.server.port");
    }

    @AfterAll
    void oneIsEnough() {
        shop.empty();
        second.close();
    }

    @BeforeEach
    void anEmptyShop() {
        shop.empty();
        shop.settle("UTC");
    }

    @Test
    void aBlankARoomAndACupOfOneAreOnTheOther() {
        Visitor one = new Visitor(shop);
        Visitor other = new Visitor(there);
        assertThat(other.get("/shelf").body()).doesNotContain("Slim of the other");
        shop.bean(ShelfBook.class)
                .addBlank(
                        "Slim of the other",
                        new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        assertThat(other.get("/shelf").body()).contains("Slim of the other");

        assertThat(one.get("/").body()).contains("assumed in the room");
        assertThat(other.get("/").body()).contains("assumed in the room");
        other.post("/room", "/room", typed("when", "now", "temperature", "17.3", "humidity", "44"));
        assertThat(other.get("/").body()).contains("17.3");
        assertThat(one.get("/").body()).as("the room's course").contains("17.3");

        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        assertThat(other.get("/cups/" + code).body()).contains("Winter sky");
        int first = shop.cup(code).stepsAhead().get(0).number();
        String log = "/cups/" + code + "/log";
        assertThat(other.post("/cups/" + code, log, typed("what", "DONE", "step", "" + first, "when", "0"))
                        .body())
                .isEmpty();
        assertThat(shop.cup(code).stepsAhead().get(0).number())
                .as("the folded cup")
                .isNotEqualTo(first);
    }

    @Test
    void sessionsAreSharedAndEndEverywhere() {
        shop.bean(Makers.class).add("Mira", Role.OWNER, PASSWORD, "4821");
        Visitor one = new Visitor(shop);
        assertThat(leadsTo(one.signIn("Mira", PASSWORD, false))).doesNotContain("sign-in");
        Visitor same = one.at(there);
        assertThat(same.get("/people").statusCode()).as("signed in on one").isEqualTo(200);
        assertThat(leadsTo(same.post("/me", "/me/sign-out", typed()))).isEqualTo("/sign-in");
        assertThat(leadsTo(one.get("/people"))).as("signed out on the other").isEqualTo("/sign-in");
    }

    @Test
    void aSearchOfOneIsSeenAndEndedOnTheOther() throws Exception {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        shop.start("Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        Visitor one = new Visitor(shop);
        Visitor other = new Visitor(there);
        assertThat(leadsTo(one.post("/plan", "/plan/search", typed()))).isEqualTo("/plan/search");
        assertThat(other.get("/plan/search").body()).contains("Enough: take the best so far");
        other.post("/plan", "/plan/search", typed());
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM desk_run", Integer.class))
                .as("searches, though both were asked")
                .isEqualTo(1);
        other.post("/plan/search", "/plan/search/stop", typed());
        assertThat(until(() -> other.get("/plan/search").body(), "Back to the plan", "See what would change"))
                .doesNotContain("Enough:");
        assertThat(until(() -> one.get("/plan/search").body(), "Back to the plan", "See what would change"))
                .doesNotContain("Enough:");
    }

    /** An instance that is gone says nothing any more: what it did is told as broken off, and can be begun anew. */
    @Test
    void workOfAnInstanceThatIsGoneIsBrokenOff() {
        shop.sql()
                .update(
                        "INSERT INTO desk_run (what, alone, percent, told, beat_at) VALUES ('plan-search', "
                                + "'plan-search', 40, ?, UTC_TIMESTAMP(3) - INTERVAL 30 SECOND)",
                        SEARCHED);
        shop.sql()
                .update("INSERT INTO desk_run (what, percent, beat_at) VALUES ('room-import', 40, "
                        + "UTC_TIMESTAMP(3) - INTERVAL 30 SECOND)");
        Visitor one = new Visitor(shop);
        long number = shop.sql().queryForObject("SELECT MAX(id) FROM desk_run", Long.class);
        assertThat(one.get("/room/import/" + number).body()).contains("broken off when Nursery was stopped");
        assertThat(one.get("/plan/import/" + number).statusCode())
                .as("another desk's number")
                .isEqualTo(404);
        assertThat(one.get("/plan/search").body()).contains("broken off when Nursery was stopped");
        one.post("/plan", "/plan/search", typed());
        assertThat(one.get("/plan/search").body()).doesNotContain("broken off");
        one.post("/plan/search", "/plan/search/stop", typed());
    }

    @Test
    void whatTheScaleShowsOnOneIsToldOnTheOther() throws Exception {
        HttpClient http = HttpClient.newHttpClient();
        HttpResponse<Stream<String>> stream = http.send(
                HttpRequest.newBuilder(URI.create(there + "/scale/stream")).build(),
                HttpResponse.BodyHandlers.ofLines());
        Iterator<String> lines = stream.body()
                .filter(line -> line.startsWith("data:"))
                .map(line -> line.substring(5))
                .iterator();
        weigh(http, "12.5");
        assertThat(lines.next()).contains("bench").contains("12.5").contains("\"jumped\":false");
        weigh(http, "13.0", "48.0", "49.0");
        assertThat(lines.next())
                .as("the last of three, and that it jumped on the way")
                .contains("49.0")
                .contains("\"jumped\":true");
        stream.body().close();
    }

    private void weigh(HttpClient http, String... grams) throws Exception {
        String now = shop.clock().instant().toString();
        String body = Arrays.stream(grams)
                .map(each -> now + " " + each + " g stable\n")
                .collect(Collectors.joining());
        HttpRequest sent = HttpRequest.newBuilder(URI.create(shop.address() + "/api/scale/readings"))
                .header("X-Scale", "bench")
                .header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        assertThat(http.send(sent, HttpResponse.BodyHandlers.ofString()).statusCode())
                .isEqualTo(204);
    }

    /** RFC 7239's predecessors, as proxies send them: read from the proxy that is named, and from nobody else. */
    @Test
    void aNamedProxyIsBelieved() {
        shop.bean(Makers.class).add("Mira", Role.OWNER, PASSWORD, "4821");
        String[] behind = {"X-Forwarded-For", "203.0.113.7", "X-Forwarded-Proto", "https"};
        String wrong = "not it at all";
        Map<String, String> typed = typed("who", "Mira", "secret", wrong, "way", "password");
        Visitor proxied = new Visitor(there);
        typed.put("_csrf", proxied.token("/sign-in"));
        proxied.postPlain("/sign-in", typed, behind);
        Visitor direct = new Visitor(shop);
        typed.put("_csrf", direct.token("/sign-in"));
        direct.postPlain("/sign-in", typed, behind);
        assertThat(shop.sql().queryForList("SELECT device FROM audit ORDER BY id", String.class))
                .filteredOn(device -> device.contains("203.0.113.7"))
                .hasSize(1);
        assertThat(new Visitor(there)
                        .get("/sign-in", behind)
                        .headers()
                        .firstValue("Set-Cookie")
                        .orElseThrow())
                .contains("Secure");
        assertThat(new Visitor(shop)
                        .get("/sign-in", behind)
                        .headers()
                        .firstValue("Set-Cookie")
                        .orElseThrow())
                .doesNotContain("Secure");
    }

    private static String until(Supplier<String> page, String... words) throws InterruptedException {
        String body = page.get();
        for (int tried = 0; tried < 50 && Arrays.stream(words).noneMatch(body::contains); tried++) {
            Thread.sleep(200);
            body = page.get();
        }
        assertThat(words).as(body).anyMatch(body::contains);
        return body;
    }

    /** Ten tablets at one instant, half of them on each instance: one of them logs it, once. */
    @Test
    void aRaceAcrossInstancesHasOneWinner() throws Exception {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        int first = shop.cup(code).stepsAhead().get(0).number();
        List<Visitor> tablets = IntStream.range(0, 10)
                .mapToObj(i -> i % 2 == 0 ? new Visitor(shop) : new Visitor(there))
                .toList();
        List<String> tokens =
                tablets.stream().map(tablet -> tablet.token("/cups/" + code)).toList();
        ExecutorService hands = Executors.newFixedThreadPool(10);
        try {
            List<Callable<Integer>> touches = IntStream.range(0, 10)
                    .mapToObj(i -> (Callable<Integer>) () -> tablets.get(i)
                            .postPlain(
                                    "/cups/" + code + "/log",
                                    typed("what", "DONE", "step", "" + first, "when", "0", "_csrf", tokens.get(i)))
                            .statusCode())
                    .toList();
            for (Future<Integer> touch : hands.invokeAll(touches)) {
                assertThat(touch.get()).isLessThan(500);
            }
        } finally {
            hands.shutdownNow();
        }
        assertThat(shop.sql()
                        .queryForObject(
                                "SELECT COUNT(*) FROM log_entry WHERE step = ? AND kind = 'DONE'",
                                Integer.class,
                                first))
                .isEqualTo(1);
    }
}

package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
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

    private Running shop;
    private ConfigurableApplicationContext second;
    private String there;

    @BeforeAll
    void asecondInstance(Running running) {
        shop = running;
        second = new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run("--server.port=0", "--nursery.tries-per-minute=1000", "--nursery.password-rounds=500");
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

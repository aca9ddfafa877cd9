package nursery.app;

import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;

/** A shop with one blank, and a cup that is written down step by step. */
@ExtendWith(ShopUnderTest.class)
abstract class CupForms {

    static final Instant MORNING = Instant.parse("2026-03-02T08:00:00Z");
    static Running shop;
    static Tablet tablet;
    static CupBook cups;
    static ShelfBook shelf;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        cups = running.bean(CupBook.class);
        shelf = running.bean(ShelfBook.class);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.settle("Europe/Berlin");
    }

    static String startCup() {
        long resin = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        return shop.start("Winter sky", resin, MORNING);
    }

    static Map<String, String> done(int step) {
        return typed("what", "DONE", "step", String.valueOf(step), "when", "0", "note", "");
    }

    /** A spindle to turn on: what hangs and is no thin film is asked about. */
    static String turning() {
        return "" + shop.shelf().spindles().get(0).id();
    }

    static Map<String, String> pour(int step, String amount, String spindle) {
        return typed(
                "what",
                "POURED",
                "step",
                String.valueOf(step),
                "when",
                "0",
                "amount",
                amount,
                "spindle",
                spindle,
                "note",
                "");
    }

    static void forward(double hours) {
        shop.clock().forward(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    static void upToFlood(String code) {
        for (Map<String, String> step : List.of(done(1), done(2))) {
            assertThat(tablet.send("/cups/" + code + "/log", step)).hasStatus(302);
        }
        forward(1.1);
        assertThat(tablet.send("/cups/" + code + "/log", pour(3, "1", ""))).hasStatus(302);
        forward(0.1);
        assertThat(tablet.send("/cups/" + code + "/log", done(4))).hasStatus(302);
        forward(4);
    }
}

package nursery.app;

import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.plan.PlanBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.plan.PlannedStep;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** A shop with two cups to plan. It is Monday, 2 March 2026, 08:00. */
@Timeout(120)
@ExtendWith(ShopUnderTest.class)
abstract class PlannedShop {

    static Running shop;
    static Tablet tablet;
    static PlanBook plans;
    static long resin;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        plans = running.bean(PlanBook.class);
    }

    @BeforeEach
    void twoCups() {
        shop.empty();
        shop.settle("UTC");
        ShelfBook shelf = shop.bean(ShelfBook.class);
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        resin = shop.shelf().resins().get(0).id();
        CupBook cups = shop.bean(CupBook.class);
        shop.start("Winter sky", resin, shop.clock().instant());
        shop.start("Line 7 green", resin, shop.clock().instant());
    }

    static String location(MvcTestResult result) {
        assertThat(result).hasStatus(302);
        return String.valueOf(result.getResponse().getHeader("Location"));
    }

    static String keep() {
        String change = location(tablet.send("/plan/want", typed("want", "BETTER")));
        tablet.send(change + "/keep", typed());
        return change;
    }

    static PlannedStep first(String cup) {
        return shop.plan().of(cup).get(0);
    }
}

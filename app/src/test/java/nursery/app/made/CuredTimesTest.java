package nursery.app.made;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.plan.Order;
import nursery.core.technique.PlanStep;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Whether cups were in time: those on the floor by the room as it is, those that left as it was. */
@ExtendWith(ShopUnderTest.class)
class CuredTimesTest {

    private Running shop;

    @BeforeEach
    void aBlank(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
    }

    /** Done in a bit over four days, fully cured after about three more; handed over a week after that. */
    private String handedOver(int dueInDays) {
        int unknown = figures().unknown();
        LocalDate today = LocalDate.ofInstant(shop.clock().instant(), java.time.ZoneOffset.UTC);
        Order order = shop.glitterCup("Winter sky", shop.shelf().resins().get(0).id())
                .dueOn(Optional.of(today.plusDays(dueInDays)));
        String code =
                shop.bean(CupBook.class).start(order, shop.clock().instant()).get(0);
        for (PlanStep step : shop.cup(code).cup().plan()) {
            shop.clock().forward(Duration.ofHours(11));
            shop.bean(LogBook.class)
                    .add(code, shop.entry(code, step.number(), shop.clock().instant(), 20), true);
        }
        assertThat(figures().unknown()).as("on the floor it is known").isEqualTo(unknown);
        shop.clock().forward(Duration.ofDays(10));
        note(code, LogEntry.Kind.HANDED_OVER);
        return code;
    }

    private void note(String code, LogEntry.Kind kind) {
        Mark mark = Mark.unnumbered(
                shop.clock().instant(), shop.clock().instant(), "Mira", kind == LogEntry.Kind.NOTED ? "Thanks" : "");
        shop.bean(LogBook.class).add(code, new LogEntry.Plain(mark, kind), true);
    }

    private FiguresBook.Figures figures() {
        return shop.bean(FiguresBook.class).figures();
    }

    @Test
    void whatLeftIsWorkedOutOnce() {
        String early = handedOver(12);
        handedOver(5);
        assertThat(figures().unknown()).isEqualTo(2);
        assertThat(shop.bean(CuredTimes.class).some()).isEqualTo(2);
        assertThat(figures().onTime()).isEqualTo(1);
        assertThat(figures().late()).isEqualTo(1);
        assertThat(shop.bean(CuredTimes.class).some()).as("each once").isZero();
        note(early, LogEntry.Kind.NOTED);
        assertThat(figures().unknown()).as("something was added").isEqualTo(1);
        assertThat(shop.bean(CuredTimes.class).some()).isEqualTo(1);
        assertThat(figures().onTime()).isEqualTo(1);
    }
}

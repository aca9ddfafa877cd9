package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import nursery.app.ShopUnderTest.Running;
import nursery.app.floor.Floors;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Standing;
import nursery.core.log.NextAction;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The demo is a believable evening whatever hour it is started at. */
@ExtendWith(ShopUnderTest.class)
class DemoTest {

    private static final Duration AN_HOUR = Duration.ofHours(1);

    @ParameterizedTest
    @ValueSource(strings = {"2026-11-30T10:35:00Z", "2026-07-04T01:20:00Z", "2027-02-12T19:50:00Z"})
    void aFewAreLateNoWindowClosedHoursAgoAndSomebodyIsAtTheBench(String start, Running shop) {
        shop.empty();
        shop.clock().set(Instant.parse(start));
        try (ConfigurableApplicationContext demo = new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run("--server.port=0", "--nursery.demo=true")) {
            Floors floors = demo.getBean(Floors.class);
            Floor floor = floors.now();
            Instant now = floor.now();
            Standing standing = floors.standing(floor);
            assertThat(standing.plan().late()).as("late").hasSizeBetween(1, 3);
            assertThat(floor.cups().stream()
                            .filter(cup -> isMissed(cup, now.minus(AN_HOUR)))
                            .map(CupNow::code))
                    .as("windows that closed more than an hour ago")
                    .isEmpty();
            assertThat(standing.plan().steps())
                    .as("what is planned lies ahead, and begins this hour")
                    .allMatch(step -> !step.begins().isBefore(now))
                    .anyMatch(step -> step.begins().isBefore(now.plus(AN_HOUR)));
            assertThat(standing.plan().notPlaced()).isEmpty();
        } finally {
            shop.empty();
        }
    }

    private static boolean isMissed(CupNow cup, Instant before) {
        return cup.state().next().map(NextAction::window).flatMap(window -> window.closesAtExclusive()).stream()
                .anyMatch(closed -> closed.isBefore(before));
    }
}

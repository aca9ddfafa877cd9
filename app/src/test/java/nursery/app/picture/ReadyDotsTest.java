package nursery.app.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Twenty dots, as many of them late as the cup would be of twenty times. */
class ReadyDotsTest {

    private static final Instant DUE = Instant.parse("2026-03-10T00:00:00Z");

    @Test
    void asManyDotsLieBehindTheDueDayAsAreLate() {
        // 500 evenly spread over ten days, of which the last two are too late: 4 dots of 20.
        List<Instant> ready = IntStream.range(0, 500)
                .mapToObj(i -> DUE.minus(Duration.ofDays(8)).plus(Duration.ofMinutes(i * 10L * 24 * 60 / 500)))
                .toList();
        ReadyDots dots = ReadyDots.of(ready, DUE, ZoneOffset.UTC);
        assertThat(dots.dots()).hasSize(20);
        assertThat(dots.dots().stream().filter(ReadyDots.Dot::isLate)).hasSize(4);
        assertThat(dots.dots())
                .allMatch(dot -> dot.x() >= 0 && dot.x() <= 100)
                .allMatch(dot -> dot.isLate() == dot.x() > dots.dueX());
        assertThat(dots.ticks()).hasSizeBetween(2, 5).allMatch(tick -> tick.x() >= 0 && tick.x() <= 100);
        assertThat(dots.ticks().get(0).label()).matches("\\w{3} \\d+");
    }

    @Test
    void whatIsReadyAtOneMomentIsPiledUp() {
        ReadyDots dots = ReadyDots.of(Collections.nCopies(500, DUE.minusSeconds(60)), DUE, ZoneOffset.UTC);
        assertThat(dots.piled()).isEqualTo(20);
        assertThat(dots.dots().stream().map(ReadyDots.Dot::level))
                .containsExactlyElementsOf(IntStream.range(0, 20).boxed().toList());
        assertThat(dots.dueX()).isBetween(40.0, 60.0);
    }

    @Test
    void aDueDayLongPastIsStillInThePicture() {
        ReadyDots dots = ReadyDots.of(List.of(DUE.plus(Duration.ofDays(60))), DUE, ZoneOffset.UTC);
        assertThat(dots.dueX()).isBetween(0.0, 10.0);
        assertThat(dots.dots()).allMatch(ReadyDots.Dot::isLate);
        assertThat(dots.ticks()).hasSizeLessThanOrEqualTo(6);
    }
}

package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;

class PaceTest {

    private static final Instant NOON = Instant.parse("2026-03-02T12:00:00Z");

    private static List<Instant> pours(int... atMinute) {
        return IntStream.of(atMinute)
                .mapToObj(minute -> NOON.plusSeconds(60L * minute))
                .toList();
    }

    private static double learned(List<Instant> batch) {
        return Pace.learnedMinutesPerCup(List.of(batch));
    }

    @Test
    void theMedianGapWithinABatchIsThePace() {
        assertThat(learned(pours(0, 4, 9, 19))).as("4, 5 and 10").isEqualTo(5);
        assertThat(Pace.learnedMinutesPerCup(List.of(pours(0, 4, 9), pours(100, 108, 118))))
                .as("4, 5, 8 and 10; what lies between batches is no cup")
                .isEqualTo(6.5);
    }

    @Test
    void fewGapsAndBreaksTeachNothing() {
        assertThat(learned(pours(0, 4, 9))).isEqualTo(Pace.USUAL_PER_CUP_MIN);
        assertThat(learned(pours(0, 4, 9, 70))).as("61 min was a break").isEqualTo(Pace.USUAL_PER_CUP_MIN);
        assertThat(learned(pours(0, 4, 9, 69))).as("an hour still counts").isEqualTo(5);
        assertThat(learned(List.of(NOON, NOON.plusSeconds(29), NOON.plusSeconds(300), NOON.plusSeconds(700))))
                .as("29 s is a slip of the finger")
                .isEqualTo(Pace.USUAL_PER_CUP_MIN);
        assertThat(learned(List.of(NOON, NOON.plusSeconds(30), NOON.plusSeconds(60), NOON.plusSeconds(90))))
                .as("half a minute still counts")
                .isEqualTo(0.5);
    }

    /** P5, P6: stir, stir again in a clean cup; a school rests the mix five minutes. */
    @Test
    void aRestIsPartOfMixing() {
        assertThat(Pace.of(false, 6).mixingMinutes()).isEqualTo(4);
        assertThat(Pace.of(true, 6).mixingMinutes()).isEqualTo(9);
        assertThat(Pace.of(true, 6).minutesPerCup()).isEqualTo(6);
        assertThatThrownBy(() -> new Pace(61, 0.4))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .hasSize(2));
        assertThat(new Pace(60, 0.5).mixingMinutes()).isCloseTo(60, within(0.0));
    }
}

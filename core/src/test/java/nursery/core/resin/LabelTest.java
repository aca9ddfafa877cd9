package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;

class LabelTest {

    /**
     * Common practice: P13 turn 4–6 h, P14 recoat from 4–6 h, well until about 12 h, P15 sand at 8–12 h, P16 scuff
     * after about 24 h.
     */
    @Test
    void theRegularProfileIsThatOfPractice() {
        LabelTimes times = StartingProfile.REGULAR.label().times();
        assertThat(times.turningH()).isBetween(4.0, 6.0);
        assertThat(times.recoatFromH()).isEqualTo(4);
        assertThat(times.recoatUntilH()).isEqualTo(12);
        assertThat(times.sandableFromH()).isEqualTo(8);
        assertThat(times.sandableSureH()).isEqualTo(12);
        assertThat(times.scuffAfterH()).isEqualTo(24);
    }

    /**
     * Common practice: P13 turn 1–2 h, P14 recoat at about 2 h, P15 sand at about 2 h, P16 scuff after 24 h, P17 full
     * cure at 24 h.
     */
    @Test
    void theFastProfileIsThatOfPractice() {
        LabelTimes times = StartingProfile.FAST.label().times();
        assertThat(times.turningH()).isBetween(1.0, 2.0);
        assertThat(times.recoatFromH()).isEqualTo(2);
        assertThat(times.sandableFromH()).isEqualTo(2);
        assertThat(times.scuffAfterH()).isEqualTo(24);
        assertThat(times.fullCureH()).isEqualTo(24);
    }

    @Test
    void timesOutOfOrderAreAllNamed() {
        assertThatThrownBy(() -> new LabelTimes(1, 4, 6, 4, 8, 7, 24, 24, 20))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("recoatUntil", "sandableSure", "fullCure"));
        assertThatThrownBy(() -> new LabelTimes(0, 4, 4, 6, 8, 12, 24, Double.NaN, 1e308))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("working", "cured", "fullCure"));
    }

    @Test
    void fahrenheitTypedForCelsiusIsRecognised() {
        Label regular = StartingProfile.REGULAR.label();
        assertThatThrownBy(() ->
                        new Label(regular.ratio(), regular.times(), 75, 50, Optional.empty(), OptionalDouble.empty()))
                .hasMessageContaining("75 °F (23.9 °C)");
        assertThatCode(() ->
                        new Label(regular.ratio(), regular.times(), 24, 50, Optional.empty(), OptionalDouble.empty()))
                .doesNotThrowAnyException();
    }
}

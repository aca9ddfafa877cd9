package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class FiguresTest {

    /** P24, common practice: a water-slide dries overnight; that a night is eight hours is from memory. */
    @Test
    void overnightIsEightHours() {
        assertThat(Figures.SLIDE_MIN).isEqualTo(8 * 60);
    }
}

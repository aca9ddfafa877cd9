package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RemainderTest {

    /** 80 ml mixed, 23 on a cup and 23 meant for one, 2.1 on sticks and gloves. */
    @Test
    void whatIsOverIsNeitherOnACupNorMeantForOneNorLostAsUsual() {
        Remainder remainder = new Remainder(80, 23, 23, 2.1);
        assertThat(remainder.hadMl()).isCloseTo(57, within(1e-9));
        assertThat(remainder.spareMl()).isCloseTo(31.9, within(1e-9));
        assertThat(new Remainder(20, 23, 0, 2.1).hadMl()).isZero();
        assertThat(new Remainder(20, 23, 0, 2.1).spareMl()).isZero();
    }

    /** Sticks and gloves may take twice what they usually do, and a mark is read a mark off: from memory. */
    @Test
    void moreThanSticksAndGlovesTakeIsAskedAbout() {
        Remainder remainder = new Remainder(30, 23, 0, 2);
        assertThat(remainder.isMissing(0)).as("7 of at most 6.5").isTrue();
        assertThat(remainder.isMissing(1)).isFalse();
        assertThat(new Remainder(0, 0, 0, 2).isMissing(0))
                .as("nothing was mixed")
                .isFalse();
    }
}

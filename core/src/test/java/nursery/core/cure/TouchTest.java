package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TouchTest {

    @ParameterizedTest
    @CsvSource({
        "wet, WET",
        "strings, STRINGS",
        "tacky, TACKY",
        "firm-with-print, FIRM_WITH_PRINT",
        "firm, FIRM",
        "sands-to-dust, SANDS_TO_DUST",
        "gums-the-paper, GUMS_PAPER",
        "sticky-next-day, STICKY_NEXT_DAY"
    })
    void eachIsKnownByItsWrittenName(String written, Touch touch) {
        assertThat(Touch.named(written)).contains(touch);
    }

    @Test
    void nothingElseIs() {
        assertThat(Touch.named("gums-paper")).isEmpty();
        assertThat(Touch.named("")).isEmpty();
    }

    @Test
    void eachSaysSomethingOfItsOwn() {
        Set<String> words = new HashSet<>();
        for (Touch touch : Touch.values()) {
            assertThat(touch.words()).isNotBlank();
            words.add(touch.words());
        }
        assertThat(words).hasSize(Touch.values().length);
    }
}

package nursery.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Stretches of time, times of day, and editions: three things read in many places and written down once. */
class TimesTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");

    private static Instant hour(int hours) {
        return START.plus(Duration.ofHours(hours));
    }

    private static Span span(int from, int until) {
        return new Span(hour(from), hour(until));
    }

    /** A slip of the year: 0026 for 2026, −0001, 12000; and 2019 where this week was meant. */
    @ParameterizedTest
    @ValueSource(
            strings = {"0026-03-02", "-0001-03-02", "+12000-01-01", "-999999999-01-01", "1999-12-31", "2101-01-01"})
    void aYearThatCannotBeMeantIsRefused(String written) {
        LocalDate date = LocalDate.parse(written);
        assertThatThrownBy(() -> Dates.possible(date)).hasMessageContaining("2000 to 2100");
        assertThatThrownBy(
                        () -> Dates.possible(date.atStartOfDay(ZoneOffset.UTC).toInstant()))
                .hasMessageContaining("2000 to 2100");
    }

    @Test
    void aYearFarFromNowIsAskedAbout() {
        Instant now = Instant.parse("2026-03-02T08:00:00Z");
        assertThat(Dates.possible(now)).isEqualTo(now);
        assertThat(Dates.doubt(Instant.parse("2019-03-02T08:00:00Z"), now))
                .contains("That is 7 years ago: check the year.");
        assertThat(Dates.doubt(Instant.parse("2023-03-02T08:00:00Z"), now)).isEmpty();
    }

    @Test
    void aStretchThatEndsBeforeItBeginsIsNone() {
        assertThatThrownBy(() -> span(3, 2)).hasMessageContaining("before it begins");
        assertThat(span(3, 3).length()).isZero();
    }

    @Test
    void aStretchHoldsItsBeginningAndNotItsEnd() {
        assertThat(span(3, 5).contains(hour(3))).isTrue();
        assertThat(span(3, 5).contains(hour(5))).isFalse();
        assertThat(span(3, 3).contains(hour(3))).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"0,10,4,6,4,6", "4,6,0,10,4,6", "0,5,3,9,3,5", "3,9,0,5,3,5"})
    void twoStretchesShareWhatLiesInBoth(int a, int b, int c, int d, int from, int until) {
        assertThat(span(a, b).within(span(c, d))).contains(span(from, until));
    }

    @Test
    void stretchesThatOnlyTouchShareNothing() {
        assertThat(span(0, 3).within(span(3, 5))).isEqualTo(Optional.empty());
        assertThat(span(5, 6).within(span(0, 3))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "18:30,18:30",
        "7,07:00",
        "7:05,07:05",
        "' 09:00 ',09:00",
        "24:00,00:00",
        "00:00,00:00",
        "6 pm,18:00",
        "12:05 AM,00:05",
        "12 p.m.,12:00"
    })
    void aTimeOfDayIsReadAsItIsWritten(String written, LocalTime read) {
        assertThat(TimeOfDay.parse(written)).isEqualTo(read);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "25:00", "18.30", "late", "-1:00", "18:60", "1830", "13 pm", "0 am", "6 xm"})
    void whatIsNoTimeOfDayIsNamed(String written) {
        assertThatThrownBy(() -> TimeOfDay.parse(written))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("write it as 18:30");
    }

    private static Editions<String> copied(String first) {
        return Editions.first(first, START, "Mira");
    }

    private static Editions<String> then(Editions<String> editions, String value, int hour, Edition.Why why) {
        return editions.with(editions.next(value, hour(hour), "Jonas", why));
    }

    @Test
    void whatWasCopiedWrongIsReadAsItWasPutRight() {
        Editions<String> label = then(copied("1:1"), "2:1", 10, Edition.Why.CORRECTED);
        assertThat(label.asKnown(1, Instant.MAX)).isEqualTo("2:1");
        assertThat(label.current().value()).isEqualTo("2:1");
        assertThat(label.current().product()).isEqualTo(1);
    }

    @Test
    void whoHadLeftBeforeItWasPutRightKeepsWhatWasKnownThen() {
        Editions<String> label = then(copied("1:1"), "2:1", 10, Edition.Why.CORRECTED);
        assertThat(label.asKnown(1, hour(9))).isEqualTo("1:1");
        assertThat(label.asKnown(1, hour(10))).isEqualTo("2:1");
    }

    @Test
    void anotherProductLeavesTheOneBeforeAsItWas() {
        Editions<String> label = then(copied("1:1"), "3:1", 10, Edition.Why.CHANGED);
        assertThat(label.asKnown(1, Instant.MAX)).isEqualTo("1:1");
        assertThat(label.asKnown(2, Instant.MAX)).isEqualTo("3:1");
        Editions<String> corrected = then(label, "3:2", 20, Edition.Why.CORRECTED);
        assertThat(corrected.asKnown(1, Instant.MAX)).as("the old product").isEqualTo("1:1");
        assertThat(corrected.asKnown(2, Instant.MAX)).as("the new one").isEqualTo("3:2");
    }

    @Test
    void editionsAreCountedAndNeverLost() {
        Editions<String> label = then(then(copied("a"), "b", 1, Edition.Why.CORRECTED), "c", 2, Edition.Why.LEARNED);
        assertThat(label.all()).extracting(Edition::number).containsExactly(1, 2, 3);
        assertThatThrownBy(() -> label.find(4)).hasMessageContaining("no edition 4");
    }
}

package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import nursery.core.log.QuietHours;
import nursery.core.measure.Span;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BenchHoursTest {

    private static final QuietHours NIGHT = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);
    private static final Instant MONDAY = Instant.parse("2026-03-02T00:00:00Z");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "18:30-22:00|18:30–22:00",
                "9-12, 14–17:30|09:00–12:00, 14:00–17:30",
                "14:00-17:00;9:00-12:00|09:00–12:00, 14:00–17:00",
                "18:30 to 22:00|18:30–22:00",
                "20:00-24:00|20:00–00:00",
                "6:30 pm-10pm|18:30–22:00",
                "12 am-12:15 p.m.|00:00–12:15",
                "''|''"
            })
    void hoursAreReadAsPeopleWriteThem(String written, String shown) {
        assertThat(DayHours.parse(written).written()).isEqualTo(shown);
        assertThat(DayHours.parse(shown)).isEqualTo(DayHours.parse(written));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "18:30|“18:30” is not a stretch of hours: write it as 18:30-22:00.",
                "25:00-26:00|“25:00” is not a time of day: write it as 18:30 or 6:30 pm.",
                "9-12, 11-13|09:00–12:00 and 11:00–13:00 overlap.",
                "9-9|“9-9” ends when it begins.",
                "1-2,3-4,5-6,7-8,9-10,11-12,13-14|A day has at most 6 stretches of hours."
            })
    void whatCannotBeHoursIsTold(String written, String told) {
        assertThatThrownBy(() -> DayHours.parse(written))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage(told);
    }

    @Test
    void theQuietHoursAreCutOut() {
        BenchHours hours = BenchHours.daily(DayHours.parse("05:00-08:00, 21:00-23:30"), NIGHT);

        assertThat(hours.benchSpans(MONDAY, MONDAY.plus(Duration.ofDays(1))))
                .containsExactly(
                        new Span(Instant.parse("2026-03-02T06:30:00Z"), Instant.parse("2026-03-02T08:00:00Z")),
                        new Span(Instant.parse("2026-03-02T21:00:00Z"), Instant.parse("2026-03-02T22:30:00Z")));
    }

    @Test
    void hoursMayRunIntoTheNextDay() {
        BenchHours hours = BenchHours.daily(
                DayHours.parse("22:00-01:00"), new QuietHours(LocalTime.of(2, 0), LocalTime.of(6, 0), ZoneOffset.UTC));

        assertThat(hours.benchSpans(MONDAY, MONDAY.plus(Duration.ofHours(30))))
                .extracting(Span::from)
                .containsExactly(MONDAY, Instant.parse("2026-03-02T22:00:00Z"));
    }

    @Test
    void aDayMayBeOtherwise() {
        BenchHours hours = BenchHours.daily(DayHours.parse("18:00-22:00"), NIGHT)
                .with(LocalDate.of(2026, 3, 3), DayHours.NONE)
                .with(LocalDate.of(2026, 3, 4), DayHours.parse("9-12"));

        assertThat(hours.benchSpans(MONDAY, MONDAY.plus(Duration.ofDays(3))))
                .extracting(Span::from)
                .containsExactly(Instant.parse("2026-03-02T18:00:00Z"), Instant.parse("2026-03-04T09:00:00Z"));
        assertThat(new BenchHours(Map.of(), Map.of(), Map.of(), NIGHT)
                        .benchSpans(MONDAY, MONDAY.plus(Duration.ofDays(3))))
                .isEmpty();
    }

    @Test
    void theNightTheClocksGoForwardIsAnHourShorter() {
        // On 29 March 2026 the clocks in Berlin go from 02:00 to 03:00 (Directive 2000/84/EC).
        QuietHours never = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneId.of("Europe/Berlin"));
        Instant from = Instant.parse("2026-03-28T23:00:00Z");

        assertThat(BenchHours.daily(DayHours.parse("01:00-04:00"), never)
                        .benchSpans(from, from.plus(Duration.ofHours(12))))
                .singleElement()
                .satisfies(span -> assertThat(Duration.between(span.from(), span.untilExclusive()))
                        .isEqualTo(Duration.ofHours(2)));
    }

    @Test
    void theNightTheClocksGoBackIsAnHourLonger() {
        QuietHours never = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneId.of("Europe/Berlin"));
        Instant from = Instant.parse("2026-10-24T22:00:00Z");

        assertThat(BenchHours.daily(DayHours.parse("01:00-04:00"), never)
                        .benchSpans(from, from.plus(Duration.ofHours(12))))
                .singleElement()
                .satisfies(span -> assertThat(Duration.between(span.from(), span.untilExclusive()))
                        .isEqualTo(Duration.ofHours(4)));
    }
}

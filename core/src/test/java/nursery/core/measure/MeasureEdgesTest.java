package nursery.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Where one way of reading or telling ends and the next begins. */
class MeasureEdgesTest {

    @Test
    void aClockOfTwelveHoursIsToldWithItsHalfOfTheDay() {
        assertThat(Clock.H24.show(LocalTime.of(18, 5))).isEqualTo("18:05");
        assertThat(Clock.H12.show(LocalTime.of(18, 5))).isEqualTo("6:05\u00a0pm");
        assertThat(Clock.H12.show(LocalTime.MIDNIGHT)).isEqualTo("12:00\u00a0am");
        assertThat(Clock.H12.tick(LocalTime.NOON)).isEqualTo("12\u00a0pm");
        assertThat(Clock.H12.tick(LocalTime.of(6, 30))).isEqualTo("6:30\u00a0am");
        assertThat(Clock.H24.tick(LocalTime.of(6, 0))).isEqualTo("06:00");
        assertThat(Clock.H24.word()).isEqualTo("24 h");
    }

    @ParameterizedTest
    @ValueSource(strings = {"2000-01-01", "2026-03-02", "2100-12-31"})
    void aDateOfThisCenturyCanBeMeant(String date) {
        assertThat(Dates.possible(LocalDate.parse(date))).isEqualTo(LocalDate.parse(date));
        Instant noon = Instant.parse(date + "T12:00:00Z");
        assertThat(Dates.possible(noon)).isEqualTo(noon);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1999-12-31", "2101-01-01", "0202-03-02"})
    void anotherIsASlip(String date) {
        String year = "The year %d is outside 2000 to 2100"
                .formatted(LocalDate.parse(date).getYear());
        assertThatThrownBy(() -> Dates.possible(LocalDate.parse(date))).hasMessageContaining(year);
        assertThatThrownBy(() -> Dates.possible(Instant.parse(date + "T23:59:59Z")))
                .hasMessageContaining(year);
    }

    @Test
    void aYearOutOfAnyCalendarIsOnlySaidToBeOut() {
        for (Instant far : new Instant[] {Instant.MIN, Instant.MAX}) {
            assertThatThrownBy(() -> Dates.possible(far)).hasMessage("The year is outside 2000 to 2100: check it.");
        }
    }

    /** Five years of 366 days: a day more is asked about, and told which way it lies. */
    @Test
    void whatIsYearsAwayIsAskedAbout() {
        Instant now = Instant.parse("2026-03-02T08:00:00Z");
        assertThat(Dates.doubt(now.plus(Duration.ofDays(5 * 366)), now)).isEmpty();
        assertThat(Dates.doubt(now.plus(Duration.ofDays(5 * 366 + 1)), now))
                .contains("That is 5 years ahead: check the year.");
        assertThat(Dates.doubt(now.minus(Duration.ofDays(3653)), now))
                .contains("That is 10 years ago: check the year.");
    }

    /** What was put right is read so from then on; what was changed is another thing, and next to that. */
    @Test
    void anEditionIsReadAsItWasPutRightByThen() {
        Instant at = Instant.parse("2026-03-02T08:00:00Z");
        Editions<String> first = Editions.first("A", at, "Mira");
        Editions<String> all = first.with(first.next("B", at.plusSeconds(10), "Mira", Edition.Why.CORRECTED));
        all = all.with(all.next("C", at.plusSeconds(20), "Mira", Edition.Why.CHANGED));
        all = all.with(all.next("D", at.plusSeconds(30), "Mira", Edition.Why.CORRECTED));
        assertThat(all.all()).extracting(Edition::number).containsExactly(1, 2, 3, 4);
        assertThat(all.all()).extracting(Edition::product).containsExactly(1, 1, 2, 2);
        assertThat(all.asKnown(1, at.plusSeconds(9))).isEqualTo("A");
        assertThat(all.asKnown(1, at.plusSeconds(10))).as("from that moment on").isEqualTo("B");
        assertThat(all.asKnown(1, at.plusSeconds(99))).isEqualTo("B");
        assertThat(all.asKnown(2, at.plusSeconds(99))).isEqualTo("B");
        assertThat(all.asKnown(3, at.plusSeconds(29))).isEqualTo("C");
        assertThat(all.asKnown(3, at.plusSeconds(99))).isEqualTo("D");
    }

    @Test
    void moneyIsReadAsItIsWritten() {
        assertThat(Numbers.decimal("7,80")).isEqualTo(new BigDecimal("7.80"));
        assertThat(Numbers.decimal("1.234,50")).isEqualTo(new BigDecimal("1234.50"));
        assertThatThrownBy(() -> Numbers.decimal(" ")).hasMessageContaining("Nothing was entered");
        assertThatThrownBy(() -> Numbers.decimal("1/2")).hasMessageContaining("is not a number");
    }

    @Test
    void aNumberIsShownWithFourDigitsAndNoExponent() {
        assertThat(Numbers.show(999.96)).isEqualTo("1000");
        assertThat(Numbers.show(1000.4)).isEqualTo("1000.4");
        assertThat(Numbers.show(0.00006)).isEqualTo("0.0001");
        assertThat(Numbers.show(1e9)).isEqualTo("more than a thousand million");
        assertThat(Numbers.show(-1e9)).isEqualTo("more than a thousand million");
        assertThat(Numbers.show(Double.NaN)).isEqualTo("not a number");
        assertThat(Numbers.show(Double.POSITIVE_INFINITY, 1)).isEqualTo("infinite");
        assertThat(Numbers.show(2.45, 1)).isEqualTo("2.5");
    }

    /** A slip of thirty signs is shown whole, one of thirty-one not. */
    @Test
    void aLongSlipIsShortened() {
        assertThatThrownBy(() -> Numbers.parse("x".repeat(30))).hasMessageContaining("“" + "x".repeat(30) + "”");
        assertThatThrownBy(() -> Numbers.parse("x".repeat(31))).hasMessageContaining("“" + "x".repeat(30) + "…”");
        assertThatThrownBy(() -> Numbers.parse("2 4/4")).hasMessageContaining("must be less than 1");
        assertThat(Numbers.parse("4/4")).isEqualTo(1);
    }

    @Test
    void whatIsOutsideItsRangeIsToldWithItsUnit() {
        Faults faults = new Faults();
        faults.within("rpm", "The speed", 31, 1, 30, "rpm");
        faults.within("share", "The share", Double.NaN, 0, 1, "");
        faults.within("low", "The end", 1, 1, 30, "rpm");
        faults.within("high", "The end", 30, 1, 30, "rpm");
        faults.require(false, "name", "A name is needed.");
        assertThatThrownBy(faults::throwIfAny)
                .isInstanceOfSatisfying(InvalidInput.class, wrong -> assertThat(wrong.faults())
                        .extracting(Fault::message)
                        .containsExactly(
                                "The speed is 31 rpm: it must lie between 1 and 30 rpm.",
                                "The share is not a number: it must lie between 0 and 1.",
                                "A name is needed."));
    }

    /** By hand: 25.4 µm are a thousandth of an inch; 30 cm² are 4.65 in² and told to a tenth, 29 to a hundredth. */
    @ParameterizedTest
    @CsvSource({"30, 4.7", "29, 4.5", "28.5, 4.42", "193.548, 30"})
    void smallAreasAreToldFiner(double cm2, String inches) {
        assertThat(LengthUnit.IN.showArea(cm2)).isEqualTo(inches + "\u00a0sq\u00a0in");
    }

    @Test
    void filmsAreToldInThousandthsOfAnInch() {
        assertThat(LengthUnit.IN.filmNumber(0.508)).isCloseTo(20, within(1e-9));
        assertThat(LengthUnit.MM.filmNumber(0.508)).isEqualTo(0.508);
        assertThat(LengthUnit.IN.filmSymbol()).isEqualTo("thou");
        assertThat(LengthUnit.MM.filmSymbol()).isEqualTo("mm");
        assertThat(LengthUnit.IN.showFar(426.72)).as("1.4 ft of 304.8 mm").isEqualTo("1.4\u00a0ft");
        assertThat(LengthUnit.MM.showFar(426.72)).isEqualTo("0.4\u00a0m");
        assertThat(LengthUnit.MM.showArea(30)).isEqualTo("30\u00a0cm²");
        assertThat(LengthUnit.MM.showArea(29.94)).isEqualTo("29.9\u00a0cm²");
        assertThat(LengthUnit.IN.writeNumber(60.325))
                .as("2 3/8 in, not rounded")
                .isEqualTo("2.375");
    }

    @ParameterizedTest
    @CsvSource({"1' 0\", 304.8", "0' 6\", 152.4", "2' 11.5\", 901.7"})
    void feetAndInches(String typed, double mm) {
        assertThat(Reading.parse(typed, LengthUnit.MM)).isCloseTo(mm, within(1e-9));
    }

    /** Two millimetres are a cup's measure, less is a film's. */
    @Test
    void whatIsThinIsToldInThousandths() {
        assertThat(Retold.in("A film of 1.9 mm.", LengthUnit.IN, VolumeUnit.ML, TemperatureUnit.C))
                .isEqualTo("A film of 75\u00a0thou.");
        assertThat(Retold.in("A gap of 2 mm.", LengthUnit.IN, VolumeUnit.ML, TemperatureUnit.C))
                .isEqualTo("A gap of 0.08\u00a0in.");
    }
}

package nursery.app.platform;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import nursery.core.floor.Ways;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.Retold;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.MeasuringCup;

/** How this shop reads its figures: in its own units, in its own zone, short enough for arm's length. */
public record Show(
        LengthUnit lengthUnit,
        VolumeUnit volumeUnit,
        TemperatureUnit temperatureUnit,
        ZoneId zone,
        Clock clock,
        Instant now) {

    /** As the shop has it, at a moment. */
    public static Show of(Ways ways, Instant now) {
        return new Show(ways.lengthUnit(), ways.volumeUnit(), ways.temperatureUnit(), ways.zone(), ways.clock(), now);
    }

    /** The same, but amounts as a measuring cup's marks have them. */
    public Show onMarks(MeasuringCup cup) {
        return new Show(lengthUnit, cup.marks(), temperatureUnit, zone, clock, now);
    }

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE", Locale.ENGLISH);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter INPUT = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm");

    /** A sentence of the core's, told in the shop's units. */
    public String told(String sentence) {
        return Retold.in(sentence, lengthUnit, volumeUnit, temperatureUnit);
    }

    public String volume(double ml) {
        return volumeUnit.show(ml);
    }

    /** A range of amounts; from nothing reads "up to", and a range of one amount is that amount. */
    public String volumes(double lowMl, double highMl) {
        if (lowMl == 0) {
            return "up to " + volume(highMl);
        }
        return lowMl == highMl ? volume(lowMl) : volumeNumber(lowMl) + "–" + volume(highMl);
    }

    public String volumeNumber(double ml) {
        return volumeUnit.showNumber(ml);
    }

    /** An amount as marks count it, to the eighth of an ounce. */
    public String mark(double ml) {
        return markNumber(ml) + "\u00a0" + volumeUnit.symbol();
    }

    public String markNumber(double ml) {
        return Numbers.show(volumeUnit.fromBase(ml), 3);
    }

    public String length(double mm) {
        return lengthUnit.show(mm);
    }

    public String film(double mm) {
        return lengthUnit.showFilm(mm);
    }

    /** A difference of temperature, such as ±2.2 °C. */
    public String degrees(double differenceC) {
        double difference = temperatureUnit.fromBase(differenceC) - temperatureUnit.fromBase(0);
        return "±" + Numbers.show(difference, 1) + "\u00a0" + temperatureUnit.symbol();
    }

    /** A way longer than any cup. */
    public String far(double mm) {
        return lengthUnit.showFar(mm);
    }

    public String area(double cm2) {
        return lengthUnit.showArea(cm2);
    }

    public String temperature(double celsius) {
        return temperatureUnit.show(celsius);
    }

    public String grams(double grams) {
        return Numbers.show(grams, 1) + "\u00a0g";
    }

    public String hours(double hours) {
        return Numbers.show(hours, 1) + "\u00a0h";
    }

    public String time(LocalTime time) {
        return clock.show(time);
    }

    /** A time of day today, else with the day it falls on, else with the date. */
    public String at(Instant moment) {
        ZonedDateTime local = moment.atZone(zone);
        long days = Duration.between(now, moment).abs().toDays();
        if (local.toLocalDate().equals(today())) {
            return time(local.toLocalTime());
        }
        return local.format(days < 6 ? DAY : DATE) + " " + time(local.toLocalTime());
    }

    public String date(LocalDate date) {
        return date.format(DATE);
    }

    /** The day a moment falls on. */
    public String day(Instant moment) {
        return date(moment.atZone(zone).toLocalDate());
    }

    public LocalDate today() {
        return now.atZone(zone).toLocalDate();
    }

    /** For a datetime-local input. */
    public String input(Instant moment) {
        return moment.atZone(zone).format(INPUT);
    }

    /** A length of time in the two units that matter: {@code 3 d 4 h}, {@code 2 h 10 min}, {@code 8 min}. */
    public String span(Instant from, Instant until) {
        return minutes(Duration.between(from, until).toSeconds() / 60.0);
    }

    /** So many minutes, in words. */
    public static String minutes(double span) {
        long minutes = Math.max(0, Math.round(span));
        if (minutes < 60) {
            return minutes + " min";
        }
        return minutes < 48 * 60
                ? "%d h %02d min".formatted(minutes / 60, minutes % 60)
                : "%d d %d h".formatted(minutes / 1440, minutes % 1440 / 60);
    }
}

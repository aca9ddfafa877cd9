package nursery.app.platform;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.zone.ZoneRules;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import nursery.core.measure.Dates;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;
import nursery.core.measure.Reading;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.Unit;
import nursery.core.worth.PaidFor;

/**
 * Reads a posted form and collects everything that is wrong with it. A value that could not be read comes back as NaN
 * or empty.
 */
public final class FormReader {

    /** But for the ends of lines; they would reach calendars and files. */
    private static final String CONTROL = "[\\p{Cntrl}&&[^\n\t]]";

    private final Map<String, String> typed;
    private final Faults faults = new Faults();

    public FormReader(Map<String, String> typed) {
        this.typed = typed;
    }

    public Faults faults() {
        return faults;
    }

    public String raw(String field) {
        return typed.getOrDefault(field, "").strip();
    }

    public Set<String> fields() {
        return typed.keySet();
    }

    public boolean isTicked(String field) {
        return typed.containsKey(field);
    }

    /**
     * Whether a form that was filled in came back with nothing changed in it but some fields. What was not touched
     * keeps its value to the last digit, whatever unit it was shown in.
     *
     * @param boxes are not sent at all when they are not ticked
     */
    public boolean isAsFilled(Map<String, String> filled, Set<String> boxes, Set<String> butFor) {
        return Stream.concat(filled.keySet().stream(), typed.keySet().stream())
                .filter(field -> !butFor.contains(field))
                .allMatch(field -> {
                    String was = filled.getOrDefault(field, "");
                    return (typed.containsKey(field) || boxes.contains(field) ? raw(field) : was).equals(was);
                });
    }

    /** One line of text, shown as it is: no control characters, not longer than {@code longest}. */
    public String line(String field, String what, int longest, boolean needed) {
        String text = raw(field).replaceAll("\\p{Cntrl}", " ");
        faults.require(!needed || !text.isEmpty(), field, what + " is missing: give it a few words.");
        faults.require(
                text.codePointCount(0, text.length()) <= longest,
                field,
                "%s has %d characters: at most %d fit."
                        .formatted(what, text.codePointCount(0, text.length()), longest));
        return text;
    }

    /** Several lines of text. */
    public String text(String field, String what, int longest) {
        String text =
                typed.getOrDefault(field, "").strip().replace("\r\n", "\n").replaceAll(CONTROL, " ");
        faults.require(
                text.codePointCount(0, text.length()) <= longest,
                field,
                "%s has %d characters: at most %d fit."
                        .formatted(what, text.codePointCount(0, text.length()), longest));
        return text;
    }

    /** A needed quantity, in the core's unit; NaN, with its fault noted, if it is missing or unreadable. */
    public double quantity(String field, String what, Unit unit) {
        if (raw(field).isEmpty()) {
            faults.add(field, "%s is missing: enter it in %s.".formatted(what, unit.symbol()));
            return Double.NaN;
        }
        return faults.attempt(field, () -> Reading.parse(raw(field), unit)).orElse(Double.NaN);
    }

    /** A needed quantity between two ends, both in the core's unit. */
    public double quantity(String field, String what, Unit unit, double low, double high) {
        double value = quantity(field, what, unit);
        if (!Double.isNaN(value)) {
            faults.within(field, what, unit.fromBase(value), unit.fromBase(low), unit.fromBase(high), unit.symbol());
        }
        return value;
    }

    /** A room's temperature, °C; what is surely meant in the other unit is asked about. */
    public double roomC(String field, String what, TemperatureUnit unit) {
        if (raw(field).isEmpty()) {
            faults.add(field, "%s is missing: enter it in %s.".formatted(what, unit.symbol()));
            return Double.NaN;
        }
        return faults.attempt(field, () -> Reading.parseRoom(raw(field), unit)).orElse(Double.NaN);
    }

    /** A quantity that may be left out. */
    public OptionalDouble optionalQuantity(String field, Unit unit) {
        if (raw(field).isEmpty()) {
            return OptionalDouble.empty();
        }
        return faults.attempt(field, () -> OptionalDouble.of(Reading.parse(raw(field), unit)))
                .orElse(OptionalDouble.empty());
    }

    public double number(String field, String what) {
        if (raw(field).isEmpty()) {
            faults.add(field, what + " is missing: enter a number.");
            return Double.NaN;
        }
        return faults.attempt(field, () -> Numbers.parse(raw(field))).orElse(Double.NaN);
    }

    /** An amount of money, exactly as it was typed; empty if nothing was, or if it is wrong. */
    public Optional<BigDecimal> money(String field, String what) {
        if (raw(field).isEmpty()) {
            return Optional.empty();
        }
        Optional<BigDecimal> amount = faults.attempt(field, () -> Numbers.decimal(raw(field)));
        amount.ifPresent(given -> faults.require(
                given.signum() >= 0 && given.compareTo(PaidFor.MOST) <= 0 && given.scale() <= 4,
                field,
                "%s is %s: enter 0 to %s, with at most four decimals."
                        .formatted(what, given.toPlainString(), PaidFor.MOST)));
        return amount;
    }

    public OptionalDouble optionalNumber(String field) {
        return raw(field).isEmpty()
                ? OptionalDouble.empty()
                : faults.attempt(field, () -> OptionalDouble.of(Numbers.parse(raw(field))))
                        .orElse(OptionalDouble.empty());
    }

    public <E extends Enum<E>> Optional<E> choice(String field, String what, Class<E> family) {
        try {
            return Optional.of(Enum.valueOf(family, raw(field)));
        } catch (IllegalArgumentException e) {
            faults.add(field, what + ": choose one of those offered.");
            return Optional.empty();
        }
    }

    public Optional<Long> id(String field, String what) {
        try {
            return Optional.of(Long.parseLong(raw(field)));
        } catch (NumberFormatException e) {
            faults.add(field, what + ": choose one.");
            return Optional.empty();
        }
    }

    /** The version of a record that a form was filled from; an unreadable one is no version at all. */
    public int version() {
        return raw("version").matches("\\d{1,9}") ? Integer.parseInt(raw("version")) : -1;
    }

    public Optional<LocalDate> date(String field, String what) {
        if (raw(field).isEmpty()) {
            return Optional.empty();
        }
        try {
            return faults.attempt(field, () -> Dates.possible(LocalDate.parse(raw(field))));
        } catch (DateTimeException e) {
            faults.add(field, what + " “%s” is not a date: write it as 2026-03-31.".formatted(raw(field)));
            return Optional.empty();
        }
    }

    /**
     * When something happened, as a page asks for it: so many minutes ago, or at a time; now if nothing is said.
     *
     * @param zone the shop's
     */
    public Instant happened(ZoneId zone, Instant now) {
        String when = raw("when");
        if (when.equals("at")) {
            return moment("at", "The time", zone, now).orElse(now);
        }
        if (!when.isEmpty() && !when.matches("\\d{1,3}")) {
            faults.add("at", "Choose when it happened.");
        }
        return when.matches("\\d{1,3}") ? now.minus(Duration.ofMinutes(Long.parseLong(when))) : now;
    }

    /**
     * A local time in the shop's zone. A time that the clocks skipped is a fault; one that came twice is taken as the
     * second, unless that is still to come.
     */
    public Optional<Instant> moment(String field, String what, ZoneId zone, Instant now) {
        try {
            LocalDateTime local = LocalDateTime.parse(raw(field));
            ZoneRules rules = zone.getRules();
            if (rules.getValidOffsets(local).isEmpty()) {
                faults.add(
                        field,
                        what + " %s did not exist: the clocks went forward over it.".formatted(local.toLocalTime()));
                return Optional.empty();
            }
            Instant later = local.atZone(zone).withLaterOffsetAtOverlap().toInstant();
            Instant meant = later.isAfter(now)
                    ? local.atZone(zone).withEarlierOffsetAtOverlap().toInstant()
                    : later;
            Optional<Instant> possible = faults.attempt(field, () -> Dates.possible(meant));
            Optional<String> doubt =
                    now.equals(Instant.MAX) ? Optional.empty() : possible.flatMap(moment -> Dates.doubt(moment, now));
            doubt.ifPresent(asked -> faults.add(field, what + ": " + asked));
            return doubt.isPresent() ? Optional.empty() : possible;
        } catch (DateTimeException e) {
            faults.add(
                    field,
                    what + (raw(field).isEmpty() ? " is missing." : " “%s” is not a time.".formatted(raw(field))));
            return Optional.empty();
        }
    }
}

package nursery.app.room;

import java.io.IOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import nursery.app.platform.CsvText;
import nursery.core.cure.RoomReading;
import nursery.core.measure.Dates;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.TemperatureUnit;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Readings out of a CSV file (RFC 4180, or with semicolons or tabs): columns in any order, known by their headings; °C
 * or °F; times with a zone, or local ones with the zone the maker names. A row that cannot be read is told by its
 * number and left out.
 */
final class ReadingsCsv {

    private static final int MOST_TOLD = 20;
    private static final List<DateTimeFormatter> LOCAL = List.of(
            DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm[:ss][.SSS]"),
            DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm[:ss][.SSS]"),
            DateTimeFormatter.ofPattern("yyyy/MM/dd HH:mm[:ss]"),
            DateTimeFormatter.ofPattern("d.M.yyyy HH:mm[:ss]"));

    private final Instant now;
    private final ZoneId zone;
    private final Optional<TemperatureUnit> asked;
    private final List<RoomReading> readings = new ArrayList<>();
    private final List<String> told = new ArrayList<>();
    private int leftOut;
    private Instant before = Instant.MIN;

    private ReadingsCsv(ZoneId zone, Optional<TemperatureUnit> asked, Instant now) {
        this.now = now;
        this.zone = zone;
        this.asked = asked;
    }

    /**
     * What was read.
     *
     * @param leftOut how many rows could not be read
     * @param told the first of them, with why
     */
    record Read(List<RoomReading> readings, int leftOut, List<String> told) {}

    private record Columns(
            int time,
            Optional<Integer> clock,
            int temperature,
            TemperatureUnit unit,
            Optional<Integer> humidity,
            boolean commaDecimals) {}

    /**
     * @param unit of the temperatures, for a file that does not say
     * @param progress is told how many rows are done
     * @throws InvalidInput if no time or temperature column is known, or the unit must be asked
     */
    static Read read(String text, ZoneId zone, Optional<TemperatureUnit> unit, Instant now, IntConsumer progress) {
        ReadingsCsv csv = new ReadingsCsv(zone, unit, now);
        try (CsvText file = CsvText.open(text)) {
            csv.rows(file.parser(), file.delimiter(), progress);
        } catch (IOException | java.io.UncheckedIOException e) {
            throw refused(CsvText.whatIsWrong(e));
        }
        return new Read(List.copyOf(csv.readings), csv.leftOut, List.copyOf(csv.told));
    }

    private void rows(CSVParser parser, char delimiter, IntConsumer progress) {
        Optional<Columns> columns = Optional.empty();
        for (CSVRecord row : parser) {
            if (columns.isEmpty()) {
                columns = Optional.of(columns(row, delimiter));
            } else {
                row(row, columns.get());
            }
            progress.accept((int) row.getRecordNumber());
        }
    }

    private Columns columns(CSVRecord head, char delimiter) {
        List<String> names =
                head.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
        int temperature = column(names, "temp", "°c", "°f")
                .orElseThrow(() -> refused("No column is headed as a temperature: one must say “temperature”."));
        Optional<Integer> date = column(names, "date", "datum");
        Optional<Integer> time = column(names, "stamp", "time", "when", "zeit");
        int first = date.or(() -> time)
                .orElseThrow(
                        () -> refused("No column is headed as a time: one must say “time”, “date” or “timestamp”."));
        Optional<Integer> clock = date.isPresent()
                        && time.isPresent()
                        && !time.get().equals(first)
                        && !names.get(first).contains("time")
                ? time
                : Optional.empty();
        return new Columns(
                first,
                clock,
                temperature,
                unit(names.get(temperature)),
                column(names, "hum", "rh", "feucht"),
                delimiter != ',');
    }

    private static Optional<Integer> column(List<String> names, String... words) {
        for (String word : words) {
            Optional<Integer> found = IntStream.range(0, names.size())
                    .filter(i -> names.get(i).contains(word))
                    .boxed()
                    .findFirst();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private TemperatureUnit unit(String heading) {
        if (heading.contains("°f") || heading.contains("fahrenheit") || heading.matches(".*[(_ \\[]f[)\\]]?$")) {
            return TemperatureUnit.F;
        }
        if (heading.contains("°c") || heading.contains("celsius") || heading.matches(".*[(_ \\[]c[)\\]]?$")) {
            return TemperatureUnit.C;
        }
        return asked.orElseThrow(() -> new InvalidInput(List.of(new Fault(
                "unit", "The column “%s” does not say whether it is °C or °F: choose which.".formatted(heading)))));
    }

    private void row(CSVRecord row, Columns columns) {
        try {
            Instant at = Dates.possible(moment(row.get(columns.time())
                    + columns.clock().map(clock -> " " + row.get(clock)).orElse("")));
            if (at.isAfter(now)) {
                throw new IllegalArgumentException(
                        "%s is still to come: check the clock it was read by.".formatted(at));
            }
            OptionalDouble percent = columns.humidity()
                    .filter(index -> index < row.size() && !row.get(index).isBlank())
                    .map(index -> OptionalDouble.of(number(row.get(index).replace("%", ""), columns)))
                    .orElse(OptionalDouble.empty());
            readings.add(new RoomReading(
                    at, columns.unit().toBase(number(row.get(columns.temperature()), columns)), percent));
            before = at;
        } catch (IllegalArgumentException | DateTimeException | ArrayIndexOutOfBoundsException e) {
            leftOut++;
            if (told.size() < MOST_TOLD) {
                told.add("Row %d: %s"
                        .formatted(
                                row.getRecordNumber(),
                                e instanceof ArrayIndexOutOfBoundsException
                                        ? "it has too few columns."
                                        : e instanceof DateTimeException
                                                ? "its time cannot be read."
                                                : String.valueOf(e.getMessage())));
            }
        }
    }

    private static double number(String written, Columns columns) {
        String text = written.replaceAll("[°CFcf\\s\u00a0]", "");
        String pointed = columns.commaDecimals() && !text.contains(".") ? text.replace(',', '.') : text;
        try {
            double value = Double.parseDouble(pointed);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below, in words a person can use.
        }
        throw new IllegalArgumentException(
                "“%s” is not a number.".formatted(written.length() > 30 ? written.substring(0, 30) + "…" : written));
    }

    private Instant moment(String written) {
        String text = written.strip();
        if (text.matches("\\d{10}")) {
            return Instant.ofEpochSecond(Long.parseLong(text));
        }
        if (text.matches("\\d{13}")) {
            return Instant.ofEpochMilli(Long.parseLong(text));
        }
        if (text.matches(".*(Z|[+-]\\d{2}:?\\d{2})$") && text.length() > 16) {
            return OffsetDateTime.parse(text.replace(' ', 'T').replaceFirst("([+-]\\d{2})(\\d{2})$", "$1:$2"))
                    .toInstant();
        }
        for (DateTimeFormatter format : LOCAL) {
            try {
                return instant(LocalDateTime.parse(text, format));
            } catch (java.time.format.DateTimeParseException e) {
                continue;
            }
        }
        throw new IllegalArgumentException(
                "“%s” is not a time: write it as 2026-03-01 18:00, with a zone if it has one."
                        .formatted(text.length() > 40 ? text.substring(0, 40) + "…" : text));
    }

    /** Of an hour that came twice, the first passage is taken until the file's own times have passed it. */
    private Instant instant(LocalDateTime local) {
        List<ZoneOffset> offsets = zone.getRules().getValidOffsets(local);
        if (offsets.isEmpty()) {
            throw new IllegalArgumentException(
                    "%s did not exist in %s: the clocks went forward over it.".formatted(local, zone));
        }
        Instant first = local.toInstant(offsets.get(0));
        return offsets.size() > 1 && !first.isAfter(before) ? local.toInstant(offsets.get(1)) : first;
    }

    private static InvalidInput refused(String message) {
        return new InvalidInput(List.of(new Fault("file", message)));
    }
}

package nursery.app.plan;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import nursery.app.platform.CsvText;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.Order;
import org.apache.commons.csv.CSVRecord;

/**
 * Orders out of a CSV file (RFC 4180, or with semicolons or tabs): a row for each, columns in any order, known by their
 * headings. All rows are good or none is taken.
 */
final class OrdersCsv {

    private static final int MOST_ROWS = 500;
    /** What a column may be headed, and the field it fills. */
    private static final Map<String, String> HEADINGS = Map.ofEntries(
            Map.entry("name", "name"),
            Map.entry("design", "name"),
            Map.entry("for", "madeFor"),
            Map.entry("made for", "madeFor"),
            Map.entry("customer", "madeFor"),
            Map.entry("order", "madeFor"),
            Map.entry("technique", "technique"),
            Map.entry("blank", "blank"),
            Map.entry("cup", "blank"),
            Map.entry("resin", "resin"),
            Map.entry("last resin", "last"),
            Map.entry("last", "last"),
            Map.entry("count", "count"),
            Map.entry("cups", "count"),
            Map.entry("how many", "count"),
            Map.entry("due", "due"),
            Map.entry("due date", "due"),
            Map.entry("matters", "matters"));

    private static final List<String> NEEDED = List.of("name", "technique", "blank", "resin", "count");

    private OrdersCsv() {}

    /** A row as it was understood: an order, or what is wrong. */
    record Row(List<Order> order, List<Fault> faults) {}

    /** @throws InvalidInput with every bad row and what is wrong in it */
    static List<Order> read(String text, Function<Map<String, String>, Row> understand) {
        try (CsvText file = CsvText.open(text)) {
            return rows(file.parser().getRecords(), understand);
        } catch (IOException | UncheckedIOException e) {
            throw refused("The file breaks off or is not CSV: " + e.getMessage() + ".");
        }
    }

    private static List<Order> rows(List<CSVRecord> records, Function<Map<String, String>, Row> understand) {
        List<String> fields = fields(records.get(0));
        if (records.size() < 2) {
            throw refused("The file has headings and no orders.");
        }
        if (records.size() - 1 > MOST_ROWS) {
            throw refused(
                    "The file has %d orders: at most %d are taken at once.".formatted(records.size() - 1, MOST_ROWS));
        }
        List<Fault> faults = new ArrayList<>();
        List<Order> orders = new ArrayList<>();
        for (CSVRecord row : records.subList(1, records.size())) {
            Map<String, String> typed = new HashMap<>();
            for (int i = 0; i < Math.min(row.size(), fields.size()); i++) {
                typed.put(fields.get(i), row.get(i));
            }
            Row understood = understand.apply(typed);
            understood
                    .faults()
                    .forEach(fault -> faults.add(
                            new Fault("file", "Row %d: %s".formatted(row.getRecordNumber(), fault.message()))));
            orders.addAll(understood.order());
        }
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return orders;
    }

    private static List<String> fields(CSVRecord head) {
        List<String> fields = head.stream()
                .map(heading -> HEADINGS.getOrDefault(heading.strip().toLowerCase(Locale.ROOT), ""))
                .toList();
        List<String> missing =
                NEEDED.stream().filter(field -> !fields.contains(field)).toList();
        if (!missing.isEmpty()) {
            throw refused(
                    "No column is headed %s: the first row names the columns.".formatted(String.join(", ", missing)));
        }
        return fields;
    }

    private static InvalidInput refused(String message) {
        return new InvalidInput(List.of(new Fault("file", message)));
    }
}

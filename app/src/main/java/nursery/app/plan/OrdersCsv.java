package nursery.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import nursery.app.platform.CsvRows;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.Order;

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
        List<Fault> faults = new ArrayList<>();
        List<Order> orders = new ArrayList<>();
        for (CsvRows.Row row : CsvRows.read(text, HEADINGS, NEEDED, MOST_ROWS, "orders")) {
            Row understood = understand.apply(row.typed());
            understood.faults().forEach(fault -> faults.add(row.told(fault)));
            orders.addAll(understood.order());
        }
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return orders;
    }
}

package nursery.app.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.apache.commons.csv.CSVRecord;

/** The rows of a CSV file by their headings, in whatever order its columns stand. */
@Published
public final class CsvRows {

    private CsvRows() {}

    /**
     * @param number as a spreadsheet counts it: the headings are row 1
     * @param typed what stands in it, by the field its column fills
     */
    public record Row(long number, Map<String, String> typed) {

        /** What is wrong in it, named by its row. */
        public Fault told(Fault fault) {
            return new Fault("file", "Row %d: %s".formatted(number, fault.message()));
        }
    }

    /**
     * @param headings what a column may be headed, and the field it fills
     * @param needed fields without which nothing is understood
     * @param most more rows are not taken at once
     * @param what a row is, in the plural
     * @throws InvalidInput if it is no such file
     */
    public static List<Row> read(
            String text, Map<String, String> headings, List<String> needed, int most, String what) {
        try (CsvText file = CsvText.open(text)) {
            List<CSVRecord> records = file.parser().getRecords();
            List<String> fields = records.get(0).stream()
                    .map(heading -> headings.getOrDefault(heading.strip().toLowerCase(Locale.ROOT), ""))
                    .toList();
            List<String> missing =
                    needed.stream().filter(field -> !fields.contains(field)).toList();
            if (!missing.isEmpty()) {
                throw refused("No column is headed %s: the first row names the columns."
                        .formatted(String.join(", ", missing)));
            }
            if (records.size() < 2) {
                throw refused("The file has headings and no %s.".formatted(what));
            }
            if (records.size() - 1 > most) {
                throw refused(
                        "The file has %d %s: at most %d are taken at once.".formatted(records.size() - 1, what, most));
            }
            return rows(records, fields);
        } catch (IOException | UncheckedIOException e) {
            throw refused(CsvText.whatIsWrong(e));
        }
    }

    private static List<Row> rows(List<CSVRecord> records, List<String> fields) {
        List<Row> rows = new ArrayList<>();
        for (CSVRecord record : records.subList(1, records.size())) {
            Map<String, String> typed = new HashMap<>();
            for (int i = 0; i < Math.min(record.size(), fields.size()); i++) {
                typed.put(fields.get(i), record.get(i));
            }
            rows.add(new Row(record.getRecordNumber(), typed));
        }
        return rows;
    }

    private static InvalidInput refused(String message) {
        return new InvalidInput(List.of(new Fault("file", message)));
    }
}

package nursery.app.platform;

import java.io.Closeable;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;

/**
 * A CSV file as people have them: RFC 4180, or with semicolons or tabs, with or without a byte-order mark.
 *
 * @param delimiter what parts its columns, by its first row
 */
public record CsvText(CSVParser parser, char delimiter) implements Closeable {

    /** @throws InvalidInput about the field {@code file}, if there is nothing in it */
    public static CsvText open(String text) throws IOException {
        String clean = text.startsWith("\ufeff") ? text.substring(1) : text;
        String head = clean.lines()
                .filter(line -> !line.isBlank())
                .findFirst()
                .orElseThrow(() -> new InvalidInput(List.of(new Fault("file", "The file is empty."))));
        char delimiter = head.contains("\t") ? '\t' : head.contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        return new CsvText(CSVParser.parse(new StringReader(clean), format), delimiter);
    }

    /** What is wrong with a file that could not be read to its end, without the library's own words. */
    public static String whatIsWrong(Exception trouble) {
        Matcher line = LINE.matcher(String.valueOf(trouble.getMessage()));
        return ("The file breaks off or is not CSV%s: a quote is opened there and not closed, or stands in the middle "
                        + "of a field.")
                .formatted(line.find() ? " at line " + line.group(1) : "");
    }

    private static final Pattern LINE = Pattern.compile("line:?\\s*(\\d+)");

    /** Text for a file that a spreadsheet may open: what begins like a formula gets an apostrophe before it. */
    public static String safe(String text) {
        return text.matches("(?s)[=+\\-@\\t\\r].*") ? "'" + text : text;
    }

    @Override
    public void close() throws IOException {
        parser.close();
    }
}

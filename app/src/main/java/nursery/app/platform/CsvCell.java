package nursery.app.platform;

/** Text for a CSV file that a spreadsheet may open. */
public final class CsvCell {

    private CsvCell() {}

    /** Text a spreadsheet will not take for a formula: what begins like one gets an apostrophe before it. */
    public static String safe(String text) {
        return text.matches("(?s)[=+\\-@\\t\\r].*") ? "'" + text : text;
    }
}

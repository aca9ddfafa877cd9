package nursery.app.keep;

import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Counts the rows of each table in a dump as it goes by: a row is a line. Of a line only its beginning is kept, so that
 * none, however long, takes more memory than another.
 */
final class RowCount extends OutputStream {

    private static final Pattern ROW = Pattern.compile("INSERT INTO `(\\w{1,64})` VALUES.*", Pattern.DOTALL);
    private static final Pattern TABLE = Pattern.compile("CREATE TABLE `(\\w{1,64})` .*", Pattern.DOTALL);
    private static final int ENOUGH = 100;

    private final byte[] head = new byte[ENOUGH];
    private int length;
    private final SortedMap<String, Long> rows = new TreeMap<>();

    @Override
    public void write(int one) {
        if (one == '\n') {
            settle();
        } else if (length < ENOUGH) {
            head[length++] = (byte) one;
        }
    }

    @Override
    public void write(byte[] bytes, int from, int count) {
        for (int i = from; i < from + count; i++) {
            write(bytes[i]);
        }
    }

    private void settle() {
        if (length > 0 && (head[0] == 'I' || head[0] == 'C')) {
            String line = new String(head, 0, length, StandardCharsets.ISO_8859_1);
            Matcher row = ROW.matcher(line);
            Matcher table = TABLE.matcher(line);
            if (row.matches()) {
                rows.merge(row.group(1), 1L, Long::sum);
            } else if (table.matches()) {
                rows.putIfAbsent(table.group(1), 0L);
            }
        }
        length = 0;
    }

    /** Of each table that it makes, also of those that are empty; with a last line that does not end. */
    SortedMap<String, Long> rows() {
        settle();
        return rows;
    }
}

package nursery.app.keep;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/**
 * The shop's tables and a backup's, put in one another's place: the backup's lie beside the shop until then, the shop's
 * for a moment after it. Cut short at any point, the next start finishes it if the backup's tables are all in place,
 * and undoes it if they are not.
 */
final class Swap {

    private final DatabaseTools shop;
    private final DatabaseTools fresh;
    private final DatabaseTools old;

    Swap(DatabaseTools shop) {
        this.shop = shop;
        this.fresh = shop.on(shop.name() + "_new");
        this.old = shop.on(shop.name() + "_old");
    }

    /** Where the backup is loaded. */
    DatabaseTools beside() {
        return fresh;
    }

    /** An empty place beside the shop. */
    void open() throws IOException {
        settle();
        shop.ask("CREATE DATABASE %s; CREATE DATABASE %s".formatted(fresh.name(), old.name()));
    }

    /** Puts what lies beside the shop in its place, all tables at once. */
    void swap() throws IOException {
        List<String> moves = new ArrayList<>();
        Archive.tables(shop).forEach(table -> moves.add(move(table, shop, old)));
        Archive.tables(fresh).forEach(table -> moves.add(move(table, fresh, shop)));
        rename(moves);
        settle();
    }

    /** Finishes or undoes what an earlier one left, and clears away what lies beside the shop. */
    void settle() throws IOException {
        List<String> left = tables(old);
        List<String> waiting = tables(fresh);
        if (!left.isEmpty() && !waiting.isEmpty()) {
            List<String> moves = new ArrayList<>();
            List<String> there = Archive.tables(shop);
            left.stream().filter(there::contains).forEach(table -> moves.add(move(table, shop, fresh)));
            left.forEach(table -> moves.add(move(table, old, shop)));
            rename(moves);
        }
        shop.ask("SET foreign_key_checks = 0; DROP DATABASE IF EXISTS %s; DROP DATABASE IF EXISTS %s"
                .formatted(fresh.name(), old.name()));
    }

    /** Asked of the shop's own database: the other may not be there. */
    private List<String> tables(DatabaseTools of) throws IOException {
        return shop.ask("SELECT table_name FROM information_schema.tables WHERE table_schema = '%s' ORDER BY 1"
                .formatted(of.name()));
    }

    private static String move(String table, DatabaseTools from, DatabaseTools to) {
        return "%s.%s TO %s.%2$s".formatted(from.name(), table, to.name());
    }

    private void rename(List<String> moves) throws IOException {
        shop.ask("SET foreign_key_checks = 0; RENAME TABLE " + String.join(", ", moves));
    }
}

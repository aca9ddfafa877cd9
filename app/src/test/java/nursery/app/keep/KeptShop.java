package nursery.app.keep;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import nursery.app.ShopUnderTest.Running;

/** A running shop's database and files, as the tools that keep it see them. */
record KeptShop(Running shop) {

    DatabaseTools database() {
        var environment = shop.context().getEnvironment();
        return DatabaseTools.of(
                environment.getRequiredProperty("spring.datasource.url"),
                environment.getRequiredProperty("spring.datasource.username"),
                environment.getRequiredProperty("spring.datasource.password"));
    }

    /** Who loads a backup, and can see nothing but where it is loaded. */
    DatabaseTools.User loader() {
        var environment = shop.context().getEnvironment();
        return new DatabaseTools.User(
                environment.getRequiredProperty("NURSERY_LOADER_USER"),
                environment.getRequiredProperty("NURSERY_LOADER_PASSWORD"));
    }

    Path files() {
        return Path.of(shop.context().getEnvironment().getRequiredProperty("nursery.files.folder"));
    }

    /** The database's own sum of each table, but of some. */
    Map<String, Long> checksums(Set<String> butOf) throws IOException {
        Map<String, Long> sums = new TreeMap<>();
        for (String table : Archive.tables(database())) {
            if (!butOf.contains(table)) {
                String line = database().ask("CHECKSUM TABLE " + table).get(0);
                sums.put(table, Long.parseLong(line.substring(line.indexOf('\t') + 1)));
            }
        }
        return sums;
    }
}

package nursery.app.keep;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The database's own programs, as another program would use them: the dump and the client.
 *
 * @param name of the database
 */
record DatabaseTools(String host, String port, String name, String user, String password) {

    /** Of several nodes the first. */
    private static final Pattern ADDRESS = Pattern.compile("jdbc:mariadb:(?:\\w+:)?//([^:/,]+):(\\d+)[^/]*/(\\w+).*");

    private static final long MOST_MINUTES = 60;

    /** Sessions are nobody's business but the running shop's. */
    static final List<String> NOT_KEPT = List.of("SPRING_SESSION", "SPRING_SESSION_ATTRIBUTES");

    /** @param url as the application is given it */
    static DatabaseTools of(String url, String user, String password) {
        Matcher found = ADDRESS.matcher(url);
        if (!found.matches()) {
            throw new IllegalArgumentException("Not the address of a MariaDB: " + url);
        }
        return new DatabaseTools(found.group(1), found.group(2), found.group(3), user, password);
    }

    DatabaseTools on(String other) {
        return new DatabaseTools(host, port, other, user, password);
    }

    /** Who asks a database. */
    record User(String name, String password) {}

    DatabaseTools as(User other) {
        return new DatabaseTools(host, port, name, other.name(), other.password());
    }

    /** A thing done with what a program writes. */
    @FunctionalInterface
    interface Reading {
        void from(InputStream lines) throws IOException;
    }

    /** A thing done with what a program reads. */
    @FunctionalInterface
    interface Writing {
        void to(OutputStream lines) throws IOException;
    }

    /** Everything at one moment, in one transaction; nobody waits for it. A row is a line. */
    void dump(Reading reading) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                "mariadb-dump",
                "--no-defaults",
                "--single-transaction",
                "--skip-lock-tables",
                "--skip-extended-insert",
                "--no-autocommit",
                "--hex-blob",
                "--skip-dump-date",
                "--no-tablespaces",
                "--default-character-set=utf8mb4"));
        NOT_KEPT.forEach(table -> command.add("--ignore-table-data=" + name + "." + table));
        run(command, lines -> {}, reading);
    }

    /** In a sandbox: a file that was tampered with cannot make the client run programs or read files. */
    void load(Writing writing) throws IOException {
        run(
                List.of("mariadb", "--no-defaults", "--sandbox", "--default-character-set=utf8mb4"),
                writing,
                InputStream::readAllBytes);
    }

    List<String> ask(String sql) throws IOException {
        List<String> lines = new ArrayList<>();
        run(
                List.of("mariadb", "--no-defaults", "--batch", "--skip-column-names"),
                out -> out.write(sql.getBytes(StandardCharsets.UTF_8)),
                in -> lines.addAll(new String(in.readAllBytes(), StandardCharsets.UTF_8)
                        .lines()
                        .toList()));
        return lines;
    }

    /** A thing done with each line of an answer. */
    @FunctionalInterface
    interface Row {
        void of(String line) throws IOException;
    }

    /** Lines as they are: the answer has to be one that holds no end of a line of its own. */
    void rows(String sql, Row row) throws IOException {
        run(
                List.of(
                        "mariadb",
                        "--no-defaults",
                        "--batch",
                        "--raw",
                        "--quick",
                        "--skip-column-names",
                        "--default-character-set=utf8mb4"),
                out -> out.write(sql.getBytes(StandardCharsets.UTF_8)),
                in -> Archive.eachLine(in, row::of));
    }

    private void run(List<String> program, Writing writing, Reading reading) throws IOException {
        List<String> command = new ArrayList<>(program);
        command.addAll(Arrays.asList("--protocol=tcp", "--host=" + host, "--port=" + port, "--user=" + user, name));
        Path said = Files.createTempFile("nursery", ".log");
        Process process = null;
        try {
            ProcessBuilder builder = new ProcessBuilder(command).redirectError(said.toFile());
            // Not on the command line, where every user of the machine could read it.
            builder.environment().put("MYSQL_PWD", password);
            process = builder.start();
            try (OutputStream out = process.getOutputStream()) {
                writing.to(out);
            } catch (IOException e) {
                // It ended before it had read all: what it said is told below.
            }
            try (InputStream in = process.getInputStream()) {
                reading.from(in);
            }
            if (!process.waitFor(MOST_MINUTES, TimeUnit.MINUTES) || process.exitValue() != 0) {
                throw new IOException("%s failed: %s"
                        .formatted(program.get(0), Files.readString(said).strip()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        } finally {
            if (process != null) {
                process.destroyForcibly();
            }
            Files.deleteIfExists(said);
        }
    }
}

import java.io.File;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Kills application, database or the start command while a maker logs; what was acknowledged must be there after. */
public class SoakKills {

    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" value=\"([^\"]*)\"");

    private final Path folder;
    private final int port;
    private final Random random = new Random(7);
    private final Map<String, Integer> kills = new TreeMap<>();
    private HttpClient client = fresh();
    private Process started;
    private HttpClient other = fresh();
    private Process second;
    private final boolean two;
    private int acknowledged;
    private int lost;
    private int stuck;

    private SoakKills(Path folder, int port, boolean two) {
        this.two = two;
        this.folder = folder;
        this.port = port;
    }

    public static void main(String[] arguments) throws Exception {
        SoakKills soak =
                new SoakKills(Path.of(arguments[0]), Integer.parseInt(arguments[2]), arguments[3].equals("two"));
        int count = Integer.parseInt(arguments[1]);
        soak.start();
        for (int i = 0; i < count && soak.stuck == 0; i++) {
            soak.round(i);
        }
        if (soak.second != null) {
            soak.second.destroy();
        }
        new ProcessBuilder(soak.folder.resolve("nursery").toString(), "stop").inheritIO().start().waitFor();
        System.out.printf(
                "%d kills %s: %d acknowledged entries, %d lost, %d starts that needed hands%n",
                soak.kills.values().stream().mapToInt(Integer::intValue).sum(),
                soak.kills,
                soak.acknowledged,
                soak.lost,
                soak.stuck);
        System.exit(soak.lost + soak.stuck == 0 ? 0 : 1);
    }

    private static HttpClient fresh() {
        return HttpClient.newBuilder()
                .connectTimeout(Duration.ofSeconds(2))
                .cookieHandler(new CookieManager())
                .build();
    }

    private void start() throws Exception {
        started = new ProcessBuilder(folder.resolve("nursery").toString(), "demo", "--keep", "--port", "" + port)
                .redirectErrorStream(true)
                .redirectOutput(new File("/dev/null"))
                .start();
        awaitPage(port);
    }

    /** A second instance on the same database, which nobody watches but this. */
    private void startSecond() throws Exception {
        if (!two || second != null && second.isAlive()) {
            return;
        }
        ProcessBuilder starting = new ProcessBuilder(
                "java", "-XX:+UseSerialGC", "-Xmx512m", "-jar", folder.resolve("var/app/nursery.jar").toString(),
                "--server.port=" + (port + 50));
        for (String line : Files.readAllLines(folder.resolve("var/demo/database.env"))) {
            String[] parts = line.split("=", 2);
            if (parts.length == 2) {
                starting.environment().put(parts[0], parts[1].replaceAll("^['\"]|['\"]$", ""));
            }
        }
        second = starting.redirectErrorStream(true)
                .redirectOutput(folder.resolve("var/log/second.log").toFile())
                .start();
    }

    private void awaitPage(int at) throws Exception {
        for (int i = 0; i < 600; i++) {
            try {
                if (get(client, at, "/cups").contains("/cups/")) {
                    return;
                }
            } catch (Exception e) {
                // Not there yet.
            }
            Thread.sleep(200);
        }
        stuck++;
    }

    private void round(int number) throws Exception {
        // Another cup each time: a log of thousands of notes is no maker's.
        String cup = "/cups/A-%02d".formatted(1 + number % 20);
        startSecond();
        if (two) {
            awaitPage(port + 50);
        }
        client = fresh();
        other = fresh();
        List<String> kept = Collections.synchronizedList(new ArrayList<>());
        List<Thread> makers = new ArrayList<>(List.of(maker(cup, client, port, number + "a", kept)));
        if (two) {
            makers.add(maker(cup, other, port + 50, number + "b", kept));
        }
        makers.forEach(Thread::start);
        Thread.sleep(300 + random.nextInt(1500));
        kill();
        for (Thread maker : makers) {
            maker.join(20_000);
            maker.interrupt();
        }
        if (!started.isAlive()) {
            start();
        } else {
            awaitPage(port);
        }
        startSecond();
        if (two) {
            awaitPage(port + 50);
        }
        client = fresh();
        String page = get(client, port, cup);
        String there = two ? get(client, port + 50, cup) : page;
        for (String note : new ArrayList<>(kept)) {
            if (!page.contains(note) || !there.contains(note)) {
                lost++;
                System.out.println("lost: " + note);
            }
        }
        acknowledged += kept.size();
        System.err.printf("round %d: %d acknowledged, %d lost so far%n", number + 1, acknowledged, lost);
    }

    /** Logs until it is killed under it, or until entries fail for a while. */
    private Thread maker(String cup, HttpClient hand, int at, String round, List<String> kept) throws Exception {
        Matcher found = CSRF.matcher(get(hand, at, cup));
        if (!found.find()) {
            throw new IllegalStateException("No form on " + cup);
        }
        String csrf = found.group(1);
        return new Thread(() -> {
            try {
                int failed = 0;
                for (int i = 0; failed < 3 && !Thread.currentThread().isInterrupted(); i++) {
                    String note = "kill %s, entry %d.".formatted(round, i);
                    if (log(cup, hand, at, csrf, note) == 302) {
                        kept.add(note);
                    } else {
                        failed++;
                    }
                }
            } catch (Exception e) {
                // Killed under it.
            }
        });
    }

    private void kill() throws Exception {
        switch (random.nextInt(two ? 5 : 4)) {
            case 0 -> kill("application", "application.pid");
            case 1 -> kill("database", "mariadb.pid");
            case 2 -> {
                kill("both", "mariadb.pid");
                end("application.pid");
            }
            case 3 -> {
                kills.merge("everything", 1, Integer::sum);
                // The next start gives the database another password: the second has to be told it.
                if (second != null) {
                    second.destroyForcibly().waitFor();
                }
                end("nursery.pid");
                end("application.pid");
                end("mariadb.pid");
                started.waitFor();
            }
            default -> {
                kills.merge("second", 1, Integer::sum);
                second.destroyForcibly().waitFor();
            }
        }
    }

    private void kill(String what, String file) throws Exception {
        kills.merge(what, 1, Integer::sum);
        end(file);
    }

    private void end(String file) throws Exception {
        String pid = Files.readString(folder.resolve("var/demo").resolve(file)).strip();
        new ProcessBuilder("kill", "-KILL", pid).start().waitFor();
    }

    private static String get(HttpClient hand, int at, String path) throws Exception {
        return hand.send(request(at, path).GET().build(), BodyHandlers.ofString()).body();
    }

    private static int log(String cup, HttpClient hand, int at, String csrf, String note) throws Exception {
        String body = "_csrf=%s&token=%s&what=NOTED&when=0&note=%s"
                .formatted(csrf, UUID.randomUUID(), URLEncoder.encode(note, StandardCharsets.UTF_8));
        return hand.send(
                        request(at, cup + "/log").timeout(Duration.ofSeconds(8))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(BodyPublishers.ofString(body))
                                .build(),
                        BodyHandlers.ofString())
                .statusCode();
    }

    private static HttpRequest.Builder request(int port, String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path)).timeout(Duration.ofSeconds(60));
    }
}

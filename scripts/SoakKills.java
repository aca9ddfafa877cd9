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
    private static final String CUP = "/cups/A-01";

    private final Path folder;
    private final int port;
    private final Random random = new Random(7);
    private final Map<String, Integer> kills = new TreeMap<>();
    private HttpClient client = fresh();
    private Process started;
    private int acknowledged;
    private int lost;
    private int stuck;

    private SoakKills(Path folder, int port) {
        this.folder = folder;
        this.port = port;
    }

    public static void main(String[] arguments) throws Exception {
        SoakKills soak = new SoakKills(Path.of(arguments[0]), Integer.parseInt(arguments[2]));
        int count = Integer.parseInt(arguments[1]);
        soak.start();
        for (int i = 0; i < count && soak.stuck == 0; i++) {
            soak.round(i);
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
        awaitPage();
    }

    private void awaitPage() throws Exception {
        for (int i = 0; i < 600; i++) {
            try {
                if (get("/cups").contains("/cups/")) {
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
        client = fresh();
        Matcher found = CSRF.matcher(get(CUP));
        if (!found.find()) {
            throw new IllegalStateException("No form on " + CUP);
        }
        String csrf = found.group(1);
        List<String> kept = new ArrayList<>();
        Thread maker = new Thread(() -> {
            try {
                for (int i = 0; ; i++) {
                    String note = "kill %d, entry %d".formatted(number, i);
                    if (log(csrf, note) == 302) {
                        kept.add(note);
                    }
                }
            } catch (Exception e) {
                // Killed under it.
            }
        });
        maker.start();
        Thread.sleep(300 + random.nextInt(1500));
        kill();
        maker.join(20_000);
        maker.interrupt();
        if (!started.isAlive()) {
            start();
        } else {
            awaitPage();
        }
        client = fresh();
        String page = get(CUP);
        for (String note : new ArrayList<>(kept)) {
            if (!page.contains(note + "<") && !page.contains(note)) {
                lost++;
                System.out.println("lost: " + note);
            }
        }
        acknowledged += kept.size();
    }

    private void kill() throws Exception {
        switch (random.nextInt(4)) {
            case 0 -> kill("application", "application.pid");
            case 1 -> kill("database", "mariadb.pid");
            case 2 -> {
                kill("both", "mariadb.pid");
                end("application.pid");
            }
            default -> {
                kills.merge("everything", 1, Integer::sum);
                end("nursery.pid");
                end("application.pid");
                end("mariadb.pid");
                started.waitFor();
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

    private String get(String path) throws Exception {
        return client.send(request(path).GET().build(), BodyHandlers.ofString()).body();
    }

    private int log(String csrf, String note) throws Exception {
        String body = "_csrf=%s&token=%s&what=NOTED&when=0&note=%s"
                .formatted(csrf, UUID.randomUUID(), URLEncoder.encode(note, StandardCharsets.UTF_8));
        return client.send(
                        request(CUP + "/log")
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(BodyPublishers.ofString(body))
                                .build(),
                        BodyHandlers.ofString())
                .statusCode();
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path)).timeout(Duration.ofSeconds(8));
    }
}

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
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tablets at two applications on one clustered database: in each round all of them write a note, and all of them send
 * one and the same form. In the middle a node is killed. What was answered with 302 has to be there, once.
 */
public class TryCluster {

    private static final int TABLETS = 6;
    private static final String CUP = "/cups/A-01";
    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" value=\"([^\"]*)\"");

    private final Map<Integer, Integer> answers = new TreeMap<>();
    private final List<String> acknowledged = Collections.synchronizedList(new ArrayList<>());

    private static final class Tablet {
        private final HttpClient client = HttpClient.newBuilder()
                .connectTimeout(Duration.ofSeconds(3))
                .cookieHandler(new CookieManager())
                .build();
        private final String address;
        private String csrf = "";

        Tablet(String address) {
            this.address = address;
        }

        String page() throws Exception {
            String body = client.send(
                            HttpRequest.newBuilder(URI.create(address + CUP))
                                    .timeout(Duration.ofSeconds(30))
                                    .build(),
                            BodyHandlers.ofString())
                    .body();
            Matcher found = CSRF.matcher(body);
            csrf = found.find() ? found.group(1) : csrf;
            return body;
        }

        int note(String token, String note) throws Exception {
            String body = "_csrf=%s&token=%s&what=NOTED&when=0&note=%s"
                    .formatted(csrf, token, URLEncoder.encode(note, StandardCharsets.UTF_8));
            return client.send(
                            HttpRequest.newBuilder(URI.create(address + CUP + "/log"))
                                    .timeout(Duration.ofSeconds(30))
                                    .header("Content-Type", "application/x-www-form-urlencoded")
                                    .POST(BodyPublishers.ofString(body))
                                    .build(),
                            BodyHandlers.ofString())
                    .statusCode();
        }
    }

    public static void main(String[] arguments) throws Exception {
        int lost = new TryCluster().run(Integer.parseInt(arguments[0]), arguments[1], arguments[2]);
        System.exit(lost == 0 ? 0 : 1);
    }

    private int run(int rounds, String one, String other) throws Exception {
        List<Tablet> tablets = new ArrayList<>();
        for (int i = 0; i < TABLETS; i++) {
            tablets.add(new Tablet(i % 2 == 0 ? one : other));
        }
        for (int tried = 0; tried < 120 && !tablets.get(0).page().contains("name=\"_csrf\""); tried++) {
            Thread.sleep(500);
        }
        for (Tablet tablet : tablets) {
            tablet.page();
        }
        ExecutorService hands = Executors.newFixedThreadPool(TABLETS);
        for (int round = 0; round < rounds; round++) {
            if (round == rounds / 2) {
                String pid = Files.readString(Path.of(System.getenv("CLUSTER_KILL"))).strip();
                new ProcessBuilder("kill", "-KILL", pid).start().waitFor();
            }
            race(hands, tablets, round);
        }
        hands.shutdown();
        int lost = 0;
        String page = tablets.get(0).page();
        String there = tablets.get(1).page();
        for (String note : acknowledged) {
            if (!page.contains(note) || !there.contains(note)) {
                lost++;
                System.out.println("lost: " + note);
            }
        }
        int failed = answers.entrySet().stream()
                .filter(answer -> answer.getKey() >= 500)
                .mapToInt(Map.Entry::getValue)
                .sum();
        System.out.printf(
                "%d rounds of %d tablets, %d acknowledged, %d lost, %d × 5xx while a node was gone: %s%n",
                rounds, TABLETS, acknowledged.size(), lost, failed, answers);
        return lost;
    }

    /** Each its own note, then all the same form; what is answered by 5xx is not acknowledged. */
    private void race(ExecutorService hands, List<Tablet> tablets, int round) throws Exception {
        String token = UUID.randomUUID().toString();
        List<Callable<Integer>> work = new ArrayList<>();
        for (int i = 0; i < tablets.size(); i++) {
            Tablet tablet = tablets.get(i);
            String own = "cluster %d by %d.".formatted(round, i);
            String same = "cluster %d by all.".formatted(round);
            work.add(() -> {
                int status = attempt(tablet, UUID.randomUUID().toString(), own);
                if (status == 302) {
                    acknowledged.add(own);
                }
                int twice = attempt(tablet, token, same);
                if (twice == 302) {
                    acknowledged.add(same);
                }
                return status;
            });
        }
        for (Future<Integer> done : hands.invokeAll(work)) {
            done.get();
        }
    }

    private int attempt(Tablet tablet, String token, String note) {
        int status;
        try {
            status = tablet.note(token, note);
        } catch (Exception e) {
            status = 599;
        }
        synchronized (answers) {
            answers.merge(status, 1, Integer::sum);
        }
        return status;
    }
}

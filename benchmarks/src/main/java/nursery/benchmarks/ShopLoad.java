package nursery.benchmarks;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Many tablets in one shop: each asks for one page after another, and looks at it for a while. Prints what each page
 * took, from asking until its last byte was there, which is more than the server's own time. Run by scripts/load.
 */
public final class ShopLoad {

    private static final Duration WARM_UP = Duration.ofSeconds(60);
    /** What is looked at all day, by all tablets. */
    private static final List<String> PAGES = List.of("/", "/cups/%s", "/plan", "/mix", "/room", "/cups");
    /** Every other page there is a way to, asked for alone. */
    private static final List<String> OTHERS = List.of(
            "/cups/archive",
            "/cups/%s/made",
            "/cups/%s/story",
            "/cups/%s/fault",
            "/cups/%s/why",
            "/cups/%s/row",
            "/cups/%s/steps",
            "/cups/%s/about",
            "/cups/%s/again",
            "/cups/%s/photos",
            "/cups/%s/technique",
            "/cups/together",
            "/cups/new",
            "/faults",
            "/faults?by=ROOM",
            "/figures",
            "/stories",
            "/stories?find=rim",
            "/money",
            "/paper",
            "/shelf",
            "/shelf/materials",
            "/shelf/materials/1",
            "/shelf/ahead",
            "/shelf/bottles",
            "/shelf/resins/1",
            "/shelf/resins/1/learned",
            "/shelf/blanks/1",
            "/techniques",
            "/techniques/compose",
            "/designs",
            "/designs/1",
            "/shop",
            "/alarms",
            "/words",
            "/board",
            "/plan/today",
            "/plan/order",
            "/plan/hours",
            "/room/coats",
            "/backups",
            "/audit",
            "/people",
            "/devices",
            "/links");

    private static final int ALONE = 9;
    private static final Pattern CUP = Pattern.compile("href=\"/cups/([A-Z]+-\\d\\d)\"");

    private final HttpClient web = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private final String shop;
    private final List<String> cups = new ArrayList<>();
    private final List<Page> pages = new ArrayList<>();

    /**
     * A page, and how long each answer took.
     *
     * @param path with a %s where a cup's code belongs
     */
    private record Page(String path, int bytes, Queue<Long> micros) {}

    private ShopLoad(String shop) {
        this.shop = shop;
    }

    /** @param args the shop's address, how many clients, for how many seconds, and how long each looks at a page, ms */
    public static void main(String[] args) throws IOException, InterruptedException {
        ShopLoad load = new ShopLoad(args[0]);
        load.findCups();
        load.alone();
        int clients = Integer.parseInt(args[1]);
        long pauseMs = Long.parseLong(args[3]);
        load.run(clients, WARM_UP, pauseMs);
        load.pages.forEach(page -> page.micros().clear());
        load.run(clients, Duration.ofSeconds(Long.parseLong(args[2])), pauseMs);
        load.print();
    }

    private void findCups() throws IOException, InterruptedException {
        Matcher found = CUP.matcher(get("/cups"));
        while (found.find()) {
            cups.add(found.group(1));
        }
        for (String page : PAGES) {
            pages.add(new Page(page, get(page.formatted(cups.get(0))).length(), new ConcurrentLinkedQueue<>()));
        }
    }

    /** Each page by itself, a few times: nobody else asks meanwhile but the shop's own work beside. */
    private void alone() throws IOException, InterruptedException {
        System.out.printf("%-24s %9s %9s %9s%n", "asked for alone", "p50 ms", "max ms", "KB");
        for (String path : Stream.concat(PAGES.stream(), OTHERS.stream()).toList()) {
            long[] micros = new long[ALONE];
            int bytes = 0;
            for (int i = -2; i < ALONE; i++) {
                long begun = System.nanoTime();
                bytes = get(path.formatted(cups.get(0))).length();
                if (i >= 0) {
                    micros[i] = (System.nanoTime() - begun) / 1000;
                }
            }
            java.util.Arrays.sort(micros);
            System.out.printf(
                    Locale.ROOT,
                    "%-24s %9.1f %9.1f %9d%n",
                    path.replace("%s", "…"),
                    at(micros, 0.5),
                    at(micros, 1),
                    bytes / 1024);
        }
    }

    private void run(int clients, Duration length, long pauseMs) throws InterruptedException {
        long until = System.nanoTime() + length.toNanos();
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < clients; i++) {
            int first = i;
            Thread thread = new Thread(() -> use(first, until, pauseMs), "client-" + i);
            thread.start();
            threads.add(thread);
            // Not all at the same moment: nobody's tablets are.
            Thread.sleep(Math.min(pauseMs, 1000) / clients);
        }
        for (Thread thread : threads) {
            thread.join();
        }
    }

    private void use(int first, long until, long pauseMs) {
        for (int i = first; System.nanoTime() < until; i++) {
            Page page = pages.get(i % pages.size());
            try {
                long begun = System.nanoTime();
                get(page.path().formatted(cups.get(i / pages.size() % cups.size())));
                page.micros().add((System.nanoTime() - begun) / 1000);
                Thread.sleep(pauseMs);
            } catch (IOException | InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private String get(String path) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = web.send(
                HttpRequest.newBuilder(URI.create(shop + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
        if (answer.statusCode() != 200) {
            throw new IOException(path + " answered " + answer.statusCode());
        }
        return new String(answer.body(), StandardCharsets.ISO_8859_1);
    }

    private void print() {
        System.out.printf("%-12s %7s %9s %9s %9s %9s%n", "page", "asked", "p50 ms", "p95 ms", "max ms", "KB");
        pages.forEach(page -> print(page.path().replace("%s", "…"), page.micros().stream(), page.bytes()));
        print("all", pages.stream().flatMap(page -> page.micros().stream()), 0);
    }

    private static void print(String what, Stream<Long> micros, int bytes) {
        long[] sorted = micros.mapToLong(Long::longValue).sorted().toArray();
        System.out.printf(
                Locale.ROOT,
                "%-12s %7d %9.1f %9.1f %9.1f %9d%n",
                what,
                sorted.length,
                at(sorted, 0.5),
                at(sorted, 0.95),
                at(sorted, 1),
                bytes / 1024);
    }

    private static double at(long[] sorted, double share) {
        return sorted.length == 0 ? 0 : sorted[(int) Math.ceil(share * (sorted.length - 1))] / 1000.0;
    }
}

import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Several tablets at the same instant: nothing is answered in the 500s, nothing is there twice, nothing is lost. */
public class SoakRaces {

    private static final int TABLETS = 6;
    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" value=\"([^\"]*)\"");

    private final List<Tablet> tablets = new ArrayList<>();
    private final Map<Integer, Integer> answers = new TreeMap<>();
    private final Map<String, Integer> races = new TreeMap<>();
    private final List<String> defects = Collections.synchronizedList(new ArrayList<>());
    private final String run = UUID.randomUUID().toString().substring(0, 4);
    private final ExecutorService hands = Executors.newFixedThreadPool(TABLETS);

    /** @param addresses one, or several of instances on one database: the tablets are shared out among them */
    private SoakRaces(String[] addresses) throws Exception {
        for (int i = 0; i < TABLETS; i++) {
            tablets.add(new Tablet(addresses[i % addresses.length]));
        }
    }

    /** What a tablet sends, and how its answer is told. */
    private record Sent(String path, Map<String, String> fields) {}

    private record Answer(int status, String body) {}

    private final class Tablet {
        private final HttpClient client =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        private final String address;
        private final String csrf;

        Tablet(String address) throws Exception {
            this.address = address;
            Matcher found = CSRF.matcher(page("/shop"));
            if (!found.find()) {
                throw new IllegalStateException("No form at " + address + "/shop");
            }
            csrf = found.group(1);
        }

        String page(String path) throws Exception {
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(address + path)).timeout(Duration.ofSeconds(120)).build(),
                    BodyHandlers.ofString());
            return answer.body();
        }

        Answer send(Sent sent) throws Exception {
            Map<String, String> fields = new LinkedHashMap<>(sent.fields());
            fields.put("_csrf", csrf);
            fields.putIfAbsent("token", UUID.randomUUID().toString());
            String body = fields.entrySet().stream()
                    .map(field -> field.getKey() + "=" + URLEncoder.encode(field.getValue(), StandardCharsets.UTF_8))
                    .collect(Collectors.joining("&"));
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(address + sent.path()))
                            .timeout(Duration.ofSeconds(120))
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(BodyPublishers.ofString(body))
                            .build(),
                    BodyHandlers.ofString());
            return new Answer(answer.statusCode(), answer.body());
        }

        Answer upload(String path, String name, String text) throws Exception {
            return upload(path, name, text.getBytes(StandardCharsets.UTF_8), Map.of());
        }

        Answer upload(String path, String name, byte[] file, Map<String, String> more) throws Exception {
            String cut = "cut" + UUID.randomUUID();
            String part = "--" + cut + "\r\nContent-Disposition: form-data; name=";
            java.io.ByteArrayOutputStream body = new java.io.ByteArrayOutputStream();
            Map<String, String> fields = new LinkedHashMap<>(more);
            fields.put("token", UUID.randomUUID().toString());
            fields.put("_csrf", csrf);
            for (Map.Entry<String, String> field : fields.entrySet()) {
                body.writeBytes((part + "\"" + field.getKey() + "\"\r\n\r\n" + field.getValue() + "\r\n")
                        .getBytes(StandardCharsets.UTF_8));
            }
            body.writeBytes((part + "\"file\"; filename=\"" + name
                            + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            body.writeBytes(file);
            body.writeBytes(("\r\n--" + cut + "--\r\n").getBytes(StandardCharsets.UTF_8));
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(address + path))
                            .header("Content-Type", "multipart/form-data; boundary=" + cut)
                            .POST(BodyPublishers.ofByteArray(body.toByteArray()))
                            .build(),
                    BodyHandlers.ofString());
            return new Answer(answer.statusCode(), answer.body());
        }
    }

    public static void main(String[] arguments) throws Exception {
        SoakRaces soak = new SoakRaces(arguments[1].split(","));
        soak.run(Integer.parseInt(arguments[0]));
        soak.hands.shutdown();
        soak.defects.stream().distinct().limit(40).forEach(System.out::println);
        int failed = soak.answers.entrySet().stream()
                .filter(answer -> answer.getKey() >= 500)
                .mapToInt(Map.Entry::getValue)
                .sum();
        System.out.printf("The bench took %.1f s at the most while pictures and drawings came in.%n", soak.slowest);
        System.out.printf(
                "%d × 5xx and %d defects in %d races of %d tablets %s: %s%n",
                failed,
                soak.defects.size(),
                soak.races.values().stream().mapToInt(Integer::intValue).sum(),
                TABLETS,
                soak.races,
                soak.answers);
        System.exit(failed == 0 && soak.defects.isEmpty() ? 0 : 1);
    }

    private void run(int count) throws Exception {
        String coat = "{\"do\":\"build-coat\",\"coat\":\"build\",\"wait\":{\"kind\":\"none\"}}";
        String steps = String.join(",", Collections.nCopies(90, coat));
        String name = "Races " + UUID.randomUUID().toString().substring(0, 8);
        Answer taken = tablets.get(0).upload(
                "/techniques/import",
                "races.json",
                ("{\"format\":\"nursery-technique\",\"version\":1,\"name\":\"%s\",\"about\":\"Coat on coat.\","
                                + "\"steps\":[%s]}")
                        .formatted(name, steps));
        String start = tablets.get(0).page("/cups/new");
        String technique = find(
                start, "name=\"technique\" value=\"([^\"]*)\"(?:(?!name=\"technique\").)*?<span>" + name);
        if (technique.isEmpty()) {
            throw new IllegalStateException("The technique was not taken: " + taken.status() + " "
                    + find(taken.body(), "<li[^>]*>([^<]*)"));
        }
        for (int i = 0; i < count; i++) {
            switch (i % 13) {
                case 0 -> oneName("blank", "/shelf/blanks/new", "/shelf", blank("Race " + run + i));
                case 1 -> oneName(
                        "turner",
                        "/shelf/turners",
                        "/shelf",
                        Map.of("turner", "Turner " + run + i, "rpm", "6", "spindles", "2"));
                case 2 -> copies();
                case 3 -> removedWhileUsed(i, technique);
                case 4 -> sentTwice(i, false);
                case 5 -> sentTwice(i, true);
                case 6 -> swap(i, technique);
                case 7 -> wishes();
                case 8 -> settings();
                case 9 -> about(i);
                case 10 -> pictures(i);
                case 11 -> drawings(i);
                default -> readings(i);
            }
        }
    }

    private static Map<String, String> blank(String name) {
        return Map.of(
                "name", name, "unit", "MM", "form", "STRAIGHT", "height", "205", "circumference", "229.3",
                "baseCoated", "on", "rimBare", "5", "baseBare", "0", "handleGap", "0");
    }

    /** The same name from all tablets: one has it, the others are told. */
    private void oneName(String what, String path, String list, Map<String, String> fields) throws Exception {
        List<Answer> told = race("new " + what, same(path, fields));
        String name = fields.getOrDefault("name", fields.get("turner"));
        expect(kept(told) == 1, what + ": not exactly one was kept");
        String shelf = tablets.get(0).page(list);
        expect(shelf.contains(name), what + " " + name + " is not there");
    }

    /** A technique copied by all at once. */
    private void copies() throws Exception {
        race("copied technique", same("/techniques/waves/copy", Map.of()));
    }

    /** A blank taken off the shelf while cups are started on it. */
    private void removedWhileUsed(int i, String technique) throws Exception {
        tablets.get(0).send(new Sent("/shelf/blanks/new", blank("Used " + run + i)));
        String page = tablets.get(0).page("/cups/new");
        String blank = nearest(tablets.get(0).page("/shelf"), "Used " + run + i + "<", "/shelf/blanks/(\\d+)\"");
        List<Sent> all = new ArrayList<>();
        for (int t = 0; t < TABLETS; t++) {
            all.add(t % 2 == 0
                    ? new Sent("/shelf/blanks/" + blank + "/remove", Map.of())
                    : new Sent("/cups/new", cup(page, "Used " + run + i + " " + t, blank, technique)));
        }
        race("removed while used", all);
    }

    private static Map<String, String> cup(String page, String name, String blank, String technique) {
        Map<String, String> fields = new LinkedHashMap<>();
        String resin = find(page, "name=\"base\"[^>]* value=\"(\\d+)\"");
        fields.put("name", name);
        fields.put("blank", blank);
        fields.put("technique", technique);
        fields.put("base", resin);
        fields.put("last", resin);
        fields.put("due", "");
        fields.put("customer", "");
        fields.put("paint", "#335577");
        fields.put("glitter", "#ccaa44");
        fields.put("count", "1");
        fields.put("started", "now");
        return fields;
    }

    /** One form with one token from all tablets at once: it counts once, and a refused one blocks nobody. */
    private void sentTwice(int i, boolean refused) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>(blank("Once " + run + i));
        fields.put("token", UUID.randomUUID().toString());
        if (refused) {
            fields.put("height", "-1");
        }
        List<Answer> told = race(refused ? "refused form" : "form sent twice", same("/shelf/blanks/new", fields));
        if (!refused) {
            String shelf = tablets.get(0).page("/shelf");
            int times = shelf.split("Once " + run + i + "<", -1).length - 1;
            expect(times == 1, "a form sent twice counted " + times + " times");
        } else {
            expect(told.stream().allMatch(answer -> answer.status() == 422), "a refused form was not refused");
        }
    }

    private String first = "";
    private String second = "";

    /** Two cups on two spindles, poured at once each on the other's. */
    private void swap(int i, String technique) throws Exception {
        Tablet one = tablets.get(0);
        if (first.isEmpty() || i % 400 == 6) {
            String page = one.page("/cups/new");
            String blank = find(page, "name=\"blank\"[^>]* value=\"(\\d+)\"");
            one.send(new Sent("/cups/new", cup(page, "Swap A " + run + i, blank, technique)));
            one.send(new Sent("/cups/new", cup(page, "Swap B " + run + i, blank, technique)));
            String list = one.page("/cups");
            first = nearest(list, "Swap A " + run + i, "/cups/([A-Z]-\\d+)\"");
            second = nearest(list, "Swap B " + run + i, "/cups/([A-Z]-\\d+)\"");
        }
        String page = one.page("/cups/" + first);
        List<String> ids = new ArrayList<>();
        Matcher option = Pattern.compile("name=\"spindle\"[^>]* value=\"(\\d+)\"").matcher(page);
        while (option.find()) {
            ids.add(option.group(1));
        }
        if (ids.size() < 2) {
            defects.add("swap: no spindles offered on " + first);
            return;
        }
        pour(first, ids.get(0));
        pour(second, ids.get(1));
        List<Sent> all = new ArrayList<>();
        for (int t = 0; t < TABLETS; t++) {
            all.add(poured(t % 2 == 0 ? first : second, t % 2 == 0 ? ids.get(1) : ids.get(0)));
        }
        List<Answer> told = race("swapped spindles", all);
        expect(kept(told) == 2, "swap: not each cup was poured once: "
                + told.stream().map(answer -> "" + answer.status()).toList());
    }

    private static String nearest(String list, String name, String pattern) {
        int at = list.indexOf(name);
        Matcher code = Pattern.compile(pattern).matcher(list.substring(0, Math.max(0, at)));
        String last = "";
        while (code.find()) {
            last = code.group(1);
        }
        return last;
    }

    private void pour(String code, String spindle) throws Exception {
        tablets.get(0).send(poured(code, spindle));
    }

    private Sent poured(String code, String spindle) throws Exception {
        String step = find(tablets.get(0).page("/cups/" + code), "name=\"step\" value=\"(\\d+)\"");
        return new Sent(
                "/cups/" + code + "/log",
                Map.of(
                        "what", "POURED", "step", step, "when", "0", "amount", "10", "spindle", spindle, "note", "",
                        "confirmed", "on", "why", "a race"));
    }

    /** Wishes beside searches. */
    private void wishes() throws Exception {
        String day = java.time.LocalDate.now().plusDays(3).toString();
        List<Sent> all = new ArrayList<>();
        for (int t = 0; t < TABLETS; t++) {
            all.add(t % 3 == 0
                    ? new Sent("/plan/search", Map.of())
                    : t % 3 == 1
                            ? new Sent("/plan/want", Map.of("want", "HOURS", "day", day, "hours", ""))
                            : new Sent("/plan/want", Map.of("want", "SPINDLE")));
        }
        race("wishes and searches", all);
        tablets.get(0).send(new Sent("/plan/search/stop", Map.of()));
    }

    /** Settings changed from the same page by all: one is first, the others are told. */
    private void settings() throws Exception {
        String page = tablets.get(0).page("/shop");
        List<Sent> all = new ArrayList<>();
        int before = Integer.parseInt(find(page, "name=\"quietFrom\" value=\"\\d\\d:(\\d\\d)\""));
        for (int t = 0; t < TABLETS; t++) {
            all.add(new Sent(
                    "/shop",
                    Map.ofEntries(
                            Map.entry("seen", find(page, "name=\"seen\" value=\"([^\"]*)\"")),
                            Map.entry("lengthUnit", "MM"),
                            Map.entry("volumeUnit", "ML"),
                            Map.entry("temperatureUnit", "C"),
                            Map.entry("clock", "H24"),
                            Map.entry("weekStarts", "MONDAY"),
                            Map.entry("zone", "UTC"),
                            Map.entry("quietFrom", "22:%02d".formatted((before + 1 + t) % 60)),
                            Map.entry("quietUntil", "06:30"),
                            Map.entry("lossFill", "3"),
                            Map.entry("lossCup", "0.5"),
                            Map.entry("minutesPerCup", ""))));
        }
        List<Answer> told = race("settings", all);
        expect(kept(told) == 1, "settings overwrote each other");
    }

    /** A cup's own words changed from the same page by all: one is first, the others are told. */
    private void about(int i) throws Exception {
        String page = tablets.get(0).page("/cups/A-01/about");
        String seen = find(page, "name=\"seen\" value=\"([^\"]*)\"");
        String base = find(page, "name=\"base\"[^>]* value=\"(\\d+)\"");
        List<Sent> all = new ArrayList<>();
        for (int t = 0; t < TABLETS; t++) {
            all.add(new Sent(
                    "/cups/A-01/about",
                    Map.of(
                            "seenOf", "about", "seen", seen, "name", "About " + run + i + t, "madeFor", "", "due", "",
                            "base", base, "last", base, "paint", "#123456", "glitter", "#654321")));
        }
        expect(kept(race("about", all)) == 1, "what is said of a cup was overwritten");
    }

    /** Large pictures from all tablets, while a page is looked at: nobody waits for them. */
    private void pictures(int i) throws Exception {
        java.awt.image.BufferedImage image =
                new java.awt.image.BufferedImage(i % 2 == 0 ? 16_000 : 8000, i % 2 == 0 ? 3990 : 6000,
                        java.awt.image.BufferedImage.TYPE_BYTE_GRAY);
        java.io.ByteArrayOutputStream jpeg = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(image, "jpeg", jpeg);
        uploads("pictures", "/cups/A-01/photos", "large.jpg", jpeg.toByteArray(), Map.of("kind", "STEP", "words", ""));
    }

    /** Scribbles and jagged rings from all tablets: told that they are too much, or taken; and the bench goes on. */
    private void drawings(int i) throws Exception {
        java.util.Random random = new java.util.Random(i);
        StringBuilder path = new StringBuilder();
        int points = i % 2 == 0 ? 2000 : 60_000;
        for (int n = 0; n < points; n++) {
            double angle = 2 * Math.PI * n / points;
            double out = 40 + 3 * random.nextDouble();
            path.append(n == 0 ? 'M' : 'L')
                    .append(i % 2 == 0 ? 100 * random.nextDouble() : 50 + out * Math.cos(angle))
                    .append(' ')
                    .append(i % 2 == 0 ? 100 * random.nextDouble() : 50 + out * Math.sin(angle));
        }
        String svg = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'><path d='" + path + "Z'/></svg>";
        uploads("drawings", "/designs/1/art", "scribble.svg", svg.getBytes(StandardCharsets.UTF_8), Map.of());
    }

    private void uploads(String name, String path, String file, byte[] bytes, Map<String, String> more)
            throws Exception {
        races.merge(name, 1, Integer::sum);
        List<Future<Answer>> running = new ArrayList<>();
        for (Tablet tablet : tablets) {
            running.add(hands.submit(() -> tablet.upload(path, file, bytes, more)));
        }
        long begun = System.nanoTime();
        tablets.get(0).page("/");
        slowest = Math.max(slowest, (System.nanoTime() - begun) / 1e9);
        for (Future<Answer> one : running) {
            Answer answer = one.get();
            answers.merge(answer.status(), 1, Integer::sum);
            expect(answer.status() < 500, name + ": " + answer.status());
        }
    }

    /** How long the bench took at the most while pictures and drawings came in, s. */
    private double slowest;

    /** The room typed by all at once. */
    private void readings(int i) throws Exception {
        race("room", same("/room", Map.of("temperature", "" + (18 + i % 5), "humidity", "50", "place", "")));
    }

    private List<Sent> same(String path, Map<String, String> fields) {
        return new ArrayList<>(Collections.nCopies(TABLETS, new Sent(path, fields)));
    }

    private List<Answer> race(String name, List<Sent> all) throws Exception {
        races.merge(name, 1, Integer::sum);
        CountDownLatch go = new CountDownLatch(1);
        List<Future<Answer>> running = new ArrayList<>();
        for (int t = 0; t < TABLETS; t++) {
            Tablet tablet = tablets.get(t);
            Sent sent = all.get(t);
            running.add(hands.submit(() -> {
                go.await();
                return tablet.send(sent);
            }));
        }
        go.countDown();
        List<Answer> told = new ArrayList<>();
        for (Future<Answer> one : running) {
            Answer answer = one.get();
            told.add(answer);
            answers.merge(answer.status(), 1, Integer::sum);
            if (answer.status() >= 500) {
                defects.add(name + ": " + answer.status());
            }
        }
        return told;
    }

    private static long kept(List<Answer> told) {
        return told.stream().filter(answer -> answer.status() == 302).count();
    }

    private void expect(boolean fact, String otherwise) {
        if (!fact) {
            defects.add(otherwise);
        }
    }

    private static String find(String page, String pattern) {
        Matcher found = Pattern.compile(pattern, Pattern.DOTALL).matcher(page);
        return found.find() ? found.group(1) : "";
    }
}

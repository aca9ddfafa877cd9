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
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Malformed requests over every form and operation: what is answered in the 500s is a defect, whoever asks. */
public class SoakRequests {

    private static final Pattern FORM = Pattern.compile("<form[^>]*>.*?</form>", Pattern.DOTALL);
    private static final Pattern LINK = Pattern.compile("(?:href|hx-get)=\"(/[^\"#]*)\"");
    private static final Pattern NAME = Pattern.compile("<(?:input|select|textarea|button)[^>]* name=\"([^\"]*)\"");
    private static final Pattern OPERATION = Pattern.compile("\"(/api/[^\"]*)\":\\{\"(get|post)\"");
    private static final int MOST_PAGES = 150;
    private static final String[] BAD = {
        "", " ", "-1", "0", "NaN", "1e308", "99999999999999999999", "9".repeat(401), "1,234", "½½", "1/0", "\u0000",
        "\u202e\u0007", "<script>", "'; --", "2147483648", "-2147483649", "0026-03-02", "-999999999-01-01T00:00",
        "+12000-01-01T00:00", "2026-02-30", "25:99", "null", "true", "x".repeat(5000), "%00", "../../etc", "🦊"
    };
    private static final String[] BODIES = {
        "", "[]", "{}", "null", "3", "\"x\"", "{", "[[[", "{\"ratio\":\"\"}", "{\"totalMl\":1e39,\"ratio\":\"1:1\"}",
        "{\"totalMl\":" + "9".repeat(401) + "}", "{\"readings\":3,\"outline\":{},\"coats\":\"\",\"shares\":[null]}",
        "{\"text\":\"\",\"kind\":7}", "{\"from\":\"-999999999-01-01T00:00:00Z\",\"until\":true}"
    };
    private static final String[] TYPES = {
        "application/json", "text/plain", "*/*", "application/*", "multipart/form-data", "nonsense",
        "application/x-www-form-urlencoded", "multipart/form-data; boundary=x"
    };

    private final HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private final Random random = new Random(1);
    private final String address;
    private final Map<Integer, Integer> answers = new TreeMap<>();
    private final Set<String> defects = new LinkedHashSet<>();
    /** As the forms carry it. */
    private String csrf = "";

    private SoakRequests(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        SoakRequests soak = new SoakRequests(arguments[1]);
        soak.run(Integer.parseInt(arguments[0]));
        soak.defects.stream().limit(40).forEach(System.out::println);
        int failed = soak.answers.entrySet().stream()
                .filter(answer -> answer.getKey() >= 500)
                .mapToInt(Map.Entry::getValue)
                .sum();
        int all = soak.answers.values().stream().mapToInt(Integer::intValue).sum();
        System.out.printf("%d × 5xx in %d malformed requests: %s%n", failed, all, soak.answers);
        System.exit(failed == 0 ? 0 : 1);
    }

    private void run(int requests) throws Exception {
        Map<String, List<String>> forms = forms();
        List<String> paths = new ArrayList<>(forms.keySet());
        List<String> operations = new ArrayList<>();
        Matcher found = OPERATION.matcher(send(request("/v3/api-docs").GET()).body());
        while (found.find()) {
            operations.add(found.group(1).replaceAll("\\{[^}]*}", "Z-99"));
        }
        System.out.printf("%d forms, %d operations%n", paths.size(), operations.size());
        for (int i = 0; i < requests; i++) {
            if (i % 3 == 0) {
                String path = pick(operations);
                String type = pick(List.of(TYPES));
                String body = pick(List.of(BODIES));
                count(path + " as " + type + ": " + body, request(path)
                        .header("Content-Type", type)
                        .method(random.nextInt(12) == 0 ? "PUT" : "POST", BodyPublishers.ofString(body)));
            } else {
                form(pick(paths), forms);
            }
        }
    }

    private void form(String path, Map<String, List<String>> forms) throws Exception {
        StringBuilder body = new StringBuilder("_csrf=" + URLEncoder.encode(csrf, StandardCharsets.UTF_8));
        for (String field : forms.get(path)) {
            if (!field.equals("_csrf") && random.nextInt(8) > 0) {
                String value = field.equals("token") && random.nextBoolean()
                        ? "x".repeat(37)
                        : random.nextInt(3) == 0 ? "1" : pick(List.of(BAD));
                body.append('&').append(field).append('=').append(URLEncoder.encode(value, StandardCharsets.UTF_8));
            }
        }
        String type = random.nextInt(15) == 0 ? pick(List.of(TYPES)) : "application/x-www-form-urlencoded";
        count(path + " as " + type + ": " + body, request(path)
                .header("Content-Type", type)
                .POST(BodyPublishers.ofString(body.toString())));
    }

    /** Every form's address and its fields, found by following links. */
    private Map<String, List<String>> forms() throws Exception {
        Map<String, List<String>> forms = new LinkedHashMap<>();
        Set<String> seen = new LinkedHashSet<>(List.of("/"));
        Deque<String> ahead = new ArrayDeque<>(seen);
        while (!ahead.isEmpty() && seen.size() < MOST_PAGES) {
            String page = ahead.poll();
            String body = send(request(page).GET()).body();
            Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]*)\"").matcher(body);
            csrf = token.find() ? token.group(1) : csrf;
            Matcher form = FORM.matcher(body);
            while (form.find()) {
                Matcher action = Pattern.compile("action=\"([^\"#?]*)").matcher(form.group());
                String to = action.find() ? action.group(1) : page;
                if (!form.group().contains("method=\"post\"") || to.contains("restore")) {
                    continue;
                }
                Matcher name = NAME.matcher(form.group());
                List<String> fields = forms.computeIfAbsent(to, fresh -> new ArrayList<>());
                while (name.find()) {
                    if (!fields.contains(name.group(1))) {
                        fields.add(name.group(1));
                    }
                }
            }
            Matcher link = LINK.matcher(body);
            while (link.find()) {
                String to = link.group(1).replace("&amp;", "&");
                if (!to.matches(".*\\.(css|js|png|svg|woff2|ics|webmanifest)$") && seen.add(to)) {
                    ahead.add(to);
                }
            }
        }
        return forms;
    }

    private void count(String what, HttpRequest.Builder request) throws Exception {
        int status = send(request).statusCode();
        answers.merge(status, 1, Integer::sum);
        if (status >= 500) {
            defects.add(status + " " + (what.length() > 300 ? what.substring(0, 300) + "…" : what));
        }
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path.replace(" ", "%20")))
                .timeout(Duration.ofSeconds(120));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return client.send(request.build(), BodyHandlers.ofString());
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}

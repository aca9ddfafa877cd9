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
    private static final int MOST_PAGES = 400;
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

    private static final String PASSWORD = "tram seed comet lantern";
    /** A well-formed one of these would end what the others are to be tried with. */
    private static final Pattern LEFT_OUT =
            Pattern.compile("restore|^/sign-|^/(people|me)/.*(remove|role|sign-out|password)");

    /** Somebody at a browser: signed in by a role, or nobody. */
    private static final class Seat {
        private final String who;
        private final HttpClient client =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        /** As the forms carry it. */
        private String csrf = "";
        private final Map<Integer, Integer> answers = new TreeMap<>();

        Seat(String who) {
            this.who = who;
        }
    }

    private final List<Seat> seats = new ArrayList<>();
    private Seat seat = new Seat("nobody");
    private final Random random = new Random(1);
    private final String address;
    private final Map<Integer, Integer> answers = new TreeMap<>();
    private final Set<String> defects = new LinkedHashSet<>();
    private SoakRequests(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        SoakRequests soak = new SoakRequests(arguments[1]);
        soak.seats.add(soak.seat);
        if (arguments[2].equals("roles")) {
            soak.takeOn();
        }
        soak.run(Integer.parseInt(arguments[0]));
        soak.defects.stream().limit(40).forEach(System.out::println);
        int failed = soak.answers.entrySet().stream()
                .filter(answer -> answer.getKey() >= 500)
                .mapToInt(Map.Entry::getValue)
                .sum();
        int all = soak.answers.values().stream().mapToInt(Integer::intValue).sum();
        System.out.printf("%d × 5xx in %d malformed requests by %s: %s%n",
                failed,
                all,
                soak.seats.stream().map(sits -> sits.who + " " + sits.answers).toList(),
                soak.answers);
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
            if (i % 200 == 0) {
                seat = seats.get(i / 200 % seats.size());
                signIn();
            }
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
        StringBuilder body = new StringBuilder("_csrf=" + URLEncoder.encode(seat.csrf, StandardCharsets.UTF_8));
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

    /** An owner, a maker and a helper, and somebody who is none of them. */
    private void takeOn() throws Exception {
        for (String role : List.of("OWNER", "MAKER", "HELPER")) {
            seat = seats.size() == 1 ? new Seat("the first") : seats.get(1);
            String name = "Soak " + role.toLowerCase(java.util.Locale.ROOT);
            note(send(request("/people").GET()).body());
            int status = post(
                    "/people",
                    Map.of("name", name, "role", role, "password", PASSWORD, "again", PASSWORD, "pin", "4821"));
            Seat fresh = new Seat(name);
            seats.add(fresh);
            seat = fresh;
            if (!signIn()) {
                throw new IllegalStateException(name + " could not be taken on: " + status);
            }
        }
        // The owner sees every form: they are found from there.
        seat = seats.get(1);
    }

    /** Signs in again who was signed out on the way; says whether it is so now. */
    private boolean signIn() throws Exception {
        note(send(request(seat.who.equals("nobody") && seats.size() > 1 ? "/sign-in" : "/me").GET()).body());
        if (seat.who.equals("nobody") || send(request("/me").GET()).statusCode() == 200) {
            return true;
        }
        note(send(request("/sign-in").GET()).body());
        for (int tried = 0; tried < 10; tried++) {
            if (post("/sign-in", Map.of("who", seat.who, "secret", PASSWORD, "way", "password")) != 429) {
                break;
            }
            Thread.sleep(10_000);
        }
        note(send(request("/me").GET()).body());
        return send(request("/me").GET()).statusCode() == 200;
    }

    private int post(String path, Map<String, String> fields) throws Exception {
        StringBuilder body = new StringBuilder("token=" + java.util.UUID.randomUUID() + "&_csrf="
                + URLEncoder.encode(seat.csrf, StandardCharsets.UTF_8));
        fields.forEach((name, value) ->
                body.append('&').append(name).append('=').append(URLEncoder.encode(value, StandardCharsets.UTF_8)));
        return send(request(path)
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(BodyPublishers.ofString(body.toString())))
                .statusCode();
    }

    private void note(String body) {
        Matcher token = Pattern.compile("name=\"_csrf\"[^>]* value=\"([^\"]*)\"").matcher(body);
        seat.csrf = token.find() ? token.group(1) : seat.csrf;
    }

    /** Every form's address and its fields, found by following links. */
    private Map<String, List<String>> forms() throws Exception {
        Map<String, List<String>> forms = new LinkedHashMap<>();
        Set<String> seen = new LinkedHashSet<>(List.of("/"));
        Deque<String> ahead = new ArrayDeque<>(seen);
        Map<String, Integer> likes = new TreeMap<>();
        for (int pages = 0; !ahead.isEmpty() && pages < MOST_PAGES; pages++) {
            String page = ahead.poll();
            String body = send(request(page).GET()).body();
            note(body);
            Matcher form = FORM.matcher(body);
            while (form.find()) {
                Matcher action = Pattern.compile("action=\"([^\"#?]*)").matcher(form.group());
                String to = action.find() ? action.group(1) : page;
                if (!form.group().contains("method=\"post\"") || LEFT_OUT.matcher(to).find()) {
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
                // Of pages that differ in a number or a word only, two are enough.
                String like = to.replaceAll("[A-Z]-\\d+|\\d+|=[^&]*|(?<=techniques/)[a-z0-9-]+", "#");
                if (!to.matches(".*(\\.(css|js|png|jpg|svg|woff2|ics|pdf|zip|webmanifest)$|/stream|/restore).*")
                        && likes.merge(like, 1, Integer::sum) <= 2
                        && seen.add(to)) {
                    ahead.add(to);
                }
            }
        }
        return forms;
    }

    private void count(String what, HttpRequest.Builder request) throws Exception {
        int status = send(request).statusCode();
        answers.merge(status, 1, Integer::sum);
        seat.answers.merge(status, 1, Integer::sum);
        if (status >= 500) {
            defects.add(status + " " + (what.length() > 300 ? what.substring(0, 300) + "…" : what));
        }
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path.replace(" ", "%20")))
                .timeout(Duration.ofSeconds(120));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return seat.client.send(request.build(), BodyHandlers.ofString());
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}

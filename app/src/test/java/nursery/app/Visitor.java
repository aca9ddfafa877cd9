package nursery.app;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import nursery.app.ShopUnderTest.Running;

/** Somebody with a browser's cookies and no browser: real requests, real sessions. */
final class Visitor {

    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");
    private static final Pattern META = Pattern.compile("name=\"csrf\" content=\"([^\"]+)\"");

    private final CookieManager cookies;
    private final HttpClient http;
    private final String address;

    Visitor(Running shop) {
        this(shop.address());
    }

    Visitor(String address) {
        this(address, new CookieManager());
    }

    private Visitor(String address, CookieManager cookies) {
        this.address = address;
        this.cookies = cookies;
        this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
    }

    /** The same browser at another address. */
    Visitor at(String other) {
        return new Visitor(other, cookies);
    }

    HttpResponse<String> get(String path, String... headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return sent(request.build());
    }

    /** A form as a browser sends it from a page that it has open. */
    HttpResponse<String> post(String page, String path, Map<String, String> typed, String... headers) {
        Map<String, String> fields = new LinkedHashMap<>(typed);
        fields.put("_csrf", token(page));
        return postPlain(path, fields, headers);
    }

    HttpResponse<String> postPlain(String path, Map<String, String> fields, String... headers) {
        String body = fields.entrySet().stream()
                .map(field -> field.getKey() + "=" + URLEncoder.encode(field.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return sent(request.build());
    }

    /** A form with a file. */
    HttpResponse<String> upload(String page, String path, String field, String name, String text) {
        return upload(page, path, field, name, text.getBytes(StandardCharsets.UTF_8));
    }

    HttpResponse<String> upload(String page, String path, String field, String name, byte[] file) {
        String cut = "cut" + UUID.randomUUID();
        String part = "--" + cut + "\r\nContent-Disposition: form-data; name=";
        String head = part + "\"_csrf\"\r\n\r\n" + token(page) + "\r\n" + part + "\"token\"\r\n\r\n" + UUID.randomUUID()
                + "\r\n" + part + "\"" + field + "\"; filename=\"" + name
                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n";
        byte[] tail = ("\r\n--" + cut + "--\r\n").getBytes(StandardCharsets.UTF_8);
        return sent(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "multipart/form-data; boundary=" + cut)
                .POST(HttpRequest.BodyPublishers.ofByteArrays(
                        java.util.List.of(head.getBytes(StandardCharsets.UTF_8), file, tail)))
                .build());
    }

    String token(String page) {
        String body = get(page).body();
        Matcher found = TOKEN.matcher(body);
        Matcher meta = META.matcher(body);
        return found.find() ? found.group(1) : meta.find() ? meta.group(1) : "";
    }

    HttpResponse<String> signIn(String who, String secret, boolean pin) {
        return post("/sign-in", "/sign-in", Map.of("who", who, "secret", secret, "way", pin ? "pin" : "password"));
    }

    static Map<String, String> typed(String... pairs) {
        Map<String, String> typed =
                new LinkedHashMap<>(Map.of("token", UUID.randomUUID().toString()));
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return typed;
    }

    static String leadsTo(HttpResponse<String> answer) {
        return answer.headers()
                .firstValue("Location")
                .map(at -> at.replaceFirst("^https?://[^/]+", ""))
                .orElse("");
    }

    private HttpResponse<String> sent(HttpRequest request) {
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}

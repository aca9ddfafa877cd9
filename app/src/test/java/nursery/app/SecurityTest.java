package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(ShopUnderTest.class)
class SecurityTest {

    private static Running shop;

    @BeforeAll
    static void open(Running running) {
        shop = running;
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return HttpClient.newHttpClient().send(request.build(), BodyHandlers.ofString());
    }

    @Test
    void pagesRunNoScriptButOurs() throws Exception {
        HttpResponse<String> page = send(HttpRequest.newBuilder(URI.create(shop.address() + "/")));
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("default-src 'none'")
                .contains("script-src 'self'")
                .contains("frame-ancestors 'none'")
                .doesNotContain("unsafe");
        assertThat(page.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
        assertThat(page.body())
                .doesNotContainPattern("<script(?![^>]* src=)")
                .doesNotContainPattern(" on[a-z]+=\"")
                .doesNotContain(" style=");
        assertThat(page.body()).doesNotContainPattern("(src|href)=\"(https?:)?//");
    }

    @Test
    void aFormWithoutItsTokenIsRefusedInWords() throws Exception {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(shop.address() + "/room"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("temperature=20")));
        assertThat(answer.statusCode()).isEqualTo(403);
        assertThat(answer.body()).contains("nothing was");
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM room_reading", Integer.class))
                .isZero();
    }

    @Test
    void aForeignHostNameIsRefused() throws Exception {
        try (Socket socket = new Socket("127.0.0.1", shop.port())) {
            socket.getOutputStream()
                    .write("GET / HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            assertThat(new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))
                            .readLine())
                    .contains(" 400");
        }
    }

    @Test
    void onlyThisMachineIsAnswered() throws Exception {
        List<InetAddress> outside = NetworkInterface.networkInterfaces()
                .flatMap(NetworkInterface::inetAddresses)
                .filter(address -> !address.isLoopbackAddress())
                .toList();
        for (InetAddress address : outside) {
            assertThat(canConnect(address, shop.port())).as(address.toString()).isFalse();
        }
        assertThat(canConnect(InetAddress.getByName("127.0.0.1"), shop.port())).isTrue();
    }

    private static boolean canConnect(InetAddress address, int port) {
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(address, port), 500);
            return true;
        } catch (java.io.IOException e) {
            return false;
        }
    }

    @Test
    void aPageThatIsNotThereSaysSo() throws Exception {
        HttpResponse<String> page = send(HttpRequest.newBuilder(URI.create(shop.address() + "/cups/Z-99"))
                .header("Accept", "text/html"));
        assertThat(page.statusCode()).isEqualTo(404);
        assertThat(page.body()).contains("not in this shop").contains("To the bench");
    }

    @Test
    void whatTheApplicationShowsItShipsItself() throws Exception {
        for (String path : List.of(
                "/favicon.svg",
                "/css/nursery.css",
                "/js/nursery.js",
                "/js/theme.js",
                "/webjars/bootstrap/css/bootstrap.min.css",
                "/webjars/htmx.org/dist/htmx.min.js",
                "/fonts/atkinson-hyperlegible-next-latin-wght-normal.woff2",
                "/fonts/barlow-semi-condensed-latin-600-normal.woff2")) {
            assertThat(send(HttpRequest.newBuilder(URI.create(shop.address() + path)))
                            .statusCode())
                    .as(path)
                    .isEqualTo(200);
        }
        assertThat(send(HttpRequest.newBuilder(URI.create(shop.address() + "/css/nursery.css")))
                        .body())
                .doesNotContain("http://")
                .doesNotContain("https://");
    }
}

package nursery.app.lan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLException;
import javax.net.ssl.SSLParameters;
import javax.net.ssl.TrustManagerFactory;
import nursery.app.NurseryApplication;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The local network: who is let in how, and by which certificate. */
@ExtendWith(ShopUnderTest.class)
class LanTest {

    private static final Instant NOW = Instant.now();

    @TempDir
    private Path folder;

    private Running shop;

    @BeforeEach
    void anEmptyShop(Running running) {
        shop = running;
        shop.empty();
    }

    @AfterEach
    void nobodyIsAskedAnyMore() {
        shop.empty();
    }

    private ConfigurableApplicationContext started(int plain, int tls) {
        return new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run(
                        "--nursery.lan.on=true",
                        "--nursery.lan.folder=" + folder.resolve("tls"),
                        "--nursery.lan.port=" + tls,
                        "--server.port=" + plain,
                        "--nursery.tries-per-minute=3",
                        "--nursery.password-rounds=500");
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @Test
    void aShopWithoutALockIsNotServed() throws IOException {
        int plain = freePort();
        int tls = freePort();
        assertThatThrownBy(() -> started(plain, tls).close())
                .hasStackTraceContaining("Refused: nobody can sign in to this shop yet");
    }

    /** The device trusts the shop's authority and nothing else, as a phone does that was told to. */
    @Test
    void theNetworkIsServedOverTlsAlone() throws Exception {
        shop.bean(Makers.class).add("Mira", Role.OWNER, "tram seed comet lantern", "");
        int plain = freePort();
        int tls = freePort();
        ConfigurableApplicationContext lan = started(plain, tls);
        try {
            HttpClient device = HttpClient.newBuilder().sslContext(trusting()).build();
            HttpResponse<String> page = get(device, "https://localhost:%d/sign-in".formatted(tls));
            assertThat(page.statusCode()).isEqualTo(200);
            assertThat(page.headers().firstValue("Set-Cookie").orElse(""))
                    .contains("Secure")
                    .contains("HttpOnly")
                    .contains("SameSite=Strict");
            assertThat(get(device, "https://localhost:%d/trust".formatted(tls)).body())
                    .contains(new Certificates(folder.resolve("tls")).fingerprint());
            assertThatThrownBy(() -> get(HttpClient.newHttpClient(), "https://localhost:%d/".formatted(tls)))
                    .as("a device that was not told")
                    .isInstanceOf(SSLException.class);
            SSLParameters old = new SSLParameters();
            old.setProtocols(new String[] {"TLSv1.1"});
            assertThatThrownBy(() -> get(
                            HttpClient.newBuilder()
                                    .sslContext(trusting())
                                    .sslParameters(old)
                                    .build(),
                            "https://localhost:%d/".formatted(tls)))
                    .isInstanceOf(IOException.class);
            assertThat(get(device, "http://127.0.0.1:%d/sign-in".formatted(plain))
                            .statusCode())
                    .as("this machine itself, as ever")
                    .isEqualTo(200);
            for (String host : MachineNames.now()) {
                if (host.matches("[0-9.]+")) {
                    HttpResponse<String> sent = get(device, "http://%s:%d/cups?x=1".formatted(host, plain));
                    assertThat(sent.statusCode()).isBetween(301, 308);
                    assertThat(sent.headers().firstValue("Location"))
                            .contains("https://%s:%d/cups?x=1".formatted(host, tls));
                    HttpResponse<String> strict = get(device, "https://%s:%d/sign-in".formatted(host, tls));
                    assertThat(strict.headers().firstValue("Strict-Transport-Security"))
                            .isPresent();
                }
            }
            assertThat(post(device, tls)).isEqualTo(403);
            assertThat(List.of(post(device, tls), post(device, tls), post(device, tls)))
                    .as("one address has three tries a minute here")
                    .contains(429);
        } finally {
            lan.close();
        }
    }

    private static int post(HttpClient device, int tls) throws IOException, InterruptedException {
        return device.send(
                        HttpRequest.newBuilder(URI.create("https://localhost:%d/sign-in".formatted(tls)))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString("who=Mira&secret=guess"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .statusCode();
    }

    private static HttpResponse<String> get(HttpClient device, String at) throws IOException, InterruptedException {
        return device.send(HttpRequest.newBuilder(URI.create(at)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private SSLContext trusting() throws IOException, GeneralSecurityException {
        KeyStore told = KeyStore.getInstance("PKCS12");
        told.load(null, null);
        try (InputStream in = Files.newInputStream(folder.resolve("tls/nursery.crt"))) {
            told.setCertificateEntry(
                    "shop", CertificateFactory.getInstance("X.509").generateCertificate(in));
        }
        TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        trust.init(told);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trust.getTrustManagers(), null);
        return context;
    }

    @Test
    void aCertificateIsMadeAnewForANewNameAndInTime() throws IOException {
        Certificates certificates = new Certificates(folder.resolve("tls"));
        List<String> hosts = List.of("localhost", "bench", "192.0.2.7", "[2001:db8::7]");
        assertThat(certificates.ensure(hosts, NOW)).isTrue();
        String authority = certificates.fingerprint();
        assertThat(certificates.ensure(hosts, NOW)).isFalse();
        assertThat(certificates.ensure(List.of("localhost", "bench"), NOW)).isFalse();
        assertThat(certificates.ensure(hosts, NOW.plus(Duration.ofDays(59)))).isFalse();
        assertThat(certificates.ensure(hosts, NOW.plus(Duration.ofDays(61))))
                .as("30 days before it ends")
                .isTrue();
        assertThat(certificates.ensure(List.of("localhost", "192.0.2.8"), NOW))
                .as("the machine has another address")
                .isTrue();
        assertThat(certificates.fingerprint())
                .as("devices are not told again")
                .isEqualTo(authority)
                .matches("([0-9A-F]{2}:){31}[0-9A-F]{2}");
        assertThat(Files.getPosixFilePermissions(certificates.store())).hasSize(2);
        assertThat(Files.getPosixFilePermissions(folder.resolve("tls"))).hasSize(3);
    }
}

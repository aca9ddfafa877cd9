package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.platform.Hosts;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Signing in, joining, roles, links and tokens, over real requests with real sessions. */
@ExtendWith(ShopUnderTest.class)
class PeopleTest {

    private static final String PASSWORD = "tram seed comet lantern";

    private Running shop;

    @BeforeEach
    void anEmptyShop(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
    }

    @AfterEach
    void nobodyIsAskedAnyMore() {
        shop.empty();
    }

    private Visitor owner() {
        shop.bean(Makers.class).add("Mira", Role.OWNER, PASSWORD, "4821");
        Visitor owner = new Visitor(shop);
        assertThat(leadsTo(owner.signIn("Mira", PASSWORD, false))).startsWith("/");
        return owner;
    }

    @Test
    void nobodySignsInUntilAnOwnerHasAPassword() {
        Visitor bench = new Visitor(shop);
        assertThat(bench.get("/").statusCode()).isEqualTo(200);
        assertThat(leadsTo(bench.get("/sign-in"))).isEqualTo("/");
        assertThat(leadsTo(bench.post(
                        "/people",
                        "/people",
                        typed("name", "Mira", "role", "OWNER", "password", PASSWORD, "again", PASSWORD))))
                .isEqualTo("/sign-in");
        assertThat(leadsTo(bench.get("/"))).isEqualTo("/sign-in");
        assertThat(new Visitor(shop).get("/api/cups").statusCode()).isEqualTo(401);
        assertThat(leadsTo(bench.signIn("Mira", PASSWORD, false))).startsWith("/");
        assertThat(bench.get("/").statusCode()).isEqualTo(200);
        assertThat(bench.get("/audit").body()).contains("signed in").contains("Mira added as owner");
    }

    /** OWASP ASVS 4.0.3, 2.1: 12 characters, no rules of composition, common ones refused, long ones taken. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "short one | has 12 to 200 characters",
                "password1234 | tried first",
                "123456789012 | tried first",
                "qwertyuiop[] | tried first",
                "miramiramira | tried first"
            })
    void weakPasswordsAreRefused(String password, String said) {
        HttpResponse<String> answer = new Visitor(shop)
                .post(
                        "/people",
                        "/people",
                        typed("name", "Mira", "role", "OWNER", "password", password, "again", password));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(said).contains("value=\"Mira\"").doesNotContain(password);
    }

    @Test
    void theFirstIsAnOwnerAndTheLastStays() {
        Visitor bench = new Visitor(shop);
        assertThat(bench.post("/people", "/people", typed("name", "Jo", "role", "HELPER", "pin", "4821"))
                        .body())
                .contains("The first one to sign in is an owner");
        Visitor owner = owner();
        Makers makers = shop.bean(Makers.class);
        makers.add("Jo", Role.HELPER, "", "7093");
        long id = id("Mira");
        assertThat(owner.post("/people", "/people/%d/role".formatted(id), typed("role", "HELPER"))
                        .body())
                .contains("is the only owner with a password");
        assertThat(owner.post("/people", "/people/%d/remove".formatted(id), typed())
                        .body())
                .contains("is the only owner with a password");
        assertThat(owner.post("/people", "/people/%d/role".formatted(id("Jo")), typed("role", "OWNER"))
                        .body())
                .contains("An owner needs a password");
        for (String pin : List.of("12", "1111", "1234", "9876", "abcd", "123456789")) {
            assertThat(owner.post("/people", "/people/%d/pin".formatted(id("Jo")), typed("pin", pin))
                            .statusCode())
                    .as(pin)
                    .isEqualTo(422);
        }
    }

    private long id(String name) {
        return shop.sql().queryForObject("SELECT id FROM maker WHERE name = ?", Long.class, name);
    }

    @Test
    void fiveWrongPasswordsMakeOneWait() {
        owner();
        Visitor stranger = new Visitor(shop);
        for (int i = 0; i < 5; i++) {
            assertThat(leadsTo(stranger.signIn("Mira", "not the password " + i, false)))
                    .isEqualTo("/sign-in?wrong");
        }
        assertThat(leadsTo(stranger.signIn("Mira", PASSWORD, false))).isEqualTo("/sign-in?wait");
        assertThat(leadsTo(stranger.signIn("Nobody", PASSWORD, false)))
                .as("who is not there is told the same as who is")
                .isEqualTo("/sign-in?wrong");
        shop.clock().forward(Duration.ofMinutes(6));
        assertThat(leadsTo(stranger.signIn("Mira", PASSWORD, false)))
                .startsWith("/")
                .doesNotContain("sign-in");
    }

    /** Counted before it is compared: of twelve at once no more than five are compared, whatever comes after. */
    @Test
    void wrongSecretsAtOnceAreNoMoreThanFiveTries() throws Exception {
        owner();
        var tablets = java.util.concurrent.Executors.newFixedThreadPool(12);
        List<java.util.concurrent.Callable<String>> tries = java.util.stream.IntStream.range(0, 12)
                .mapToObj(i -> (java.util.concurrent.Callable<String>)
                        () -> leadsTo(new Visitor(shop).signIn("Mira", "not the password " + i, false)))
                .toList();
        List<String> told = new java.util.ArrayList<>();
        for (var tried : tablets.invokeAll(tries)) {
            told.add(tried.get());
        }
        tablets.shutdown();
        assertThat(told).filteredOn("/sign-in?wrong"::equals).hasSize(5);
        assertThat(told).filteredOn("/sign-in?wait"::equals).hasSize(7);
        assertThat(leadsTo(new Visitor(shop).signIn("Mira", PASSWORD, false))).isEqualTo("/sign-in?wait");
    }

    @Test
    void aLockedScreenTakesNoSixthPin() {
        Visitor owner = owner();
        String token = owner.token("/people");
        shop.clock().forward(Duration.ofMinutes(21));
        for (int i = 0; i < 23; i++) {
            Map<String, String> wrong = Map.of("_csrf", token, "to", "/", "unlock-secret", "%04d".formatted(5000 + i));
            assertThat(owner.postPlain("/unlock", wrong).statusCode()).isEqualTo(423);
        }
        assertThat(owner.postPlain("/unlock", Map.of("_csrf", token, "to", "/", "unlock-secret", "4821"))
                        .statusCode())
                .as("the right one after five wrong ones")
                .isEqualTo(423);
        assertThat(leadsTo(owner.postPlain("/unlock", Map.of("_csrf", token, "to", "/", "unlock-secret", PASSWORD))))
                .as("the password opens it, and the PIN works again")
                .isEqualTo("/");
    }

    @Test
    void whoTriesFromElsewhereLocksNobodyOutOfATabletThatJoined() {
        Visitor owner = owner();
        String page = owner.post("/devices", "/devices/code", typed()).body();
        String join = joinAt(page);
        Visitor tablet = new Visitor(shop);
        tablet.post(join, "/join", typed("code", join.substring(join.indexOf('=') + 1), "device", "Bench"));
        Visitor stranger = new Visitor(shop);
        for (int i = 0; i < 7; i++) {
            stranger.signIn("Mira", "not the password " + i, false);
        }
        assertThat(leadsTo(stranger.signIn("Mira", PASSWORD, false))).isEqualTo("/sign-in?wait");
        assertThat(leadsTo(tablet.signIn("Mira", PASSWORD, false))).doesNotContain("sign-in");
    }

    /** The code on the screen, read by the library's own reader, which knows nothing of how it was drawn. */
    @Test
    void aPhoneJoinsByTheCodeAndThenAPinIsEnough() throws Exception {
        Visitor owner = owner();
        shop.bean(Makers.class).add("Jo", Role.HELPER, "", "7093");
        shop.bean(Hosts.class).serve(Set.of("192.168.7.9"));
        String page = owner.post("/devices", "/devices/code", typed()).body();
        shop.bean(Hosts.class).serve(Set.of());
        String join = shown(page, "/join?code=");
        assertThat(readCode(page)).startsWith("https://192.168.7.9:").endsWith(join);
        Visitor phone = new Visitor(shop);
        assertThat(phone.get("/sign-in").body())
                .contains("This device has not joined")
                .doesNotContain(">Jo<", "\"Jo\"");
        String code = join.substring(join.indexOf('=') + 1);
        assertThat(leadsTo(phone.post(join, "/join", typed("code", code, "device", "Phone at the turner"))))
                .isEqualTo("/sign-in");
        assertThat(phone.get("/sign-in").body()).contains("Phone at the turner").contains("value=\"Jo\"");
        assertThat(leadsTo(phone.signIn("Jo", "7094", true))).isEqualTo("/sign-in?wrong-pin");
        assertThat(leadsTo(phone.signIn("Jo", "7093", true))).doesNotContain("sign-in");
        assertThat(phone.get("/").statusCode()).isEqualTo(200);
        assertThat(phone.get("/people").statusCode()).isEqualTo(403);
        assertThat(phone.get("/people").body()).contains("Not yours to do here");

        Visitor thief = new Visitor(shop);
        assertThat(thief.post(join, "/join", typed("code", code, "device", "Another"))
                        .body())
                .contains("This code was used already");
        assertThat(leadsTo(thief.signIn("Jo", "7093", true)))
                .as("a PIN on a device that has not joined")
                .isEqualTo("/sign-in?wrong");
        assertThat(owner.get("/audit").body()).contains("a code that was used already");

        long device = shop.sql().queryForObject("SELECT MAX(id) FROM device", Long.class);
        assertThat(owner.get("/devices").body()).contains("Phone at the turner");
        assertThat(owner.post("/devices", "/devices/%d/remove".formatted(device), typed())
                        .statusCode())
                .isEqualTo(302);
        assertThat(leadsTo(phone.get("/"))).as("at once").isEqualTo("/sign-in");
        assertThat(phone.get("/sign-in").body()).contains("This device was removed from the shop");
        assertThat(leadsTo(phone.signIn("Jo", "7093", true))).isEqualTo("/sign-in?wrong");
    }

    /** Without a network there is no address to point a camera at; a code is typed. */
    @Test
    void aCodeIsTypedWhereNoOtherDeviceReachesTheShop() {
        Visitor owner = owner();
        String page = owner.post("/devices", "/devices/code", typed()).body();
        assertThat(page).doesNotContain("qr-ink").doesNotContain("127.0.0.1/join");
        Visitor other = new Visitor(shop);
        assertThat(other.get("/join").body()).contains("The code").contains("name=\"code\"");
        String code = joinAt(page).substring("/join?code=".length());
        assertThat(leadsTo(other.post("/join", "/join", typed("code", code, "device", "Second screen"))))
                .isEqualTo("/sign-in");
    }

    @Test
    void aCodeIsGoodForFiveMinutes() {
        Visitor owner = owner();
        String join = joinAt(owner.post("/devices", "/devices/code", typed()).body());
        shop.clock().forward(Duration.ofMinutes(6));
        Visitor phone = new Visitor(shop);
        assertThat(phone.get(join).body()).contains("not good any more");
        String code = join.substring(join.indexOf('=') + 1);
        assertThat(phone.post("/sign-in", "/join", typed("code", code, "device", "Late"))
                        .body())
                .contains("This code is not good any more");
        assertThat(phone.post("/sign-in", "/join", typed("code", "'; --", "device", "Odd"))
                        .statusCode())
                .isEqualTo(422);
        shop.clock().forward(Duration.ofMinutes(-60));
        assertThat(phone.post("/sign-in", "/join", typed("code", code, "device", "Clock"))
                        .statusCode())
                .as("not before it was made, either")
                .isEqualTo(422);
    }

    @Test
    void fiveWrongPinsNeedThePassword() {
        Visitor owner = owner();
        String join = joinAt(owner.post("/devices", "/devices/code", typed()).body());
        Visitor phone = new Visitor(shop);
        phone.post(join, "/join", typed("code", join.substring(join.indexOf('=') + 1), "device", "Phone"));
        for (int i = 0; i < 5; i++) {
            phone.signIn("Mira", "000" + i, true);
        }
        assertThat(leadsTo(phone.signIn("Mira", "4821", true))).isEqualTo("/sign-in?pin-locked");
        assertThat(leadsTo(phone.signIn("Mira", PASSWORD, false))).doesNotContain("sign-in");
        assertThat(leadsTo(new Visitor(shop).get("/"))).isEqualTo("/sign-in");
        assertThat(leadsTo(phone.signIn("Mira", "4821", true))).doesNotContain("sign-in");
    }

    /** What was typed on a screen that locked meanwhile is carried through the question and taken. */
    @Test
    void aLockedScreenAsksAndLosesNothing() {
        Visitor owner = owner();
        String token = owner.token("/people");
        assertThat(owner.get("/").statusCode()).isEqualTo(200);
        shop.clock().forward(Duration.ofMinutes(21));
        Map<String, String> form = typed("name", "Jo", "role", "HELPER", "pin", "7093", "_csrf", token);
        HttpResponse<String> asked = owner.postPlain("/people", form);
        assertThat(asked.statusCode()).isEqualTo(423);
        assertThat(asked.body())
                .contains("Still Mira?")
                .contains("name=\"name\" value=\"Jo\"")
                .contains("action=\"/people\"");
        assertThat(owner.get("/alarms/due", "HX-Request", "true").statusCode()).isEqualTo(423);
        assertThat(owner.get("/api/cups").statusCode()).as("nor by the API").isEqualTo(423);
        form.put("unlock-secret", "0000");
        assertThat(owner.postPlain("/people", form).body()).contains("neither your PIN nor your password");
        form.put("unlock-secret", "4821");
        assertThat(leadsTo(owner.postPlain("/people", form))).isEqualTo("/people");
        assertThat(owner.get("/people").body()).contains("Change Jo");
        shop.clock().forward(Duration.ofMinutes(21));
        assertThat(owner.get("/cups?find=x").body()).contains("name=\"to\" value=\"/cups?find=x\"");
        assertThat(leadsTo(owner.postPlain(
                        "/unlock", Map.of("_csrf", token, "to", "/cups?find=x", "unlock-secret", PASSWORD))))
                .isEqualTo("/cups?find=x");
        shop.clock().forward(Duration.ofMinutes(21));
        assertThat(owner.postPlain(
                                "/unlock",
                                Map.of("_csrf", token, "to", "//elsewhere.example", "unlock-secret", PASSWORD))
                        .statusCode())
                .isEqualTo(204);
    }

    /** Knocking leaves nothing behind that stays; who came in stays signed in for weeks. */
    @Test
    void aVisitorIsForgottenWithinTheHour() {
        Visitor here = owner();
        assertThat(here.get("/me").statusCode()).isEqualTo(200);
        String longest = "SELECT MAX(MAX_INACTIVE_INTERVAL) FROM SPRING_SESSION";
        assertThat(shop.sql().queryForObject(longest, Integer.class)).isEqualTo(30 * 24 * 3600);
        shop.sql().update("DELETE FROM SPRING_SESSION");
        new Visitor(shop).get("/cups");
        new Visitor(shop).get("/sign-in");
        assertThat(shop.sql().queryForObject(longest, Integer.class)).isEqualTo(3600);
        here.signIn("Mira", PASSWORD, false);
        assertThat(shop.sql().queryForObject(longest, Integer.class)).isEqualTo(30 * 24 * 3600);
    }

    @Test
    void signedOutEverywhereIsEverywhere() {
        Visitor here = owner();
        Visitor there = new Visitor(shop);
        there.signIn("Mira", PASSWORD, false);
        assertThat(there.get("/").statusCode()).isEqualTo(200);
        assertThat(leadsTo(here.post("/me", "/me/sign-out", typed()))).isEqualTo("/sign-in");
        assertThat(leadsTo(there.get("/"))).isEqualTo("/sign-in");
        assertThat(leadsTo(here.get("/"))).isEqualTo("/sign-in");
    }

    @Test
    void onesOwnPasswordIsChangedWithTheOldOne() {
        Visitor owner = owner();
        String fresh = "lantern comet under the tram";
        Map<String, String> typed = typed("old", "wrong one", "password", fresh, "again", fresh);
        assertThat(owner.post("/me", "/me/password", typed).body()).contains("not your password or PIN");
        typed.put("old", "4821");
        assertThat(owner.post("/me", "/me/password", typed).body())
                .as("a PIN is not enough for a new password")
                .contains("not your password or PIN");
        typed.put("old", PASSWORD);
        assertThat(leadsTo(owner.post("/me", "/me/password", typed))).isEqualTo("/sign-in");
        assertThat(leadsTo(owner.signIn("Mira", PASSWORD, false))).isEqualTo("/sign-in?wrong");
        assertThat(leadsTo(owner.signIn("Mira", fresh, false))).doesNotContain("sign-in");
    }

    /** A page on another port shares the host's cookies, and can plant one: the browser says where it comes from. */
    @Test
    void anotherSiteCannotActThroughTheBrowser() {
        Visitor bench = new Visitor(shop);
        String token = bench.token("/shop");
        Map<String, String> form = typed("maker", "Intruder", "_csrf", token);
        assertThat(bench.postPlain("/shop/maker", form, "Sec-Fetch-Site", "same-site")
                        .statusCode())
                .isEqualTo(403);
        assertThat(bench.postPlain("/shop/maker", form, "Origin", "http://127.0.0.1:1")
                        .statusCode())
                .isEqualTo(403);
        assertThat(bench.postPlain("/shop/maker", form, "Origin", "null").statusCode())
                .isEqualTo(403);
        assertThat(bench.postPlain("/shop/maker", form, "Sec-Fetch-Site", "same-origin", "Origin", shop.address())
                        .statusCode())
                .isEqualTo(302);
        Visitor other = new Visitor(shop);
        other.get("/shop");
        assertThat(other.postPlain("/shop/maker", typed("maker", "Intruder", "_csrf", token))
                        .statusCode())
                .as("a token of another session")
                .isEqualTo(403);
    }

    @Test
    void programsSignInByATokenUntilItIsRevoked() {
        Visitor owner = owner();
        String page = owner.post("/devices", "/devices/tokens", typed("token-name", "Scale box"))
                .body();
        String token = shown(page, "");
        Visitor program = new Visitor(shop);
        assertThat(program.get("/api/cups", "Authorization", "Bearer " + token).statusCode())
                .isEqualTo(200);
        assertThat(program.get("/api/cups", "Authorization", "Bearer " + token + "0")
                        .statusCode())
                .isEqualTo(401);
        assertThat(leadsTo(program.get("/people", "Authorization", "Bearer " + token)))
                .as("a program has no pages")
                .isEqualTo("/sign-in");
        long id = shop.sql().queryForObject("SELECT MAX(id) FROM api_token", Long.class);
        owner.post("/devices", "/devices/tokens/%d/revoke".formatted(id), typed());
        assertThat(program.get("/api/cups", "Authorization", "Bearer " + token).statusCode())
                .isEqualTo(401);
    }

    @Test
    void aLinkShowsOneOrderAndNothingElse() {
        Visitor owner = owner();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        String page = owner.post("/links", "/links", typed("madeFor", "Heritage tram society", "days", "10"))
                .body();
        String path = shown(page, "/seen/");
        Visitor customer = new Visitor(shop);
        assertThat(customer.get(path).body())
                .contains("Heritage tram society")
                .contains("Winter sky")
                .contains("to be begun")
                .doesNotContain(code)
                .doesNotContain("Mira");
        assertThat(leadsTo(customer.get("/cups/" + code))).isEqualTo("/sign-in");
        assertThat(customer.get("/seen/0000").statusCode()).isEqualTo(404);
        shop.clock().forward(Duration.ofDays(11));
        assertThat(customer.get(path).statusCode()).isEqualTo(404);
        shop.clock().forward(Duration.ofDays(-11));
        long id = shop.sql().queryForObject("SELECT MAX(id) FROM order_link", Long.class);
        owner = new Visitor(shop);
        owner.signIn("Mira", PASSWORD, false);
        owner.post("/links", "/links/%d/revoke".formatted(id), typed());
        assertThat(customer.get(path).statusCode()).isEqualTo(404);
        for (String days : List.of("0", "-3", "1e9", "soon")) {
            assertThat(owner.post("/links", "/links", typed("madeFor", "Heritage tram society", "days", days))
                            .statusCode())
                    .as(days)
                    .isEqualTo(422);
        }
    }

    @Test
    void whatIsLoggedIsBySomebodySignedIn() {
        Visitor owner = owner();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        String log = "/cups/" + code + "/log";
        int step = shop.cup(code).stepsAhead().get(0).number();
        Map<String, String> done = typed("what", "DONE", "step", "" + step, "when", "0", "maker", "X");
        assertThat(owner.post("/cups/" + code, log, done).statusCode()).isEqualTo(302);
        assertThat(shop.sql().queryForList("SELECT DISTINCT recorded_by FROM log_entry", String.class))
                .containsExactly("Mira");
    }

    /** What stands in the page's only code element of a notice, from some beginning on. */
    private static String shown(String page, String from) {
        Matcher code = Pattern.compile("<code[^>]*>([^<]*" + Pattern.quote(from) + "[^<]+)</code>")
                .matcher(page);
        String found = "";
        while (code.find()) {
            String text = code.group(1).replace("&amp;", "&");
            if (from.isEmpty() ? text.matches("[0-9a-f]{48}") : text.contains(from)) {
                found = from.isEmpty() ? text : text.substring(text.indexOf(from));
            }
        }
        assertThat(found).isNotEmpty();
        return found;
    }

    /** Where a device joins by the code on a page that knows no address for it. */
    private static String joinAt(String page) {
        Matcher code =
                Pattern.compile("five minutes: <code[^>]*>([^<]+)</code>").matcher(page);
        assertThat(code.find()).isTrue();
        return "/join?code=" + code.group(1);
    }

    private static String readCode(String page) throws Exception {
        Matcher drawing = Pattern.compile(
                        "(?s)viewBox=\"0 0 (\\d+) \\d+\"[^>]*shape-rendering.*?class=\"qr-ink\" d=\"([^\"]+)\"")
                .matcher(page);
        assertThat(drawing.find()).isTrue();
        int size = Integer.parseInt(drawing.group(1));
        int[] pixels = new int[16 * size * size];
        Arrays.fill(pixels, 0xffffff);
        Matcher modules = Pattern.compile("M(\\d+) (\\d+)h1").matcher(drawing.group(2));
        while (modules.find()) {
            for (int y = 0; y < 4; y++) {
                for (int x = 0; x < 4; x++) {
                    pixels[
                            (4 * Integer.parseInt(modules.group(2)) + y) * 4 * size
                                    + 4 * Integer.parseInt(modules.group(1))
                                    + x] = 0;
                }
            }
        }
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(4 * size, 4 * size, pixels))))
                .getText();
    }
}

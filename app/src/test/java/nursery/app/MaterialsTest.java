package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.materials.MaterialBook;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.LogEntry;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

/** Materials on the shelf, on cups, and what they cost, by the pages as a maker uses them. */
@ExtendWith(ShopUnderTest.class)
class MaterialsTest {

    private Running shop;
    private Visitor maker;
    private MaterialBook book;

    @BeforeEach
    void aShopWithABlank(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        maker = new Visitor(shop);
        book = shop.bean(MaterialBook.class);
    }

    private long add(String... typed) {
        var answer = maker.post("/shelf/materials/new", "/shelf/materials/new", typed(typed));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return Long.parseLong(leadsTo(answer).replaceAll(".*/", ""));
    }

    private long gold() {
        return add(
                "name",
                "Fine gold",
                "kind",
                "GLITTER",
                "colour",
                "#c9a227",
                "flakeMm",
                "0.2",
                "leadDays",
                "7",
                "amount",
                "60",
                "price",
                "7,80",
                "lot",
                "G-1");
    }

    private double used(long material) {
        return shop.sql()
                .queryForObject("SELECT SUM(used) FROM material_lot WHERE material_id = ?", Double.class, material);
    }

    private PlanStep step(String code, MaterialKind kind) {
        return shop.cup(code).cup().plan().stream()
                .filter(step -> kind.isUsedBy(step.kind()))
                .findFirst()
                .orElseThrow();
    }

    private void logUpTo(String code, PlanStep last) {
        for (int i = 0; i < 30; i++) {
            PlanStep next = shop.cup(code).stepsAhead().get(0);
            shop.clock().forward(java.time.Duration.ofMinutes(20));
            shop.bean(LogBook.class)
                    .add(code, shop.entry(code, next.number(), shop.clock().instant(), 20), true);
            if (next.number() == last.number()) {
                return;
            }
        }
        throw new IllegalStateException("never came to " + last.title());
    }

    @Test
    void aStepTakesItsMaterialOutOfTheLotAndACorrectionPutsItBack() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        String made = "/cups/" + code + "/made";
        assertThat(maker.get(made).body()).contains("Fine gold").contains("no price kept");
        var answer = maker.post(made, made + "/" + glitter.number(), typed("material", "" + gold));
        assertThat(answer.statusCode()).isEqualTo(302);
        assertThat(shop.cup(code).cup().about().glitter())
                .as("the cup is drawn in it")
                .isEqualTo("#c9a227");
        logUpTo(code, glitter);
        double area = shop.cup(code).cup().blank().area().coatedCm2();
        // A starting value of 0.03 g/cm², from memory.
        assertThat(used(gold)).isCloseTo(0.03 * area, org.assertj.core.api.Assertions.within(1e-6));
        long entry = shop.cup(code).cup().log().stream()
                .filter(each -> each instanceof LogEntry.StepDone done && done.step() == glitter.number())
                .mapToLong(each -> each.mark().id())
                .findFirst()
                .orElseThrow();
        assertThat(maker.get(made).body()).contains("Fine gold, lot G-1");
        assertThat(maker.get("/shelf/materials/" + gold).body())
                .as("a bad lot names its cups")
                .contains(code);
        shop.bean(LogBook.class).correct(code, entry, Optional.empty(), "Mira", "not yet");
        assertThat(used(gold)).isCloseTo(0, org.assertj.core.api.Assertions.within(1e-6));
        JdbcTemplate sql = shop.sql();
        assertThat(sql.queryForObject("SELECT SUM(amount) FROM material_move", Double.class))
                .as("what is used is the sum of its movements")
                .isCloseTo(used(gold), org.assertj.core.api.Assertions.within(1e-9));
    }

    /** By hand: 0.03 g on each of the blank's cm² of a lot of 60 g at 7.80, to the cent. */
    @Test
    void aCupTellsWhatItCost() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        logUpTo(code, glitter);
        double grams = 0.03 * shop.cup(code).cup().blank().area().coatedCm2();
        String cost = BigDecimal.valueOf(grams * 7.80 / 60)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .toPlainString();
        assertThat(maker.get("/cups/" + code + "/made").body()).contains(">" + cost + "<");
        maker.post("/money", "/money", typed("currency", "eur", "hourRate", "30", "marginPercent", "45"));
        assertThat(maker.get("/cups/" + code + "/made").body())
                .contains("To ask for")
                .doesNotContain("work (at the");
    }

    @Test
    void aLotCannotBeOpenedBeforeItWasBoughtNorHoldMoreThanItHeld() {
        long gold = gold();
        String page = "/shelf/materials/" + gold;
        var answer =
                maker.post(page, page + "/lots", typed("amount", "20", "bought", "2026-02-20", "opened", "2026-02-01"));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("opened before it was bought").contains("value=\"20\"");
        assertThat(maker.post(page, page + "/lots", typed("amount", "-3", "price", "-1"))
                        .body())
                .contains("What was paid is -1")
                .contains("The amount is -3 g");
        assertThat(maker.post(page, page + "/lots", typed("amount", "20", "bought", "2027-01-01"))
                        .statusCode())
                .isEqualTo(422);
        long lot = shop.sql().queryForObject("SELECT id FROM material_lot", Long.class);
        assertThat(maker.post(page, page + "/lots/" + lot, typed("left-" + lot, "61"))
                        .statusCode())
                .isEqualTo(422);
        assertThat(maker.post(page, page + "/lots/" + lot, typed("left-" + lot, "40"))
                        .statusCode())
                .isEqualTo(302);
        assertThat(used(gold)).isEqualTo(20);
        assertThat(maker.post(page, page + "/weighed", typed("before", "40", "after", "41", "basis", "450"))
                        .body())
                .contains("After is more than before");
        assertThat(maker.post(page, page + "/weighed", typed("before", "40", "after", "31", "basis", "450"))
                        .statusCode())
                .isEqualTo(302);
        assertThat(maker.get(page).body()).contains("learned from 1 weighing");
    }

    @Test
    void whatIsNoLongerUsedStaysOnItsCups() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        String page = "/shelf/materials/" + gold;
        assertThat(maker.post(page, page + "/gone", typed()).statusCode()).isEqualTo(302);
        assertThat(maker.get("/cups/" + code + "/made").body()).contains("Fine gold");
        assertThat(book.offered(glitter)).isEmpty();
        assertThat(maker.get("/shelf/materials").body()).contains("No longer used");
        var other = maker.post(
                page, page, typed("name", "Fine gold", "kind", "PAINT", "colour", "#c9a227", "leadDays", "7"));
        assertThat(other.body()).contains("what it is does not change any more");
    }

    @Test
    void aTableComesInAndGoesOutAndEveryBadRowIsNamed() {
        long taken = shop.sql().queryForObject("SELECT COUNT(*) FROM material", Long.class);
        assertThat(taken).isZero();
        String bad = "name;kind;colour;film;amount;price;bought\nRed roll;vinyl;#aa2020;;300;4.20;\n"
                + ";glitter;;;;;\nBlue;paint;#zzz;;1;-2;\n";
        var refused = upload(bad);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Row 2:").contains("Row 3:").contains("Row 4:");
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM material", Long.class))
                .as("all rows or none")
                .isZero();
        String good =
                "name;kind;colour;film;amount;price;bought\nRed roll;vinyl;#aa2020;removable;300;4.20;2026-02-01\n"
                        + "Red roll;vinyl;#aa2020;removable;300;4.40;2026-02-20\nBlue;paint;#2040a0;;118;6;\n";
        assertThat(upload(good).statusCode()).isEqualTo(302);
        String out = maker.get("/shelf/materials/materials.csv").body();
        assertThat(out)
                .contains("Red roll,vinyl,\"#aa2020\",,removable,,,7,,2026-02-01,300,cm²,4.2,2026-02-01,,300")
                .contains("Blue,paint,\"#2040a0\"");
        shop.sql().update("DELETE FROM material_lot");
        shop.sql().update("DELETE FROM material");
        assertThat(upload(out).statusCode()).isEqualTo(302);
        assertThat(maker.get("/shelf/materials/materials.csv").body()).isEqualTo(out);
    }

    /** Ten thousand rows are taken, and the page of them all still stands. */
    @Test
    void tenThousandMaterialsAreTaken() {
        StringBuilder rows = new StringBuilder("name,kind,colour,amount,price\n");
        for (int i = 0; i < 10_000; i++) {
            rows.append("Glitter ").append(i).append(",glitter,#c9a227,50,4.99\n");
        }
        assertThat(upload(rows.toString()).statusCode()).isEqualTo(302);
        assertThat(maker.get("/shelf/materials").body()).contains("9940 more");
        assertThat(maker.get("/shelf/materials?kind=GLITTER").body()).contains("Glitter 9999");
        rows.append("One more,glitter,#c9a227,50,4.99\n");
        assertThat(upload(rows.toString()).body()).contains("at most 10000");
    }

    private HttpResponse<String> upload(String text) {
        return maker.upload("/shelf/materials", "/shelf/materials/import", "file", "materials.csv", text);
    }

    /** A picture of a cup, by its form, and what is no picture; it is in the backup of the shop. */
    @Test
    void aPictureStandsOnItsCup() throws Exception {
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        String page = "/cups/" + code + "/photos";
        var image = new java.awt.image.BufferedImage(300, 200, java.awt.image.BufferedImage.TYPE_INT_RGB);
        var bytes = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(image, "jpg", bytes);
        assertThat(maker.upload(page, page + "?kind=AFTER&words=Done", "file", "cup.jpg", bytes.toByteArray())
                        .statusCode())
                .isEqualTo(302);
        String body = maker.get(page).body();
        assertThat(body).contains("after").contains("Done");
        String name = body.replaceAll("(?s).*src=\"/photos/([0-9a-f]{64}\\.jpg)\".*", "$1");
        var answer = maker.get("/photos/" + name);
        assertThat(answer.headers().firstValue("Content-Type")).contains("image/jpeg");
        assertThat(answer.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
        assertThat(maker.get("/photos/..%2F..%2Fetc%2Fpasswd").statusCode()).isBetween(400, 404);
        assertThat(maker.upload(page, page + "?kind=AFTER", "file", "cup.jpg", "<html>")
                        .body())
                .contains("no JPEG, PNG or WebP");
        assertThat(maker.upload(page, page + "?kind=AFTER", "file", "cup.jpg", new byte[30_000_000])
                        .statusCode())
                .as("larger than is taken")
                .isBetween(400, 422);
    }

    @Test
    void whatThePlanNeedsIsHeldAgainstWhatIsThere() {
        long gold = add(
                "name",
                "Rare gold",
                "kind",
                "GLITTER",
                "colour",
                "#c9a227",
                "leadDays",
                "7",
                "amount",
                "1",
                "price",
                "1",
                "lot",
                "G-9");
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        String page = maker.get("/shelf/ahead").body();
        assertThat(page).contains("Rare gold").contains("missing").doesNotContain("part A");
        assertThat(maker.get("/shelf/ahead.csv").body()).contains("Rare gold,g,1,");
    }

    /** A quote has a price for one and for all, on the page and on paper, and names what has no price. */
    @Test
    void anOrderHasItsQuote() throws Exception {
        gold();
        String blank = "" + shop.shelf().blanks().get(0).id();
        String resin = "" + shop.shelf().resins().get(0).id();
        String asked =
                "technique=one-colour-glitter&count=12&matters=1&madeFor=Trams&blank=" + blank + "&resin=" + resin;
        String page = maker.get("/plan/order?" + asked).body();
        assertThat(page).contains("To ask for").contains("in all").contains("some of it has no price");
        HttpResponse<byte[]> pdf = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(shop.address() + "/plan/order/quote.pdf?" + asked))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        try (var document = org.apache.pdfbox.Loader.loadPDF(pdf.body())) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(document))
                    .contains("Quote")
                    .contains("For Trams")
                    .contains("12");
        }
        assertThat(maker.get("/plan/order/quote.pdf?count=-1").statusCode()).isBetween(400, 422);
    }

    /** Half a year open, a year unopened, from memory; said where the mix is, before it is mixed. */
    @Test
    void oldHardenerIsSaidBeforeMixing() {
        var stock = shop.bean(nursery.app.shelf.StockBook.class);
        long resin = shop.shelf().resins().get(0).id();
        stock.add(resin, nursery.core.resin.Part.A, "R-1", 946, "Mira");
        stock.add(resin, nursery.core.resin.Part.B, "H-1", 946, "Mira");
        var mix = nursery.core.resin.Mix.exactly(
                shop.shelf().resins().get(0).label().ratio(), 40);
        assertThat(stock.forMix(resin, mix).old()).isEmpty();
        shop.clock().forward(java.time.Duration.ofDays(366));
        assertThat(stock.forMix(resin, mix).old())
                .hasSize(2)
                .allMatch(words -> words.contains("on the shelf for 12 months"));
        shop.sql()
                .update(
                        "UPDATE bottle SET added_at = ?",
                        java.sql.Timestamp.from(shop.clock().instant()));
        String code = shop.start("Late tram", resin, shop.clock().instant());
        logUpTo(
                code,
                shop.cup(code).cup().plan().stream()
                        .filter(step -> step.kind().isPour())
                        .findFirst()
                        .orElseThrow());
        assertThat(stock.forMix(resin, mix).old()).isEmpty();
        shop.clock().forward(java.time.Duration.ofDays(184));
        assertThat(stock.forMix(resin, mix).old()).hasSize(2).allMatch(words -> words.contains("opened 6 months ago"));
    }

    /** By hand: a spoiled cup's blank of 5.01 on the two that were not: 2.51 and 2.50, nothing lost. */
    @Test
    void aSpoiledCupIsSpreadOverTheGoodOnesToTheCent() {
        var stock = shop.bean(nursery.app.shelf.StockBook.class);
        stock.setBlankPrice(shop.shelf().blanks().get(0).id(), Optional.of(new BigDecimal("5.01")));
        long resin = shop.shelf().resins().get(0).id();
        List<String> codes = java.util.stream.Stream.of("One", "Two", "Spoiled")
                .map(name -> shop.start(name, resin, shop.clock().instant()))
                .toList();
        shop.clock().forward(java.time.Duration.ofMinutes(5));
        var now = shop.clock().instant();
        shop.bean(LogBook.class)
                .add(
                        codes.get(2),
                        new LogEntry.Plain(
                                nursery.core.log.Mark.unnumbered(now, now, "Mira", "dropped"), LogEntry.Kind.ABANDONED),
                        true);
        List<String> shares = shop
                .bean(nursery.app.made.CostBook.class)
                .of(List.of(shop.cup(codes.get(0)), shop.cup(codes.get(1)), shop.cup(codes.get(2))))
                .stream()
                .map(cost ->
                        cost.foretold(nursery.core.worth.CupCost.From.SPOILED).toPlainString())
                .toList();
        assertThat(shares).containsExactly("2.51", "2.50", "0");
    }

    @Test
    void theFiguresOfAShopThatHasFinishedNothingAreNoFault() {
        assertThat(maker.get("/figures").body()).contains("No cup is finished yet");
        shop.start("Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        assertThat(maker.get("/figures").statusCode()).isEqualTo(200);
        assertThat(maker.get("/figures/figures.csv").body()).startsWith("technique,blank");
    }

    @Test
    void theCurrencyStaysOncePricesAreKept() {
        assertThat(maker.post("/money", "/money", typed("currency", "USD", "hourRate", "20"))
                        .statusCode())
                .isEqualTo(302);
        gold();
        assertThat(maker.post("/money", "/money", typed("currency", "EUR", "hourRate", "20"))
                        .body())
                .contains("Prices are kept in USD");
        assertThat(maker.post("/money", "/money", typed("currency", "gold", "hourRate", "-1"))
                        .body())
                .contains("is no currency")
                .contains("An hour at the bench is -1");
    }

    @Test
    void aHelperSeesNoPrices() {
        long gold = gold();
        shop.bean(Makers.class).add("Mira", Role.OWNER, "tram seed comet lantern", "");
        shop.bean(Makers.class).add("Jo", Role.HELPER, "comet under the seed tram", "");
        Visitor helper = new Visitor(shop);
        helper.signIn("Jo", "comet under the seed tram", false);
        assertThat(helper.get("/shelf/materials/" + gold).body())
                .contains("G-1")
                .doesNotContain("7.80");
        assertThat(helper.get("/shelf/materials/materials.csv").body()).doesNotContain("7.8");
        assertThat(helper.get("/money").statusCode()).isEqualTo(403);
    }

    @Test
    void thePriceOfTheApi() throws Exception {
        assertThat(price("{\"cost\":\"11.40\",\"marginPercent\":45,\"feePercent\":6.5,\"feeFixed\":\"0.30\"}"))
                .isEqualTo("{\"target\":\"20.73\",\"price\":\"22.49\"}");
        assertThat(price("{\"cost\":-1,\"marginPercent\":45}")).contains("\"cost\"");
        assertThat(price("{\"marginPercent\":45}")).contains("cost is missing");
        assertThat(price("{\"cost\":true}")).contains("cost must be a number");
        assertThat(price("{\"cost\":\"11.40\",\"digits\":2.5}")).contains("digits is a whole number: 2.5 are not.");
    }

    private String price(String body) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(shop.address() + "/api/price"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private static final String[] BLUE = {
        "name", "Night blue", "kind", "GLITTER", "colour", "#3b5fb5", "flakeMm", "0.4", "leadDays", "7", "amount", "50"
    };

    private String weigh(String code, PlanStep step, long material, String... typed) {
        String made = "/cups/" + code + "/made";
        return maker.post(made, made + "/" + step.number() + "/weighed/" + material, typed(typed))
                .body();
    }

    /** By hand: 61.5 g before, 54.3 g after: 7.2 g went on it, whatever was expected. */
    @Test
    void twoTouchesWeighWhatAStepReallyTakes() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        assertThat(weigh(code, glitter, gold, "weight", "61.5", "before", "on")).contains("not named for this step");
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        assertThat(weigh(code, glitter, gold, "weight", "61.5", "after", "on")).contains("touch Before first");
        assertThat(weigh(code, glitter, gold, "weight", "", "before", "on")).contains("No scale shows anything");
        assertThat(weigh(code, glitter, gold, "weight", "-3", "before", "on")).contains("fault");
        weigh(code, glitter, gold, "weight", "61,5", "before", "on");
        assertThat(weigh(code, glitter, gold, "weight", "70", "after", "on")).contains("After is more than before");
        weigh(code, glitter, gold, "weight", "54.3", "after", "on");
        assertThat(maker.get("/cups/" + code + "/made").body()).contains("used 7.20");
        logUpTo(code, glitter);
        assertThat(used(gold)).isCloseTo(7.2, within(1e-9));
        assertThat(book.find(gold).orElseThrow().usage().weighed()).isEqualTo(1);
        // Weighed once more, after it is logged: by the book again what is true, and learned once.
        weigh(code, glitter, gold, "weight", "61.5", "before", "on");
        weigh(code, glitter, gold, "weight", "52.5", "after", "on");
        assertThat(used(gold)).isCloseTo(9.0, within(1e-9));
        weigh(code, glitter, gold, "weight", "61.5", "before", "on");
        weigh(code, glitter, gold, "weight", "59.5", "after", "on");
        assertThat(used(gold)).isCloseTo(2.0, within(1e-9));
        assertThat(book.find(gold).orElseThrow().usage().weighed()).isEqualTo(1);
        long entry = shop.sql().queryForObject("SELECT MAX(id) FROM log_entry", Long.class);
        maker.post("/cups/" + code, "/cups/" + code + "/undo", typed("entry", "" + entry));
        assertThat(used(gold)).isCloseTo(0, within(1e-9));
    }

    @Test
    void aScaleThatStandsStillIsTakenAtItsWord() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        shows(61.5, true);
        weigh(code, glitter, gold, "weight", "", "before", "on");
        shows(50, false);
        assertThat(weigh(code, glitter, gold, "weight", "", "after", "on")).contains("stands still");
        shows(58.25, true);
        weigh(code, glitter, gold, "weight", "", "after", "on");
        assertThat(maker.get("/cups/" + code + "/made").body()).contains("used 3.25");
    }

    private void shows(double grams, boolean stable) {
        shop.sql()
                .update(
                        "REPLACE INTO scale_shown (scale, at, grams, stable, jumps, readings) VALUES"
                                + " ('bench', ?, ?, ?, 0, 1)",
                        java.sql.Timestamp.from(java.time.Instant.now()),
                        grams,
                        stable);
    }

    @Test
    void aRainbowColoursTheCupFromTheRimDown() {
        long gold = gold();
        long blue = add(BLUE);
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        String made = "/cups/" + code + "/made";
        maker.post(made, made + "/" + glitter.number(), typed("material", gold + "," + blue));
        assertThat(shop.cup(code).cup().about().glitters()).containsExactly("#c9a227", "#3b5fb5");
        logUpTo(code, glitter);
        String page = maker.get("/cups/" + code).body();
        assertThat(page).contains("linearGradient").contains("stop-color=\"#3b5fb5\"");
        assertThat(page.split("fill=\"#3b5fb5\"", -1).length)
                .as("its layer in section")
                .isGreaterThan(1);
        maker.post(made, made + "/" + glitter.number(), typed("material", "" + blue));
        assertThat(shop.cup(code).cup().about().glitters()).containsExactly("#3b5fb5");
    }

    /** By hand: a pack of 5 at 22.50 is 4.50 each; given another blank the first goes back. */
    @Test
    void aBlankGoesOutWithEachCup() {
        shop.bean(ShelfBook.class)
                .addBlank("12 oz slim", new Blank(new Straight(155, 207), true, 5, 0, 0, OptionalDouble.empty()));
        String[] pack = {
            "name",
            "12 oz slim",
            "kind",
            "BLANK",
            "colour",
            "#c0c4c8",
            "leadDays",
            "10",
            "amount",
            "5",
            "price",
            "22.50",
            "lot",
            "B-1"
        };
        long small = add(pack);
        assertThat(maker.get("/shelf/materials/" + small).body()).contains("goes out of its packs with each cup");
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        boolean isSmall = shop.cup(code).cup().about().blank().equals("12 oz slim");
        assertThat(usedOf(small)).isEqualTo(isSmall ? 1 : 0);
        String other = shop.shelf().blanks().stream()
                .filter(blank -> blank.name().equals("12 oz slim") != isSmall)
                .map(blank -> "" + blank.id())
                .findFirst()
                .orElseThrow();
        String about = "/cups/" + code + "/about";
        var resin = "" + shop.shelf().resins().get(0).id();
        var answer = maker.post(
                about,
                about,
                typed(
                        "name",
                        "Winter sky",
                        "blank",
                        other,
                        "base",
                        resin,
                        "last",
                        resin,
                        "paint",
                        "#112233",
                        "glitter",
                        "#445566"));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        assertThat(usedOf(small)).isEqualTo(isSmall ? 0 : 1);
        if (!isSmall) {
            assertThat(maker.get("/cups/" + code + "/made").body()).contains("4.50");
        }
    }

    private double usedOf(long material) {
        return Math.abs(used(material));
    }

    /** By hand: 10 of 60 g at 7.80 are 1.30; they leave the pack and are worth as much in the jar. */
    @Test
    void whatFellGoesIntoTheJarWithItsPrice() {
        long gold = gold();
        String at = "/shelf/materials/" + gold;
        assertThat(maker.post(at, at + "/jar", typed("fell", "61")).statusCode())
                .isEqualTo(422);
        assertThat(maker.post(at, at + "/jar", typed("fell", "-1")).statusCode())
                .isEqualTo(422);
        assertThat(maker.post(at, at + "/jar", typed("fell", "5", "jar", "" + gold))
                        .statusCode())
                .isEqualTo(422);
        var answer = maker.post(at, at + "/jar", typed("fell", "10"));
        long jar = Long.parseLong(leadsTo(answer).replaceAll(".*/", ""));
        assertThat(used(gold)).isEqualTo(10);
        String blue = "/shelf/materials/" + add(BLUE);
        maker.post(blue, blue + "/jar", typed("fell", "30", "jar", "" + jar));
        var mixed = book.find(jar).orElseThrow();
        assertThat(mixed.material().mix()).extracting(one -> one.name()).containsExactly("Night blue", "Fine gold");
        assertThat(mixed.material().mix().get(0).share()).isCloseTo(0.75, within(1e-9));
        assertThat(mixed.lots())
                .extracting(lot -> lot.price().map(BigDecimal::toPlainString).orElse("none"))
                .containsExactly("1.3000", "none");
        assertThat(maker.post(at, at + "/jar", typed("fell", "1")).body()).contains("already");
        shop.sql().update("UPDATE material SET name = ? WHERE id = ?", "x".repeat(60), gold);
        assertThat(maker.post(at, at + "/jar", typed("fell", "1", "jar", "" + jar))
                        .statusCode())
                .as("a long name")
                .isEqualTo(302);
    }

    @Test
    void howLongAResinTakesToComeIsTheShopsOwn() {
        long resin = shop.shelf().resins().get(0).id();
        shop.sql()
                .update(
                        "INSERT INTO bottle (resin_id, part, lot, holds_ml, added_at, added_by) VALUES (?, 'A', 'L-1', "
                                + "1000, '2026-01-01', 'Mira')",
                        resin);
        String at = "/shelf/bottles/lead/" + resin;
        for (String wrong : List.of("181", "soon", "-1", "")) {
            assertThat(maker.post("/shelf/bottles", at, typed("lead-" + resin, wrong))
                            .statusCode())
                    .as(wrong)
                    .isEqualTo(422);
        }
        assertThat(maker.post("/shelf/bottles", at, typed("lead-" + resin, "21"))
                        .statusCode())
                .isEqualTo(302);
        assertThat(maker.get("/shelf/bottles").body()).contains("value=\"21\"");
    }

    /** Nobody finds anything among thousands: the usual ones, a search, and all of it when it is asked for. */
    @Test
    void aShelfOfTenThousandStaysAShelf() {
        long gold = gold();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep glitter = step(code, MaterialKind.GLITTER);
        shop.sql()
                .update("INSERT INTO material (name, kind, colour, lead_days, place, mix) "
                        + "SELECT CONCAT('Bulk ', seq), IF(seq % 2, 'GLITTER', 'PAINT'), '#336699', 7, '', '' "
                        + "FROM seq_1_to_10000");
        book.choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        String shelf = maker.get("/shelf/materials").body();
        assertThat(shelf.length()).isLessThan(150_000);
        assertThat(shelf).contains("4941 more").contains("4940 more");
        assertThat(maker.get("/shelf/materials?find=ulk%209999").body())
                .contains("Bulk 9999")
                .doesNotContain("Bulk 9998<");
        assertThat(maker.get("/shelf/materials?find=G-1").body())
                .contains("Fine gold")
                .doesNotContain("Bulk 7<");
        assertThat(maker.get("/shelf/materials?find=%25").body()).contains("Nothing on the shelf is called like that");
        String made = maker.get("/cups/" + code + "/made").body();
        assertThat(made.length()).isLessThan(200_000);
        assertThat(made).contains("Fine gold").contains("more on the shelf");
        assertThat(maker.get("/cups/" + code + "/made?all=" + glitter.number()).body())
                .contains("Bulk 4999<");
    }
}

package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.ReaderException;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.text.Normalizer;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.materials.MaterialBook;
import nursery.app.shelf.ShelfBook;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.Cup;
import nursery.core.plan.Order;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A cup's story, the same again, and what goes on paper. */
@ExtendWith(ShopUnderTest.class)
class StoryTest {

    private static final double POINT_MM = 25.4 / 72;

    private Running shop;
    private Visitor maker;
    private String code;
    private PlanStep glitter;
    private long gold;

    @BeforeEach
    void aCupWithItsFirstSteps(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        shop.bean(ShelfBook.class)
                .addBlank("12 oz slim", new Blank(new Straight(155, 207), true, 5, 0, 0, OptionalDouble.empty()));
        maker = new Visitor(shop);
        code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        glitter = shop.cup(code).cup().plan().stream()
                .filter(step -> MaterialKind.GLITTER.isUsedBy(step.kind()))
                .findFirst()
                .orElseThrow();
        maker.post(
                "/shelf/materials/new",
                "/shelf/materials/new",
                typed(
                        "name",
                        "Fine gold",
                        "kind",
                        "GLITTER",
                        "colour",
                        "#c9a227",
                        "leadDays",
                        "7",
                        "amount",
                        "60",
                        "price",
                        "7.80",
                        "lot",
                        "G-1"));
        gold = shop.sql().queryForObject("SELECT id FROM material", Long.class);
        shop.bean(MaterialBook.class).choose(shop.cup(code).cup().id(), glitter, List.of(gold));
        for (int i = 0; i < 6; i++) {
            PlanStep next = shop.cup(code).stepsAhead().get(0);
            shop.clock().forward(Duration.ofMinutes(30));
            shop.bean(LogBook.class)
                    .add(code, shop.entry(code, next.number(), shop.clock().instant(), 20), true);
        }
    }

    private static byte[] pdf(Running shop, String path) throws Exception {
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(shop.address() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).as(path).isEqualTo(200);
        return answer.body();
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test
    void theStoryIsWhatItsSchemaSaysAndTellsEachThing() throws Exception {
        String page = "/cups/" + code + "/story";
        assertThat(maker.post(page, page, typed("words", "A third coat before sanding."))
                        .statusCode())
                .isEqualTo(302);
        String told = maker.get("/api/cups/" + code + "/story").body();
        var schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(maker.get("/stories/schema.json").body());
        assertThat(schema.validate(told, InputFormat.JSON)).isEmpty();
        assertThat(told)
                .contains("\"name\":\"Fine gold\"")
                .contains("\"lot\":\"G-1\"")
                .contains("third coat before sanding")
                .doesNotContain("\"cost\"");
        assertThat(maker.get(page).body()).contains("Fine gold").contains("third coat before sanding");
        assertThat(text(pdf(shop, page + ".pdf")))
                .contains("Winter sky")
                .contains("Fine gold")
                .contains("Next time: A third coat before sanding.");
        assertThat(maker.get("/api/cups/Z-99/story").statusCode()).isEqualTo(404);
        assertThat(maker.post(page, page, typed("words", "x".repeat(1001))).statusCode())
                .isEqualTo(422);
    }

    @ParameterizedTest
    @CsvSource({"Winter,name", "fine GOLD,material", "G-1,lot", "100%,", "_,", "x OR 1=1,"})
    void whatWasWrittenIsFoundAndSignsAreNoWildcards(String words, String where) {
        String body = maker.get(
                        "/stories?find=" + java.net.URLEncoder.encode(words, java.nio.charset.StandardCharsets.UTF_8))
                .body();
        if (where == null) {
            assertThat(body).contains("Nothing is written of that");
        } else {
            assertThat(body).contains("/cups/" + code + "/story").contains("in its " + where);
        }
    }

    /** What was foretold when its first step was logged stays; a dearer blank since is the whole difference there. */
    @Test
    void whatWasForetoldIsHeldAgainstWhatItCosts() {
        List<String> parts = shop.sql().queryForList("SELECT part FROM cup_foretold ORDER BY position", String.class);
        assertThat(parts).contains("BLANK", "RESIN", "MATERIAL", "WORK");
        shop.sql().update("UPDATE cup_foretold SET amount = 4.00 WHERE part = 'BLANK'");
        shop.sql().update("UPDATE blank SET price = 4.60");
        String page = maker.get("/cups/" + code + "/made").body();
        assertThat(page).contains("foretold when work began", "dearer than what lay on the shelf then (+0.60)");
    }

    @Test
    void theSameAgainAtAnotherSizeHasItsStepsAndMaterials() {
        String page = "/cups/" + code + "/again";
        String small = shop.shelf().blanks().stream()
                .filter(blank -> blank.name().startsWith("12"))
                .map(blank -> "" + blank.id())
                .findFirst()
                .orElseThrow();
        assertThat(maker.get(page).body()).contains("Fine gold");
        var answer = maker.post(page, page, typed("name", "Winter sky, small", "count", "3", "blank", small));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        var made = shop.floor().cups().stream()
                .filter(cup -> cup.cup().about().name().startsWith("Winter sky, small"))
                .toList();
        assertThat(made).hasSize(3).allSatisfy(cup -> {
            assertThat(cup.cup().about().blank()).isEqualTo("12 oz slim");
            assertThat(cup.cup().plan()).hasSameSizeAs(shop.cup(code).cup().plan());
            assertThat(shop.bean(MaterialBook.class).chosen(cup.cup().id()).get(glitter.number()))
                    .extracting("name")
                    .containsExactly("Fine gold");
        });
        for (String wrong : List.of("0", "-1", "1.5", "50000", "many")) {
            assertThat(maker.post(page, page, typed("name", "Again", "count", wrong, "blank", small))
                            .statusCode())
                    .as(wrong)
                    .isEqualTo(422);
        }
        assertThat(leadsTo(maker.post(page, page, typed("name", "Once", "count", "1", "blank", small))))
                .startsWith("/cups/");
    }

    @Test
    void itsStepsAreKeptAsATechniqueWithWhatTheyAreMadeWith() {
        String story = "/cups/" + code + "/story";
        maker.post(story, story, typed("words", "A third coat before sanding."));
        String page = "/cups/" + code + "/again";
        String blank = "" + shop.shelf().blanks().get(0).id();
        var again = typed("name", "Sky", "count", "2", "blank", blank, "technique", "Our winter sky");
        assertThat(maker.post(page, page, again).statusCode()).isEqualTo(302);
        again.put("token", "another");
        assertThat(maker.post(page, page, again).body()).contains("There is a technique called");
        ShelvedTechnique kept = shop.bean(TechniqueBook.class).own().get(0);
        assertThat(kept.technique().about()).contains(code).contains("A third coat before sanding.");
        assertThat(kept.technique().plan(Schools.of(), Map.of()))
                .extracting(step -> step.kind())
                .containsExactlyElementsOf(shop.cup(code).cup().plan().stream()
                        .map(step -> step.kind())
                        .toList());
        Cup fresh = shop.floor().cups().stream()
                .map(cup -> cup.cup())
                .filter(cup -> cup.about().technique().equals("Our winter sky"))
                .findFirst()
                .orElseThrow();
        MaterialBook materials = shop.bean(MaterialBook.class);
        assertThat(materials.chosen(fresh.id()).values())
                .containsExactly(List.of(materials.find(gold).orElseThrow().material()));
        // Another cup by it, started as any other, is made with the same.
        Order order = new Order(
                fresh.about(),
                1,
                Long.parseLong(blank),
                shop.shelf().blanks().get(0).blank(),
                fresh.resins(),
                Schools.of(),
                kept.technique().plan(Schools.of(), Map.of()),
                Optional.empty(),
                1);
        String later =
                shop.bean(CupBook.class).start(order, shop.clock().instant()).get(0);
        assertThat(materials.chosen(shop.cup(later).cup().id())).hasSize(1);
    }

    /** ISO/IEC 18004, read back from the printed page by a decoder that did not make it print. */
    @ParameterizedTest
    @CsvSource({"LABEL_62X29,62,29", "LABEL_50X30,50,30", "SHEET_3X8,210,297", "SHEET_2X7,210,297"})
    void aLabelIsAsLargeAsItSaysAndItsCodeLeadsToTheCup(String size, double width, double height) throws Exception {
        byte[] labels = pdf(shop, "/paper/labels.pdf?cups=" + code + "&size=" + size);
        assertThat(text(labels)).contains(code).contains("Winter sky");
        try (PDDocument document = Loader.loadPDF(labels)) {
            PDPage page = document.getPage(0);
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(page.getMediaBox().getWidth() * POINT_MM).isCloseTo(width, within(0.2));
            assertThat(page.getMediaBox().getHeight() * POINT_MM).isCloseTo(height, within(0.2));
            assertThat(page.getResources().getFontNames()).isNotEmpty().allSatisfy(name -> assertThat(
                            page.getResources().getFont(name).isEmbedded())
                    .isTrue());
            assertThat(read(document)).isEqualTo(shop.address() + "/cups/" + code);
        }
    }

    /** A camera takes one frame after the other, from here and from there; not every one of them is read. */
    private static String read(PDDocument document) throws IOException {
        for (int dpi : new int[] {300, 260, 350, 420, 600}) {
            BufferedImage printed = new PDFRenderer(document).renderImageWithDPI(0, dpi);
            try {
                return new QRCodeReader()
                        .decode(
                                new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(printed))),
                                Map.of(DecodeHintType.TRY_HARDER, true))
                        .getText();
            } catch (ReaderException e) {
                // The next frame.
            }
        }
        return "read in no frame";
    }

    @Test
    void aSheetThatWasBegunIsUsedUp() throws Exception {
        String sheet = "/paper/labels.pdf?cups=" + code + "&size=SHEET_3X8&from=";
        assertThat(text(pdf(shop, sheet + "24"))).contains(code);
        assertThat(text(pdf(shop, sheet + "999"))).contains(code);
        assertThat(maker.get("/paper/labels.pdf?size=SHEET_3X8").statusCode()).isEqualTo(404);
        assertThat(maker.get("/paper/labels.pdf?cups=" + code + "&size=HUGE").statusCode())
                .isEqualTo(404);
    }

    @Test
    void aCareCardSaysWhatToLeaveAndNeverThatItIsFoodSafe() throws Exception {
        assertThat(maker.post("/paper", "/paper/care", typed("care", "This cup is Food-Safe."))
                        .statusCode())
                .isEqualTo(422);
        assertThat(maker.post("/paper", "/paper/care", typed("care", "Schöne Grüße · Ευχαριστώ · Спасибо"))
                        .statusCode())
                .isEqualTo(302);
        String card = text(pdf(shop, "/paper/care.pdf?cups=" + code));
        assertThat(card)
                .contains("Not in the dishwasher")
                .contains("Not in the microwave")
                .contains("soaking")
                .contains("Full cure on")
                .contains("Schöne Grüße · Ευχαριστώ · Спасибо")
                .doesNotContainIgnoringCase("food-safe")
                .doesNotContainIgnoringCase("food safe");
    }

    /**
     * What a name prints as is what was written: letters of one script after the other, those written from the right
     * turned. Arabic joins, so its letters are other ones on paper (Unicode, presentation forms); read back they are
     * the same by compatibility (NFKC).
     */
    @ParameterizedTest
    @CsvSource({
        "Größe Żółw",
        "Ευχαριστώ",
        "Спасибо",
        "冬の空のカップ",
        "겨울 하늘",
        "冬日天空",
        "शीत",
        "শীত",
        "શિયાળો",
        "ฤดูหนาว",
        "ລະດູໜາວ",
        "ክረምት"
    })
    void aNamePrintsInItsOwnLetters(String name) throws Exception {
        shop.sql().update("UPDATE cup SET name = ?, version = version + 1 WHERE code = ?", name, code);
        byte[] card = pdf(shop, "/paper/card.pdf?cup=" + code);
        try (PDDocument document = Loader.loadPDF(card)) {
            String read = new PDFTextStripper().getText(document);
            Set<Integer> letters = name.codePoints().boxed().collect(Collectors.toSet());
            Set<Integer> printed = read.codePoints().boxed().collect(Collectors.toSet());
            assertThat(printed).containsAll(letters);
        }
    }

    /** Written from the right: on paper the first letter stands furthest to the right. */
    @ParameterizedTest
    @CsvSource({"חורף, ח, ף", "شتاء, ش, ء"})
    void whatIsWrittenFromTheRightStandsSo(String name, String first, String last) throws Exception {
        shop.sql().update("UPDATE cup SET name = ?, version = version + 1 WHERE code = ?", name, code);
        try (PDDocument document = Loader.loadPDF(pdf(shop, "/paper/card.pdf?cup=" + code))) {
            Map<String, Float> at = new LinkedHashMap<>();
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override
                protected void processTextPosition(TextPosition text) {
                    at.put(Normalizer.normalize(text.getUnicode(), Normalizer.Form.NFKC), text.getX());
                    super.processTextPosition(text);
                }
            };
            stripper.getText(document);
            assertThat(at).containsKeys(first, last);
            assertThat(at.get(first)).isGreaterThan(at.get(last));
        }
    }

    @Test
    void aJobCardTellsTheStepsAheadAndThePickingListWhatIsFinished() throws Exception {
        assertThat(text(pdf(shop, "/paper/card.pdf?cup=" + code)))
                .contains(code)
                .contains(shop.cup(code).stepsAhead().get(0).title())
                .as("when each step opens, by the plan")
                .contains("opens ");
        assertThat(text(pdf(shop, "/paper/picking.pdf"))).contains("No cup is finished");
    }
}

package nursery.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import nursery.app.ShopUnderTest.Running;
import nursery.app.shelf.ShelfBook;
import nursery.app.wrap.DesignBook;
import nursery.app.wrap.SvgDrawing;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The fitting bench: designs are kept, fitted, given to cups, printed and cut. */
@ExtendWith(ShopUnderTest.class)
class DesignsTest {

    private static final String SQUARE = "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm' "
            + "viewBox='0 0 40 20'><rect id='plate' fill='#9d2f2b' width='40' height='20'/></svg>";

    private Running shop;
    private Tablet tablet;
    private long slim;
    private long tapered;
    private long id;

    @BeforeEach
    void aDesignIsBegun(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        tablet = new Tablet(shop);
        ShelfBook shelf = shop.bean(ShelfBook.class);
        slim = shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        tapered = shelf.addBlank("Taper", new Blank(new Tapered(172, 214, 281), true, 5, 3, 0, OptionalDouble.empty()));
        String at = tablet.send("/designs", typed("name", "Number plate", "blank", "" + slim))
                .getResponse()
                .getRedirectedUrl();
        id = Long.parseLong(at.substring("/designs/".length()));
    }

    private String design() {
        return "/designs/" + id;
    }

    private String bringIn(String name, String svg) {
        return text(tablet.upload(design() + "/art", name, svg.getBytes(UTF_8)));
    }

    /** The fields of the form as a page shows them. */
    private static Map<String, String> fields(String page) {
        Map<String, String> fields = new LinkedHashMap<>();
        Matcher inputs = Pattern.compile("<input ([^>]*)>").matcher(page);
        while (inputs.find()) {
            String tag = inputs.group(1);
            String name = one(tag, "name");
            boolean box = tag.contains("checkbox") && !tag.contains("checked");
            if (!name.isEmpty() && !name.equals("_csrf") && !box && !tag.contains("type=\"file\"")) {
                fields.put(name, one(tag, "value"));
            }
        }
        Matcher selects = Pattern.compile("(?s)<select [^>]*name=\"([^\"]+)\"[^>]*>(.*?)</select>")
                .matcher(page);
        while (selects.find()) {
            Matcher chosen =
                    Pattern.compile("<option value=\"([^\"]*)\"[^>]*selected").matcher(selects.group(2));
            Matcher first = Pattern.compile("<option value=\"([^\"]*)\"").matcher(selects.group(2));
            fields.put(selects.group(1), chosen.find() ? chosen.group(1) : first.find() ? first.group(1) : "");
        }
        return fields;
    }

    private static String one(String tag, String attribute) {
        Matcher found = Pattern.compile("\\b" + attribute + "=\"([^\"]*)\"").matcher(tag);
        return found.find() ? found.group(1) : "";
    }

    private String draft(Map<String, String> form, String... changed) {
        Map<String, String> sent = new LinkedHashMap<>(form);
        for (int i = 0; i < changed.length; i += 2) {
            sent.put(changed[i], changed[i + 1]);
        }
        return text(tablet.send(design() + "/draft", sent));
    }

    /** With the plate laid on the front and kept. */
    private Map<String, String> kept() {
        Map<String, String> form = fields(bringIn("plate.svg", SQUARE));
        assertThat(tablet.send(design(), form)).hasStatus(302);
        return fields(tablet.page(design()));
    }

    @Test
    void artComesInFromAFileAndLiesInTheMiddleOfTheFront() {
        String page = bringIn("C:\\art\\My plate.svg", SQUARE);
        assertThat(page).contains("value=\"My plate\"").contains("It fits").contains("in the middle of the front");
        Map<String, String> form = fields(page);
        assertThat(form)
                .containsEntry("i0-width", "40")
                .containsEntry("i0-around", "0")
                .containsEntry("i0-up", "100");
        assertThat(tablet.send(design(), form)).hasStatus(302);
        assertThat(tablet.page(design())).contains("2 versions").contains("value=\"My plate\"");
        assertThat(shop.bean(DesignBook.class).find(id).orElseThrow().number()).isEqualTo(2);
    }

    @Test
    void aTouchPutsRightWhatIsPastTheRim() {
        Map<String, String> form = kept();
        String over = draft(form, "i0-up", "195");
        assertThat(over)
                .contains("Past the rim")
                .contains("5 mm over where the coat ends")
                .contains("Move it down");
        String fixed = draft(fields(over), "press", "fix-0");
        assertThat(fixed).contains("It fits");
        // The coat ends at 200 mm, 3 mm are kept free, half of its height is 10.
        assertThat(fields(fixed)).containsEntry("i0-up", "187");
    }

    @Test
    void placesAreCountedFromTheRimAndTheHandleToo() {
        Map<String, String> form = kept();
        String fromTheRim = draft(form, "i0-up", "60", "i0-from", "rim", "i0-around", "10", "i0-side", "handle");
        Map<String, String> read = fields(fromTheRim);
        assertThat(read).containsEntry("i0-up", "145").containsEntry("i0-from", "base");
        assertThat(Double.parseDouble(read.get("i0-around"))).isCloseTo(229.3 / 2 + 10, within(0.02));
        assertThat(fields(draft(form, "press", "snap-0-back")).get("i0-around")).isEqualTo("114.65");
        assertThat(fields(draft(form, "press", "snap-0-right")).get("i0-around"))
                .isEqualTo("-57.33");
        assertThat(fields(draft(form, "press", "move-0-30_-90")).get("i0-up")).isEqualTo("90");
        assertThat(fields(draft(form, "press", "move-0-1.5_-99")))
                .as("close to the front and to half way up it lies on them")
                .containsEntry("i0-around", "0")
                .containsEntry("i0-up", "100");
        for (String nonsense :
                List.of("move-0-NaN_1", "move-0-1", "snap-0-moon", "fix-99", "remove-77", "art-999", "x")) {
            assertThat(fields(draft(form, "press", nonsense))).as(nonsense).containsEntry("i0-up", "100");
        }
    }

    @Test
    void outlinesRepeatsLayersAndBands() {
        Map<String, String> form = kept();
        String outlined = draft(form, "i0-out1", "1.75", "i0-out1c", "#ffffff", "i0-joined", "on");
        assertThat(outlined).contains("fill=\"#ffffff\"").contains("value=\"1.75\"");
        Map<String, String> closed = fields(draft(form, "press", "close-0"));
        // 229.3 mm around, a plate every 40: six of 38.2.
        assertThat(closed).containsEntry("i0-motifs", "6").containsEntry("i0-width", "38.22");
        Map<String, String> two = fields(draft(form, "press", "art-" + form.get("i0-art")));
        assertThat(two).containsKey("i1-art");
        assertThat(fields(draft(two, "i1-name", "Upper", "press", "lower-1"))).containsEntry("i0-name", "Upper");
        assertThat(fields(draft(two, "press", "remove-0"))).doesNotContainKey("i1-art");
        String band = draft(form, "press", "band-new");
        assertThat(fields(band)).containsKey("b0-front");
        assertThat(draft(fields(band), "b0-front", "100", "b0-back", "100"))
                .contains("50 % of the coated side below it");
        assertThat(fields(draft(fields(band), "press", "band-0"))).doesNotContainKey("b0-front");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "i0-width | -5 | must lie between",
                "i0-width | 1e300 | is not a number",
                "i0-up | about ten | is not",
                "i0-up | | is missing",
                "i0-around | NaN | is not",
                "i0-tilt | 400 | must lie between",
                "i0-motifs | 0 | must lie between",
                "i0-out1 | 99 | must lie between",
                "b0-front | -3 | must lie between"
            })
    void whatCannotBeIsToldAndKept(String field, String typedIn, String said) {
        Map<String, String> form = kept();
        String value = typedIn == null ? "" : typedIn;
        assertThat(draft(form, field, value)).contains(said);
        Map<String, String> sent = new LinkedHashMap<>(form);
        sent.put(field, value);
        assertThat(tablet.send(design(), sent)).hasStatus(422);
        assertThat(shop.bean(DesignBook.class).find(id).orElseThrow().number()).isEqualTo(2);
    }

    @Test
    void lengthsAreReadInAnyUnit() {
        assertThat(fields(draft(kept(), "i0-width", "1 5/16 in"))).containsEntry("i0-width", "33.34");
        assertThat(fields(draft(kept(), "i0-width", "33,5"))).containsEntry("i0-width", "33.5");
    }

    @Test
    void twoTabletsTheSecondIsToldAndNamesAreNotTakenTwice() {
        Map<String, String> first = kept();
        Map<String, String> second = new LinkedHashMap<>(first);
        first.put("i0-up", "80");
        assertThat(tablet.send(design(), first)).hasStatus(302);
        second.put("i0-up", "70");
        String told = text(tablet.send(design(), second));
        assertThat(told)
                .contains("Someone saved this design while you had it open")
                .contains("value=\"70\"");
        second.put("as-new", "yes");
        assertThat(text(tablet.send(design(), second))).contains("already: choose another name");
        second.put("name", "Number plate, lower");
        assertThat(tablet.send(design(), second)).hasStatus(302);
        assertThat(tablet.page("/designs")).contains("Number plate, lower");
        assertThat(text(tablet.send("/designs", typed("name", "", "blank", "0"))))
                .contains("The name is missing")
                .contains("Choose the cup it is for");
        assertThat(tablet.get("/designs/999999")).hasStatus(404);
        assertThat(tablet.get(design() + "?v=77")).hasStatus(404);
    }

    @Test
    void anotherCupKeepsPlaceAndSize() {
        String there = draft(kept(), "blank", "" + tapered);
        assertThat(there).contains("A taper: a ring sector of 723 mm outside, 550 mm inside, 22.28°");
        assertThat(fields(there)).containsEntry("i0-width", "40").containsEntry("was", "" + tapered);
        assertThat(tablet.page(design() + "/cut?blank=" + tapered))
                .contains("for Taper")
                .contains("it fits");
    }

    /** A file of true millimetres, which a cutter that knows nothing else cuts as large as it was fitted. */
    @Test
    void theCutFileHoldsThePiecesInTrueSize() throws IOException {
        kept();
        String svg = tablet.get(design() + "/cut.svg?sheet=vinyl&roll=300mm")
                .getResponse()
                .getContentAsString(UTF_8);
        SvgDrawing cut = SvgDrawing.read(svg.getBytes(UTF_8));
        assertThat(cut.widthMm()).isEqualTo(300);
        SvgDrawing.Filled plate = cut.lines().stream()
                .filter(line -> line.colour().equals("#9d2f2b"))
                .findFirst()
                .orElseThrow();
        double wide = plate.rings().get(0)[0].distance(plate.rings().get(0)[1]);
        double tall = plate.rings().get(0)[1].distance(plate.rings().get(0)[2]);
        assertThat(wide * tall).isCloseTo(800, within(0.1));
        assertThat(svg).contains("id=\"registration\"");
        assertThat(tablet.page(design() + "/cut?roll=300mm"))
                .contains("8 cm² of pieces")
                .contains("28 mm of the roll")
                .contains("The blade goes 0.");
        assertThat(tablet.page(design() + "/cut?roll=30mm")).contains("is wider than the roll");
        assertThat(tablet.page(design() + "/cut?roll=-4&mirror=on")).contains("value=\"305\"");
        assertThat(tablet.get(design() + "/cut.svg?sheet=paper")).hasStatus(404);
    }

    /** The rule on the sheet, rasterised: 100 mm are 1181 dots at 300 an inch. Paper sizes by ISO 216 and ANSI. */
    @ParameterizedTest
    @CsvSource({"a4, 210, 297", "letter, 215.9, 279.4"})
    void theFlatIsPrintedInTrueSize(String paper, double wide, double tall) throws IOException {
        kept();
        byte[] pdf =
                tablet.get(design() + "/flat.pdf?paper=" + paper).getResponse().getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            var box = document.getPage(0).getMediaBox();
            double[] sides = {box.getWidth() * 25.4 / 72, box.getHeight() * 25.4 / 72};
            java.util.Arrays.sort(sides);
            assertThat(sides).containsExactly(new double[] {Math.min(wide, tall), Math.max(wide, tall)}, within(0.05));
            assertThat(document.getNumberOfPages())
                    .as("229 by 205 mm on sheets of 186 by 261")
                    .isEqualTo(2);
            BufferedImage sheet = new PDFRenderer(document).renderImageWithDPI(0, 300);
            int row = sheet.getHeight() - (int) Math.round(12 / 25.4 * 300);
            assertThat(longestLine(sheet, row)).isCloseTo(1181, within(4));
        }
    }

    private static int longestLine(BufferedImage sheet, int about) {
        int longest = 0;
        for (int y = about - 4; y <= about + 4; y++) {
            int run = 0;
            for (int x = 0; x < sheet.getWidth(); x++) {
                run = (sheet.getRGB(x, y) & 0xff) < 160 ? run + 1 : 0;
                longest = Math.max(longest, run);
            }
        }
        return longest;
    }

    @Test
    void aCupIsGivenADesignAndItsStepsAreCutThatLarge() {
        kept();
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        assertThat(tablet.page("/cups/" + code)).contains("Its design").contains("Number plate");
        assertThat(text(tablet.send("/cups/" + code + "/design", typed("design", ""))))
                .contains("Choose a design");
        assertThat(text(tablet.send("/cups/" + code + "/design", typed("design", "99999"))))
                .contains("Choose a design");
        assertThat(tablet.send("/cups/" + code + "/design", typed("design", "" + id)))
                .hasStatus(302);
        assertThat(tablet.page("/cups/" + code))
                .contains("Its design: Number plate")
                .contains("plate (vinyl, permanent): 40 mm × 20 mm, lower edge 90 mm above the base");
        shop.cup(code).stepsAhead().stream()
                .filter(step -> step.kind() == StepKind.VINYL)
                .forEach(step -> assertThat(step.size().orElseThrow().widthMm()).isCloseTo(40, within(1e-6)));
        assertThat(tablet.page(design())).contains("/cups/" + code);
    }

    /** P58: the first wave has the highest line; each takes its part of what the whole side would. */
    @Test
    void aWavesPartOfTheSideGivesItsResin() {
        Map<String, String> form = fields(draft(fields(draft(kept(), "press", "band-new")), "press", "band-new"));
        form.put("b0-front", "50");
        form.put("b0-back", "50");
        form.put("b1-front", "100");
        form.put("b1-back", "150");
        assertThat(tablet.send(design(), form)).hasStatus(302);
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        assertThat(tablet.send("/cups/" + code + "/technique", wavesFor(code))).hasStatus(302);
        List<PlanStep> before = waves(code);
        assertThat(before).isNotEmpty();
        double whole = shop.cup(code).share(before.get(0)).byAreaMl();
        double second = shop.cup(code).share(before.get(1)).byAreaMl();
        assertThat(tablet.send("/cups/" + code + "/design", typed("design", "" + id)))
                .hasStatus(302);
        List<PlanStep> after = waves(code);
        // 125 of 200 mm, then 50 of 200; to half a millilitre.
        assertThat(after.get(0).amountMl().orElseThrow()).isCloseTo(whole * 0.625, within(0.26));
        assertThat(after.get(1).amountMl().orElseThrow()).isCloseTo(Math.max(2, second * 0.25), within(0.26));
    }

    private Map<String, String> wavesFor(String code) {
        Map<String, String> form = fields(tablet.page("/cups/" + code + "/technique"));
        form.put("technique", "waves");
        return form;
    }

    private List<PlanStep> waves(String code) {
        return shop.cup(code).stepsAhead().stream()
                .filter(step -> step.kind() == StepKind.PARTIAL_COAT)
                .toList();
    }

    @Test
    void coloursSeamAndWhatCrossesIt() {
        Map<String, String> form = kept();
        assertThat(form).containsEntry("i0-c-9d2f2b", "#9d2f2b").containsEntry("seam", "180");
        assertThat(draft(form, "i0-c-9d2f2b", "#c9a04a"))
                .contains("fill=\"#c9a04a\"")
                .doesNotContain("fill=\"#9d2f2b\"");
        assertThat(fields(draft(form, "i0-around", "30", "press", "seam-0")).get("seam"))
                .isEqualTo("47.1");
        assertThat(draft(form, "glitter", "on")).contains("url(#glint)");
        assertThat(draft(form, "seam", "999")).contains("must lie between");
        assertThat(draft(form, "seam", "0", "i0-clear", "on")).contains("i0-clear");
        assertThat(draft(form, "i0-width", "20")).contains("50 % of its size as drawn");
    }

    @Test
    void aPictureOfDotsSaysHowFineItIs() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(300, 150, BufferedImage.TYPE_INT_RGB), "png", png);
        String page = text(tablet.upload(design() + "/art", "moon.png", png.toByteArray()));
        // 300 dots on 25.4 mm, as 300 an inch are drawn.
        assertThat(page).contains("300 dots an inch at this size").contains("value=\"water-slide\" selected");
        assertThat(draft(fields(page), "i0-width", "76.2")).contains("100 dots an inch at this size: coarse");
        byte[] broken = png.toByteArray();
        assertThat(text(tablet.upload(design() + "/art", "b.png", java.util.Arrays.copyOf(broken, 12))))
                .contains("cannot be read");
    }

    @Test
    void whatCannotBeFittedIsSaidAndNothingIsLaid() {
        assertThat(bringIn("words.svg", "<svg xmlns='http://www.w3.org/2000/svg'><text>hm</text></svg>"))
                .contains("Text is left out")
                .doesNotContain("i0-art");
        assertThat(bringIn("x.svg", "no drawing")).contains("not SVG").doesNotContain("i0-art");
        assertThat(text(tablet.upload(design() + "/art", "", new byte[0]))).contains("No file was chosen");
        assertThat(tablet.page(design())).contains("Bring in art below");
    }

    @Test
    void theGaugeAndTheFourSidesShowTheBands() {
        Map<String, String> band = fields(draft(kept(), "press", "band-new"));
        band.put("b0-name", "Sea & <sky>");
        band.put("b0-front", "60");
        band.put("b0-back", "90");
        assertThat(tablet.send(design(), band)).hasStatus(302);
        String gauge = tablet.page(design() + "/gauge.svg");
        assertThat(gauge).contains("height=\"205.000mm\"").contains("Sea &amp; &lt;sky&gt;, front 60 mm");
        assertThat(tablet.page(design() + "/sides")).contains("back").contains("<figcaption>left");
        assertThat(tablet.get(design() + "/flat.svg")).hasStatusOk();
        assertThat(tablet.get("/designs/schema.json")).hasStatusOk();
        assertThat(tablet.get("/designs/art/1.png")).hasStatus(404);
    }
}

package nursery.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import nursery.app.wrap.SvgDrawing;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What leaves a design: cut files, prints in true size, and what a cup takes from it. */
class DesignFilesTest extends BegunDesign {

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
        assertThat(svg).as("one colour has nothing to be laid on").doesNotContain("mark");
        assertThat(tablet.page(design() + "/cut?roll=300mm"))
                .contains("8 cm² of it becomes pieces, 40 % is waste")
                .contains("48 mm × 28 mm of the roll")
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
        assertThat(tablet.page(design())).contains("/cups/" + code);
    }

    /** What goes with a technique is on each cup started by it, and cut into its steps; a cup can be without again. */
    @Test
    void aTechniquesDesignIsGivenToItsCups() {
        kept();
        String technique = "/techniques/ink-under-vinyl-matte";
        assertThat(text(tablet.send(technique + "/design", typed("design", "99999"))))
                .contains("There is no such design");
        assertThat(tablet.send(technique + "/design", typed("design", "" + id))).hasStatus(302);
        assertThat(tablet.page(technique)).contains("value=\"%d\" selected".formatted(id));
        String at = tablet.send(
                        "/cups/new",
                        typed(
                                "technique",
                                "ink-under-vinyl-matte",
                                "blank",
                                "" + slim,
                                "base",
                                "" + shop.shelf().resins().get(0).id(),
                                "paint",
                                "#123456",
                                "glitter",
                                "#654321"))
                .getResponse()
                .getRedirectedUrl();
        String code = at.substring("/cups/".length());
        assertThat(tablet.page(at)).contains("Its design: Number plate");
        assertThat(shop.cup(code).stepsAhead().stream().filter(step -> step.kind() == StepKind.VINYL))
                .isNotEmpty()
                .allSatisfy(
                        step -> assertThat(step.size().orElseThrow().widthMm()).isCloseTo(40, within(1e-6)));
        assertThat(tablet.send(at + "/design", typed("design", "none"))).hasStatus(302);
        assertThat(tablet.page(at)).doesNotContain("Its design: Number plate");
        assertThat(tablet.send(technique + "/design", typed("design", ""))).hasStatus(302);
        assertThat(tablet.page(technique)).doesNotContain("value=\"%d\" selected".formatted(id));
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
        double whole = share(code, before.get(0));
        double second = share(code, before.get(1));
        assertThat(tablet.send("/cups/" + code + "/design", typed("design", "" + id)))
                .hasStatus(302);
        List<PlanStep> after = waves(code);
        // 125 of 200 mm, then 50 of 200; to half a millilitre.
        assertThat(after.get(0).amountMl().orElseThrow()).isCloseTo(whole * 0.625, within(0.26));
        assertThat(after.get(1).amountMl().orElseThrow()).isCloseTo(Math.max(2, second * 0.25), within(0.26));
    }

    private double share(String code, PlanStep step) {
        return shop.floor().share(shop.cup(code), step).suggestedMl();
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

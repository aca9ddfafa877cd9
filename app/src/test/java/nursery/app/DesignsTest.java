package nursery.app;

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
import javax.imageio.ImageIO;
import nursery.app.wrap.DesignBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The fitting bench: designs are begun, fitted by touch and by number, and kept. */
class DesignsTest extends BegunDesign {

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

    /** Two words drawn in one colour: one is cut in another, and stays so when all drawn alike become a third. */
    @Test
    void aWordHasAColourOfItsOwn() {
        Map<String, String> form = fields(bringIn(
                "words.svg",
                "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm' viewBox='0 0 40 20' "
                        + "fill='#112233'><g id='open'><rect width='8' height='8'/><rect x='10' width='8' height='8'/>"
                        + "</g><g id='night'><rect x='20' width='8' height='20'/></g></svg>"));
        assertThat(form).containsEntry("i0-n-0", "#112233").containsEntry("i0-nw-1", "#112233");
        Map<String, String> own = fields(draft(form, "i0-n-1", "#f2c14e"));
        assertThat(own).containsEntry("i0-n-0", "#112233").containsEntry("i0-n-1", "#f2c14e");
        Map<String, String> all = fields(draft(own, "i0-c-112233", "#9d2f2b"));
        assertThat(all).containsEntry("i0-n-0", "#9d2f2b").containsEntry("i0-n-1", "#f2c14e");
        assertThat(tablet.send(design(), all)).hasStatus(302);
        assertThat(tablet.page(design()))
                .contains("fill=\"#9d2f2b\"")
                .contains("fill=\"#f2c14e\"")
                .doesNotContain("fill=\"#112233\"");
        assertThat(fields(draft(fields(tablet.page(design())), "i0-n-1", "#9d2f2b")))
                .as("the same as all drawn alike: it follows them again")
                .containsEntry("i0-nw-1", "#9d2f2b");
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
                .contains("breaks off or is damaged");
    }

    /** Two thousand random points cross one another half a million times. */
    @Test
    void aScribbleIsToldToBeTooMuchAndNothingStops() {
        java.util.Random random = new java.util.Random(7);
        StringBuilder path = new StringBuilder("M0 0");
        for (int i = 0; i < 2000; i++) {
            path.append("L%.2f %.2f".formatted(100 * random.nextDouble(), 100 * random.nextDouble()));
        }
        assertThat(bringIn(
                        "scribble.svg",
                        "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'><path d='%sZ'/></svg>"
                                .formatted(path)))
                .contains("cross one another more than 20000 times")
                .doesNotContain("i0-art");
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
}

package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import nursery.app.wrap.SvgDrawing;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/** The fitting bench, on a tablet and a phone. */
class WrapJourneyTest extends Journey {

    private static final String PLATE = "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm' "
            + "viewBox='0 0 40 20'><rect fill='#2c3a40' width='40' height='20'/></svg>";

    private void settled() {
        page.waitForFunction("() => !document.querySelector('.htmx-request')");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void fromAFileToTheCutFile(int width) {
        measureABlank();
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/designs");
        page.getByLabel("Name").fill("Number plate");
        send("Begin it");
        noWiderThanTheScreen();
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("plate.svg", "image/svg+xml", PLATE.getBytes(StandardCharsets.UTF_8)));
        button("Bring it in").click();
        assertThat(page.locator(".fit-tell")).containsText("It fits");
        noWiderThanTheScreen();
        Locator height = page.getByLabel("Middle at, mm");
        height.fill("198");
        height.blur();
        assertThat(page.locator(".fit-concerns")).containsText("Past the rim");
        page.locator(".fit-concerns button").first().click();
        assertThat(page.locator(".fit-tell")).containsText("It fits");
        turnedByItsSlider();
        dragged();
        page.getByLabel("On this cup").selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(0));
        settled();
        unfold("Joined, outlined, coloured, repeated");
        page.getByLabel("Outline, mm").fill("1.75");
        page.getByLabel("Outline, mm").blur();
        settled();
        assertThat(page.locator(".flat-item path")).hasCount(2);
        button("A band or wave").click();
        assertThat(page.locator(".fit-bands li")).hasCount(1);
        send("Keep it");
        assertThat(page.locator(".fit-bands")).containsText("of the coated side below it");
        assertThat(page.locator(".flat-item path")).hasCount(2);
        link("Four sides").click();
        assertThat(page.locator(".four-sides svg")).hasCount(4);
        noWiderThanTheScreen();
        page.goBack();
        link("Cut it").click();
        noWiderThanTheScreen();
        assertThat(page.locator("main")).containsText("of the roll");
        assertThat(page.locator("main")).containsText("2 colours, a roll each");
        assertThat(page.locator(".on-roll")).hasCount(2);
        page.getByLabel("Mirrored").check();
        button("Set it out").click();
        for (Locator file :
                page.locator(".on-roll a, a:text-is('All of them in one file')").all()) {
            assertThat(page.request().get(shop.address() + file.getAttribute("href")))
                    .isOK();
        }
    }

    private void turnedByItsSlider() {
        String before = page.locator("#side").innerHTML();
        page.locator("#turn")
                .evaluate("slider => { slider.value = 90; slider.dispatchEvent(new Event('input', "
                        + "{bubbles: true})); }");
        page.waitForFunction("before => document.getElementById('side').innerHTML !== before", before);
    }

    /** Taken in the middle and dropped lower to the left; what it then says is what the hand did. */
    private void dragged() {
        Locator plate = page.locator(".flat-item").first();
        plate.scrollIntoViewIfNeeded();
        BoundingBox box = plate.boundingBox();
        double up = Double.parseDouble(page.getByLabel("Middle at, mm").inputValue());
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 - 20, box.y + box.height / 2 + 30);
        page.mouse().move(box.x + box.width / 2 - 20, box.y + box.height / 2 + 40);
        page.mouse().up();
        page.waitForFunction("was => Number(document.getElementById('i0-up').value) < was - 5", up);
        assertThat(Double.parseDouble(page.getByLabel("To the right, mm").inputValue()))
                .isNegative();
        double milli = 40 / box.width;
        assertThat(up - Double.parseDouble(page.getByLabel("Middle at, mm").inputValue()))
                .as("forty dots of the screen, in millimetres")
                .isBetween(40 * milli - 4, 40 * milli + 4);
    }

    /** The browser is the other reader of SVG: what it says lies inside a random path lies inside ours. */
    @Test
    void randomPathsAreReadAsTheBrowserReadsThem() {
        Random random = new Random(23);
        page.navigate("/words");
        int compared = 0;
        for (int n = 0; n < 60; n++) {
            String path = path(random);
            boolean evenOdd = n % 2 == 0;
            Geometry ours = Shapes.joined(SvgDrawing.read(("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' "
                                    + "height='100mm' viewBox='0 0 100 100'><path fill-rule='"
                                    + (evenOdd ? "evenodd" : "nonzero") + "' d='" + path + "'/></svg>")
                            .getBytes(StandardCharsets.UTF_8))
                    .lines()
                    .stream()
                    .map(filled -> Shapes.filling(filled.rings(), filled.evenOdd()))
                    .toList());
            List<Double> points = new ArrayList<>();
            for (int i = 0; i < 80; i++) {
                points.add(random.nextDouble() * 100);
            }
            List<?> theirs = (List<?>) page.evaluate(
                    """
                    ([path, rule, at]) => {
                      const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
                      const shape = document.createElementNS('http://www.w3.org/2000/svg', 'path');
                      shape.setAttribute('d', path);
                      shape.setAttribute('fill-rule', rule);
                      svg.append(shape);
                      document.body.append(svg);
                      const inside = [];
                      for (let i = 0; i < at.length; i += 2)
                        inside.push(shape.isPointInFill(new DOMPoint(at[i], at[i + 1])));
                      svg.remove();
                      return inside;
                    }""",
                    List.of(path, evenOdd ? "evenodd" : "nonzero", points));
            for (int i = 0; i < theirs.size(); i++) {
                var at = Shapes.FACTORY.createPoint(new Coordinate(points.get(2 * i), points.get(2 * i + 1)));
                if (ours.getBoundary().distance(at) > 0.05) {
                    assertThat(ours.contains(at)).as("%s at %s", path, at).isEqualTo(theirs.get(i));
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(2000);
    }

    private static String path(Random random) {
        StringBuilder path = new StringBuilder("M").append(numbers(random, 2, false));
        int segments = 3 + random.nextInt(6);
        for (int i = 0; i < segments; i++) {
            boolean relative = random.nextBoolean();
            char command = "LHVCSQTAZ".charAt(random.nextInt(9));
            path.append(relative ? Character.toLowerCase(command) : command);
            switch (command) {
                case 'L', 'T' -> path.append(numbers(random, 2, relative));
                case 'H', 'V' -> path.append(numbers(random, 1, relative));
                case 'S', 'Q' -> path.append(numbers(random, 4, relative));
                case 'C' -> path.append(numbers(random, 6, relative));
                case 'A' ->
                    path.append(numbers(random, 2, false))
                            .append(random.nextInt(90))
                            .append(random.nextBoolean() ? " 1," : " 0,")
                            .append(random.nextBoolean() ? "1 " : "0 ")
                            .append(numbers(random, 2, relative));
                default -> {}
            }
        }
        return path.toString();
    }

    private static String numbers(Random random, int count, boolean relative) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            double value = relative ? random.nextDouble() * 60 - 30 : 5 + random.nextDouble() * 90;
            text.append(String.format(Locale.ROOT, "%.2f", value)).append(i % 2 == 0 ? " " : ",");
        }
        return text.toString().replaceAll("[ ,]$", " ");
    }

    /** A piece is as large on the picture as on the flat: one millimetre is one unit in both. */
    @Test
    void theFlatIsDrawnInTrueProportion() {
        measureABlank();
        page.navigate("/designs/" + aDesign());
        Locator wheel = page.locator(".flat-item path").last();
        Object box = wheel.evaluate("path => { const b = path.getBBox(); return b.width / b.height; }");
        assertThat(((Number) box).doubleValue()).isBetween(0.99, 1.01);
        SvgDrawing drawing = SvgDrawing.read(page.evaluate(
                        "() => fetch(location.pathname + '/cut.svg?sheet=vinyl')" + ".then(answer => answer.text())")
                .toString()
                .getBytes(StandardCharsets.UTF_8));
        Piece outline = drawing.art().pieces().stream()
                .filter(piece -> piece.colour().equals("#ffffff"))
                .findFirst()
                .orElseThrow();
        assertThat(outline.shape().getEnvelopeInternal().getWidth()).isBetween(73.4, 73.6);
    }
}

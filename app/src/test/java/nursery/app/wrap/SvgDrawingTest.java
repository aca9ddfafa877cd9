package nursery.app.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Art;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** SVG as it is read: the examples of the SVG 1.1 recommendation (second edition) with areas worked out by hand. */
class SvgDrawingTest {

    private static SvgDrawing read(String svg) {
        return SvgDrawing.read(svg.getBytes(StandardCharsets.UTF_8));
    }

    /** A drawing whose user unit is a millimetre. */
    private static SvgDrawing inMm(String inside) {
        return read("<svg xmlns='http://www.w3.org/2000/svg' width='1200mm' height='400mm' viewBox='0 0 1200 400'>"
                + inside + "</svg>");
    }

    private static double area(String inside) {
        return inMm(inside).art().pieces().stream()
                .mapToDouble(piece -> piece.areaMm2())
                .sum();
    }

    /**
     * Section 8.3: triangle01 (8.3.3); the pies of arcs01 (8.3.8), three quarters and one quarter of a circle of 150; a
     * cubic from 8.3.6, whose area is 3/5 of half its control polygon's (by integration); quad01's first hump is two
     * thirds of its control triangle (Archimedes).
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "M 100 100 L 300 100 L 200 300 z | 20000",
                "M300,200 h-150 a150,150 0 1,0 150,-150 z | 53014.376",
                "M275,175 v-150 a150,150 0 0,0 -150,150 z | 17671.459",
                "M100,200 C100,100 250,100 250,200 | 9000",
                "M200,300 Q400,50 600,300 | 33333.333",
                "M200,300 Q400,50 600,300 T1000,300 | 66666.667",
                "M10-20.5.5-30L-3,4z | 178.125",
                "m 10 10 20 0 0 20 -20 0 z m 5 5 h10 v10 h-10z | 400"
            })
    void pathsOfTheRecommendation(String path, double mm2) {
        assertThat(area("<path d='" + path + "'/>")).isCloseTo(mm2, within(mm2 * 1e-3));
    }

    @Test
    void basicShapes() {
        assertThat(area("<rect x='10' y='10' width='40' height='20'/>")).isCloseTo(800, within(1e-6));
        assertThat(area("<rect width='40' height='20' rx='5'/>")).isCloseTo(800 - (4 - Math.PI) * 25, within(1.0));
        assertThat(area("<circle cx='50' cy='50' r='20'/>")).isCloseTo(Math.PI * 400, within(6.0));
        assertThat(area("<ellipse cx='50' cy='50' rx='20' ry='10'/>")).isCloseTo(Math.PI * 200, within(4.0));
        assertThat(area("<polygon points='0,0 10,0 10,10'/>")).isCloseTo(50, within(1e-9));
        assertThat(area("<polyline points='0 0 10 0 10 10'/>")).isCloseTo(50, within(1e-9));
    }

    /** CSS 2.1, 4.3.2: 1 in = 96 px = 72 pt = 6 pc = 25.4 mm. */
    @ParameterizedTest
    @CsvSource({"25.4mm", "2.54cm", "1in", "96px", "96", "72pt", "6pc"})
    void everyUnitIsTheSameInch(String width) {
        SvgDrawing drawing = read("<svg xmlns='http://www.w3.org/2000/svg' width='%s' height='%s' viewBox='0 0 1 1'>"
                        .formatted(width, width)
                + "<rect width='1' height='1'/></svg>");
        assertThat(drawing.art().widthMm()).isCloseTo(25.4, within(1e-9));
    }

    @Test
    void withoutAViewBoxAUnitIsAPixel() {
        SvgDrawing drawing = read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm'>"
                + "<rect width='96' height='48'/><rect x='1in' y='0' width='25.4mm' height='10'/></svg>");
        assertThat(drawing.art().widthMm()).isCloseTo(50.8, within(1e-9));
    }

    /** The first transform acts last (7.5); a viewBox is fitted in the middle (7.8). */
    @Test
    void groupsTransformsAndTheViewBox() {
        SvgDrawing drawing = read("<svg xmlns='http://www.w3.org/2000/svg' width='200mm' height='100mm' "
                + "viewBox='0 0 100 100'><g transform='translate(10 20) scale(2)'><g transform='rotate(90)'>"
                + "<rect id='bar' width='10' height='2' style='fill:#FFAA00; stroke:none'/></g></g></svg>");
        SvgDrawing.Filled bar = drawing.lines().get(0);
        assertThat(bar.name()).isEqualTo("bar");
        assertThat(bar.colour()).isEqualTo("#ffaa00");
        double[] x = java.util.Arrays.stream(bar.rings().get(0))
                .mapToDouble(at -> at.x)
                .toArray();
        double[] y = java.util.Arrays.stream(bar.rings().get(0))
                .mapToDouble(at -> at.y)
                .toArray();
        // Turned by 90° the bar hangs from (10, 20) to (6, 40); 50 mm further in, since the page is twice as wide.
        assertThat(java.util.Arrays.stream(x).min().orElseThrow()).isCloseTo(56, within(1e-9));
        assertThat(java.util.Arrays.stream(x).max().orElseThrow()).isCloseTo(60, within(1e-9));
        assertThat(java.util.Arrays.stream(y).max().orElseThrow()).isCloseTo(40, within(1e-9));
    }

    @Test
    void upIsUpAndFillRulesAreKept() {
        Art art = inMm("<path fill-rule='evenodd' d='M0 0h30v30h-30z M10 10h10v10h-10z'/>"
                        + "<path fill='red' d='M100 0h10v10h-10z'/>")
                .art();
        assertThat(art.pieces().get(0).areaMm2()).isCloseTo(800, within(1e-9));
        assertThat(art.pieces().get(1).colour()).isEqualTo("#ff0000");
        assertThat(art.pieces().get(1).shape().getEnvelopeInternal().getMaxY())
                .as("what is drawn at the top lies at the top")
                .isCloseTo(15, within(1e-9));
    }

    @Test
    void whatCannotBeCutIsNamed() {
        SvgDrawing drawing = inMm("<text>Mira</text><image href='http://example.invalid/a.png'/>"
                + "<use href='#x'/><line x2='9'/><path fill='none' d='M0 0h9v9z'/><rect width='9' height='9' "
                + "fill='url(#g)'/><rect display='none' width='99' height='99'/>");
        assertThat(drawing.lines()).hasSize(1);
        assertThat(drawing.left())
                .anyMatch(words -> words.startsWith("Text is left out"))
                .anyMatch(words -> words.startsWith("Pictures are left out"))
                .anyMatch(words -> words.startsWith("A clone of something that is not in the file"))
                .anyMatch(words -> words.startsWith("Lines have no area"))
                .anyMatch(words -> words.startsWith("Shapes without a fill"))
                .anyMatch(words -> words.startsWith("Gradients"));
        assertThatThrownBy(() -> inMm("<text>only words</text>").art()).hasMessageContaining("Nothing in it");
    }

    private static final String BOMB = "<?xml version='1.0'?><!DOCTYPE svg [<!ENTITY a 'aaaaaaaaaa'><!ENTITY b "
            + "'&a;&a;&a;&a;&a;&a;&a;&a;'><!ENTITY c SYSTEM 'file:///etc/passwd'>]><svg "
            + "xmlns='http://www.w3.org/2000/svg'><path id='&c;' d='M0 0h1v1z'/>&b;</svg>";

    @ParameterizedTest
    @ValueSource(
            strings = {
                BOMB,
                "",
                "hello",
                "<html/>",
                "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0 L NaN 4'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0h1e300v1e300z'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><rect width='wide' height='2'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' width='-4mm'><rect width='2' height='2'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><g transform='spin(9)'><rect width='2' height='2'/></g></svg>"
            })
    void whatIsNoDrawingIsRefused(String file) {
        assertThatThrownBy(() -> read(file)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void deepGroupsManyElementsAndManyPointsAreRefused() {
        String deep = "<g>".repeat(500) + "<rect width='2' height='2'/>" + "</g>".repeat(500);
        assertThatThrownBy(() -> inMm(deep)).hasMessageContaining("deep");
        assertThatThrownBy(() -> inMm("<rect width='2' height='2'/>".repeat(25_000)))
                .hasMessageContaining("elements");
        assertThatThrownBy(() -> inMm("<path d='M0 0" + "l1 1l1-1".repeat(150_000) + "z'/>"))
                .hasMessageContaining("points");
        assertThatThrownBy(() -> SvgDrawing.read(new byte[SvgDrawing.LARGEST_BYTES + 1]))
                .hasMessageContaining("larger than");
    }

    /** Clones of clones of clones: a kilobyte that would be a million shapes. */
    @Test
    void clonesOfClonesAreRefusedBeforeTheyAreMany() {
        StringBuilder file = new StringBuilder("<defs><rect id='c0' width='1' height='1'/>");
        for (int i = 1; i <= 6; i++) {
            file.append("<g id='c%d'>".formatted(i))
                    .append("<use href='#c%d'/>".formatted(i - 1).repeat(10))
                    .append("</g>");
        }
        assertThatThrownBy(() -> inMm(file.append("</defs><use href='#c6'/>").toString()))
                .isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> inMm("<g id='a'><use href='#b'/></g><g id='b'><use href='#a'/></g>"))
                .hasMessageContaining("made of itself");
    }

    /** What a style sheet may hold that is none: it is passed over and told, and nothing outside is asked for. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "\\",
                "rect{",
                "}",
                "@import url(http://127.0.0.1:1/a.css);",
                "rect:nth-child(2n+1){fill:red}",
                "rect{fill:oklch(40% 0.2 20)}"
            })
    void aStyleSheetThatIsNoneIsPassedOver(String rules) {
        SvgDrawing read = inMm("<style>%s</style><rect width='9' height='9' fill='#123456'/>".formatted(rules));
        assertThat(read.lines()).hasSize(1);
        assertThat(read.lines().get(0).colour()).isEqualTo("#123456");
        assertThat(read.left()).anySatisfy(words -> assertThat(words).contains("style sheet are not read"));
    }

    @Test
    void aPlainDocumentTypeIsHarmless() {
        assertThat(read("<?xml version='1.0'?>\n<!DOCTYPE svg PUBLIC '-//W3C//DTD SVG 1.1//EN' "
                                + "'http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd'>\n"
                                + "<svg xmlns='http://www.w3.org/2000/svg' width='10mm' height='10mm' "
                                + "viewBox='0 0 10 10'><rect width='10' height='10'/></svg>")
                        .art()
                        .widthMm())
                .isCloseTo(10, within(1e-9));
    }

    @Test
    void whatIsWrittenIsReadBackTheSame() {
        Art art = inMm("<path d='M300,200 h-150 a150,150 0 1,0 150,-150 z'/><circle fill='#9d2f2b' cx='90' r='20'/>")
                .art();
        Art back = read(SvgDrawing.file(art.pieces())).art();
        assertThat(back.widthMm()).isCloseTo(art.widthMm(), within(0.002));
        assertThat(back.pieces()).hasSize(2);
        for (int i = 0; i < 2; i++) {
            double area = art.pieces().get(i).areaMm2();
            assertThat(back.pieces().get(i).areaMm2()).isCloseTo(area, within(area * 1e-5));
        }
    }
}

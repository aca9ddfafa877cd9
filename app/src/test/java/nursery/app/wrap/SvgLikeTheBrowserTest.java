package nursery.app.wrap;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Clip;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.geom.Coordinate;

/** Drawings of many styles, made for this, as Chromium paints them and as they are read to be cut. */
@ExtendWith(ShopUnderTest.class)
class SvgLikeTheBrowserTest {

    private static final int PX = 240;
    /** Edges are smoothed there and not here. */
    private static final double OF_EDGES = 0.012;

    private static Page page;

    @BeforeAll
    static void open(Running shop) {
        page = shop.browser().newPage(new Browser.NewPageOptions().setViewportSize(PX, PX));
    }

    @AfterAll
    static void close() {
        page.close();
    }

    private static String box(String attributes, String inside) {
        return "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' width='240' "
                + "height='240' " + attributes + ">" + inside + "</svg>";
    }

    private static String plain(String inside) {
        return box("viewBox='0 0 120 120'", inside);
    }

    private static final String STAR =
            "<path id='star' d='M60 10L72 45H110L79 67L91 103L60 81L29 103L41 67L10 45H48Z'/>";

    static Stream<String> drawings() {
        return Stream.of(
                // shapes and their units
                plain("<rect x='10' y='20' width='60' height='40'/>"),
                plain("<rect x='10' y='20' width='60' height='40' rx='12'/>"),
                plain("<rect x='10' y='20' width='60' height='40' rx='40' ry='8'/>"),
                plain("<rect x='10%' y='20%' width='50%' height='25%' fill='teal'/>"),
                plain("<circle cx='60' cy='60' r='40' fill='seagreen'/>"),
                plain("<circle cx='50%' cy='50%' r='25%' fill='tomato'/>"),
                plain("<ellipse cx='60' cy='60' rx='50' ry='20' fill='slateblue'/>"),
                plain("<ellipse cx='50%' cy='40%' rx='40%' ry='10%'/>"),
                plain("<polygon points='10,110 60,10 110,110' fill='#abc'/>"),
                plain("<polyline points='10,110 60,10 110,110 60 60' fill='orange'/>"),
                box("viewBox='0 0 240 240'", "<rect x='1cm' y='1cm' width='30mm' height='1in' fill='plum'/>"),
                box("", "<rect x='10' y='10' width='50%' height='100pt' fill='peru'/>"),
                // paths
                plain(STAR),
                plain("<path d='M10 60A50 50 0 0 1 110 60A50 50 0 0 1 10 60Z' fill='navy'/>"),
                plain("<path d='M10 60a7 7 0 0 0 100 0z' fill='maroon'/>"),
                plain("<path d='M20 60A60 20 30 1 1 100 60' fill='olive'/>"),
                plain("<path d='M10 80C30 0 60 0 60 60S100 120 110 40V110H10Z' fill='crimson'/>"),
                plain("<path d='M10 60Q35 0 60 60T110 60V110H10Z' fill='indigo'/>"),
                plain("<path d='m10 10h100v100h-100zm20 20v60h60v-60z' fill='sienna'/>"),
                plain("<path fill-rule='evenodd' d='M10 10H110V110H10ZM30 30H90V90H30Z' fill='coral'/>"),
                plain("<path d='M60 5L95 110L5 45H115L25 110Z' fill='darkgreen'/>"),
                plain("<path style='fill-rule:evenodd' d='M60 5L95 110L5 45H115L25 110Z' fill='darkgreen'/>"),
                // colours
                plain("<rect width='40' height='40' fill='rebeccapurple'/><rect x='50' width='40' height='40' "
                        + "fill='lightgoldenrodyellow'/><rect y='50' width='40' height='40' fill='rgb(20%,60%,40%)'/>"
                        + "<rect x='50' y='50' width='40' height='40' fill='rgba(10,200,30,1)'/>"),
                plain("<g color='firebrick'><rect width='60' height='60' fill='currentColor'/></g>"),
                plain("<g fill='gold'><rect width='60' height='60'/><rect x='60' width='30' height='60' "
                        + "fill='inherit'/></g>"),
                plain("<rect width='60' height='60' fill='#1e90ffff'/>"),
                // style sheets
                plain("<style>.a{fill:#d33}.b{fill:#3a3}</style><rect class='a' width='50' height='50'/>"
                        + "<rect class='b' x='60' width='50' height='50'/>"),
                plain("<defs><style type='text/css'><![CDATA[ .cls-1{fill:#456;} "
                        + ".cls-2 , .cls-3 {fill:#c84} ]]></style>"
                        + "</defs><circle class='cls-1' cx='30' cy='30' r='25'/>"
                        + "<circle class='cls-3' cx='90' cy='90' r='25'/>"),
                plain("<style>rect{fill:teal} #one{fill:purple} rect.two{fill:orange}</style><rect id='one' width='30' "
                        + "height='30' class='two'/><rect class='two' x='40' width='30' height='30'/><rect x='80' "
                        + "width='30' height='30'/>"),
                plain("<style>/* first */ .a{fill:red} .a{fill:blue}</style><rect class='a' width='60' height='60'/>"),
                plain("<style>.a{fill:red}</style><rect class='a' fill='green' width='60' height='60'/>"),
                plain("<style>.a{fill:red}</style><rect class='a' style='fill:green' width='60' height='60'/>"),
                plain("<style>.hide{display:none}.b{fill:navy}</style><rect class='hide' width='60' height='60'/>"
                        + "<rect class='b x' y='60' width='60' height='60'/>"),
                plain("<style>*{fill:olive}</style><rect width='60' height='60'/>"),
                // seen and not seen
                plain("<g visibility='hidden'><rect width='60' height='60'/><rect x='60' y='60' width='50' height='50' "
                        + "visibility='visible' fill='teal'/></g>"),
                plain("<g style='display:none'><rect width='60' height='60' style='display:inline'/></g>" + STAR),
                plain("<rect width='60' height='60' opacity='0'/><rect x='60' width='50' height='50'/>"),
                plain("<g opacity='0'><rect width='60' height='60'/></g><rect x='60' width='50' height='50'/>"),
                plain("<rect width='60' height='60' fill-opacity='0'/><rect x='60' width='50' height='50'/>"),
                plain("<rect width='60' height='60' style='opacity:0.0'/><rect x='60' width='50' height='50'/>"),
                // transforms
                plain("<rect width='30' height='30' transform='translate(60 20) rotate(30)'/>"),
                plain("<rect width='30' height='30' transform='rotate(45 60 60) translate(45,45)'/>"),
                plain("<rect width='30' height='30' transform='matrix(1 .5 -.3 1.2 40 10)' fill='brown'/>"),
                plain("<rect width='30' height='30' transform='skewX(20) scale(2,1.5)'/>"),
                plain("<rect width='30' height='30' style='transform:translate(40px,20px) rotate(20deg)'/>"),
                plain("<g style='transform: scale(1.5)'><rect x='10' y='10' width='30' height='30'/></g>"),
                plain("<g transform='translate(60,60)'><g transform='scale(.5)'><g transform='rotate(15)'>"
                        + "<rect width='60' height='60' fill='orchid'/></g></g></g>"),
                // clones and symbols
                plain("<defs>" + STAR + "</defs><use href='#star' fill='steelblue'/>"),
                plain("<defs>" + STAR + "</defs><use xlink:href='#star' transform='scale(.5)'/><use href='#star' "
                        + "x='30' y='30' transform='scale(.5)' fill='tomato'/>"),
                plain("<symbol id='s' viewBox='0 0 10 10'><circle cx='5' cy='5' r='5'/></symbol>"
                        + "<use href='#s' x='10' "
                        + "y='10' width='40' height='40'/>"
                        + "<use href='#s' x='60' y='60' width='50' height='30' fill='teal'/>"),
                plain("<symbol id='s'><rect width='20' height='20'/></symbol><use href='#s' x='50' y='50'/>"),
                plain("<g id='leaf'><ellipse cx='30' cy='30' rx='20' ry='8'/></g><use href='#leaf' x='50' y='50'/>"),
                plain("<defs><g id='a'><rect width='20' height='20'/></g><g id='b'><use href='#a'/><use href='#a' "
                        + "x='30'/></g></defs><use href='#b' y='10'/><use href='#b' y='60' fill='crimson'/>"),
                // views in views
                box(
                        "viewBox='0 0 240 240'",
                        "<svg x='40' y='40' width='120' height='120' viewBox='0 0 60 60'>"
                                + "<circle cx='30' cy='30' r='30'/></svg>"),
                box(
                        "viewBox='0 0 240 240'",
                        "<svg x='20' y='20' width='200' height='80' viewBox='0 0 40 40'>"
                                + "<rect width='40' height='40' fill='teal'/></svg>"),
                box(
                        "viewBox='0 0 240 240'",
                        "<svg x='20' y='20' width='200' height='80' viewBox='0 0 40 40' "
                                + "preserveAspectRatio='xMinYMid'><rect width='40' height='40' fill='teal'/></svg>"),
                box(
                        "viewBox='0 0 240 240'",
                        "<svg x='20' y='20' width='200' height='80' viewBox='0 0 40 40' "
                                + "preserveAspectRatio='none'><circle cx='20' cy='20' r='18' fill='teal'/></svg>"),
                box(
                        "viewBox='0 0 240 240'",
                        "<svg width='50%' height='50%'><rect width='50%' height='100%' " + "fill='sienna'/></svg>"),
                box("viewBox='0 0 100 50'", "<rect width='100' height='50'/>"),
                box("viewBox='0 0 100 50' preserveAspectRatio='xMidYMin meet'", "<rect width='100' height='50'/>"),
                box("viewBox='0 0 100 50' preserveAspectRatio='none'", "<circle cx='50' cy='25' r='20'/>"),
                box("viewBox='-60 -60 120 120'", "<circle r='40' fill='purple'/>"),
                box("viewBox='10 20 60 60'", "<rect x='20' y='30' width='30' height='20'/>"),
                // rules for one thing inside or beside another, and what counts before what
                plain("<style>g > rect{fill:#d33} .row circle{fill:#3a3}</style><g class='row'><rect width='50' "
                        + "height='50'/><g><circle cx='90' cy='30' r='25'/></g></g><rect y='60' "
                        + "width='50' height='50'/>"),
                plain("<style>.a{fill:green !important}</style><rect class='a' style='fill:red' width='60' "
                        + "height='60'/>"),
                plain("<style>rect[width='50']{fill:teal} rect + circle{fill:purple}</style><rect width='50' "
                        + "height='50'/><circle cx='90' cy='30' r='25'/><circle cx='30' cy='90' r='25'/>"),
                plain("<style>@media print{rect{fill:red}} @media screen{circle{fill:navy}}</style><rect width='50' "
                        + "height='50'/><circle cx='90' cy='30' r='25'/>"),
                plain("<style>g rect{fill:red} rect{fill:blue}</style><g><rect width='60' height='60'/></g>"),
                plain("<style>.t{transform:translate(30px,20px) rotate(15deg)}</style><rect class='t' width='40' "
                        + "height='40'/>"),
                plain("<defs><rect id='r' width='40' height='40'/></defs><use href='#r' fill='teal'/><use href='#r' "
                        + "x='60' style='fill:orange'/><g fill='purple'><use href='#r' y='60'/></g>"),
                plain("<rect width='40' height='40' fill='hsl(200, 60%, 40%)'/><rect x='60' width='40' height='40' "
                        + "fill='#aa3366ff'/><rect y='60' width='40' height='40' style='fill:rgb(10% 60% 30%)'/>"
                        + "<rect x='60' y='60' width='40' height='40' fill='rebeccapurple'/>"),
                plain("<style>#face{fill:teal} #beef{fill: #a36f} .c{fill:transparent}</style>"
                        + "<rect id='face' width='40' "
                        + "height='40'/><rect id='beef' x='60' width='40' height='40'/><rect class='c' y='60' "
                        + "width='40' height='40'/><rect x='60' y='60' width='40' height='40' fill='transparent'/>"),
                plain("<rect width='40' height='40' style='opacity:0%'/><rect x='60' width='40' height='40' "
                        + "fill-opacity='0%'/><rect y='60' width='40' height='40' fill='teal' opacity='100%'/>"),
                plain("<style>rect{fill:inherit}</style><g fill='crimson'><rect width='60' height='60'/></g>"),
                // and all of it at once
                plain("<defs><style>.petal{fill:#b33}</style><path id='petal' class='petal' d='M0 0C20 -20 20 -50 0 -55"
                        + "C-20 -50 -20 -20 0 0Z'/></defs><g transform='translate(60 60)'><use href='#petal'/>"
                        + "<use href='#petal' transform='rotate(120)'/><use href='#petal' transform='rotate(240)'/>"
                        + "<circle r='12' fill='gold'/></g>"));
    }

    @ParameterizedTest
    @MethodSource("drawings")
    void whatIsReadIsWhatIsSeen(String svg) throws IOException {
        BufferedImage seen = painted(svg);
        BufferedImage read = drawn(SvgDrawing.read(svg.getBytes(StandardCharsets.UTF_8)));
        int other = 0;
        int ink = 0;
        for (int x = 0; x < PX; x++) {
            for (int y = 0; y < PX; y++) {
                other += apart(new Color(seen.getRGB(x, y)), new Color(read.getRGB(x, y))) > 100 ? 1 : 0;
                ink += apart(new Color(seen.getRGB(x, y)), Color.WHITE) > 5 ? 1 : 0;
            }
        }
        assertThat(ink).as("something is drawn").isGreaterThan(300);
        assertThat((double) other / (PX * PX)).as(svg).isLessThan(OF_EDGES);
    }

    private static BufferedImage painted(String svg) throws IOException {
        page.setContent(
                "<body style='margin:0;background:#fff'>" + svg.replace("<svg ", "<svg style='display:block' "));
        byte[] png = page.screenshot(new Page.ScreenshotOptions().setClip(new Clip(0, 0, PX, PX)));
        return ImageIO.read(new ByteArrayInputStream(png));
    }

    private static BufferedImage drawn(SvgDrawing drawing) {
        BufferedImage image = new BufferedImage(PX, PX, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = image.createGraphics();
        on.setColor(Color.WHITE);
        on.fillRect(0, 0, PX, PX);
        on.scale(96 / 25.4, 96 / 25.4);
        for (SvgDrawing.Filled filled : drawing.lines()) {
            Path2D.Double path = new Path2D.Double(filled.evenOdd() ? Path2D.WIND_EVEN_ODD : Path2D.WIND_NON_ZERO);
            for (Coordinate[] ring : filled.rings()) {
                path.moveTo(ring[0].x, ring[0].y);
                for (int i = 1; i < ring.length; i++) {
                    path.lineTo(ring[i].x, ring[i].y);
                }
            }
            on.setColor(Color.decode(filled.colour()));
            on.fill(path);
        }
        on.dispose();
        return image;
    }

    private static int apart(Color one, Color other) {
        return Math.abs(one.getRed() - other.getRed())
                + Math.abs(one.getGreen() - other.getGreen())
                + Math.abs(one.getBlue() - other.getBlue());
    }

    @Test
    void whatCannotBeCutIsNamedTruly() {
        assertThat(left("<text>Moss</text>")).containsExactly("Text is left out: turn it into outlines first.");
        assertThat(left("<path d='M0 0L50 50' fill='none' stroke='#000'/>"))
                .containsExactly("Strokes without a fill are left out: outline them first.");
        assertThat(left("<rect width='50' height='50' stroke='#000'/>"))
                .containsExactly(
                        "Of shapes with a stroke the fill alone is cut: outline the strokes, too, if they are meant.");
        assertThat(left("<style>g > rect{fill:red}</style><rect width='50' height='50'/>"))
                .isEmpty();
        assertThat(left("<style>rect:nth-child(2){fill:red}</style><rect width='50' height='50'/>"))
                .containsExactly("Some rules of its style sheet are not read: look whether its colours are right.");
        assertThat(left("<use href='#gone'/>"))
                .containsExactly("A clone of something that is not in the file is left out.");
        assertThat(left("<rect width='9' height='9'/>")).isEmpty();
        assertThat(left("<style>@import url(http://127.0.0.1:1/a.css); rect{fill:red}</style><rect width='50' "
                        + "height='50'/>"))
                .containsExactly("Some rules of its style sheet are not read: look whether its colours are right.");
        assertThat(left("<rect width='9' height='9' fill='url(http://127.0.0.1:1/a.svg#g)'/>"))
                .containsExactly("Gradients, patterns and rare colour names are taken as grey: choose colours here.");
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> left("<g id='a'><use href='#a'/></g>")))
                .hasMessageContaining("made of itself");
    }

    private static List<String> left(String inside) {
        return SvgDrawing.read(plain(inside).getBytes(StandardCharsets.UTF_8)).left();
    }
}

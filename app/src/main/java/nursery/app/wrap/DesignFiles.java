package nursery.app.wrap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.floor.Floors;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.floor.ShelfBlank;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.wrap.Concern;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.util.HtmlUtils;

/** What leaves a design: the flat in true size, cut files, the band gauge, its four sides. */
@Controller
class DesignFiles {

    private static final String SVG = "image/svg+xml";
    /** A foot, and what it is called where it is not. */
    private static final double USUAL_ROLL_MM = 305;

    private static final double USUAL_ROLL_IN_INCHES_MM = 304.8;
    private static final double GAUGE_MM = 30;

    private final DesignBook designs;
    private final ArtShelf shelf;
    private final Bench bench;
    private final Floors floors;

    DesignFiles(DesignBook designs, ArtShelf shelf, Bench bench, Floors floors) {
        this.designs = designs;
        this.shelf = shelf;
        this.bench = bench;
        this.floors = floors;
    }

    /** A design as kept, on the blank that is asked for. */
    record Ready(long id, Sketch sketch, ShelfBlank blank, Fitting fitting) {}

    /** One material with what cutting each of its rolls takes. */
    record Material(CutFile file, List<OnRoll> rolls) {}

    /** A roll with the blade's way on it. */
    record OnRoll(CutFile.Roll roll, SimulatedCutter cutter, String drawing) {
        static OnRoll of(CutFile.Roll roll, boolean mirrored) {
            SimulatedCutter cutter = SimulatedCutter.cut(roll.svg(mirrored));
            // The piece that is cut off; what is left of the width beside it is of no interest.
            return new OnRoll(
                    roll, cutter, "0 0 %.1f %.1f".formatted(Math.max(roll.nest().acrossMm(), 1), cutter.heightMm()));
        }
    }

    /** Another size it could go on. */
    record Size(ShelfBlank blank, List<Concern> concerns) {}

    private Ready ready(long id, Map<String, String> typed) {
        DesignBook.Kept kept = designs.find(id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no design " + id + "."));
        String asked = typed.getOrDefault("blank", "");
        ShelfBlank blank = bench.blank(
                asked.matches("\\d{1,18}")
                        ? Long.parseLong(asked)
                        : kept.sketch().blankId());
        Sketch sketch = bench.on(kept.sketch(), blank.id());
        return new Ready(id, sketch, blank, Bench.fitted(sketch, blank));
    }

    private double rollMm(Map<String, String> typed) {
        OptionalDouble read =
                new FormReader(typed).optionalQuantity("roll", floors.show().lengthUnit());
        return read.isPresent() && read.getAsDouble() >= 20 && read.getAsDouble() <= 3000
                ? read.getAsDouble()
                : floors.show().lengthUnit() == LengthUnit.IN ? USUAL_ROLL_IN_INCHES_MM : USUAL_ROLL_MM;
    }

    @GetMapping("/designs/{id}/cut")
    String cut(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        Ready ready = ready(id, typed);
        Show show = floors.show();
        double rollMm = rollMm(typed);
        boolean mirrored = typed.containsKey("mirror");
        List<Material> materials = new ArrayList<>();
        for (Sheet sheet : CutFile.sheetsOf(ready.fitting())) {
            CutFile file = CutFile.of(ready.fitting(), sheet, rollMm);
            materials.add(new Material(
                    file,
                    file.rolls().stream().map(roll -> OnRoll.of(roll, mirrored)).toList()));
        }
        List<Size> sizes = floors.shelf().blanks().stream()
                .filter(blank -> blank.id() != ready.blank().id())
                .map(blank -> new Size(
                        blank,
                        Bench.fitted(bench.on(ready.sketch(), blank.id()), blank)
                                .concerns()))
                .toList();
        model.addAttribute("id", id);
        model.addAttribute("show", show);
        model.addAttribute("ready", ready);
        model.addAttribute("materials", materials);
        model.addAttribute("sizes", sizes);
        model.addAttribute("mirrored", mirrored);
        model.addAttribute(
                "roll", Numbers.show(show.lengthUnit().fromBase(rollMm), show.lengthUnit() == LengthUnit.MM ? 0 : 2));
        model.addAttribute("unit", show.lengthUnit().symbol());
        model.addAttribute("query", query(ready, rollMm, mirrored));
        return "wrap/cut";
    }

    private static String query(Ready ready, double rollMm, boolean mirrored) {
        return "blank=%d&roll=%s+mm%s"
                .formatted(ready.blank().id(), Numbers.show(rollMm, 1), mirrored ? "&mirror=on" : "");
    }

    /** What is cut from a material; of one of its colours, if one is named. */
    @GetMapping(value = "/designs/{id}/cut.svg", produces = SVG)
    ResponseEntity<String> cutFile(@PathVariable long id, @RequestParam Map<String, String> typed) {
        Ready ready = ready(id, typed);
        Sheet sheet = Sheet.named(typed.getOrDefault("sheet", ""))
                .filter(found -> CutFile.sheetsOf(ready.fitting()).contains(found))
                .orElseThrow(() ->
                        new ResponseStatusException(HttpStatus.NOT_FOUND, "Nothing of this design is cut from that."));
        CutFile all = CutFile.of(ready.fitting(), sheet, rollMm(typed));
        boolean mirrored = typed.containsKey("mirror");
        String colour = typed.getOrDefault("colour", "");
        if (colour.isEmpty()) {
            return file(all.svg(mirrored), "%s %s.svg".formatted(name(ready), sheet.written()));
        }
        CutFile.Roll roll = all.roll(colour)
                .orElseThrow(() -> new ResponseStatusException(
                        HttpStatus.NOT_FOUND, "Nothing of this design is cut from that colour."));
        return file(roll.svg(mirrored), "%s %s.svg".formatted(name(ready), roll.name()));
    }

    /** The whole flat with its pieces where they lie, a layer each. */
    @GetMapping(value = "/designs/{id}/flat.svg", produces = SVG)
    ResponseEntity<String> flat(@PathVariable long id, @RequestParam Map<String, String> typed) {
        Ready ready = ready(id, typed);
        FlatDrawing flat = FlatDrawing.of(ready.fitting(), floors.show());
        StringBuilder svg = new StringBuilder(String.format(
                Locale.ROOT,
                "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" version=\"1.1\" "
                        + "width=\"%.3fmm\" height=\"%.3fmm\" viewBox=\"%.3f %.3f %.3f %.3f\">\n",
                flat.width(),
                flat.height(),
                flat.left(),
                flat.top(),
                flat.width(),
                flat.height()));
        svg.append("  <g id=\"cup\" fill=\"none\" stroke=\"#000000\" stroke-width=\"0.3\">\n");
        flat.shapes()
                .forEach(shape -> svg.append("    <path id=\"%s\" d=\"%s\"/>\n".formatted(shape.kind(), shape.path())));
        svg.append("  </g>\n");
        for (FlatDrawing.Placed item : flat.items()) {
            svg.append("  <g id=\"item-%d\">\n".formatted(item.place() + 1));
            item.pieces()
                    .forEach(piece -> svg.append("    <path fill=\"%s\" fill-rule=\"evenodd\" d=\"%s\"/>\n"
                            .formatted(piece.colour(), piece.path())));
            svg.append("  </g>\n");
        }
        svg.append(("  <g id=\"rule\" fill=\"none\" stroke=\"#000000\" stroke-width=\"0.3\">\n    "
                        + "<path d=\"M%.3f %.3fh100v-4\"/>\n  </g>\n")
                .formatted(flat.left() + 4, flat.top() + flat.height() - 2));
        return file(svg.append("</svg>\n").toString(), name(ready) + " flat.svg");
    }

    @GetMapping(value = "/designs/{id}/flat.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable long id, @RequestParam Map<String, String> typed) {
        Ready ready = ready(id, typed);
        FlatPdf.Paper paper = Arrays.stream(FlatPdf.Paper.values())
                .filter(found -> found.name().equalsIgnoreCase(typed.getOrDefault("paper", "")))
                .findFirst()
                .orElse(FlatPdf.Paper.A4);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attached(name(ready) + " flat.pdf"))
                .body(FlatPdf.of(ready.fitting(), paper));
    }

    /** A strip to print, hold against the cup and mark: where each band begins, from the base up. */
    @GetMapping(value = "/designs/{id}/gauge.svg", produces = SVG)
    ResponseEntity<String> gauge(@PathVariable long id, @RequestParam Map<String, String> typed) {
        Ready ready = ready(id, typed);
        return file(gauge(ready.fitting(), floors.show()), name(ready) + " gauge.svg");
    }

    static String gauge(Fitting fitting, Show show) {
        Side side = fitting.flat().side();
        double tall = side.slantMm();
        StringBuilder svg = new StringBuilder(CutFile.head(2 * GAUGE_MM, tall));
        svg.append("  <path fill=\"none\" stroke=\"#000000\" stroke-width=\"0.3\" d=\"M0 0H%1$.3fV%2$.3fH0Z\"/>\n"
                .formatted(2 * GAUGE_MM, tall));
        double step = show.lengthUnit() == LengthUnit.MM ? 10 : 6.35;
        for (int i = 1; i * step < tall; i++) {
            double y = tall - i * step;
            boolean long5 = i % (show.lengthUnit() == LengthUnit.MM ? 5 : 4) == 0;
            svg.append("  <path fill=\"none\" stroke=\"#000000\" stroke-width=\"0.2\" d=\"M0 %.3fh%d\"/>\n"
                    .formatted(y, long5 ? 6 : 3));
            if (long5) {
                svg.append("  <text x=\"7\" y=\"%.3f\" font-size=\"3.5\" font-family=\"sans-serif\">%s</text>\n"
                        .formatted(y + 1.2, show.length(i * step)));
            }
        }
        for (Design.Band band : fitting.design().lines()) {
            mark(svg, tall, GAUGE_MM * 0.75, band.line().frontMm(), band, "front", show);
            if (Math.abs(band.line().backMm() - band.line().frontMm()) > 0.5) {
                mark(svg, tall, GAUGE_MM * 1.4, band.line().backMm(), band, "back", show);
            }
        }
        return svg.append("</svg>\n").toString();
    }

    private static void mark(
            StringBuilder svg, double tall, double x, double up, Design.Band band, String where, Show show) {
        svg.append(
                ("  <path fill=\"none\" stroke=\"%s\" stroke-width=\"0.8\" d=\"M%.3f %.3fh16\"/>\n  <text x=\"%.3f\" "
                                + "y=\"%.3f\" font-size=\"3\" font-family=\"sans-serif\">%s</text>\n")
                        .formatted(
                                band.colour(),
                                x,
                                tall - up,
                                x,
                                tall - up - 0.8,
                                HtmlUtils.htmlEscape(
                                        (band.name().isEmpty() ? where : band.name() + ", " + where) + " "
                                                + show.length(up),
                                        "UTF-8")));
    }

    /** Four sides beside each other, for whoever ordered it. */
    @GetMapping("/designs/{id}/sides")
    String sides(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        Ready ready = ready(id, typed);
        List<SideDrawing> sides = new ArrayList<>();
        for (int quarter = 0; quarter < 4; quarter++) {
            sides.add(SideDrawing.of(ready.fitting(), ready.sketch(), quarter * Math.PI / 2));
        }
        model.addAttribute("id", id);
        model.addAttribute("ready", ready);
        model.addAttribute("show", floors.show());
        model.addAttribute("sides", sides);
        model.addAttribute("words", List.of("front", "right", "back", "left"));
        return "wrap/sides";
    }

    /** A picture of dots as it was read in. */
    @GetMapping(value = "/designs/art/{art}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable long art) {
        Optional<byte[]> found = shelf.picture(art);
        return ResponseEntity.of(found);
    }

    @GetMapping(value = "/designs/schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> schema() {
        return ResponseEntity.ok(DesignFile.schemaFile());
    }

    private static String name(Ready ready) {
        return (ready.sketch().name() + " " + ready.blank().name()).replaceAll("[^\\p{L}\\p{N} ._-]", "");
    }

    private static ResponseEntity<String> file(String svg, String name) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attached(name))
                .body(svg);
    }

    private static String attached(String name) {
        return ContentDisposition.attachment()
                .filename(name, java.nio.charset.StandardCharsets.UTF_8)
                .build()
                .toString();
    }
}

package nursery.app.wrap;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.platform.Upload;
import nursery.core.floor.ShelfBlank;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.wrap.BiggestRectangle;
import nursery.core.wrap.Concern;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Item;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Piece;
import nursery.core.wrap.SectorFlat;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import nursery.core.wrap.StripsFlat;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** Designs, and the bench where one is fitted to a cup. */
@Controller
class DesignsController {

    private static final double COARSE_DPI = 150;
    private static final int STRIP = 3;

    private final DesignBook designs;
    private final ArtShelf shelf;
    private final Bench bench;
    private final Floors floors;
    private final FormPost posts;
    private final Drawn drawn;

    DesignsController(DesignBook designs, ArtShelf shelf, Bench bench, Floors floors, FormPost posts, Drawn drawn) {
        this.designs = designs;
        this.shelf = shelf;
        this.bench = bench;
        this.floors = floors;
        this.posts = posts;
        this.drawn = drawn;
    }

    /** A design in the list. */
    record Listed(long id, String name, String blank, SideDrawing side, DesignBook.With cups) {}

    /** A concern with what stands beside its touch. */
    record Told(int place, Concern concern, String words) {}

    /** What an item says of itself, in the shop's units. */
    record Facts(String size, String around, List<String> notes, List<String> colours) {}

    @GetMapping("/designs")
    String list(Model model) {
        return list(Form.fresh(Map.of()), model);
    }

    private String list(Form form, Model model) {
        List<Listed> listed = new ArrayList<>();
        Map<Long, DesignBook.With> cups = designs.cupsWith();
        for (DesignBook.Kept kept : designs.everyOne()) {
            ShelfBlank blank = bench.blank(kept.sketch().blankId());
            listed.add(new Listed(
                    kept.id(),
                    kept.sketch().name(),
                    blank.name(),
                    drawn.of(
                            List.of("list", kept.id(), kept.number(), blank.blank()),
                            () -> SideDrawing.of(
                                    Bench.fitted(bench.on(kept.sketch(), blank.id()), blank), kept.sketch(), 0)),
                    cups.getOrDefault(kept.id(), DesignBook.With.NONE)));
        }
        model.addAttribute("form", form);
        model.addAttribute("show", floors.show());
        model.addAttribute("designs", listed);
        model.addAttribute("blanks", floors.shelf().blanks());
        return "wrap/designs";
    }

    @PostMapping("/designs")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("name", "The name", Sketch.LONGEST_NAME, true);
                    Optional<ShelfBlank> blank = reader.id("blank", "The cup it is for")
                            .flatMap(id -> floors.shelf().blanks().stream()
                                    .filter(found -> found.id() == id)
                                    .findFirst());
                    reader.faults()
                            .require(
                                    blank.isPresent(),
                                    "blank",
                                    "Choose the cup it is for; measure one if there is none.");
                    reader.faults().throwIfAny();
                    Sketch empty =
                            new Sketch(name, blank.orElseThrow().id(), "#dfe3e6", false, List.of(), Math.PI, List.of());
                    return "/designs/" + designs.add(empty, Maker.of(request).name());
                },
                form -> list(form, model));
    }

    private DesignBook.Kept find(long id) {
        return designs.find(id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no design " + id + "."));
    }

    @GetMapping("/designs/{id}")
    String open(@PathVariable long id, @RequestParam(defaultValue = "0") int v, Model model) {
        DesignBook.Kept kept = v > 0
                ? designs.version(id, v).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND))
                : find(id);
        page(
                find(id),
                bench.kept(bench.on(
                        kept.sketch(), bench.blank(kept.sketch().blankId()).id())),
                model);
        return "wrap/bench";
    }

    /** What stands on the bench after a touch; changes nothing. */
    @PostMapping("/designs/{id}/draft")
    String draft(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        DesignBook.Kept kept = find(id);
        page(kept, bench.touched(typed, kept.sketch(), typed.getOrDefault("press", "")), model);
        return "wrap/bench :: draft";
    }

    /** The cup from another side. */
    @PostMapping("/designs/{id}/side")
    String side(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        DesignBook.Kept kept = find(id);
        Bench.Draft draft = bench.touched(typed, kept.sketch(), "");
        model.addAttribute("side", SideDrawing.of(draft.fitting(), draft.sketch(), yaw(typed)));
        return "wrap/bench :: side";
    }

    /** Art from a file, laid on the front. */
    @PostMapping("/designs/{id}/art")
    String art(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @RequestParam(value = "file", required = false) MultipartFile file,
            Model model,
            HttpServletRequest request) {
        DesignBook.Kept kept = find(id);
        try {
            byte[] bytes = Upload.bytes(file);
            String name = Optional.ofNullable(file.getOriginalFilename()).orElse("art");
            long art = designs.addArt(
                    shortened(name.replaceAll("^.*[/\\\\]|\\.[A-Za-z0-9]+$", "")),
                    bytes,
                    Maker.of(request).name());
            page(kept, bench.touched(typed, kept.sketch(), "", Optional.of(art)), model);
            model.addAttribute("left", shelf.find(art).left());
        } catch (InvalidInput e) {
            page(kept, bench.touched(typed, kept.sketch(), ""), model);
            model.addAttribute("left", e.faults().stream().map(Fault::message).toList());
        }
        return "wrap/bench :: draft";
    }

    private static String shortened(String name) {
        String plain = name.replaceAll("\\p{Cntrl}", " ").strip();
        String named = plain.isEmpty() ? "art" : plain;
        return named.length() > 60 ? named.substring(0, 60) : named;
    }

    @PostMapping("/designs/{id}")
    ModelAndView save(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        DesignBook.Kept kept = find(id);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("name", "The name", Sketch.LONGEST_NAME, true);
                    reader.faults().throwIfAny();
                    Bench.Draft draft = bench.touched(typed, kept.sketch(), "");
                    if (!draft.problems().isEmpty()) {
                        throw new InvalidInput(draft.form().faults());
                    }
                    Sketch sketch = draft.sketch().called(name);
                    String by = Maker.of(request).name();
                    if (typed.containsKey("as-new")) {
                        return "/designs/" + designs.add(sketch, by);
                    }
                    designs.save(id, reader.version(), sketch, by);
                    return "/designs/" + id;
                },
                form -> {
                    Bench.Draft draft = bench.touched(typed, kept.sketch(), "");
                    Map<String, String> back = new LinkedHashMap<>(draft.form().typed());
                    back.put("name", typed.getOrDefault("name", ""));
                    page(
                            kept,
                            new Bench.Draft(
                                    new Form(back, form.faults(), form.token()),
                                    draft.sketch(),
                                    draft.blank(),
                                    draft.fitting(),
                                    draft.problems()),
                            model);
                    return "wrap/bench";
                });
    }

    private static double yaw(Map<String, String> typed) {
        String turn = typed.getOrDefault("turn", "0");
        return turn.matches("-?\\d{1,4}") ? Math.toRadians(Integer.parseInt(turn)) : 0;
    }

    private void page(DesignBook.Kept kept, Bench.Draft draft, Model model) {
        Show show = floors.show();
        Fitting fitting = draft.fitting();
        Side side = fitting.flat().side();
        model.addAttribute("id", kept.id());
        model.addAttribute("version", kept.number());
        model.addAttribute("versions", designs.versions(kept.id()));
        model.addAttribute("form", draft.form());
        model.addAttribute("show", show);
        model.addAttribute("unit", show.lengthUnit().symbol());
        model.addAttribute("sketch", draft.sketch());
        model.addAttribute("problems", draft.problems());
        model.addAttribute("blank", draft.blank());
        model.addAttribute("blanks", floors.shelf().blanks());
        model.addAttribute("shelved", shelf.all());
        model.addAttribute("sheets", Sheet.values());
        model.addAttribute("flat", FlatDrawing.of(fitting, show));
        model.addAttribute(
                "side", SideDrawing.of(fitting, draft.sketch(), yaw(draft.form().typed())));
        model.addAttribute("flatWords", flatWords(fitting.flat(), show));
        List<Told> told = new ArrayList<>();
        for (int i = 0; i < fitting.concerns().size(); i++) {
            Concern concern = fitting.concerns().get(i);
            told.add(new Told(i, concern, show.told(concern.words())));
        }
        model.addAttribute("concerns", told);
        model.addAttribute("fit", fitting.isFit());
        model.addAttribute("handled", side.hasHandle());
        List<Facts> facts = new ArrayList<>();
        for (int i = 0; i < draft.sketch().parts().size() && i < fitting.laid().size(); i++) {
            facts.add(facts(draft.sketch(), fitting, i, show));
        }
        model.addAttribute("facts", facts);
        model.addAttribute(
                "bandShares",
                draft.sketch().bands().stream()
                        .map(band -> "%d %% of the coated side below it"
                                .formatted(Math.round(100 * band.line().shareOf(side))))
                        .toList());
        model.addAttribute("cupsWith", designs.cupsWith(kept.id()));
        model.addAttribute("left", List.of());
    }

    private Facts facts(Sketch sketch, Fitting fitting, int i, Show show) {
        Laid laid = fitting.laid().get(i).get(0);
        Side side = fitting.flat().side();
        List<String> notes = new ArrayList<>();
        double lower = laid.box().getMinY();
        double upper = laid.box().getMaxY();
        notes.add("from %s to %s above the base, %s below the rim"
                .formatted(show.length(lower), show.length(upper), show.length(side.slantMm() - upper)));
        if (lower >= side.coatedFromMm() && lower < side.coatedToMm()) {
            BiggestRectangle biggest = BiggestRectangle.at(fitting.flat(), lower);
            notes.add("from there up the biggest flat rectangle is %s × %s"
                    .formatted(show.length(biggest.widthMm()), show.length(biggest.heightMm())));
        }
        double climb = fitting.flat().climbMm(laid.lay().upMm(), laid.lay().widthMm());
        if (climb > 0.05) {
            notes.add("laid without bending its ends would %s %s"
                    .formatted(
                            side.radiusMm(side.slantMm()) > side.radiusMm(0) ? "climb" : "fall", show.length(climb)));
        }
        ArtShelf.Shelved art = shelf.find(sketch.parts().get(i).art());
        Item item = sketch.parts().get(i).item();
        double drawn = 100 * item.scale();
        if (Math.abs(drawn - 100) > 0.05) {
            notes.add("%s %% of its size as drawn".formatted(Numbers.show(drawn, 1)));
        }
        if (item.motifs() > STRIP) {
            notes.add("laid in strips of %s motifs"
                    .formatted(item.strips(side, STRIP).stream()
                            .map(String::valueOf)
                            .collect(Collectors.joining(", "))));
        }
        if (art.isPicture()) {
            double dpi = art.dpi(laid.lay().widthMm());
            notes.add("%d dots an inch at this size%s"
                    .formatted(Math.round(dpi), dpi < COARSE_DPI ? ": coarse, 200 and more print sharp" : ""));
        }
        return new Facts(
                show.length(laid.lay().widthMm()) + " × " + show.length(laid.heightMm()),
                DesignViews.where(laid, show),
                notes,
                fitting.design().items().get(i).art().pieces().stream()
                        .map(Piece::colour)
                        .distinct()
                        .limit(12)
                        .toList());
    }

    private static String flatWords(Flat flat, Show show) {
        BiggestRectangle biggest = BiggestRectangle.anywhere(flat);
        String most = " The biggest rectangle that lies flat: %s wide, %s tall, from %s up."
                .formatted(
                        show.length(biggest.widthMm()), show.length(biggest.heightMm()), show.length(biggest.fromMm()));
        if (flat instanceof StripsFlat strips) {
            return ("Bulged: %d upright strips keep the stretch to %.1f %%. A sheet of %s by %s. Shaded: where the "
                                    + "first thing would have to give by 1, 3 and 6 %% were it laid in one piece.")
                            .formatted(
                                    strips.count(),
                                    100 * strips.stretch(),
                                    show.length(flat.sheetWidthMm()),
                                    show.length(flat.sheetHeightMm()))
                    + most;
        }
        if (flat instanceof SectorFlat sector) {
            return "A taper: a ring sector of %s outside, %s inside, %.2f°. A sheet of %s by %s."
                            .formatted(
                                    show.length(sector.outerRadiusMm()),
                                    show.length(sector.innerRadiusMm()),
                                    Math.toDegrees(sector.angle()),
                                    show.length(flat.sheetWidthMm()),
                                    show.length(flat.sheetHeightMm()))
                    + most;
        }
        return "Straight: a sheet of %s by %s."
                        .formatted(show.length(flat.sheetWidthMm()), show.length(flat.sheetHeightMm()))
                + most;
    }
}

package nursery.app.materials;

import jakarta.servlet.http.HttpServletRequest;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.people.Makers;
import nursery.app.people.Seat;
import nursery.app.platform.FileText;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Gone;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.app.platform.Upload;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.Unit;
import nursery.core.stock.Colours;
import nursery.core.stock.Lot;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** The materials on the shelf, each with its lots, and what was learned of it. */
@Controller
class MaterialController {

    private static final String LIST = "/shelf/materials";
    /** More are a page nobody finds anything on. */
    private static final int MOST_OF_A_KIND = 60;

    private static final double MOST_WEIGHED = 100_000;

    private final MaterialBook book;
    private final MoneyBook money;
    private final Stores stores;
    private final Floors floors;
    private final Makers makers;
    private final FormPost posts;

    MaterialController(
            MaterialBook book, MoneyBook money, Stores stores, Floors floors, Makers makers, FormPost posts) {
        this.book = book;
        this.money = money;
        this.stores = stores;
        this.floors = floors;
        this.makers = makers;
        this.posts = posts;
    }

    /**
     * A kind's part of the shelf.
     *
     * @param more how many of it are not shown until they are asked for
     */
    record Group(MaterialKind kind, List<Stocked> materials, int more) {}

    /** What is asked of the shelf: words of a name, a place or a lot, and a kind to see all of. */
    private record Asked(String find, String kind) {

        static final Asked NOTHING = new Asked("", "");

        boolean fits(Stocked stocked) {
            String words = find.strip().toLowerCase(Locale.ROOT);
            return Stream.concat(
                            Stream.of(
                                    stocked.material().name(),
                                    stocked.material().place()),
                            stocked.lots().stream().map(Lot::lot))
                    .anyMatch(told -> told.toLowerCase(Locale.ROOT).contains(words));
        }

        Group group(MaterialKind of, List<Stocked> shelf) {
            List<Stocked> all = shelf.stream()
                    .filter(stocked -> stocked.material().kind() == of && fits(stocked))
                    .toList();
            int shown = kind.equals(of.name()) ? all.size() : Math.min(all.size(), MOST_OF_A_KIND);
            return new Group(of, all.subList(0, shown), all.size() - shown);
        }
    }

    @GetMapping(LIST)
    String materials(
            @RequestParam(defaultValue = "") String find, @RequestParam(defaultValue = "") String kind, Model model) {
        return list(model, Form.fresh(Map.of()), new Asked(find, kind));
    }

    private String list(Model model, Form form, Asked asked) {
        List<Stocked> shelf = book.shelf();
        model.addAttribute("form", form);
        model.addAttribute("find", asked.find());
        model.addAttribute(
                "many", shelf.size() > MOST_OF_A_KIND || !asked.find().isBlank());
        model.addAttribute(
                "groups",
                Arrays.stream(MaterialKind.values())
                        .map(kind -> asked.group(kind, shelf))
                        .filter(group -> !group.materials().isEmpty())
                        .toList());
        model.addAttribute(
                "confused",
                shelf.stream()
                        .map(Stocked::material)
                        .filter(Material::isRemovable)
                        .flatMap(removable -> book.confusedWith(removable).stream()
                                .map(other -> ("“%s” is removable and “%s” is not, and their colours are hard to tell "
                                                + "apart (%s of %d).")
                                        .formatted(
                                                removable.name(),
                                                other.name(),
                                                Numbers.show(Colours.distance(removable.colour(), other.colour()), 0),
                                                Colours.ALIKE)))
                        .toList());
        model.addAttribute(
                "gone",
                book.everything().values().stream().filter(Stocked::gone).toList());
        model.addAttribute("today", floors.show().today());
        return "materials/list";
    }

    @GetMapping(LIST + "/new")
    String fresh(@RequestParam(defaultValue = "") String kind, Model model) {
        return form(model, Form.fresh(Map.of("kind", kind, "leadDays", "7", "colour", "#c9a227")), null);
    }

    @PostMapping(LIST + "/new")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Material material = MaterialForm.material(0, new FormReader(typed), mix(typed), unit());
                    Optional<MaterialForm.LotTyped> lot = typed.getOrDefault("amount", "")
                                    .isBlank()
                            ? Optional.empty()
                            : Optional.of(MaterialForm.lot(new FormReader(typed), today(), material.kind(), asks()));
                    long id = book.add(material);
                    book.isOf(id, blank(new FormReader(typed)));
                    lot.ifPresent(bought -> addLot(id, bought, request));
                    return LIST + "/" + id;
                },
                form -> form(model, form, null));
    }

    /** The blank on the shelf that packs are of, if one is named. */
    private Optional<Long> blank(FormReader reader) {
        return reader.raw("blank").isEmpty()
                ? Optional.empty()
                : reader.id("blank", "The blank")
                        .filter(id -> floors.shelf().blank(id).isPresent());
    }

    private Map<String, String> filled(long id) {
        Map<String, String> filled =
                MaterialForm.filled(book.find(id).orElseThrow(Gone::new).material(), unit());
        filled.put("blank", book.blankOf(id).map(String::valueOf).orElse(""));
        return filled;
    }

    /** What is mixed in it: up to six lines of another material's number and a share. */
    private List<Material.Part> mix(Map<String, String> typed) {
        Map<Long, Stocked> all = book.everything();
        Map<Stocked, Double> parts = new LinkedHashMap<>();
        FormReader reader = new FormReader(typed);
        for (int i = 1; i <= 6; i++) {
            String number = reader.raw("of-" + i);
            if (number.matches("\\d{1,18}") && all.containsKey(Long.parseLong(number))) {
                double share = reader.raw("share-" + i).isEmpty() ? 1 : reader.number("share-" + i, "The share");
                reader.faults().within("share-" + i, "The share", share, 0.01, 1000, "");
                parts.merge(all.get(Long.parseLong(number)), share, Double::sum);
            }
        }
        reader.faults().throwIfAny();
        double whole = parts.values().stream().mapToDouble(Double::doubleValue).sum();
        return parts.entrySet().stream()
                .map(part -> new Material.Part(
                        part.getKey().material().name(),
                        part.getKey().material().colour(),
                        part.getValue() / whole))
                .toList();
    }

    @GetMapping(LIST + "/{id}")
    String one(@PathVariable long id, Model model) {
        return form(model, Form.fresh(filled(id)), id);
    }

    @PostMapping(LIST + "/{id}")
    ModelAndView change(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return post(id, typed, model, (reader, stocked) -> {
            List<Material.Part> mix = mix(typed);
            Material changed = MaterialForm.material(
                    id, reader, mix.isEmpty() ? stocked.material().mix() : mix, unit());
            Seen.check(typed, Seen.of(filled(id)));
            book.change(changed);
            book.isOf(id, blank(reader));
            return LIST + "/" + id;
        });
    }

    @PostMapping(LIST + "/{id}/lots")
    ModelAndView lot(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return post(id, typed, model, (reader, stocked) -> {
            addLot(id, MaterialForm.lot(reader, today(), stocked.material().kind(), asks()), request);
            return LIST + "/" + id + "#lots";
        });
    }

    private void addLot(long id, MaterialForm.LotTyped lot, HttpServletRequest request) {
        book.addLot(
                id,
                lot.lot(),
                lot.amount(),
                lot.price(),
                lot.boughtOn(),
                lot.openedOn(),
                Maker.of(request).name());
    }

    @PostMapping(LIST + "/{id}/lots/{lot}")
    ModelAndView look(
            @PathVariable long id,
            @PathVariable long lot,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        return post(id, typed, model, (reader, stocked) -> {
            Lot looked = stocked.lots().stream()
                    .filter(one -> one.id() == lot)
                    .findFirst()
                    .orElseThrow(Gone::new);
            Seen.check(typed, Seen.of(looked.left()));
            double left = asks().amount(
                            reader,
                            "left-" + lot,
                            "What is left of " + looked.lot(),
                            measure(stocked),
                            looked.amount());
            reader.faults().throwIfAny();
            book.look(id, lot, left, Maker.of(request).name());
            return LIST + "/" + id + "#lots";
        });
    }

    /** Weighed before and after, in grams or the material's own measure. */
    @PostMapping(LIST + "/{id}/weighed")
    ModelAndView weighed(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return post(id, typed, model, (reader, stocked) -> {
            double before = asks().amount(reader, "before", "Before", measure(stocked), MOST_WEIGHED);
            double after = asks().amount(reader, "after", "After", measure(stocked), MOST_WEIGHED);
            double basis = stocked.material().kind().measure() == MaterialKind.Measure.PIECE
                    ? reader.number("basis", "On how many steps")
                    : reader.quantity("basis", "On how much", unit().areaUnit());
            reader.faults().within("basis", "On how much", basis, 0.1, 20_000, "");
            reader.faults()
                    .require(
                            !(after > before),
                            "after",
                            "After is more than before: nothing can have been used. Look at both.");
            reader.faults().throwIfAny();
            book.weigh(id, basis, before - after, Maker.of(request).name());
            return LIST + "/" + id + "#learned";
        });
    }

    /** What fell goes into the jar of mixed glitter. */
    @PostMapping(LIST + "/{id}/jar")
    ModelAndView jar(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return post(id, typed, model, (reader, stocked) -> {
            double fell = asks().amount(reader, "fell", "What fell into the jar", measure(stocked), MOST_WEIGHED);
            Optional<Long> jar = reader.raw("jar").isEmpty() ? Optional.empty() : reader.id("jar", "The jar");
            reader.faults().throwIfAny();
            return LIST + "/"
                    + stores.intoTheJar(id, jar, fell, Maker.of(request).name());
        });
    }

    @PostMapping(LIST + "/{id}/gone")
    ModelAndView gone(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return post(id, typed, model, (reader, stocked) -> {
            book.setGone(id, !stocked.gone());
            return stocked.gone() ? LIST + "/" + id : LIST;
        });
    }

    private ModelAndView post(
            long id, Map<String, String> typed, Model model, BiFunction<FormReader, Stocked, String> work) {
        return posts.handle(
                typed,
                model,
                () -> work.apply(new FormReader(typed), book.find(id).orElseThrow(Gone::new)),
                form -> form(model, new Form(withFilled(id, form.typed()), form.faults(), form.token()), id));
    }

    /** A form on a page of several: the others show what is kept. */
    private Map<String, String> withFilled(long id, Map<String, String> typed) {
        Map<String, String> all = new LinkedHashMap<>(filled(id));
        all.putAll(typed);
        return all;
    }

    private String form(Model model, Form form, @Nullable Long id) {
        Optional<Stocked> stocked = Optional.ofNullable(id).flatMap(book::find);
        model.addAttribute("form", form);
        model.addAttribute("kinds", MaterialKind.values());
        model.addAttribute("films", Material.Film.values());
        model.addAttribute("stocked", stocked.orElse(null));
        model.addAttribute(
                "confused",
                stocked.map(one -> book.confusedWith(one.material())).orElse(List.of()));
        model.addAttribute(
                "cups", stocked.map(one -> book.cupsOf(one.material().id())).orElse(Map.of()));
        model.addAttribute(
                "jars", stocked.map(one -> stores.jarsFor(one.material())).orElse(List.of()));
        model.addAttribute("kept", id == null ? "" : Seen.of(filled(id)));
        model.addAttribute("blanks", floors.shelf().blanks());
        model.addAttribute(
                "blankOf", Optional.ofNullable(id).flatMap(book::blankOf).isPresent());
        model.addAttribute("unit", unit().symbol());
        model.addAttribute("areaUnit", unit().areaUnit().symbol());
        List<String> measures =
                Arrays.stream(MaterialKind.Measure.values()).map(asks()::symbol).toList();
        int last = measures.size() - 1;
        model.addAttribute("measures", String.join(", ", measures.subList(0, last)) + " or " + measures.get(last));
        model.addAttribute(
                "measure",
                stocked.map(MaterialController::measure).map(asks()::symbol).orElse(""));
        model.addAttribute("takes", stocked.map(this::takes).orElse(""));
        model.addAttribute("money", money.ways());
        model.addAttribute("today", today());
        model.addAttribute(
                "parts",
                book.shelf().stream()
                        .filter(one -> one.material().kind() == MaterialKind.GLITTER
                                && stocked.filter(self -> self.material().id()
                                                == one.material().id())
                                        .isEmpty())
                        .collect(Collectors.toList()));
        return "materials/one";
    }

    @GetMapping(LIST + "/materials.csv")
    ResponseEntity<String> csv() {
        boolean priced = makers.seat().filter(Seat::isMaker).isPresent();
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"materials.csv\"")
                .body(MaterialsCsv.write(book.shelf(), priced));
    }

    @PostMapping(LIST + "/import")
    ModelAndView importAll(
            @RequestParam Map<String, String> typed,
            @RequestParam(name = "file", required = false) @Nullable MultipartFile file,
            Model model,
            HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    String text = FileText.of(Upload.bytes(file)).text();
                    book.take(
                            MaterialsCsv.read(text, today()), Maker.of(request).name());
                    return LIST;
                },
                form -> list(model, form, Asked.NOTHING));
    }

    private LocalDate today() {
        return floors.show().today();
    }

    private Asks asks() {
        return new Asks(floors.ways().volumeUnit(), unit());
    }

    /** What a step, or so much area, takes of it. */
    private String takes(Stocked stocked) {
        MaterialKind kind = stocked.material().kind();
        double perUnit = stocked.usage().perUnit();
        Optional<Unit> unit = asks().unit(kind.measure());
        if (unit.isEmpty()) {
            return kind.measure().show(perUnit) + " a step";
        }
        double perArea = unit.get().fromBase(unit().areaUnit().toBase(perUnit));
        return "%s\u00a0%s for each %s %s"
                .formatted(
                        Numbers.show(perArea, 4),
                        unit.get().symbol(),
                        unit().areaUnit().symbol(),
                        kind.isCut() ? "laid" : "of cup");
    }

    private static MaterialKind.Measure measure(Stocked stocked) {
        return stocked.material().kind().measure();
    }

    private LengthUnit unit() {
        return floors.ways().lengthUnit();
    }
}

package nursery.app.mix;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.NotLogged;
import nursery.app.cups.Reasons;
import nursery.app.floor.Floors;
import nursery.app.floor.SpindleField;
import nursery.app.picture.CupPicture;
import nursery.app.picture.FillPicture;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Pdf;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Placing;
import nursery.core.floor.ShelfCup;
import nursery.core.log.LogEntry;
import nursery.core.log.Spindle;
import nursery.core.resin.Fills;
import nursery.core.resin.Mix;
import nursery.core.resin.RatioCheck;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** A batch in the maker's hands: measure, mix, pour cup by cup, close. */
@Controller
class BatchController {

    private static final String PRINT = "mix/print";

    private final MixBook mixes;
    private final Floors floors;
    private final FormPost posts;
    private final Pdf pdf;
    private final StockBook stock;
    private final Measured measured;

    BatchController(MixBook mixes, Floors floors, FormPost posts, Pdf pdf, StockBook stock, Measured measured) {
        this.mixes = mixes;
        this.floors = floors;
        this.posts = posts;
        this.pdf = pdf;
        this.stock = stock;
        this.measured = measured;
    }

    /**
     * A coat of this batch.
     *
     * @param poured when and how much, once it is
     * @param turn when its turn comes: by the clock once it runs, else in minutes from mixing
     * @param spindle where it most likely turns; no two coats of a mix are offered the same
     * @param waits why it cannot be poured yet
     */
    record ShareLine(
            Batch.BatchShare share,
            CupNow onBench,
            CupPicture picture,
            Optional<String> poured,
            Optional<Spindle> spindle,
            Optional<String> waits,
            String turn) {}

    @GetMapping("/mix/{number}")
    String open(@PathVariable long number, Model model) {
        return page(number, Optional.empty(), model);
    }

    /** The verdict on what is typed so far; changes nothing. */
    @GetMapping("/mix/{number}/judge")
    String judge(@PathVariable long number, @RequestParam Map<String, String> typed, Model model) {
        verdict(find(number), typed, model);
        return "mix/batch :: verdict";
    }

    @PostMapping("/mix/{number}/mixed")
    ModelAndView mixed(
            @PathVariable long number,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        Batch batch = find(number);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Mix pair = measured.read(batch, reader);
                    reader.faults().throwIfAny();
                    mixes.mixed(
                            number,
                            pair.partAMl(),
                            pair.partBMl(),
                            Maker.of(request).name(),
                            floors.show());
                    return "/mix/" + number;
                },
                form -> page(number, Optional.of(form), model));
    }

    /** A step of the guide was touched as done; the page itself moves on. */
    @PostMapping("/mix/{number}/stirred")
    ResponseEntity<Void> stirred(@PathVariable long number, @RequestParam String what) {
        find(number);
        Arrays.stream(GuideStep.Logged.values())
                .filter(logged -> logged.name().equals(what))
                .forEach(logged -> mixes.stirred(number, logged));
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/mix/{number}/pour")
    ModelAndView pour(
            @PathVariable long number,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        find(number);
        return posts.handle(
                typed,
                model,
                () -> {
                    Show show = floors.show();
                    FormReader reader = new FormReader(typed);
                    double ml = reader.quantity("amount", "The amount on the cup", show.volumeUnit());
                    Reasons reasons = Reasons.on(reader);
                    reader.faults().throwIfAny();
                    Optional<Spindle> spindle = SpindleField.read(reader, floors.now());
                    reader.faults().throwIfAny();
                    try {
                        mixes.pour(
                                number,
                                reader.raw("cup"),
                                ml,
                                spindle,
                                Maker.of(request).name(),
                                reasons);
                    } catch (NotLogged answer) {
                        throw answer.asFaults(show);
                    }
                    return "/mix/" + number + "#pour";
                },
                form -> page(number, Optional.of(form), model));
    }

    @PostMapping("/mix/{number}/close")
    ModelAndView close(@PathVariable long number, @RequestParam Map<String, String> typed, Model model) {
        find(number);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    double thrownMl = reader.optionalQuantity(
                                    "leftover", floors.ways().volumeUnit())
                            .orElse(0);
                    double asideMl = reader.optionalQuantity(
                                    "aside", floors.ways().volumeUnit())
                            .orElse(0);
                    reader.faults().throwIfAny();
                    mixes.close(number, new Batch.Left(thrownMl, asideMl), typed.containsKey("rest"));
                    return "/";
                },
                form -> page(number, Optional.of(form), model));
    }

    /** What is over goes on another cup. */
    @PostMapping("/mix/{number}/join")
    ModelAndView join(@PathVariable long number, @RequestParam Map<String, String> typed, Model model) {
        find(number);
        return posts.handle(
                typed,
                model,
                () -> {
                    mixes.join(number, typed.getOrDefault("join", ""));
                    return "/mix/" + number + "#pour";
                },
                form -> page(number, Optional.of(form), model));
    }

    @PostMapping("/mix/{number}/throw-away")
    ModelAndView throwAway(
            @PathVariable long number,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        find(number);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    double partAMl = reader.quantity(
                            "wasteA", "A thrown away", floors.ways().volumeUnit());
                    double partBMl = reader.quantity(
                            "wasteB", "B thrown away", floors.ways().volumeUnit());
                    reader.faults().throwIfAny();
                    mixes.throwAway(number, partAMl, partBMl, Maker.of(request).name());
                    return "/mix";
                },
                form -> page(number, Optional.of(form), model));
    }

    @GetMapping("/mix/{number}/print")
    String print(@PathVariable long number, Model model) {
        model.addAllAttributes(printed(find(number)));
        return PRINT;
    }

    @GetMapping(value = "/mix/{number}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @ResponseBody
    byte[] pdf(@PathVariable long number) {
        return pdf.of(PRINT, printed(find(number)));
    }

    private Map<String, Object> printed(Batch batch) {
        Show show = floors.show();
        List<Mix> fills = Fills.of(batch.planned(), measured.cupOf(batch).cup());
        List<ShareLine> lines = lines(batch, show);
        return Map.of(
                "batch",
                batch,
                "resin",
                mixes.resin(batch),
                "fills",
                fills,
                "marks",
                show.onMarks(measured.cupOf(batch).cup()),
                "grams",
                MixSheet.Grams.of(mixes.resin(batch).label(), fills),
                "lines",
                lines,
                "stirring",
                GuideStep.stirring(batch, rests(lines), show),
                "heatPass",
                GuideStep.heatPass(),
                "show",
                show);
    }

    private static boolean rests(List<ShareLine> lines) {
        return lines.stream().anyMatch(line -> Floor.rests(line.onBench().cup()));
    }

    private Batch find(long number) {
        return floors.batch(number)
                .orElseThrow(
                        () -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no mix " + number + "."));
    }

    private String page(long number, Optional<Form> sentBack, Model model) {
        Batch batch = find(number);
        Show show = floors.show();
        ShelfCup cup = measured.cupOf(batch);
        List<Mix> fills = Fills.of(batch.planned(), cup.cup());
        Show marks = show.onMarks(cup.cup());
        List<MixSheet.Grams> grams = MixSheet.Grams.of(mixes.resin(batch).label(), fills);
        boolean byScale = batch.byScale() && !grams.isEmpty();
        Form form = sentBack.orElseGet(() -> Form.fresh(measured.asPlanned(batch, byScale, marks)));
        model.addAttribute("marks", marks);
        model.addAttribute("byScale", byScale);
        model.addAttribute("show", show);
        model.addAttribute("form", form);
        model.addAttribute("batch", batch);
        model.addAttribute("resin", mixes.resin(batch));
        model.addAttribute("fills", fills);
        model.addAttribute("grams", grams);
        model.addAttribute("fill", FillPicture.of(fills.get(0), cup.cup(), show));
        List<ShareLine> lines = lines(batch, show);
        model.addAttribute("lines", lines);
        model.addAttribute("measuring", byScale ? GuideStep.weighing(grams, show) : GuideStep.measuring(fills, marks));
        List<GuideStep> stirring = GuideStep.stirring(batch, rests(lines), show);
        model.addAttribute("stirring", stirring);
        model.addAttribute("stirringAt", GuideStep.at(stirring, batch.stirring()));
        model.addAttribute("wasStirred", wasStirred(batch, show));
        model.addAttribute("heatPass", GuideStep.heatPass());
        model.addAttribute("lots", stock.lotsOf(number));
        model.addAttribute("others", mixes.othersFor(batch));
        model.addAttribute("spareMl", mixes.remainder(batch).spareMl());
        model.addAttribute("lost", mixes.lostMl(batch).orElse(null));
        model.addAttribute("spindles", floors.shelf().spindles());
        model.addAttribute("offAt", batch.offAt().orElse(null));
        model.addAttribute(
                "isOff", batch.offAt().map(at -> !at.isAfter(show.now())).orElse(false));
        verdict(batch, form.typed(), model);
        return "mix/batch";
    }

    /** What the guide knows of the stirring, in a sentence; empty if nothing. */
    private static String wasStirred(Batch batch, Show show) {
        StringBuilder words = new StringBuilder();
        batch.secondsStirred(show.now()).ifPresent(seconds -> {
            long whole = Math.round(seconds);
            words.append("Stirred for %d min %02d s".formatted(whole / 60, whole % 60));
            words.append(batch.inTwoCups(show.now()).orElse(false) ? ", in two cups" : "");
            words.append(batch.wasRested(show.now()).orElse(false) ? ", then rested." : ".");
        });
        return words.toString();
    }

    private List<ShareLine> lines(Batch batch, Show show) {
        Floor floor = floors.now();
        Placing placing = floor.placing(floor.stillToPour(batch));
        List<ShareLine> lines = new ArrayList<>();
        for (Batch.BatchShare share : batch.shares()) {
            CupNow cup =
                    floor.find(share.code()).or(() -> floors.cup(share.code())).orElseThrow();
            Optional<String> poured = Optional.ofNullable(cup.state().done().get(share.step()))
                    .filter(LogEntry.Poured.class::isInstance)
                    .map(LogEntry.Poured.class::cast)
                    .map(pour -> show.volume(pour.amountMl()) + " at "
                            + show.at(pour.mark().happenedAt()));
            Optional<Spindle> spindle = poured.isPresent() ? Optional.empty() : placing.on(cup);
            String turn = batch.turnAt(share).map(show::at).orElse("minute " + Math.round(share.atMinute()));
            Optional<String> waits =
                    poured.isPresent() ? Optional.empty() : placing.waits(cup).map(one -> one.words(show::at));
            lines.add(new ShareLine(share, cup, Looks.of(cup), poured, spindle, waits, turn));
        }
        return lines;
    }

    private void verdict(Batch batch, Map<String, String> typed, Model model) {
        FormReader reader = new FormReader(typed);
        Mix pair = measured.read(batch, reader);
        Optional<RatioCheck> check = reader.faults().none()
                ? reader.faults().attempt("partA", () -> mixes.judge(batch, pair.partAMl(), pair.partBMl()))
                : Optional.empty();
        model.addAttribute("batch", batch);
        model.addAttribute("marks", floors.show().onMarks(measured.cupOf(batch).cup()));
        model.addAttribute(
                "weighed",
                "scale".equals(reader.raw("by"))
                        ? mixes.resin(batch).label().densities().orElse(null)
                        : null);
        model.addAttribute("check", check.orElse(null));
        model.addAttribute("problems", reader.faults().found());
    }
}

package nursery.app.mix;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.app.floor.Floors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.picture.LineChart;
import nursery.app.platform.Form;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.film.TurnerCheck;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Turner;
import nursery.core.measure.Numbers;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The turner check: what a turner carries of a resin on a blank, away from any cup. Changes nothing. */
@Controller
class TurnerController {

    private static final double USUAL_SHARE_ML = 25;
    /** A turner that stands carries nothing; the formula wants a little more than that. */
    private static final double STANDING = 1e-9;

    private static final double FASTEST = 20;
    private static final int POINTS = 80;

    private final Floors floors;

    TurnerController(Floors floors) {
        this.floors = floors;
    }

    /** The answer with the numbers it was asked for. */
    record Answer(
            ShelfBlank blank,
            Resin resin,
            double shareMl,
            double rpm,
            double roomC,
            TurnerCheck check,
            CupPicture picture,
            LineChart chart,
            double needle,
            boolean keepsLines) {}

    @GetMapping("/mix/turner")
    String page(@RequestParam Map<String, String> typed, Model model) {
        Show show = floors.show();
        Form form = Form.fresh(filled(typed, show));
        FormReader reader = new FormReader(form.typed());
        model.addAttribute("form", form);
        model.addAttribute("blanks", floors.shelf().blanks());
        model.addAttribute("resins", floors.shelf().resins());
        model.addAttribute("turners", floors.shelf().turners());
        model.addAttribute("answer", answer(reader, show).orElse(null));
        model.addAttribute("problems", reader.faults().found());
        return "mix/turner";
    }

    /** What nobody typed starts at what is on the shelf and in the room. */
    private Map<String, String> filled(Map<String, String> typed, Show show) {
        Map<String, String> all = new LinkedHashMap<>();
        floors.shelf().blanks().stream().findFirst().ifPresent(blank -> all.put("blank", "" + blank.id()));
        floors.shelf().resins().stream().findFirst().ifPresent(resin -> all.put("resin", "" + resin.id()));
        all.put("rpm", Numbers.show(floors.shelf().turners().get(0).rpm(), 1));
        all.put("share", show.volumeNumber(USUAL_SHARE_ML));
        all.put("roomNow", show.temperatureUnit().showNumber(floors.now().air().temperatureC(show.now())));
        all.putAll(typed);
        return all;
    }

    private Optional<Answer> answer(FormReader reader, Show show) {
        Optional<ShelfBlank> blank = reader.id("blank", "The blank").flatMap(floors.shelf()::blank);
        Optional<Resin> resin = reader.id("resin", "The resin").flatMap(floors.shelf()::resin);
        double shareMl = reader.quantity("share", "The share", show.volumeUnit(), 0.1, BatchSheet.LARGEST_SHARE_ML);
        double rpm = reader.number("rpm", "Turns a minute");
        double roomC = reader.quantity("roomNow", "The room", show.temperatureUnit(), 0, 45);
        if (!Double.isNaN(rpm)) {
            Turner.checkRpm(reader.faults(), rpm);
        }
        resin.ifPresent(found -> reader.faults()
                .require(
                        found.label().viscosityPaS().isPresent(),
                        "resin",
                        "This resin's label states no viscosity, so nothing can be said about what a turner "
                                + "carries: add it to its label."));
        if (!reader.faults().none() || blank.isEmpty() || resin.isEmpty()) {
            return Optional.empty();
        }
        ShelfBlank cup = blank.get();
        Resin chosen = resin.get();
        return TurnerCheck.of(cup.blank(), chosen.label(), shareMl, rpm, roomC)
                .map(check -> new Answer(
                        cup,
                        chosen,
                        shareMl,
                        rpm,
                        roomC,
                        check,
                        CupPicture.of("turner", cup.blank(), CupLook.BARE),
                        chart(cup, chosen, shareMl, rpm, roomC, show),
                        SheetRow.needle(check),
                        check.keepsItsLines(chosen.label().times().workingH() * 3600)));
    }

    private static LineChart chart(ShelfBlank blank, Resin resin, double shareMl, double rpm, double roomC, Show show) {
        double fastest = Math.max(FASTEST, rpm);
        double[] speeds = IntStream.rangeClosed(0, POINTS)
                .mapToDouble(i -> fastest * i / POINTS)
                .toArray();
        double[] carried = Arrays.stream(speeds)
                .map(speed ->
                        show.volumeUnit().fromBase(carriesMl(blank, resin, shareMl, Math.max(STANDING, speed), roomC)))
                .toArray();
        return LineChart.of(
                "carries",
                "turns a minute",
                speeds,
                "carries, " + show.volumeUnit().symbol(),
                false,
                List.of(new LineChart.Series("", "a", carried)),
                Optional.of(new LineChart.Level(show.volumeUnit().fromBase(shareMl), "your share")),
                Optional.of(new LineChart.Point(
                        rpm, show.volumeUnit().fromBase(carriesMl(blank, resin, shareMl, rpm, roomC)))));
    }

    private static double carriesMl(ShelfBlank blank, Resin resin, double shareMl, double rpm, double roomC) {
        return TurnerCheck.of(blank.blank(), resin.label(), shareMl, rpm, roomC)
                .orElseThrow()
                .carriesMl();
    }
}

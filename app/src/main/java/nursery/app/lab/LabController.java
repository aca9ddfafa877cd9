package nursery.app.lab;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.picture.LineChart;
import nursery.app.platform.CsvText;
import nursery.app.platform.Form;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.film.CoatSimulation;
import nursery.core.film.CoatSimulation.Sample;
import nursery.core.film.Warmth;
import nursery.core.floor.ShelfBlank;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;
import nursery.core.resin.Resin;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The cure lab. Everything is in the address, nothing is kept. */
@Controller
class LabController {

    private static final double USUAL_SHARE_ML = 25;
    private static final double USUAL_BATCH_ML = 50;
    private static final double LONGEST_H = 96;
    private static final int TABLE_EVERY = 6;
    /** Beyond these a chart would show nothing but the climb to the gel. */
    private static final double STIFF_PAS = 1000;

    private static final double CARRIES_WELL_MM = 3;
    private static final double MINUTES_PER_HOUR = 60;

    private final Floors floors;
    private final ITemplateEngine templates;

    LabController(Floors floors, ITemplateEngine templates) {
        this.floors = floors;
        this.templates = templates;
    }

    /** A play-through with what it was asked for. */
    record Played(Resin resin, ShelfBlank blank, CoatSimulation coat, List<LineChart> charts, String data) {}

    @GetMapping("/room/lab")
    String lab(@RequestParam Map<String, String> typed, Model model) {
        Form form = Form.fresh(filled(typed));
        FormReader reader = new FormReader(form.typed());
        Optional<Played> played = play(reader);
        model.addAttribute("form", form);
        model.addAttribute("resins", floors.shelf().resins());
        model.addAttribute("blanks", floors.shelf().blanks());
        model.addAttribute("played", played.orElse(null));
        model.addAttribute(
                "rows", played.map(found -> every(found.coat().samples())).orElse(List.of()));
        model.addAttribute("problems", reader.faults().found());
        model.addAttribute(
                "query",
                form.typed().entrySet().stream()
                        .map(entry -> entry.getKey() + "="
                                + java.net.URLEncoder.encode(entry.getValue(), java.nio.charset.StandardCharsets.UTF_8))
                        .collect(Collectors.joining("&")));
        return "lab/lab";
    }

    /** The samples as CSV (RFC 4180), in the core's units, which the heading names. */
    @GetMapping("/room/lab.csv")
    ResponseEntity<String> csv(@RequestParam Map<String, String> typed) {
        StringWriter csv = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(csv, CSVFormat.RFC4180)) {
            printer.printRecord(
                    "minutes",
                    "film_c",
                    "equivalent_age_h",
                    "phase",
                    "viscosity_pas",
                    "pot_pas",
                    "film_mm",
                    "carries_mm",
                    "ripple_left",
                    "ran_ml");
            for (Sample sample : wanted(typed).coat().samples()) {
                printer.printRecord(
                        decimals(sample.after().toSeconds() / 60.0, 1),
                        decimals(sample.filmC(), 2),
                        decimals(sample.ageH(), 4),
                        CsvText.safe(sample.phase().word()),
                        number(sample.viscosityPaS()),
                        number(sample.potPaS()),
                        decimals(sample.filmMm(), 4),
                        number(sample.carriesMm()),
                        decimals(sample.rippleLeft(), 5),
                        decimals(sample.ranMl(), 4));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"coat.csv\"")
                .header(HttpHeaders.CONTENT_TYPE, "text/csv;charset=UTF-8")
                .body(csv.toString());
    }

    /** The three charts as one SVG 1.1 drawing, with its styles inside and its size in millimetres. */
    @GetMapping("/room/lab.svg")
    ResponseEntity<String> svg(@RequestParam Map<String, String> typed) {
        Context context =
                new Context(Locale.ENGLISH, Map.of("charts", wanted(typed).charts()));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"coat.svg\"")
                .header(HttpHeaders.CONTENT_TYPE, "image/svg+xml;charset=UTF-8")
                .body(templates.process("lab/drawing", context).strip());
    }

    private Played wanted(Map<String, String> typed) {
        return play(new FormReader(filled(typed)))
                .orElseThrow(() -> new ResponseStatusException(
                        HttpStatus.BAD_REQUEST,
                        "That coat cannot be played through: see the lab's page for what is wrong."));
    }

    private static String decimals(double value, int decimals) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }

    private static String number(OptionalDouble value) {
        return value.isPresent() ? decimals(value.getAsDouble(), 4) : "";
    }

    private Map<String, String> filled(Map<String, String> typed) {
        Show show = floors.show();
        Map<String, String> all = new LinkedHashMap<>();
        floors.shelf().resins().stream()
                .filter(resin -> resin.label().viscosity().isPresent())
                .reduce((a, b) -> b)
                .ifPresent(resin -> all.put("resin", "" + resin.id()));
        floors.shelf().blanks().stream().findFirst().ifPresent(blank -> all.put("blank", "" + blank.id()));
        String now = show.temperatureUnit().showNumber(floors.now().air().temperatureC(show.now()));
        all.putAll(Map.of(
                "share",
                show.volumeNumber(USUAL_SHARE_ML),
                "batch",
                show.volumeNumber(USUAL_BATCH_ML),
                "rpm",
                Numbers.show(floors.shelf().turners().get(0).rpm(), 1),
                "tilt",
                "0",
                "starts",
                now,
                "ends",
                now,
                "over",
                "6",
                "span",
                "8"));
        all.putAll(typed);
        return all;
    }

    private Optional<Played> play(FormReader reader) {
        Show show = floors.show();
        Optional<Resin> resin = reader.id("resin", "The resin").flatMap(floors.shelf()::resin);
        Optional<ShelfBlank> blank = reader.id("blank", "The blank").flatMap(floors.shelf()::blank);
        double shareMl = reader.quantity("share", "On the cup", show.volumeUnit(), 0.1, 500);
        double batchMl = reader.quantity("batch", "The mix in the pot", show.volumeUnit(), 0.1, 5000);
        double rpm = reader.number("rpm", "The turner's speed");
        double tilt = reader.number("tilt", "The tilt");
        double startsC = reader.quantity("starts", "The room at first", show.temperatureUnit(), 0, 45);
        double endsC = reader.quantity("ends", "The room later", show.temperatureUnit(), 0, 45);
        double overH = reader.number("over", "The hours it takes");
        double spanH = reader.number("span", "The hours to follow");
        Optional<Warmth> warmth = warmth(reader, show.temperatureUnit());
        if (reader.faults().none()) {
            reader.faults().within("over", "The hours it takes", overH, 0.1, LONGEST_H, "h");
            reader.faults().within("span", "The hours to follow", spanH, 0.5, LONGEST_H, "h");
        }
        if (!reader.faults().none() || resin.isEmpty() || blank.isEmpty() || warmth.isEmpty()) {
            return Optional.empty();
        }
        Resin mixed = resin.get();
        ShelfBlank cup = blank.get();
        RoomCourse course = new RoomCourse(List.of(
                new RoomReading(Instant.EPOCH, startsC), new RoomReading(Instant.EPOCH.plus(hours(overH)), endsC)));
        return reader.faults()
                .attempt(
                        "share",
                        () -> CoatSimulation.of(
                                new CoatSimulation.Choice(
                                        mixed.label(), cup.blank(), shareMl, rpm, tilt, batchMl, warmth.get()),
                                course,
                                Instant.EPOCH,
                                hours(spanH)))
                .map(coat -> new Played(mixed, cup, coat, charts(coat, floors.show()), data(coat, floors.show())));
    }

    /** A cup that is not as warm as the room, and a heat pass: each may be left out. */
    private static Optional<Warmth> warmth(FormReader reader, TemperatureUnit unit) {
        OptionalDouble cupC = reader.optionalQuantity("cup", unit);
        List<String> passFields = List.of("passAfter", "passFor", "passAt");
        Optional<Warmth.HeatPass> pass = Optional.empty();
        if (passFields.stream().anyMatch(field -> !reader.raw(field).isEmpty())) {
            double after = reader.number("passAfter", "The heat pass after");
            double lasts = reader.number("passFor", "How long the heat pass lasts");
            double filmC = reader.quantity("passAt", "The film in the heat pass", unit);
            if (!Double.isNaN(after + lasts + filmC)) {
                pass = reader.faults()
                        .attempt(
                                "passAfter",
                                () -> new Warmth.HeatPass(
                                        hours(after / MINUTES_PER_HOUR), hours(lasts / MINUTES_PER_HOUR), filmC));
            }
        }
        Optional<Warmth.HeatPass> read = pass;
        return reader.faults().attempt("cup", () -> new Warmth(cupC, read));
    }

    private static Duration hours(double hours) {
        return Duration.ofMillis(Math.round(hours * 3_600_000));
    }

    private static List<LineChart> charts(CoatSimulation coat, Show show) {
        double[] x = values(coat, sample -> sample.after().toSeconds() / 3600.0);
        double drawnMm = Math.max(CARRIES_WELL_MM, CARRIES_WELL_MM * coat.filmMm());
        return List.of(
                LineChart.of(
                        "cure",
                        "hours after the pour",
                        x,
                        "equivalent age, h",
                        false,
                        List.of(new LineChart.Series("age", "a", values(coat, Sample::ageH))),
                        Optional.empty(),
                        Optional.empty()),
                LineChart.of(
                        "viscosity",
                        "hours after the pour",
                        x,
                        "viscosity, Pa·s",
                        true,
                        List.of(
                                new LineChart.Series("film", "a", values(coat, sample -> sample.viscosityPaS().stream()
                                        .filter(paS -> paS <= STIFF_PAS)
                                        .findFirst()
                                        .orElse(Double.NaN))),
                                new LineChart.Series("pot", "b", values(coat, sample -> sample.potPaS()
                                        .orElse(Double.NaN)))),
                        Optional.empty(),
                        Optional.empty()),
                LineChart.of(
                        "carries",
                        "hours after the pour",
                        x,
                        "film, " + show.lengthUnit().filmSymbol(),
                        false,
                        List.of(
                                new LineChart.Series("carried", "a", values(coat, sample -> sample.carriesMm().stream()
                                        .filter(mm -> mm <= drawnMm)
                                        .map(show.lengthUnit()::filmNumber)
                                        .findFirst()
                                        .orElse(Double.NaN))),
                                new LineChart.Series("your film", "b", values(coat, sample -> show.lengthUnit()
                                        .filmNumber(sample.filmMm())))),
                        Optional.empty(),
                        Optional.empty()));
    }

    private static double[] values(CoatSimulation coat, ToDoubleFunction<Sample> value) {
        return coat.samples().stream().mapToDouble(value).toArray();
    }

    /** What the script reads out at the chosen moment, one text a sample. */
    private static String data(CoatSimulation coat, Show show) {
        return coat.samples().stream().map(sample -> show.told(spoken(sample))).collect(Collectors.joining("|"));
    }

    private static String spoken(Sample sample) {
        long minutes = sample.after().toMinutes();
        String film = sample.viscosityPaS().isPresent()
                ? "%s Pa·s, carries %s mm"
                        .formatted(
                                Numbers.show(sample.viscosityPaS().getAsDouble(), 2),
                                Numbers.show(sample.carriesMm().orElse(0), 2))
                : "gelled: it holds its shape";
        return "%d:%02d h: %s, %s h old on the cure clock; %s; %s"
                .formatted(
                        minutes / 60,
                        minutes % 60,
                        sample.phase().word(),
                        Numbers.show(sample.ageH(), 2),
                        film,
                        sample.potPaS().isPresent()
                                ? "pot " + Numbers.show(sample.potPaS().getAsDouble(), 2) + " Pa·s"
                                : "the pot is gone");
    }

    private static List<Sample> every(List<Sample> samples) {
        return java.util.stream.IntStream.range(0, samples.size())
                .filter(i -> i % TABLE_EVERY == 0)
                .mapToObj(samples::get)
                .toList();
    }
}

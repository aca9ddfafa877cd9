package nursery.app.made;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.List;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.CsvText;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What the shop is like, as a page and as a table. */
@Controller
class FiguresController {

    private final FiguresBook book;
    private final MoneyBook money;

    FiguresController(FiguresBook book, MoneyBook money) {
        this.book = book;
        this.money = money;
    }

    @GetMapping("/figures")
    String page(Model model) {
        model.addAttribute("figures", book.figures());
        model.addAttribute("money", money.ways());
        return "made/figures";
    }

    /** Cups begun, finished and given up, by the week's Monday. */
    @GetMapping("/figures/weeks.csv")
    ResponseEntity<String> weeks() {
        List<Object[]> rows = book.figures().weeks().stream()
                .map(week -> new Object[] {week.from(), week.begun(), week.finished(), week.spoiled()})
                .toList();
        return csv("weeks.csv", List.of("week of", "begun", "finished", "given up"), rows);
    }

    /** How long hands are on a cup, by kind of step. */
    @GetMapping("/figures/hands.csv")
    ResponseEntity<String> hands() {
        List<Object[]> rows = book.hands().stream()
                .map(one -> new Object[] {one.kind().title(), one.starting(), one.here(), one.timed()})
                .toList();
        return csv("hands.csv", List.of("step", "minutes from memory", "minutes here", "times timed"), rows);
    }

    /** Clear coats until a cup was smooth, by glitter. */
    @GetMapping("/figures/coats.csv")
    ResponseEntity<String> coats() {
        List<Object[]> rows = book.figures().smooth().stream()
                .map(one -> new Object[] {
                    CsvText.safe(one.glitter().name()),
                    one.glitter().flakeMm().isPresent()
                            ? one.glitter().flakeMm().getAsDouble()
                            : "",
                    one.cups(),
                    Math.round(10 * one.coats()) / 10.0,
                    one.most()
                })
                .toList();
        return csv("coats.csv", List.of("glitter", "flakes mm", "cups", "coats on average", "at most"), rows);
    }

    @GetMapping("/figures/figures.csv")
    ResponseEntity<String> csv() {
        List<Object[]> rows = book.figures().ways().stream()
                .map(way -> new Object[] {
                    CsvText.safe(way.technique()),
                    CsvText.safe(way.blank()),
                    way.cups(),
                    way.spoiled(),
                    Math.round(way.pouredMl()),
                    way.foretoldMl().isPresent() ? Math.round(way.mixedMl()) : "",
                    way.foretoldMl().isPresent() ? Math.round(way.foretoldMl().getAsDouble()) : "",
                    Math.round(10 * way.coats()) / 10.0,
                    Math.round(way.minutes()),
                    way.hourEarns().map(BigDecimal::toPlainString).orElse("")
                })
                .toList();
        return csv(
                "figures.csv",
                List.of(
                        "technique",
                        "blank",
                        "finished",
                        "given up",
                        "ml a cup",
                        "ml mixed for it",
                        "ml foretold",
                        "coats",
                        "minutes",
                        "an hour earns"),
                rows);
    }

    private static ResponseEntity<String> csv(String file, List<String> heads, List<Object[]> rows) {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(heads);
            for (Object[] row : rows) {
                csv.printRecord(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"%s\"".formatted(file))
                .body(text.toString());
    }
}

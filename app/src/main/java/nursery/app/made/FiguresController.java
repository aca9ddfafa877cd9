package nursery.app.made;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import nursery.app.made.FiguresBook.Way;
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

    @GetMapping("/figures/figures.csv")
    ResponseEntity<String> csv() {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "technique", "blank", "finished", "given up", "ml a cup", "coats", "minutes", "an hour earns");
            for (Way way : book.figures().ways()) {
                csv.printRecord(
                        CsvText.safe(way.technique()),
                        CsvText.safe(way.blank()),
                        way.cups(),
                        way.spoiled(),
                        Math.round(way.pouredMl()),
                        Math.round(10 * way.coats()) / 10.0,
                        Math.round(way.minutes()),
                        way.hourEarns().map(BigDecimal::toPlainString).orElse(""));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"figures.csv\"")
                .body(text.toString());
    }
}

package nursery.app.made;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import nursery.app.floor.Floors;
import nursery.app.made.AheadBook.Line;
import nursery.app.platform.CsvText;
import nursery.core.measure.Numbers;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What to buy until when, as a list for phone and print, and as a table. */
@Controller
class AheadController {

    private final AheadBook book;
    private final Floors floors;

    AheadController(AheadBook book, Floors floors) {
        this.book = book;
        this.floors = floors;
    }

    @GetMapping("/shelf/ahead")
    String ahead(Model model) {
        List<Line> lines = book.lines();
        model.addAttribute("lines", lines);
        model.addAttribute("shortOnes", lines.stream().filter(Line::isShort).toList());
        model.addAttribute("today", floors.show().today());
        return "made/ahead";
    }

    @GetMapping("/shelf/ahead.csv")
    ResponseEntity<String> csv() {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord("what", "unit", "there", "needed", "missing", "runs out", "order by");
            for (Line line : book.lines()) {
                csv.printRecord(
                        CsvText.safe(line.name()),
                        line.unit(),
                        Numbers.show(line.left(), 1),
                        Numbers.show(line.ahead().needed(), 1),
                        Numbers.show(line.ahead().missing(), 1),
                        line.ahead().runsOut().map(LocalDate::toString).orElse(""),
                        line.ahead().buyBy().map(LocalDate::toString).orElse(""));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"to-buy.csv\"")
                .body(text.toString());
    }
}

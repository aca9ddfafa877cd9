package nursery.app;

import static nursery.app.Tablet.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import nursery.core.plan.PlannedStep;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** The plan to take away: as a calendar, a table, a sheet. */
class PlanSheetsTest extends PlannedShop {

    @Test
    void theCalendarHoldsEachSessionOnce() throws IOException, ParserException {
        Calendar calendar = new CalendarBuilder().build(new StringReader(text(tablet.get("/plan/week.ics"))));

        List<VEvent> events = calendar.getComponents("VEVENT");
        assertThat(events).hasSize(shop.plan().sessions().size());
        assertThat(events.get(0).getUid().orElseThrow().getValue())
                .isEqualTo("session-%s-%d@nursery.invalid"
                        .formatted(
                                shop.plan().steps().get(0).cup(),
                                shop.plan().steps().get(0).step().number()));
        assertThat(events.get(0).getComponents("VALARM")).hasSize(1);
    }

    @Test
    void theTableHasARowForEachStepOfWork() throws IOException {
        List<CSVRecord> rows = CSVParser.parse(text(tablet.get("/plan/week.csv")), CSVFormat.RFC4180)
                .getRecords();

        assertThat(rows)
                .hasSize(1
                        + (int) shop.plan().steps().stream()
                                .filter(PlannedStep::isHandsOn)
                                .count());
        assertThat(rows.get(1).get(0)).isEqualTo("2026-03-02T18:00Z");
        assertThat(rows.get(1).get(2)).isEqualTo(shop.plan().steps().get(0).cup());
    }

    @Test
    void theWeekSheetIsAPdfWithTheDays() throws IOException {
        byte[] pdf = tablet.get("/plan/week.pdf").getResponse().getContentAsByteArray();

        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("The week from Mon 2 Mar", "A-01", "Every promised cup in time.");
        }
    }
}

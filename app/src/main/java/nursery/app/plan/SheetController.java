package nursery.app.plan;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.platform.CalendarText;
import nursery.app.platform.CsvText;
import nursery.app.platform.Pdf;
import nursery.app.platform.Show;
import nursery.core.floor.Floor;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.Session;
import nursery.core.plan.WeekPlan;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The plan to take away: a week sheet, a calendar, a table. */
@Controller
class SheetController {

    private static final int DAYS = 7;
    private static final Duration BELL = Duration.ofMinutes(10);

    private final Floors floors;
    private final Pdf pdf;

    SheetController(Floors floors, Pdf pdf) {
        this.floors = floors;
        this.pdf = pdf;
    }

    @GetMapping("/plan/week.pdf")
    ResponseEntity<byte[]> sheet() {
        Show show = floors.show();
        Floor floor = floors.now();
        WeekPlan plan = floors.standing(floor).plan();
        List<DayPage> days = new ArrayList<>();
        for (LocalDate day = show.today(); day.isBefore(show.today().plusDays(DAYS)); day = day.plusDays(1)) {
            days.add(DayPage.of(plan, day, floor, show));
        }
        return ResponseEntity.ok()
                .header("Content-Type", "application/pdf")
                .header("Content-Disposition", "inline; filename=week.pdf")
                .body(pdf.of(
                        "plan/print",
                        Map.of(
                                "show",
                                show,
                                "marks",
                                show.onMarks(floor.shelf().measuringCupAtHand().cup()),
                                "plan",
                                plan,
                                "days",
                                days)));
    }

    /** Each session as an entry; a cup's windows are in the alarms' feed. */
    @GetMapping("/plan/week.ics")
    ResponseEntity<String> calendar() {
        Show show = floors.show();
        WeekPlan plan = floors.standing(floors.now()).plan();
        int edition = (int) Duration.between(Instant.parse("2026-01-01T00:00:00Z"), show.now())
                .toMinutes();
        List<CalendarText.Entry> entries =
                plan.sessions().stream().map(session -> entry(session, show)).toList();
        return ResponseEntity.ok()
                .header("Content-Type", "text/calendar;charset=UTF-8")
                .header("Content-Disposition", "attachment; filename=week.ics")
                .body(CalendarText.of(entries, Math.max(0, edition), show.now()));
    }

    private static CalendarText.Entry entry(Session session, Show show) {
        List<PlannedStep> steps = session.steps();
        String words = steps.stream()
                .map(step -> "%s %s: %s".formatted(show.at(step.begins()), step.cup(), step.title()))
                .collect(Collectors.joining("\n"));
        PlannedStep first = steps.get(0);
        return new CalendarText.Entry(
                "session-%s-%d".formatted(first.cup(), first.step().number()),
                session.begins(),
                session.ends(),
                "At the bench: %d %s".formatted(steps.size(), steps.size() == 1 ? "step" : "steps"),
                words,
                Optional.of(session.begins().minus(BELL)));
    }

    @GetMapping("/plan/week.csv")
    ResponseEntity<String> table() {
        Show show = floors.show();
        WeekPlan plan = floors.standing(floors.now()).plan();
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(
                    "begins",
                    "ends",
                    "cup",
                    "step",
                    "scuff first",
                    "amount ml",
                    "spindle",
                    "spindle free from",
                    "window opens",
                    "window closes");
            for (PlannedStep step :
                    plan.steps().stream().filter(PlannedStep::isHandsOn).toList()) {
                printer.printRecord(
                        local(step.begins(), show),
                        local(step.ends(), show),
                        step.cup(),
                        CsvText.safe(step.step().title()),
                        step.scuffFirst() ? "yes" : "no",
                        step.amountMl().isPresent() ? Math.round(step.amountMl().getAsDouble() * 10) / 10.0 : "",
                        step.turns()
                                .map(turns -> CsvText.safe(turns.spindle().name()))
                                .orElse(""),
                        step.turns()
                                .map(turns -> local(turns.untilExclusive(), show))
                                .orElse(""),
                        local(step.action().window().opensAt(), show),
                        step.action()
                                .window()
                                .closesAtExclusive()
                                .map(at -> local(at, show))
                                .orElse(""));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .header("Content-Type", "text/csv;charset=UTF-8")
                .header("Content-Disposition", "attachment; filename=week.csv")
                .body(text.toString());
    }

    private static String local(Instant at, Show show) {
        return at.atZone(show.zone())
                .truncatedTo(ChronoUnit.MINUTES)
                .toOffsetDateTime()
                .toString();
    }
}

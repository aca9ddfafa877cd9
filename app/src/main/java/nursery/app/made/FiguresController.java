package nursery.app.made;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.made.FiguresMapper.CupRow;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.CsvText;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.worth.CupCost;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What the shop is like: what was finished, spoiled and late, what a cup takes, and what an hour earns. */
@Controller
class FiguresController {

    private static final int WEEKS = 12;
    private static final int NEWEST = 20;
    private static final String ABANDONED = "ABANDONED";

    private final FiguresMapper mapper;
    private final CostBook costs;
    private final MoneyBook money;
    private final Floors floors;

    FiguresController(FiguresMapper mapper, CostBook costs, MoneyBook money, Floors floors) {
        this.mapper = mapper;
        this.costs = costs;
        this.money = money;
        this.floors = floors;
    }

    /** A week's cups. */
    record Week(LocalDate from, int begun, int finished, int spoiled) {}

    /**
     * A technique on a blank.
     *
     * @param pouredMl on a finished cup, on average
     * @param coats on a finished cup, on average
     * @param minutes at the bench for one
     * @param hourEarns what is left of the price after fees and everything but the work, by the hour
     */
    record Way(
            String technique,
            String blank,
            int cups,
            int spoiled,
            double pouredMl,
            double coats,
            double minutes,
            Optional<BigDecimal> hourEarns) {}

    /** Everything the page shows. */
    record Figures(List<Week> weeks, List<Way> ways, int onTime, int late, int spoiled, int finished) {

        public int most() {
            return weeks.stream()
                    .mapToInt(week -> Math.max(week.begun(), week.finished() + week.spoiled()))
                    .max()
                    .orElse(0);
        }
    }

    private Figures figures() {
        Show show = floors.show();
        LocalDate monday = show.today().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        LocalDate first = monday.minusWeeks(WEEKS - 1L);
        List<CupRow> rows =
                mapper.cups(first.minusWeeks(52).atStartOfDay(show.zone()).toInstant());
        List<Week> weeks = new ArrayList<>();
        for (int i = 0; i < WEEKS; i++) {
            LocalDate from = first.plusWeeks(i);
            LocalDate until = from.plusWeeks(1);
            int begun = 0;
            int finished = 0;
            int spoiled = 0;
            for (CupRow row : rows) {
                LocalDate started = LocalDate.ofInstant(row.startedAt(), show.zone());
                LocalDate last = LocalDate.ofInstant(row.lastAt(), show.zone());
                begun += in(started, from, until) ? 1 : 0;
                finished += in(last, from, until) && isFinished(row) ? 1 : 0;
                spoiled += in(last, from, until) && row.how().equals(ABANDONED) ? 1 : 0;
            }
            weeks.add(new Week(from, begun, finished, spoiled));
        }
        List<CupRow> done = rows.stream().filter(row -> isFinished(row)).toList();
        int late = (int) done.stream()
                .filter(row -> row.dueAt() != null)
                .flatMap(row -> floors.cup(row.code()).stream())
                .filter(cup -> cup.state()
                        .fullCureAt()
                        .filter(cured -> cup.cup()
                                .promise()
                                .dueAt()
                                .filter(cured::isAfter)
                                .isPresent())
                        .isPresent())
                .count();
        int promised = (int) done.stream().filter(row -> row.dueAt() != null).count();
        return new Figures(
                weeks,
                ways(rows),
                promised - late,
                late,
                (int) rows.stream().filter(row -> row.how().equals(ABANDONED)).count(),
                done.size());
    }

    private static boolean in(LocalDate day, LocalDate from, LocalDate until) {
        return !day.isBefore(from) && day.isBefore(until);
    }

    private static boolean isFinished(CupRow row) {
        return row.done() && !row.how().equals(ABANDONED);
    }

    private List<Way> ways(List<CupRow> rows) {
        Money ways = money.ways();
        Map<String, List<CupRow>> byWay = rows.stream()
                .collect(Collectors.groupingBy(
                        row -> row.technique() + "\n" + row.blank(), TreeMap::new, Collectors.toList()));
        List<Way> all = new ArrayList<>();
        byWay.forEach((key, of) -> {
            List<CupRow> done = of.stream().filter(row -> isFinished(row)).toList();
            if (!done.isEmpty()) {
                // The newest say how it is done today.
                List<CupNow> newest = done.stream()
                        .skip(Math.max(0, done.size() - NEWEST))
                        .flatMap(row -> floors.cup(row.code()).stream())
                        .toList();
                double minutes = newest.stream()
                        .mapToDouble(CupNow::handsOnMinutes)
                        .average()
                        .orElse(0);
                all.add(new Way(
                        done.get(0).technique(),
                        done.get(0).blank(),
                        done.size(),
                        (int) of.stream()
                                .filter(row -> row.how().equals(ABANDONED))
                                .count(),
                        done.stream().mapToDouble(CupRow::pouredMl).average().orElse(0),
                        done.stream().mapToDouble(CupRow::coats).average().orElse(0),
                        minutes,
                        hourEarns(newest, ways, minutes)));
            }
        });
        return all;
    }

    /** Of the price after fees what is left when all but the work is paid, by the hour at the bench. */
    private Optional<BigDecimal> hourEarns(List<CupNow> newest, Money ways, double minutes) {
        List<CupCost> all = newest.stream().map(costs::of).toList();
        if (minutes <= 0 || all.isEmpty()) {
            return Optional.empty();
        }
        BigDecimal left = BigDecimal.ZERO;
        for (CupCost cost : all) {
            BigDecimal work = cost.lines().stream()
                    .filter(line -> line.from() == CupCost.From.WORK)
                    .flatMap(line -> line.foretold().stream())
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            BigDecimal price = ways.asking().of(cost.foretold()).price();
            left = left.add(ways.asking().left(price).subtract(cost.foretold()).add(work));
        }
        return Optional.of(left.multiply(BigDecimal.valueOf(60))
                .divide(BigDecimal.valueOf(minutes * all.size()), ways.digits(), RoundingMode.HALF_UP));
    }

    @GetMapping("/figures")
    String page(Model model) {
        model.addAttribute("figures", figures());
        model.addAttribute("money", money.ways());
        return "made/figures";
    }

    @GetMapping("/figures/figures.csv")
    ResponseEntity<String> csv() {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "technique", "blank", "finished", "given up", "ml a cup", "coats", "minutes", "an hour earns");
            for (Way way : figures().ways()) {
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

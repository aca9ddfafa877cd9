package nursery.app.made;

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
import nursery.app.picture.WeeksChart;
import nursery.app.picture.WeeksChart.Week;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.worth.Asking;
import org.springframework.stereotype.Service;

/** What was finished, spoiled and late, what a cup takes, and what an hour earns. */
@Service
class FiguresBook {

    private static final int WEEKS = 12;
    private static final int NEWEST = 20;
    private static final String ABANDONED = "ABANDONED";

    private final FiguresMapper mapper;
    private final CostBook costs;
    private final MoneyBook money;
    private final Floors floors;

    FiguresBook(FiguresMapper mapper, CostBook costs, MoneyBook money, Floors floors) {
        this.mapper = mapper;
        this.costs = costs;
        this.money = money;
        this.floors = floors;
    }

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

        public boolean isAny() {
            return weeks.stream().anyMatch(week -> week.begun() + week.finished() + week.spoiled() > 0);
        }

        public WeeksChart chart() {
            return WeeksChart.of(weeks);
        }
    }

    Figures figures() {
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

    /** What an hour at the bench earns, on the average of some cups. */
    private Optional<BigDecimal> hourEarns(List<CupNow> newest, Money ways, double minutes) {
        if (minutes <= 0) {
            return Optional.empty();
        }
        Asking asking = ways.asking();
        BigDecimal earned = costs.of(newest).stream().map(asking::earned).reduce(BigDecimal.ZERO, BigDecimal::add);
        return Optional.of(earned.multiply(BigDecimal.valueOf(60))
                .divide(BigDecimal.valueOf(minutes * newest.size()), ways.digits(), RoundingMode.HALF_UP));
    }
}

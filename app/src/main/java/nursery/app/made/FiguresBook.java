package nursery.app.made;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.floor.Floors;
import nursery.app.made.FiguresMapper.CupRow;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.picture.WeeksChart;
import nursery.app.picture.WeeksChart.Week;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.HandsOn;
import nursery.core.technique.StepKind;
import nursery.core.worth.Asking;
import nursery.core.worth.CupCost;
import nursery.core.worth.CupCost.From;
import org.springframework.stereotype.Service;

/** What was finished, spoiled and late, what a cup takes, and what an hour earns. */
@Service
class FiguresBook {

    private static final int WEEKS = 12;
    private static final int NEWEST = 20;
    private static final String ABANDONED = "ABANDONED";

    private final FiguresMapper mapper;
    private final CostBook costs;
    private final ForetoldBook foretold;
    private final MaterialBook materials;
    private final MoneyBook money;
    private final Floors floors;

    FiguresBook(
            FiguresMapper mapper,
            CostBook costs,
            ForetoldBook foretold,
            MaterialBook materials,
            MoneyBook money,
            Floors floors) {
        this.mapper = mapper;
        this.costs = costs;
        this.foretold = foretold;
        this.materials = materials;
        this.money = money;
        this.floors = floors;
    }

    /**
     * A technique on a blank.
     *
     * @param pouredMl on a finished cup, on average
     * @param coats on a finished cup, on average
     * @param minutes at the bench for one
     * @param mixedMl for one, what stayed in the pot counted with it, of those of which it was foretold
     * @param foretoldMl what of that was foretold when work began; nothing if it never was
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
            double mixedMl,
            OptionalDouble foretoldMl,
            Optional<BigDecimal> hourEarns) {}

    /**
     * A glitter, and how many clear coats it took until a cup was smooth.
     *
     * @param coats on average
     * @param most on one cup
     */
    record Smooth(Material glitter, int cups, double coats, int most) {}

    /**
     * A kind of step.
     *
     * @param starting minutes, from memory
     * @param here as the plan and the prices count now
     */
    record Hands(StepKind kind, int starting, int here, int timed) {}

    /**
     * Everything the page shows.
     *
     * @param unknown of how many with a day it is not worked out yet whether they were in time
     */
    record Figures(
            List<Week> weeks,
            List<Way> ways,
            List<Smooth> smooth,
            List<Hands> hands,
            int onTime,
            int late,
            int unknown,
            int spoiled,
            int finished) {

        public boolean isAny() {
            return weeks.stream().anyMatch(week -> week.begun() + week.finished() + week.spoiled() > 0);
        }

        /** Whether anything was. */
        public boolean isTimed() {
            return hands.stream().anyMatch(one -> one.timed() > 0);
        }

        public WeeksChart chart() {
            return WeeksChart.of(weeks);
        }
    }

    private static void count(int[] weeks, LocalDate first, Instant at, ZoneId zone) {
        long week = Math.floorDiv(ChronoUnit.DAYS.between(first, LocalDate.ofInstant(at, zone)), 7L);
        if (week >= 0 && week < weeks.length) {
            weeks[(int) week]++;
        }
    }

    Figures figures() {
        Show show = floors.show();
        LocalDate monday = show.today().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        LocalDate first = monday.minusWeeks(WEEKS - 1L);
        List<CupRow> rows = mapper
                .cups(first.minusWeeks(52).atStartOfDay(show.zone()).toInstant(), show.now())
                .stream()
                .sorted(Comparator.comparing(CupRow::lastAt).thenComparing(CupRow::id))
                .toList();
        int[] begunIn = new int[WEEKS];
        int[] finishedIn = new int[WEEKS];
        int[] spoiledIn = new int[WEEKS];
        for (CupRow row : rows) {
            count(begunIn, first, row.startedAt(), show.zone());
            if (isFinished(row)) {
                count(finishedIn, first, row.lastAt(), show.zone());
            }
            if (row.how().equals(ABANDONED)) {
                count(spoiledIn, first, row.lastAt(), show.zone());
            }
        }
        List<Week> weeks = IntStream.range(0, WEEKS)
                .mapToObj(i -> new Week(first.plusWeeks(i), begunIn[i], finishedIn[i], spoiledIn[i]))
                .toList();
        List<CupRow> done = rows.stream().filter(row -> isFinished(row)).toList();
        List<CupRow> promised = done.stream().filter(row -> row.dueOn() != null).toList();
        // Of those on the floor the room decides yet; of those that left it is worked out once, beside everything else.
        Map<String, Instant> cured = new HashMap<>();
        Map<String, CupNow> floor = floors.cups().stream().collect(Collectors.toMap(CupNow::code, Function.identity()));
        promised.forEach(row -> (row.left()
                        ? Optional.ofNullable(row.curedAt())
                        : Optional.ofNullable(floor.get(row.code()))
                                .flatMap(cup -> cup.state().fullCureAt()))
                .ifPresent(at -> cured.put(row.code(), at)));
        int late = (int) promised.stream()
                .filter(row -> isLate(row, cured.getOrDefault(row.code(), Instant.MIN), show.zone()))
                .count();
        Map<String, List<CupRow>> byWay = rows.stream()
                .collect(Collectors.groupingBy(
                        row -> row.technique() + "\n" + row.blank(), TreeMap::new, Collectors.toList()));
        // The newest say how it is done today.
        Map<String, List<CupNow>> newest = new TreeMap<>();
        Map<String, List<Long>> ids = new TreeMap<>();
        byWay.forEach((key, of) -> {
            List<CupRow> finished = of.stream().filter(row -> isFinished(row)).toList();
            ids.put(
                    key,
                    finished.stream()
                            .skip(Math.max(0, finished.size() - NEWEST))
                            .map(CupRow::id)
                            .toList());
        });
        Map<Long, CupNow> read = floors
                .cupsByTheirLogs(ids.values().stream().flatMap(List::stream).toList())
                .stream()
                .collect(Collectors.toMap(cup -> cup.cup().id(), cup -> cup));
        ids.forEach((key, of) -> newest.put(
                key,
                of.stream()
                        .flatMap(id -> Optional.ofNullable(read.get(id)).stream())
                        .toList()));
        return new Figures(
                weeks,
                ways(byWay, newest),
                smooth(newest.values().stream().flatMap(List::stream).toList()),
                hands(),
                cured.size() - late,
                late,
                promised.size() - cured.size(),
                (int) rows.stream().filter(row -> row.how().equals(ABANDONED)).count(),
                done.size());
    }

    /** What is due on a day must be cured before it begins. */
    private static boolean isLate(CupRow row, Instant cured, ZoneId zone) {
        return row.dueOn() != null
                && cured.isAfter(row.dueOn().atStartOfDay(zone).toInstant());
    }

    private static boolean isFinished(CupRow row) {
        return row.done() && !row.how().equals(ABANDONED);
    }

    /** Every kind that hands are on, those that were timed first. */
    List<Hands> hands() {
        HandsOn here = floors.hands();
        return Arrays.stream(StepKind.values())
                .filter(kind -> kind.handsOnMinutes() > 0)
                .map(kind -> new Hands(
                        kind,
                        kind.handsOnMinutes(),
                        here.minutesOf(kind),
                        here.timed().getOrDefault(kind, 0)))
                .sorted(Comparator.comparing((Hands one) -> one.timed() == 0))
                .toList();
    }

    private List<Smooth> smooth(List<CupNow> cups) {
        Map<Long, Map<Integer, List<Material>>> chosen =
                materials.chosen(cups.stream().map(cup -> cup.cup().id()).toList());
        Map<Material, List<Integer>> coats = new LinkedHashMap<>();
        for (CupNow cup : cups) {
            cup.cup()
                    .coatsUntilSmooth()
                    .ifPresent(count -> chosen.getOrDefault(cup.cup().id(), Map.of()).values().stream()
                            .flatMap(List::stream)
                            .filter(material -> material.kind() == MaterialKind.GLITTER)
                            .distinct()
                            .forEach(glitter -> coats.computeIfAbsent(glitter, known -> new ArrayList<>())
                                    .add(count)));
        }
        return coats.entrySet().stream()
                .map(one -> new Smooth(
                        one.getKey(),
                        one.getValue().size(),
                        one.getValue().stream()
                                .mapToInt(count -> count)
                                .average()
                                .orElse(0),
                        one.getValue().stream().mapToInt(count -> count).max().orElse(0)))
                .sorted(Comparator.comparing(one -> one.glitter().name()))
                .toList();
    }

    private List<Way> ways(Map<String, List<CupRow>> byWay, Map<String, List<CupNow>> newestOf) {
        Money ways = money.ways();
        List<CupNow> every = newestOf.values().stream().flatMap(List::stream).toList();
        Map<Long, CupCost> costOf = new HashMap<>();
        List<CupCost> costed = costs.of(every);
        for (int i = 0; i < every.size(); i++) {
            costOf.put(every.get(i).cup().id(), costed.get(i));
        }
        Map<Long, OptionalDouble> foretoldOf = this.foretold.quantities(
                every.stream().map(cup -> cup.cup().id()).toList(), From.RESIN);
        List<Way> all = new ArrayList<>();
        byWay.forEach((key, of) -> {
            List<CupRow> done = of.stream().filter(row -> isFinished(row)).toList();
            if (!done.isEmpty()) {
                List<CupNow> newest = newestOf.getOrDefault(key, List.of());
                List<CupCost> cost = newest.stream()
                        .flatMap(cup -> Optional.ofNullable(costOf.get(cup.cup().id())).stream())
                        .toList();
                List<OptionalDouble> foretold = newest.stream()
                        .map(cup -> foretoldOf.getOrDefault(cup.cup().id(), OptionalDouble.empty()))
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
                        IntStream.range(0, cost.size())
                                .filter(i -> foretold.get(i).isPresent())
                                .mapToDouble(i -> cost.get(i).quantity(From.RESIN))
                                .average()
                                .orElse(0),
                        foretold.stream()
                                .flatMapToDouble(OptionalDouble::stream)
                                .average(),
                        hourEarns(cost, ways, minutes)));
            }
        });
        return all;
    }

    /** What an hour at the bench earns, on the average of some cups. */
    private static Optional<BigDecimal> hourEarns(List<CupCost> newest, Money ways, double minutes) {
        if (minutes <= 0) {
            return Optional.empty();
        }
        Asking asking = ways.asking();
        BigDecimal earned = newest.stream().map(asking::earned).reduce(BigDecimal.ZERO, BigDecimal::add);
        return Optional.of(earned.multiply(BigDecimal.valueOf(60))
                .divide(BigDecimal.valueOf(minutes * newest.size()), ways.digits(), RoundingMode.HALF_UP));
    }
}

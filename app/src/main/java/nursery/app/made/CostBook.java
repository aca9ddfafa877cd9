package nursery.app.made;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.made.Outlays.Outlay;
import nursery.app.made.SpoiledMapper.PlaceRow;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.materials.MaterialBook.Used;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook.PaidDraw;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.measure.Numbers;
import nursery.core.plan.Order;
import nursery.core.resin.Mix;
import nursery.core.resin.Part;
import nursery.core.stock.Lot;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.worth.CupCost;
import nursery.core.worth.CupCost.Amount;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Line;
import nursery.core.worth.Split;
import org.springframework.stereotype.Service;
import org.springframework.util.function.SingletonSupplier;

/** What each cup cost so far, and what it will have cost in the end. */
@Published
@Service
public class CostBook {

    private static final String ML = "ml";
    private static final Duration YEAR = Duration.ofDays(365);

    private final MaterialBook materials;
    private final PaidMapper paid;
    private final Outlays outlays;
    private final MoneyBook money;
    private final Floors floors;
    private final SpoiledMapper spoiled;

    CostBook(
            MaterialBook materials,
            PaidMapper paid,
            Outlays outlays,
            MoneyBook money,
            Floors floors,
            SpoiledMapper spoiled) {
        this.materials = materials;
        this.paid = paid;
        this.outlays = outlays;
        this.money = money;
        this.floors = floors;
        this.spoiled = spoiled;
    }

    public CupCost of(CupNow cup) {
        return of(List.of(cup)).get(0);
    }

    /** What each of several cups cost: prices and what was spoiled are read once. */
    public List<CupCost> of(List<CupNow> cups) {
        Prices prices = prices();
        List<Long> ids = cups.stream().map(cup -> cup.cup().id()).toList();
        Map<Long, Outlay> spent = new LinkedHashMap<>();
        Spoiled lost = spoiled(prices, ids, spent);
        List<Long> ahead = cups.stream()
                .filter(cup -> !cup.stepsAhead().isEmpty())
                .map(cup -> cup.cup().id())
                .toList();
        Map<Long, Map<Integer, List<Material>>> chosen =
                ahead.size() == 1 ? Map.of(ahead.get(0), materials.chosen(ahead.get(0))) : materials.chosen(ahead);
        return cups.stream()
                .map(cup -> {
                    List<Line> lines = new ArrayList<>(own(
                            cup,
                            chosen.getOrDefault(cup.cup().id(), Map.of()),
                            spent.getOrDefault(cup.cup().id(), Outlay.NOTHING),
                            prices));
                    lost.shareOf(cup).ifPresent(part -> lines.add(spoiledLine(Optional.of(part), part)));
                    return new CupCost(lines);
                })
                .toList();
    }

    /**
     * What is read once for however many cups.
     *
     * @param asked the floor, read once if anything asks for it
     * @param stocked the materials by their numbers, read as late and as seldom
     * @param each what a millilitre costs, of the newest bottle with a price, by resin and part
     * @param blanks what one costs, of its newest pack with a price or as it is kept, by its name
     */
    private record Prices(
            Money ways,
            Supplier<Floor> asked,
            Supplier<Map<Long, Stocked>> stocked,
            Map<String, BigDecimal> each,
            Map<String, BigDecimal> blanks) {
        /** Only what is still to come asks for it. */
        Floor floor() {
            return asked.get();
        }

        Optional<BigDecimal> perMl(long resin, Part part) {
            return Optional.ofNullable(each.get(resin + part.name()));
        }
    }

    private Prices prices() {
        Map<String, BigDecimal> each = new LinkedHashMap<>();
        Once.aPage(CostBook.class, "paid", paid::paid)
                .forEach(row -> each.put(
                        row.number() + row.what(),
                        row.price().divide(BigDecimal.valueOf(row.amount()), MathContext.DECIMAL64)));
        Map<String, BigDecimal> blanks = new LinkedHashMap<>();
        floors.shelf().blanks().forEach(blank -> Optional.ofNullable(each.get(blank.id() + "BLANK"))
                .ifPresent(price -> blanks.put(blank.name(), price)));
        return new Prices(
                money.ways(),
                SingletonSupplier.of(floors::withoutAPlan),
                SingletonSupplier.of(materials::everything),
                each,
                blanks);
    }

    /** What one cup of an order would cost, made of what is usual for its steps. */
    public CupCost quoted(Order order) {
        Prices prices = prices();
        Floor floor = prices.floor();
        Cup cup = Cup.started("Z-00", order.blank(), order.resins(), order.plan(), floor.now())
                .with(order.schools())
                .known(0, order.about());
        CupNow wanted = new CupNow(cup, cup.at(floor.air().course(), floor.now()));
        Map<Integer, List<Material>> usual = new LinkedHashMap<>();
        materials.offered(order.plan()).forEach((step, offered) -> offered.stream()
                .map(Stocked::material)
                .filter(one -> one.mix().isEmpty() && !one.isRemovable())
                .findFirst()
                .ifPresent(one -> usual.put(step, List.of(one))));
        return asNext(own(wanted, usual, Outlay.NOTHING, prices), prices);
    }

    /** What a cup was expected to cost before anything was done to it, made of what its steps name. */
    CupCost foretold(CupNow now) {
        Prices prices = prices();
        Cup bare = now.cup().withLog(List.of());
        // It is of no number: nothing was drawn for it.
        Cup fresh = bare.known(0, bare.about());
        CupNow then = new CupNow(
                fresh, fresh.at(prices.floor().air().course(), prices.floor().now()));
        return asNext(own(then, materials.chosen(now.cup().id()), Outlay.NOTHING, prices), prices);
    }

    /** With the share of what was spoiled that the next cup bears. */
    private CupCost asNext(List<Line> own, Prices prices) {
        List<Line> lines = new ArrayList<>(own);
        Optional.of(spoiled(prices, List.of(), new LinkedHashMap<>()).next())
                .filter(share -> share.signum() > 0)
                .ifPresent(share -> lines.add(spoiledLine(Optional.empty(), share)));
        return new CupCost(lines);
    }

    private static Line spoiledLine(Optional<BigDecimal> soFar, BigDecimal share) {
        return new Line(
                From.SPOILED, new Amount("", 1, ""), "its share", "of the last year’s", soFar, Optional.of(share));
    }

    /** What it costs by itself. */
    private List<Line> own(CupNow now, Map<Integer, List<Material>> chosen, Outlay spent, Prices prices) {
        boolean goesOn = now.state().gone().isEmpty();
        List<PlanStep> ahead = goesOn ? now.stepsAhead() : List.of();
        Cup cup = now.cup();
        List<Line> lines = new ArrayList<>();
        lines.add(blank(cup, spent, prices));
        lines.addAll(resinSoFar(cup, spent));
        lines.addAll(resinAhead(now, ahead, prices));
        lines.addAll(materialsSoFar(spent));
        lines.addAll(materialsAhead(cup, ahead, chosen, prices));
        lines.add(work(cup, ahead, prices.ways()));
        return lines;
    }

    /** The very blank it stands on, if its pack is kept; else what one costs. */
    private static Line blank(Cup cup, Outlay spent, Prices prices) {
        List<Used> taken = spent.materials().stream()
                .filter(used -> used.material().kind() == MaterialKind.BLANK)
                .toList();
        boolean one = Math.abs(taken.stream().mapToDouble(Used::amount).sum() - 1) < 1e-6;
        Optional<BigDecimal> paid = one ? sum(taken.stream().map(Used::cost).toList()) : Optional.empty();
        String name = cup.about().blank();
        Optional<BigDecimal> price =
                paid.or(() -> Optional.ofNullable(prices.blanks().get(name))
                        .map(found -> found.setScale(prices.ways().digits(), RoundingMode.HALF_UP)));
        return new Line(From.BLANK, new Amount(name, 1, ""), name, "1", price, price);
    }

    private static List<Line> resinSoFar(Cup cup, Outlay spent) {
        Map<String, List<PaidDraw>> drawn = spent.resin().stream()
                .collect(Collectors.groupingBy(
                        draw -> draw.part() + " of lot " + draw.lot(), LinkedHashMap::new, Collectors.toList()));
        List<Line> lines = new ArrayList<>();
        drawn.forEach((what, draws) -> {
            double ml = draws.stream().mapToDouble(PaidDraw::ml).sum();
            Optional<BigDecimal> cost = sum(draws.stream().map(PaidDraw::cost).toList());
            if (Math.abs(ml) > 0.005) {
                lines.add(new Line(From.RESIN, new Amount("", ml, ML), what, Numbers.show(ml, 1) + " ml", cost, cost));
            }
        });
        // What was poured without a bottle to draw it from went on the cup all the same.
        double poured = cup.happened().stream()
                .filter(LogEntry.Poured.class::isInstance)
                .mapToDouble(entry -> ((LogEntry.Poured) entry).amountMl())
                .sum();
        double unknown =
                poured - spent.resin().stream().mapToDouble(PaidDraw::ml).sum();
        if (unknown > 0.05) {
            lines.add(new Line(
                    From.RESIN,
                    new Amount("", unknown, ML),
                    "poured, out of no bottle that is kept",
                    Numbers.show(unknown, 1) + " ml",
                    Optional.empty(),
                    Optional.empty()));
        }
        return lines;
    }

    private static List<Line> resinAhead(CupNow now, List<PlanStep> ahead, Prices prices) {
        Money ways = prices.ways();
        List<Line> lines = new ArrayList<>();
        double toCome = 0;
        Optional<BigDecimal> cost = Optional.of(BigDecimal.ZERO);
        for (PlanStep step : ahead) {
            if (step.kind().isPour()) {
                var resin = now.cup().resinFor(step);
                Mix mix = prices.floor()
                        .mixedFor(
                                now.cup(),
                                resin,
                                prices.floor().share(now, step).suggestedMl());
                toCome += mix.partAMl() + mix.partBMl();
                for (Part part : Part.values()) {
                    Optional<BigDecimal> each = prices.perMl(resin.id(), part)
                            .map(price ->
                                    price.multiply(BigDecimal.valueOf(part == Part.A ? mix.partAMl() : mix.partBMl())));
                    cost = cost.flatMap(sum -> each.map(sum::add));
                }
            }
        }
        if (toCome > 0) {
            lines.add(new Line(
                    From.RESIN,
                    new Amount("", toCome, ML),
                    "coats to come",
                    Numbers.show(toCome, 1) + " ml",
                    Optional.empty(),
                    cost.map(sum -> sum.setScale(ways.digits(), RoundingMode.HALF_UP))));
        }
        return lines;
    }

    private static List<Line> materialsSoFar(Outlay spent) {
        List<Line> lines = new ArrayList<>();
        Map<String, List<Used>> used = spent.materials().stream()
                .filter(one -> one.material().kind() != MaterialKind.BLANK)
                .collect(Collectors.groupingBy(
                        one -> one.material().name() + ", lot " + one.lot(), LinkedHashMap::new, Collectors.toList()));
        used.forEach((what, moves) -> {
            double amount = moves.stream().mapToDouble(Used::amount).sum();
            Optional<BigDecimal> cost = sum(moves.stream().map(Used::cost).toList());
            if (Math.abs(amount) > 1e-6) {
                Material material = moves.get(0).material();
                lines.add(new Line(From.MATERIAL, amount(material, amount), what, much(material, amount), cost, cost));
            }
        });
        return lines;
    }

    private List<Line> materialsAhead(
            Cup cup, List<PlanStep> ahead, Map<Integer, List<Material>> chosen, Prices prices) {
        List<Line> lines = new ArrayList<>();
        for (PlanStep step : ahead) {
            List<Material> of = chosen.getOrDefault(step.number(), List.of());
            if (of.isEmpty()) {
                continue;
            }
            Map<Long, Stocked> stocked = prices.stocked().get();
            materials
                    .expected(cup, step, of, stocked)
                    .forEach((material, amount) -> lines.add(new Line(
                            From.MATERIAL,
                            amount(material, amount),
                            material.name() + ", to come",
                            much(material, amount),
                            Optional.empty(),
                            Optional.ofNullable(stocked.get(material.id()))
                                    .flatMap(found -> perUnit(found.lots()))
                                    .map(price -> price.multiply(BigDecimal.valueOf(amount))
                                            .setScale(prices.ways().digits(), RoundingMode.HALF_UP)))));
        }
        return lines;
    }

    private static Amount amount(Material material, double amount) {
        return new Amount(material.name(), amount, material.kind().measure().symbol());
    }

    private static String much(Material material, double amount) {
        return material.kind().measure().show(amount);
    }

    private static Optional<BigDecimal> perUnit(List<Lot> lots) {
        return lots.stream()
                .filter(lot -> lot.price().isPresent())
                .reduce((a, b) -> b)
                .flatMap(lot -> lot.price()
                        .map(price -> price.divide(BigDecimal.valueOf(lot.amount()), MathContext.DECIMAL64)));
    }

    private static Line work(Cup cup, List<PlanStep> ahead, Money ways) {
        double done = cup.handsOnMinutes();
        double toCome =
                ahead.stream().mapToDouble(step -> step.handsOnMinutes()).sum();
        boolean rated = ways.hourRate().signum() > 0;
        return new Line(
                From.WORK,
                new Amount("", done + toCome, "min"),
                "at the bench",
                Show.minutes(done) + (toCome > 0 ? " of " + Show.minutes(done + toCome) : ""),
                rated ? Optional.of(ways.worthOf(done)) : Optional.empty(),
                rated ? Optional.of(ways.worthOf(done + toCome)) : Optional.empty());
    }

    /**
     * What was given up in the last year, spread over the cups that were not: to the cent, the first of them bearing
     * what is left over.
     *
     * @param places of the cups that were asked for among those that were not given up, from 0
     */
    private record Spoiled(BigDecimal lost, int good, Map<Long, Integer> places) {

        Optional<BigDecimal> shareOf(CupNow cup) {
            return Optional.ofNullable(places.get(cup.cup().id()))
                    .map(place -> Split.evenly(lost, good, place))
                    .filter(share -> share.signum() > 0);
        }

        /** What one more would bear. */
        BigDecimal next() {
            return Split.evenly(lost, good + 1, good);
        }
    }

    /** @param spent is given what went into the cups that were asked for: it is read with what went into the lost */
    private Spoiled spoiled(Prices prices, List<Long> asked, Map<Long, Outlay> spent) {
        Instant since = floors.show().now().minus(YEAR);
        List<Long> gone = new ArrayList<>();
        Map<Long, Integer> places = new LinkedHashMap<>();
        int good = 0;
        for (PlaceRow row : spoiled.since(since, asked)) {
            Integer place = row.place();
            if (place == null) {
                gone.add(row.id());
            } else if (row.id() == SpoiledMapper.ALL_OTHERS) {
                good = place;
            } else {
                places.put(row.id(), place - 1);
            }
        }
        spent.putAll(outlays.of(
                Stream.concat(gone.stream(), asked.stream()).distinct().toList(),
                prices.ways().digits()));
        BigDecimal lost = floors.cups(gone).stream()
                .map(cup -> soFar(cup, spent.getOrDefault(cup.id(), Outlay.NOTHING), prices))
                .reduce(BigDecimal.ZERO, BigDecimal::add)
                .setScale(prices.ways().digits(), RoundingMode.HALF_UP);
        return new Spoiled(lost, good, places);
    }

    /** What went into a cup that comes no further. */
    private static BigDecimal soFar(Cup cup, Outlay spent, Prices prices) {
        List<Line> lines = new ArrayList<>(List.of(blank(cup, spent, prices), work(cup, List.of(), prices.ways())));
        lines.addAll(resinSoFar(cup, spent));
        lines.addAll(materialsSoFar(spent));
        return new CupCost(lines).soFar();
    }

    private static Optional<BigDecimal> sum(List<Optional<BigDecimal>> costs) {
        return costs.stream().anyMatch(Optional::isEmpty)
                ? Optional.empty()
                : Optional.of(costs.stream().flatMap(Optional::stream).reduce(BigDecimal.ZERO, BigDecimal::add));
    }
}

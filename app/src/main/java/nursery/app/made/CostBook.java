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
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.materials.MaterialBook.Used;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.app.shelf.StockBook.PaidDraw;
import nursery.app.shelf.StockBook.StockedBottle;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.measure.Numbers;
import nursery.core.plan.Order;
import nursery.core.resin.Bottle;
import nursery.core.resin.Mix;
import nursery.core.resin.Part;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.worth.CupCost;
import nursery.core.worth.CupCost.Amount;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Line;
import nursery.core.worth.Split;
import org.springframework.stereotype.Service;

/** What each cup cost so far, and what it will have cost in the end. */
@Published
@Service
public class CostBook {

    private static final String ML = "ml";
    private static final Duration YEAR = Duration.ofDays(365);

    private final MaterialBook materials;
    private final StockBook stock;
    private final MoneyBook money;
    private final Floors floors;
    private final SpoiledMapper spoiled;

    CostBook(MaterialBook materials, StockBook stock, MoneyBook money, Floors floors, SpoiledMapper spoiled) {
        this.materials = materials;
        this.stock = stock;
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
        Spoiled lost = spoiled(prices);
        return cups.stream()
                .map(cup -> {
                    List<Line> lines = new ArrayList<>(own(cup, prices));
                    lost.shareOf(cup).ifPresent(part -> lines.add(spoiledLine(Optional.of(part), part)));
                    return new CupCost(lines);
                })
                .toList();
    }

    /**
     * What is read once for however many cups.
     *
     * @param perMl what a millilitre costs, of the newest bottle with a price, by resin and part
     */
    private record Prices(Money ways, Floor floor, Map<String, BigDecimal> perMl) {
        Optional<BigDecimal> perMl(long resin, Part part) {
            return Optional.ofNullable(perMl.get(resin + part.name()));
        }
    }

    private Prices prices() {
        Map<Long, BigDecimal> paid = stock.prices();
        Map<String, BigDecimal> perMl = new LinkedHashMap<>();
        for (StockedBottle stocked : stock.bottles()) {
            Bottle bottle = stocked.bottle();
            Optional.ofNullable(paid.get(bottle.id()))
                    .ifPresent(price -> perMl.put(
                            stocked.resinId() + bottle.part().name(),
                            price.divide(BigDecimal.valueOf(bottle.holdsMl()), MathContext.DECIMAL64)));
        }
        return new Prices(money.ways(), floors.now(), perMl);
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
        return asNext(own(wanted, usual, prices), prices);
    }

    /** What a cup was expected to cost before anything was done to it, made of what its steps name. */
    CupCost foretold(CupNow now) {
        Prices prices = prices();
        Cup bare = now.cup().withLog(List.of());
        // It is of no number: nothing was drawn for it.
        Cup fresh = bare.known(0, bare.about());
        CupNow then = new CupNow(
                fresh, fresh.at(prices.floor().air().course(), prices.floor().now()));
        return asNext(own(then, materials.chosen(now.cup().id()), prices), prices);
    }

    /** With the share of what was spoiled that the next cup bears. */
    private CupCost asNext(List<Line> own, Prices prices) {
        List<Line> lines = new ArrayList<>(own);
        Optional.of(spoiled(prices).next())
                .filter(share -> share.signum() > 0)
                .ifPresent(share -> lines.add(spoiledLine(Optional.empty(), share)));
        return new CupCost(lines);
    }

    private static Line spoiledLine(Optional<BigDecimal> soFar, BigDecimal share) {
        return new Line(
                From.SPOILED, new Amount("", 1, ""), "its share", "of the last year’s", soFar, Optional.of(share));
    }

    private List<Line> own(CupNow now, Prices prices) {
        return own(now, materials.chosen(now.cup().id()), prices);
    }

    /** What it costs by itself. */
    private List<Line> own(CupNow now, Map<Integer, List<Material>> chosen, Prices prices) {
        Money ways = prices.ways();
        Cup cup = now.cup();
        List<Line> lines = new ArrayList<>();
        Optional<BigDecimal> blank = taken(cup, ways).or(() -> priced(cup, ways));
        lines.add(new Line(
                From.BLANK, new Amount(cup.about().blank(), 1, ""), cup.about().blank(), "1", blank, blank));
        boolean goesOn = now.state().gone().isEmpty();
        List<PlanStep> ahead = goesOn ? now.stepsAhead() : List.of();
        lines.addAll(resin(now, ahead, prices));
        lines.addAll(materials(cup, ahead, chosen, ways));
        lines.add(work(now, ahead, ways));
        return lines;
    }

    /** What was paid for the very blank it stands on, if its pack is kept. */
    private Optional<BigDecimal> taken(Cup cup, Money ways) {
        List<Used> blanks = materials.usedBy(cup.id(), ways.digits()).stream()
                .filter(used -> used.material().kind() == MaterialKind.BLANK)
                .toList();
        boolean one = Math.abs(blanks.stream().mapToDouble(Used::amount).sum() - 1) < 1e-6;
        return one ? sum(blanks.stream().map(Used::cost).toList()) : Optional.empty();
    }

    /** What the next one out of the packs costs, or what is kept as its price. */
    private Optional<BigDecimal> priced(Cup cup, Money ways) {
        return materials.shelf().stream()
                .filter(stocked -> stocked.material().kind() == MaterialKind.BLANK
                        && stocked.material()
                                .name()
                                .equalsIgnoreCase(cup.about().blank()))
                .findFirst()
                .flatMap(CostBook::perUnit)
                .or(() -> stock.blankPrice(cup.about().blank()))
                .map(price -> price.setScale(ways.digits(), RoundingMode.HALF_UP));
    }

    private List<Line> resin(CupNow now, List<PlanStep> ahead, Prices prices) {
        Money ways = prices.ways();
        Floor floor = prices.floor();
        Map<String, List<PaidDraw>> drawn = stock.paidFor(now.cup().id(), ways.digits()).stream()
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
        double poured = now.state().coats().stream()
                .mapToDouble(coat -> coat.pour().amountMl())
                .sum();
        double unknown = poured
                - drawn.values().stream()
                        .flatMap(List::stream)
                        .mapToDouble(PaidDraw::ml)
                        .sum();
        if (unknown > 0.05) {
            lines.add(new Line(
                    From.RESIN,
                    new Amount("", unknown, ML),
                    "poured, out of no bottle that is kept",
                    Numbers.show(unknown, 1) + " ml",
                    Optional.empty(),
                    Optional.empty()));
        }
        double toCome = 0;
        Optional<BigDecimal> cost = Optional.of(BigDecimal.ZERO);
        for (PlanStep step : ahead) {
            if (step.kind().isPour()) {
                var resin = now.cup().resinFor(step);
                Mix mix = floor.mixedFor(now.cup(), resin, now.share(step).suggestedMl());
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

    private List<Line> materials(Cup cup, List<PlanStep> ahead, Map<Integer, List<Material>> chosen, Money ways) {
        List<Line> lines = new ArrayList<>();
        Map<String, List<Used>> used = materials.usedBy(cup.id(), ways.digits()).stream()
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
        for (PlanStep step : ahead) {
            List<Material> of = chosen.getOrDefault(step.number(), List.of());
            materials
                    .expected(cup, step, of)
                    .forEach((material, amount) -> lines.add(new Line(
                            From.MATERIAL,
                            amount(material, amount),
                            material.name() + ", to come",
                            much(material, amount),
                            Optional.empty(),
                            materials
                                    .find(material.id())
                                    .flatMap(CostBook::perUnit)
                                    .map(price -> price.multiply(BigDecimal.valueOf(amount))
                                            .setScale(ways.digits(), RoundingMode.HALF_UP)))));
        }
        return lines;
    }

    private static Amount amount(Material material, double amount) {
        return new Amount(material.name(), amount, material.kind().measure().symbol());
    }

    private static String much(Material material, double amount) {
        return Numbers.show(amount, 2) + " " + material.kind().measure().symbol();
    }

    private static Optional<BigDecimal> perUnit(Stocked stocked) {
        return stocked.lots().stream()
                .filter(lot -> lot.price().isPresent())
                .reduce((a, b) -> b)
                .flatMap(lot -> lot.price()
                        .map(price -> price.divide(BigDecimal.valueOf(lot.amount()), MathContext.DECIMAL64)));
    }

    private static Line work(CupNow now, List<PlanStep> ahead, Money ways) {
        double done = now.handsOnMinutes();
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
     */
    private record Spoiled(List<String> good, List<BigDecimal> shares, BigDecimal next) {

        Optional<BigDecimal> shareOf(CupNow cup) {
            int place = good.indexOf(cup.code());
            return Optional.of(place)
                    .filter(found -> found >= 0)
                    .map(shares::get)
                    .filter(share -> share.signum() > 0);
        }
    }

    private Spoiled spoiled(Prices prices) {
        Instant since = prices.floor().now().minus(YEAR);
        BigDecimal lost = spoiled.since(since).stream()
                .flatMap(code -> floors.cup(code).stream())
                .map(gone -> new CupCost(own(gone, prices)).soFar())
                .reduce(BigDecimal.ZERO, BigDecimal::add)
                .setScale(prices.ways().digits(), RoundingMode.HALF_UP);
        List<String> good = spoiled.good(since);
        int next = good.size();
        return new Spoiled(
                good, Split.evenly(lost, next), Split.evenly(lost, next + 1).get(next));
    }

    private static Optional<BigDecimal> sum(List<Optional<BigDecimal>> costs) {
        return costs.stream().anyMatch(Optional::isEmpty)
                ? Optional.empty()
                : Optional.of(costs.stream().flatMap(Optional::stream).reduce(BigDecimal.ZERO, BigDecimal::add));
    }
}

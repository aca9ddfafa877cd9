package nursery.app.shelf;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.shelf.StockMapper.BottleRow;
import nursery.app.shelf.StockMapper.CupShareRow;
import nursery.app.shelf.StockMapper.DrawnFor;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Bottle;
import nursery.core.resin.Mix;
import nursery.core.resin.Part;
import nursery.core.worth.PaidFor;
import nursery.core.worth.Split;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The bottles, and what every batch drew from which lot. A shop that keeps no bottles here is not bothered with them.
 */
@Published
@Service
public class StockBook {

    /** From memory; what is printed on the bottle counts before it. */
    private static final Duration LASTS_OPEN = Duration.ofDays(183);

    private static final Duration LASTS = Duration.ofDays(365);
    private static final int MOST_LEAD_DAYS = 180;

    private final StockMapper mapper;
    private final Moments moments;

    StockBook(StockMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    /** A bottle and the resin it belongs to. */
    @Published
    public record StockedBottle(long resinId, Bottle bottle) {
        public double percentLeft() {
            return Math.round(1000 * bottle.leftMl() / bottle.holdsMl()) / 10.0;
        }
    }

    /** What a batch drew, for its page. */
    @Published
    public record Lot(Part part, String lot, double ml) {}

    public List<StockedBottle> bottles() {
        return mapper.bottles().stream()
                .map(row -> new StockedBottle(row.resinId(), bottle(row)))
                .toList();
    }

    /** Bottles of a resin, the one opened first coming first. */
    private List<Bottle> bottles(long resinId) {
        return bottles().stream()
                .filter(stocked -> stocked.resinId() == resinId)
                .map(StockedBottle::bottle)
                .toList();
    }

    private static Bottle.Drawing drawn(List<Bottle> bottles, Mix mix, Part part) {
        List<Bottle> open = bottles.stream()
                .filter(bottle -> bottle.part() == part && bottle.leftMl() > 0)
                .toList();
        return Bottle.draw(open, part == Part.A ? mix.partAMl() : mix.partBMl());
    }

    /**
     * What the bottles say of a mix before it is mixed; nothing for a resin whose bottles are not kept.
     *
     * @param missing what they lack for it, by the book
     * @param old which of those it is drawn from are past their time, in words: old hardener yellows and cures slowly
     */
    @Published
    public record ForMix(List<Lot> missing, List<String> old) {}

    public ForMix forMix(long resinId, Mix mix) {
        List<Bottle> bottles = bottles(resinId);
        if (bottles.isEmpty()) {
            return new ForMix(List.of(), List.of());
        }
        List<Lot> missing = Stream.of(Part.values())
                .map(part -> new Lot(part, "", drawn(bottles, mix, part).shortMl()))
                .filter(lot -> lot.ml() > 0.05)
                .toList();
        Map<Long, StockMapper.AgeRow> ages =
                mapper.ages(resinId).stream().collect(Collectors.toMap(row -> row.id(), row -> row));
        Instant now = moments.now();
        List<String> old = Stream.of(Part.values())
                .flatMap(part -> drawn(bottles, mix, part).draws().stream())
                .flatMap(draw -> bottles.stream().filter(bottle -> bottle.id() == draw.bottleId()))
                .flatMap(bottle -> Optional.ofNullable(ages.get(bottle.id()))
                        .flatMap(age -> age(age, now))
                        .map(words -> "%s, lot %s, %s".formatted(bottle.part().name(), bottle.lot(), words))
                        .stream())
                .toList();
        return new ForMix(missing, old);
    }

    /** How long past its time a bottle is, in words, if it is. */
    private static Optional<String> age(StockMapper.AgeRow row, Instant now) {
        if (row.openedAt() != null && row.openedAt().plus(LASTS_OPEN).isBefore(now)) {
            return Optional.of("was opened %d months ago"
                    .formatted(Duration.between(row.openedAt(), now).toDays() / 30));
        }
        return row.addedAt().plus(LASTS).isBefore(now)
                ? Optional.of("has been on the shelf for %d months"
                        .formatted(Duration.between(row.addedAt(), now).toDays() / 30))
                : Optional.empty();
    }

    public List<Lot> lotsOf(long batch) {
        return mapper.lotsOf(batch).stream()
                .map(row -> new Lot(Part.valueOf(row.part()), row.lot(), row.ml()))
                .toList();
    }

    /**
     * When the hardener a coat came from was opened: its bottle was first drawn from.
     *
     * @param batch the coat's mix, if it was mixed here
     * @param entry the coat's own log entry
     */
    public Optional<Instant> hardenerOpenedAt(OptionalLong batch, long entry) {
        DrawnFor drawnFor = batch.isPresent() ? new DrawnFor(batch.getAsLong(), null) : new DrawnFor(null, entry);
        return mapper.openedAt(drawnFor, Part.B.name());
    }

    /** Takes a batch's parts out of the bottles; what they do not hold by the book is not drawn from anywhere. */
    @Transactional
    public void draw(long resinId, Mix mix, long batch, String by) {
        draw(resinId, mix, new DrawnFor(batch, null), by);
    }

    /** The same for a coat that was mixed alone. */
    @Transactional
    public void drawFor(long entry, long resinId, Mix mix, String by) {
        draw(resinId, mix, new DrawnFor(null, entry), by);
    }

    /** What such a coat had drawn was drawn for the entry that stands in its place. */
    @Transactional
    public void passOn(long entry, long right) {
        mapper.passOn(entry, right);
    }

    /** Puts back by the book what such a coat had drawn: it never was, or it was another. */
    @Transactional
    public void giveBack(long entry, String by) {
        mapper.drawnFor(entry).forEach(drawn -> insert(drawn.bottleId(), new DrawnFor(null, entry), -drawn.ml(), by));
    }

    /**
     * What the coats of a cup drew from a bottle.
     *
     * @param cost its part of what a whole batch cost, its losses shared with the others; nothing if no price is kept
     */
    @Published
    public record PaidDraw(long resinId, Part part, String lot, double ml, Optional<BigDecimal> cost) {}

    /**
     * What a cup's coats drew and what that cost, to the cent: of a batch for several cups each bears its share of all
     * that was drawn for it, with what was lost in pots.
     *
     * @param digits decimals of the currency
     */
    public List<PaidDraw> paidFor(long cup, int digits) {
        return paidFor(List.of(cup), digits).getOrDefault(cup, List.of());
    }

    /** The same of several, each by its number. */
    public Map<Long, List<PaidDraw>> paidFor(Collection<Long> cups, int digits) {
        return Once.each(StockBook.class, "paid for " + digits, cups, unknown -> paidForAfresh(unknown, digits));
    }

    private Map<Long, List<PaidDraw>> paidForAfresh(Collection<Long> cups, int digits) {
        Map<Long, List<CupShareRow>> beside =
                mapper.sharesBeside(cups).stream().collect(Collectors.groupingBy(CupShareRow::batch));
        Map<Long, List<PaidDraw>> paid = new LinkedHashMap<>();
        for (StockMapper.PaidRow row : mapper.paidFor(cups)) {
            Optional<BigDecimal> whole = Optional.ofNullable(row.price())
                    .map(price -> new PaidFor(price, row.holdsMl(), digits).of(row.earlier(), row.ml()));
            List<CupShareRow> shares = row.batch() == null ? List.of() : beside.getOrDefault(row.batch(), List.of());
            List<Double> weights = shares.stream().map(CupShareRow::ml).toList();
            double all = weights.stream().mapToDouble(Double::doubleValue).sum();
            int mine = shares.stream().map(CupShareRow::cup).toList().indexOf(row.cup());
            paid.computeIfAbsent(row.cup(), cup -> new ArrayList<>())
                    .add(new PaidDraw(
                            row.resinId(),
                            Part.valueOf(row.part()),
                            row.lot(),
                            mine < 0 || all <= 0 ? row.ml() : row.ml() * weights.get(mine) / all,
                            mine < 0
                                    ? whole
                                    : whole.map(
                                            total -> Split.of(total, weights).get(mine))));
        }
        return paid;
    }

    /** What was paid for each bottle, where it is kept. */
    public Map<Long, BigDecimal> prices() {
        return prices(false);
    }

    private Map<Long, BigDecimal> prices(boolean ofBlanks) {
        return Once.aPage(StockBook.class, "prices", mapper::prices).stream()
                .filter(row -> row.ofBlank() == ofBlanks)
                .collect(Collectors.toMap(row -> row.id(), row -> row.price()));
    }

    @Transactional
    public void setPrice(long bottle, Optional<BigDecimal> price) {
        mapper.setPrice(bottle, price.orElse(null));
    }

    /** Days from ordering a resin until it is here, by its number. */
    public Map<Long, Integer> leadDays() {
        return mapper.leads().stream().collect(Collectors.toMap(row -> row.id(), row -> row.leadDays()));
    }

    @Transactional
    public void setLeadDays(long resin, double days) {
        Faults faults = new Faults();
        faults.within("lead-" + resin, "The days until it is here", days, 0, MOST_LEAD_DAYS, "days");
        faults.throwIfAny();
        mapper.setLead(resin, (int) Math.round(days));
    }

    public Map<Long, BigDecimal> blankPrices() {
        return prices(true);
    }

    @Transactional
    public void setBlankPrice(long blank, Optional<BigDecimal> price) {
        mapper.setBlankPrice(blank, price.orElse(null));
    }

    private void draw(long resinId, Mix mix, DrawnFor drawnFor, String by) {
        mapper.lock(resinId);
        List<Bottle> bottles = bottles(resinId);
        for (Part part : Part.values()) {
            drawn(bottles, mix, part).draws().forEach(draw -> insert(draw.bottleId(), drawnFor, draw.ml(), by));
        }
    }

    private void insert(long bottleId, DrawnFor drawnFor, double ml, String by) {
        mapper.insertDraw(bottleId, drawnFor, ml, moments.now(), by);
        mapper.countOn(bottleId, ml);
    }

    /** @throws InvalidInput if that is no bottle */
    @Transactional
    public void add(long resinId, Part part, String lot, double holdsMl, String by) {
        new Bottle(0, part, lot, holdsMl, holdsMl);
        mapper.insertBottle(resinId, part.name(), lot, holdsMl, moments.now(), by);
    }

    /**
     * Corrects the book by a look into the bottle.
     *
     * @throws InvalidInput if more is left than it holds
     */
    @Transactional
    public void look(long bottleId, double leftMl, String by) {
        StockedBottle stocked = bottles().stream()
                .filter(found -> found.bottle().id() == bottleId)
                .findFirst()
                .orElseThrow(() ->
                        new InvalidInput(List.of(new Fault("bottle", "That bottle is not on the shelf any more."))));
        mapper.lock(stocked.resinId());
        Faults faults = new Faults();
        faults.within(
                "left-" + bottleId,
                "What is left of lot " + stocked.bottle().lot(),
                leftMl,
                0,
                stocked.bottle().holdsMl(),
                "ml");
        faults.throwIfAny();
        Bottle now = bottles().stream()
                .map(StockedBottle::bottle)
                .filter(bottle -> bottle.id() == bottleId)
                .findFirst()
                .orElseThrow(Gone::new);
        insert(bottleId, new DrawnFor(null, null), now.leftMl() - leftMl, by);
    }

    private static Bottle bottle(BottleRow row) {
        return new Bottle(
                row.id(),
                Part.valueOf(row.part()),
                row.lot(),
                row.holdsMl(),
                Math.max(0, Math.min(row.holdsMl(), row.holdsMl() - row.drawnMl())));
    }
}

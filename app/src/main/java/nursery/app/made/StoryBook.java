package nursery.app.made;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.cups.CupLayers;
import nursery.app.cups.HistoryLine;
import nursery.app.floor.Floors;
import nursery.app.made.StoryMapper.FoundRow;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MoneyBook;
import nursery.app.picture.SectionPicture;
import nursery.app.platform.Moments;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.app.shelf.StockBook.PaidDraw;
import nursery.app.wrap.DesignViews;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.CupNow;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Pot;
import nursery.core.log.Spindle;
import nursery.core.technique.PlanStep;
import nursery.core.worth.CupCost;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts a cup's story together out of what each room knows of it; nothing in it is kept twice. */
@Service
class StoryBook {

    private final StoryMapper mapper;
    private final PhotoBook photos;
    private final MaterialBook materials;
    private final StockBook stock;
    private final MoneyBook money;
    private final CostBook costs;
    private final DesignViews designs;
    private final Floors floors;
    private final Moments moments;

    StoryBook(
            StoryMapper mapper,
            PhotoBook photos,
            MaterialBook materials,
            StockBook stock,
            MoneyBook money,
            CostBook costs,
            DesignViews designs,
            Floors floors,
            Moments moments) {
        this.mapper = mapper;
        this.photos = photos;
        this.materials = materials;
        this.stock = stock;
        this.money = money;
        this.costs = costs;
        this.designs = designs;
        this.floors = floors;
        this.moments = moments;
    }

    /** What lies on a cup, in the colours of what it is made with. */
    List<SectionPicture.Layer> layers(CupNow now) {
        return CupLayers.of(now, floors.show());
    }

    /** @param priced whether whoever asks may see what it cost */
    Story of(CupNow now, boolean priced) {
        Cup cup = now.cup();
        Show show = floors.show();
        RoomCourse room = floors.roomOf(cup);
        Optional<CupCost> cost = priced ? Optional.of(costs.of(now)) : Optional.empty();
        return new Story(
                Story.FORMAT,
                1,
                cup.code(),
                cup.about().name(),
                cup.about().madeFor(),
                cup.about().technique(),
                cup.about().blank(),
                rounded(cup.blank().area().coatedCm2(), 1),
                designs.on(cup, show).map(design -> design.name()).orElse(null),
                cup.begunAt(),
                cup.promise()
                        .dueAt()
                        .map(due -> due.atZone(show.zone()).toLocalDate())
                        .orElse(null),
                now.stage(show.now()).word(),
                now.state().fullCureAt().orElse(null),
                layers(now).stream()
                        .map(layer -> new Story.Layer(
                                layer.title(),
                                layer.filmMm().map(film -> rounded(film, 4)).orElse(null),
                                layer.colours().stream().findFirst().orElse(null)))
                        .toList(),
                now.state().coats().stream()
                        .map(coat -> new Story.Coat(
                                coat.step().titleAndPlace(),
                                coat.times().pouredAt(),
                                coat.pour().mark().recordedBy(),
                                coat.pour().amountMl(),
                                rounded(coat.filmMm(), 4),
                                coat.pour()
                                        .pot()
                                        .map(Pot::resin)
                                        .orElseGet(() -> cup.resinFor(coat.step()))
                                        .name(),
                                rounded(room.temperatureCAt(coat.times().pouredAt()), 1),
                                coat.pour().spindle().map(Spindle::name).orElse(null)))
                        .toList(),
                resin(cup),
                used(cup),
                log(cup, show),
                photos.of(cup.id()).stream()
                        .map(photo -> new Story.Photo(
                                photo.file(),
                                photo.kind().toLowerCase(java.util.Locale.ROOT),
                                photo.words(),
                                photo.addedAt()))
                        .toList(),
                mapper.nextTime(cup.id()).map(row -> row.words()).orElse(null),
                now.handsOnMinutes(),
                cost.map(found -> new Story.Cost(
                                money.ways().currency().getCurrencyCode(), found.soFar(), found.foretold()))
                        .orElse(null));
    }

    private static double rounded(double value, int digits) {
        return java.math.BigDecimal.valueOf(value)
                .setScale(digits, java.math.RoundingMode.HALF_UP)
                .doubleValue();
    }

    private List<Story.ResinLot> resin(Cup cup) {
        Map<String, Double> byLot = new LinkedHashMap<>();
        for (PaidDraw draw : stock.paidFor(cup.id(), 2)) {
            byLot.merge(draw.part().name() + " " + draw.lot(), draw.ml(), Double::sum);
        }
        return byLot.entrySet().stream()
                .filter(lot -> lot.getValue() > 0.005)
                .map(lot -> new Story.ResinLot(
                        lot.getKey().substring(0, 1), lot.getKey().substring(2), rounded(lot.getValue(), 1)))
                .toList();
    }

    private List<Story.Used> used(Cup cup) {
        Map<String, Story.Used> all = new LinkedHashMap<>();
        materials.usedBy(cup.id(), 2).forEach(used -> {
            String step = used.step().isPresent()
                    ? cup.find(used.step().getAsInt()).map(PlanStep::title).orElse(null)
                    : null;
            all.merge(
                    step + used.material().id() + " " + used.lot(),
                    new Story.Used(
                            step,
                            used.material().name(),
                            used.material().kind().word(),
                            used.material().colour(),
                            used.amount(),
                            used.material().kind().measure().symbol(),
                            used.lot()),
                    (a, b) -> new Story.Used(
                            a.step(), a.name(), a.kind(), a.colour(), a.amount() + b.amount(), a.unit(), a.lot()));
        });
        return all.values().stream()
                .filter(used -> used.amount() > 1e-6)
                .map(used -> new Story.Used(
                        used.step(),
                        used.name(),
                        used.kind(),
                        used.colour(),
                        rounded(used.amount(), 3),
                        used.unit(),
                        used.lot()))
                .toList();
    }

    private static List<Story.Entry> log(Cup cup, Show show) {
        Map<Long, HistoryLine> lines = HistoryLine.of(cup, show).stream()
                .filter(line -> line.id().isPresent())
                .collect(Collectors.toMap(line -> line.id().getAsLong(), line -> line));
        List<Story.Entry> log = new ArrayList<>();
        for (LogEntry entry : cup.log()) {
            HistoryLine line = lines.get(entry.mark().id());
            if (line != null) {
                log.add(new Story.Entry(
                        entry.mark().happenedAt(),
                        line.what(),
                        entry.mark().recordedBy(),
                        entry.mark().note(),
                        line.cancelled().isPresent()));
            }
        }
        log.sort(Comparator.comparing(Story.Entry::at));
        return log;
    }

    @Transactional
    void write(long cup, String words, String by) {
        if (words.isEmpty()) {
            mapper.unwrite(cup);
        } else {
            mapper.write(cup, words, moments.now(), by);
        }
    }

    /** Cups about which these words were written anywhere. */
    List<FoundRow> search(String words) {
        String plain = words.strip().replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
        return plain.isEmpty() ? List.of() : mapper.search("%" + plain + "%");
    }

    String care() {
        return mapper.care();
    }

    @Transactional
    void setCare(String words) {
        mapper.setCare(words);
    }
}

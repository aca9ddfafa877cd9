package nursery.app.materials;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialMapper.LotRow;
import nursery.app.materials.MaterialMapper.MaterialRow;
import nursery.app.materials.MaterialMapper.UsualRow;
import nursery.app.materials.MaterialMapper.WeighedRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.wrap.DesignViews;
import nursery.core.log.Cup;
import nursery.core.measure.Faults;
import nursery.core.stock.Lot;
import nursery.core.stock.Material;
import nursery.core.stock.Material.Film;
import nursery.core.stock.MaterialKind;
import nursery.core.stock.StepUse;
import nursery.core.stock.Usage;
import nursery.core.technique.PlanStep;
import nursery.core.worth.PaidFor;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The materials, their lots, and what the steps of cups use of them. */
@Published
@Service
public class MaterialBook {

    /** What is usual is what was usual of late. */
    private static final int NEWEST_CUPS = 1000;

    private static final JsonMapper JSON = new JsonMapper();

    private final MaterialMapper mapper;
    private final Floors floors;
    private final DesignViews designs;
    private final WeighingMapper weighings;
    private final Moments moments;

    MaterialBook(MaterialMapper mapper, Floors floors, DesignViews designs, WeighingMapper weighings, Moments moments) {
        this.mapper = mapper;
        this.floors = floors;
        this.designs = designs;
        this.weighings = weighings;
        this.moments = moments;
    }

    /**
     * A material as it lies on the shelf.
     *
     * @param gone whether it is no longer used
     */
    @Published
    public record Stocked(Material material, List<Lot> lots, Usage usage, boolean gone) {

        /** An amount of it with its measure. */
        public String show(double amount) {
            return material.kind().measure().show(amount);
        }

        public double left() {
            return lots.stream().mapToDouble(Lot::left).sum();
        }

        /** Lots with something left that are past their days. */
        public List<Lot> old(LocalDate today) {
            return lots.stream()
                    .filter(lot -> lot.left() > 0 && lot.isOld(material.days(), today))
                    .toList();
        }
    }

    /** What a cup used of a lot, and what of its price that was. */
    @Published
    public record Used(Material material, String lot, double amount, Optional<BigDecimal> cost, OptionalInt step) {}

    /** Every material by its number, those that are gone too: cups may be made of them. */
    public Map<Long, Stocked> everything() {
        return Once.aPage(MaterialBook.class, "everything", this::everythingAfresh);
    }

    private Map<Long, Stocked> everythingAfresh() {
        Map<Long, List<Lot>> lots = mapper.lots().stream()
                .collect(Collectors.groupingBy(
                        LotRow::materialId, Collectors.mapping(MaterialBook::lot, Collectors.toList())));
        Map<Long, List<Usage.Weighed>> weighed = mapper.weighed().stream()
                .collect(Collectors.groupingBy(
                        WeighedRow::materialId,
                        Collectors.mapping(row -> new Usage.Weighed(row.areaCm2(), row.used()), Collectors.toList())));
        return rows().values().stream()
                .map(row -> new Stocked(
                        material(row),
                        lots.getOrDefault(row.id(), List.of()),
                        Usage.learned(MaterialKind.valueOf(row.kind()), weighed.getOrDefault(row.id(), List.of())),
                        row.goneAt() != null))
                .collect(Collectors.toMap(
                        stocked -> stocked.material().id(), Function.identity(), (a, b) -> a, LinkedHashMap::new));
    }

    /** As they are kept, by their numbers: what lies in packs is asked for where it is told. */
    private Map<Long, MaterialRow> rows() {
        return Once.aPage(MaterialBook.class, "rows", () -> mapper.all().stream()
                .collect(Collectors.toMap(MaterialRow::id, Function.identity(), (a, b) -> a, LinkedHashMap::new)));
    }

    /** What is on the shelf, by kind and name. */
    public List<Stocked> shelf() {
        return everything().values().stream()
                .filter(stocked -> !stocked.gone())
                .sorted(Comparator.comparing(
                                (Stocked stocked) -> stocked.material().kind())
                        .thenComparing(stocked -> stocked.material().name()))
                .toList();
    }

    /** On a page out of all, which are read together; where something is done, it alone, as it is at that moment. */
    public Optional<Stocked> find(long id) {
        return Once.isAPage() ? Optional.ofNullable(everything().get(id)) : findAfresh(id);
    }

    private Optional<Stocked> findAfresh(long id) {
        return mapper.find(id)
                .map(row -> new Stocked(
                        material(row),
                        mapper.lotsOf(id).stream().map(MaterialBook::lot).toList(),
                        usage(material(row)),
                        row.goneAt() != null));
    }

    /** Vinyls of another sort whose colour could be taken for this one's (P65). */
    public List<Material> confusedWith(Material material) {
        return shelf().stream()
                .map(Stocked::material)
                .filter(material::isConfusedWith)
                .toList();
    }

    @Transactional
    public long add(Material material) {
        long id = mapper.insert(row(material));
        mapper.isOf(id, null);
        return id;
    }

    @Transactional
    public void change(Material material) {
        Material before = material(mapper.find(material.id()).orElseThrow(Gone::new));
        Faults faults = new Faults();
        faults.require(
                before.kind() == material.kind() || !mapper.isUsed(material.id()),
                "kind",
                "It was used as %s: what it is does not change any more. Put another material on the shelf."
                        .formatted(before.kind().word()));
        faults.throwIfAny();
        mapper.update(row(material));
        mapper.redrawAll(material.id());
    }

    /** Says which blank on the shelf a pack is of; nothing for the one of its name. */
    @Transactional
    void isOf(long material, Optional<Long> blank) {
        mapper.isOf(material, blank.orElse(null));
    }

    /** Which blank on the shelf a pack is of, by its number. */
    Optional<Long> blankOf(long material) {
        return Once.aPage(MaterialBook.class, "blank of " + material, () -> mapper.blankOf(material));
    }

    /** Takes a table: a material of a name that is known gets the lot, another is added. */
    @Transactional
    void take(List<MaterialsCsv.Read> rows, String by) {
        Map<String, Long> known = new LinkedHashMap<>();
        mapper.all().forEach(row -> known.put(row.name().toLowerCase(Locale.ROOT), row.id()));
        for (MaterialsCsv.Read row : rows) {
            long id =
                    known.computeIfAbsent(row.material().name().toLowerCase(Locale.ROOT), name -> add(row.material()));
            row.lot()
                    .ifPresent(lot ->
                            addLot(id, lot.lot(), lot.amount(), lot.price(), lot.boughtOn(), lot.openedOn(), by));
        }
    }

    /** Takes it off the shelf, or puts it back; cups that are made of it keep it. */
    @Transactional
    public void setGone(long id, boolean gone) {
        mapper.lock(id).orElseThrow(Gone::new);
        mapper.gone(id, gone ? moments.now() : null);
    }

    @Transactional
    public void addLot(
            long id,
            String name,
            double amount,
            Optional<BigDecimal> price,
            LocalDate boughtOn,
            Optional<LocalDate> openedOn,
            String by) {
        mapper.lock(id).orElseThrow(Gone::new);
        Lot lot = new Lot(0, name, amount, amount, price, boughtOn, openedOn);
        mapper.insertLot(
                new LotRow(0, id, lot.lot(), amount, 0, price.orElse(null), boughtOn, openedOn.orElse(null)),
                moments.now(),
                by);
    }

    /** Corrects the book by a look at what is left. */
    @Transactional
    public void look(long material, long lotId, double left, String by) {
        LotRow lot =
                mapper.lot(lotId).filter(row -> row.materialId() == material).orElseThrow(Gone::new);
        Faults faults = new Faults();
        faults.within("left-" + lotId, "What is left of " + lot.lot(), left, 0, lot.amount(), "");
        faults.throwIfAny();
        move(lotId, null, null, null, lot.amount() - lot.used() - left, by);
    }

    @Transactional
    public void open(long material, long lotId, LocalDate on) {
        LotRow lot =
                mapper.lot(lotId).filter(row -> row.materialId() == material).orElseThrow(Gone::new);
        new Lot(lot.id(), lot.lot(), lot.amount(), 0, Optional.empty(), lot.boughtOn(), Optional.of(on));
        mapper.open(lotId, on);
    }

    /** Weighed before and after a use on so much: what is learned, and what went out of the pack. */
    @Transactional
    public void weigh(long id, double basis, double used, String by) {
        mapper.lock(id).orElseThrow(Gone::new);
        mapper.insertWeighed(id, basis, used, moments.now(), by);
    }

    private Usage usageOf(Material material) {
        return Once.isAPage()
                ? Optional.ofNullable(everything().get(material.id()))
                        .map(Stocked::usage)
                        .orElseGet(() -> usage(material))
                : usage(material);
    }

    private Usage usage(Material material) {
        return Usage.learned(
                material.kind(),
                mapper.weighedOf(material.id()).stream()
                        .map(row -> new Usage.Weighed(row.areaCm2(), row.used()))
                        .toList());
    }

    /** What the steps of a cup are made with. */
    public Map<Integer, List<Material>> chosen(long cup) {
        return Once.aPage(MaterialBook.class, "chosen by " + cup, () -> chosenAfresh(cup));
    }

    private Map<Integer, List<Material>> chosenAfresh(long cup) {
        Map<Integer, List<Material>> chosen = new LinkedHashMap<>();
        mapper.chosen(cup).forEach(row -> chosen.computeIfAbsent(row.step(), step -> new ArrayList<>())
                .add(material(row.material())));
        return chosen;
    }

    /** What the steps of all cups that are named are made with, by their numbers. */
    public Map<Long, Map<Integer, List<Material>>> chosen(Collection<Long> cups) {
        return Once.aPage(MaterialBook.class, "chosen " + cups, () -> chosenAfresh(cups));
    }

    private Map<Long, Map<Integer, List<Material>>> chosenAfresh(Collection<Long> cups) {
        Map<Long, Map<Integer, List<Material>>> chosen = new LinkedHashMap<>();
        if (!cups.isEmpty()) {
            Map<Long, MaterialRow> all = rows();
            mapper.chosenOf(cups).forEach(row -> Optional.ofNullable(all.get(row.materialId()))
                    .ifPresent(found -> chosen.computeIfAbsent(row.cupId(), cup -> new LinkedHashMap<>())
                            .computeIfAbsent(row.step(), step -> new ArrayList<>())
                            .add(material(found))));
        }
        return chosen;
    }

    /** Chooses what a step is made with, in the order they lie. */
    @Transactional
    public void choose(long cup, PlanStep step, List<Long> materials) {
        List<Long> kept = chosen(cup).getOrDefault(step.number(), List.of()).stream()
                .map(Material::id)
                .toList();
        Faults faults = new Faults();
        for (long id : materials) {
            faults.require(
                    mapper.find(id)
                            .filter(row -> row.goneAt() == null || kept.contains(id))
                            .filter(row -> material(row).kind().isUsedBy(step.kind()))
                            .isPresent(),
                    "material",
                    "That material is not on the shelf any more, or not for this step: choose another.");
        }
        faults.throwIfAny();
        mapper.unchoose(cup, step.number());
        mapper.redraw(cup);
        if (!materials.isEmpty()) {
            chooseFirst(cup, Map.of(step.number(), materials));
        }
    }

    /** The same for a fresh cup, of what its steps are offered. */
    @Transactional
    public void chooseFirst(long cup, Map<Integer, List<Long>> materials) {
        List<MaterialMapper.ChosenRow> rows = new ArrayList<>();
        materials.forEach((step, of) -> IntStream.range(0, of.size())
                .forEach(place -> rows.add(new MaterialMapper.ChosenRow(cup, step, of.get(place), place))));
        if (!rows.isEmpty()) {
            mapper.choose(rows);
            mapper.redraw(cup);
        }
    }

    /** What a step may be made with, what is usual for its kind first. */
    public List<Stocked> offered(PlanStep step) {
        return offered(List.of(step)).getOrDefault(step.number(), List.of());
    }

    /** The same for several, by their numbers: the shelf is read once. */
    public Map<Integer, List<Stocked>> offered(List<PlanStep> steps) {
        List<Stocked> shelf = shelf();
        Map<String, List<Long>> usual = Once.aPage(MaterialBook.class, "usual", () -> mapper.usual(NEWEST_CUPS).stream()
                .collect(Collectors.groupingBy(
                        UsualRow::kind, Collectors.mapping(UsualRow::materialId, Collectors.toList()))));
        Map<Integer, List<Stocked>> offered = new LinkedHashMap<>();
        for (PlanStep step : steps) {
            List<Long> first = usual.getOrDefault(step.kind().name(), List.of());
            offered.put(
                    step.number(),
                    shelf.stream()
                            .filter(stocked -> stocked.material().kind().isUsedBy(step.kind()))
                            .sorted(Comparator.comparing((Stocked stocked) -> {
                                        int place =
                                                first.indexOf(stocked.material().id());
                                        return place < 0 ? Integer.MAX_VALUE : place;
                                    })
                                    .thenComparing(stocked -> stocked.material().kind()))
                            .toList());
        }
        return offered;
    }

    /** What a step of a cup is expected to use of each of its materials. */
    public Map<Material, Double> expected(Cup cup, PlanStep step, List<Material> materials) {
        return StepUse.of(
                step, cup.blankFor(step).area().coatedCm2(), cuts(cup, step, materials), materials, this::usageOf);
    }

    /** The same, for who has read them all. */
    public Map<Material, Double> expected(Cup cup, PlanStep step, List<Material> materials, Map<Long, Stocked> all) {
        return StepUse.of(
                step,
                cup.blankFor(step).area().coatedCm2(),
                cuts(cup, step, materials),
                materials,
                material -> Optional.ofNullable(all.get(material.id()))
                        .map(Stocked::usage)
                        .orElseGet(() -> usage(material)));
    }

    /** What the cup's design has a step lay, if one of its materials is cut to that. */
    public List<StepUse.Cut> cuts(Cup cup, PlanStep step, List<Material> materials) {
        return materials.stream().anyMatch(material -> material.kind().isCut())
                ? designs.cuts(cup, step).stream()
                        .map(cut -> new StepUse.Cut(cut.colour(), cut.cm2()))
                        .toList()
                : List.of();
    }

    /** A step that was done by an entry. */
    public record Done(PlanStep step, long entry, Instant at, String by) {}

    /** Takes what steps used out of the lots; what they do not hold by the book is taken from nowhere. */
    @Transactional
    public void use(Cup cup, List<Done> done) {
        Map<Integer, List<Material>> chosen = done.isEmpty() ? Map.of() : chosen(cup.id());
        List<Done> using = done.stream()
                .filter(one -> chosen.containsKey(one.step().number()))
                .toList();
        if (using.isEmpty()) {
            return;
        }
        ZoneId zone = floors.ways().zone();
        List<WeighingMapper.WeighingRow> weighed = weighings.of(cup.id());
        using.forEach(one -> use(cup, one, chosen.getOrDefault(one.step().number(), List.of()), zone, weighed));
    }

    private void use(
            Cup cup, Done done, List<Material> materials, ZoneId zone, List<WeighingMapper.WeighingRow> weighings) {
        LocalDate on = LocalDate.ofInstant(done.at(), zone);
        Map<Long, Double> weighed = weighed(weighings, done.step());
        expected(cup, done.step(), materials)
                .forEach((material, amount) -> draw(
                        material,
                        weighed.getOrDefault(material.id(), amount),
                        cup,
                        done.step(),
                        done.entry(),
                        on,
                        done.by()));
    }

    /** What a step really used, of materials that were weighed before it and after. */
    private static Map<Long, Double> weighed(List<WeighingMapper.WeighingRow> weighings, PlanStep step) {
        return weighings.stream()
                .filter(row -> row.step() == step.number() && row.afterAmount() != null)
                .collect(Collectors.toMap(
                        WeighingMapper.WeighingRow::materialId,
                        row -> row.beforeAmount()
                                - Optional.ofNullable(row.afterAmount()).orElseThrow()));
    }

    /** Takes so much out of the lots, the oldest first; what they do not hold is taken from nowhere. */
    void draw(Material material, double amount, Cup cup, PlanStep step, long entry, LocalDate on, String by) {
        mapper.lock(material.id());
        List<Lot> lots =
                mapper.lotsOf(material.id()).stream().map(MaterialBook::lot).toList();
        for (Lot.Draw draw : Lot.draw(lots, amount, on).draws()) {
            move(draw.lotId(), cup.id(), step.number(), entry, draw.amount(), by);
            mapper.open(draw.lotId(), on);
        }
    }

    /** Puts so much back into a lot it came out of. */
    void putBack(long lot, double amount, Cup cup, PlanStep step, long entry, String by) {
        move(lot, cup.id(), step.number(), entry, -amount, by);
    }

    /** What a step had used was used by the entry that stands in its place. */
    @Transactional
    public void passOn(long entry, long right) {
        mapper.passOn(entry, right);
    }

    /** Puts back what such an entry had used: it never was, or it was another. */
    @Transactional
    public void giveBack(long entry, String by) {
        mapper.drawnFor(entry).forEach(drawn -> {
            move(drawn.lotId(), drawn.cupId(), drawn.step(), entry, -drawn.amount(), by);
        });
    }

    void move(long lot, @Nullable Long cup, @Nullable Integer step, @Nullable Long entry, double amount, String by) {
        // No pack holds more than it held, nor less than nothing, whatever was looked at meanwhile.
        LotRow row = mapper.lot(lot).orElseThrow(Gone::new);
        double moved = Math.max(-row.used(), Math.min(row.amount() - row.used(), amount));
        mapper.insertMove(lot, cup, step, entry, moved, moments.now(), by);
        mapper.countOn(lot, moved);
    }

    /** What a cup used, with what it cost to the cent. */
    public List<Used> usedBy(long cup, int digits) {
        return usedBy(List.of(cup), digits).getOrDefault(cup, List.of());
    }

    /** The same of several: of a shelf of thousands nothing else is read. */
    public Map<Long, List<Used>> usedBy(Collection<Long> cups, int digits) {
        return Once.each(MaterialBook.class, "used by " + digits, cups, unknown -> usedByAfresh(unknown, digits));
    }

    private Map<Long, List<Used>> usedByAfresh(Collection<Long> cups, int digits) {
        Map<Long, Material> all = (Once.isAPage() ? rows().values() : mapper.usedBy(cups))
                .stream().map(MaterialBook::material).collect(Collectors.toMap(Material::id, one -> one));
        Map<Long, List<Used>> used = new LinkedHashMap<>();
        for (MaterialMapper.MoveRow row : mapper.movesOf(cups)) {
            used.computeIfAbsent(row.cupId(), cup -> new ArrayList<>())
                    .add(new Used(
                            Optional.ofNullable(all.get(row.materialId())).orElseThrow(Gone::new),
                            row.lot(),
                            row.amount(),
                            Optional.ofNullable(row.price()).map(price -> new PaidFor(price, row.lotAmount(), digits)
                                    .of(row.earlier(), row.amount())),
                            row.step() == null ? OptionalInt.empty() : OptionalInt.of(row.step())));
        }
        return used;
    }

    /** Which cups something of each lot went on, by the lot's number: a bad lot names its cups. */
    public Map<Long, List<MaterialMapper.UsedRow>> cupsOf(long id) {
        return mapper.cupsOf(id).stream().collect(Collectors.groupingBy(MaterialMapper.UsedRow::lotId));
    }

    private static Lot lot(LotRow row) {
        return new Lot(
                row.id(),
                row.lot(),
                row.amount(),
                row.amount() - row.used(),
                Optional.ofNullable(row.price()),
                row.boughtOn(),
                Optional.ofNullable(row.openedOn()));
    }

    private static Material material(MaterialRow row) {
        return new Material(
                row.id(),
                row.name(),
                MaterialKind.valueOf(row.kind()),
                row.colour(),
                row.flakeMm() == null ? OptionalDouble.empty() : OptionalDouble.of(row.flakeMm()),
                Optional.ofNullable(row.film()).map(Film::valueOf),
                row.widthMm() == null ? OptionalDouble.empty() : OptionalDouble.of(row.widthMm()),
                row.lastsDays() == null ? OptionalInt.empty() : OptionalInt.of(row.lastsDays()),
                row.leadDays(),
                row.place(),
                row.mix().isEmpty() ? List.of() : List.of(JSON.readValue(row.mix(), Material.Part[].class)));
    }

    private static MaterialRow row(Material material) {
        return new MaterialRow(
                material.id(),
                material.name(),
                material.kind().name(),
                material.colour(),
                material.flakeMm().isPresent() ? material.flakeMm().getAsDouble() : null,
                material.film().map(Film::name).orElse(null),
                material.widthMm().isPresent() ? material.widthMm().getAsDouble() : null,
                material.lastsDays().isPresent() ? material.lastsDays().getAsInt() : null,
                material.leadDays(),
                material.place(),
                material.mix().isEmpty() ? "" : JSON.writeValueAsString(material.mix()),
                null);
    }
}

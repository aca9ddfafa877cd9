package nursery.app.materials;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.platform.Gone;
import nursery.app.platform.Published;
import nursery.core.log.Cup;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.stock.Lot;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.stock.Mixture;
import nursery.core.technique.PlanStep;
import nursery.core.worth.PaidFor;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** What goes out of the packs without a step: a blank with each cup, what falls into the mixed jar. */
@Published
@Service
public class Stores {

    /** What the first mixed jar is called until it is called otherwise. */
    static final String JAR = "The mixed jar";

    private static final double LEAST_G = 0.1;

    private static final JsonMapper JSON = new JsonMapper();

    private final StoresMapper mapper;
    private final MaterialBook materials;
    private final MoneyBook money;
    private final Floors floors;

    Stores(StoresMapper mapper, MaterialBook materials, MoneyBook money, Floors floors) {
        this.mapper = mapper;
        this.materials = materials;
        this.money = money;
        this.floors = floors;
    }

    /**
     * A blank goes out of its packs for a cup, and one that was taken for it before goes back. Of a blank no pack is
     * kept of, nothing is written.
     *
     * @param blank its number on the shelf
     */
    @Transactional
    public void takeBlank(long cup, long blank) {
        mapper.taken(cup).forEach(taken -> materials.move(taken.lotId(), cup, null, null, -taken.amount(), ""));
        mapper.packOf(blank).flatMap(materials::find).ifPresent(stocked -> {
            for (Lot.Draw draw :
                    Lot.draw(stocked.lots(), 1, floors.show().today()).draws()) {
                materials.move(draw.lotId(), cup, null, null, draw.amount(), "");
                materials.open(
                        stocked.material().id(), draw.lotId(), floors.show().today());
            }
        });
    }

    /** Jars that something can be put into, but not into itself. */
    List<Stocked> jarsFor(Material material) {
        return materials.shelf().stream()
                .filter(one -> one.material().kind() == material.kind()
                        && !one.material().mix().isEmpty()
                        && one.material().id() != material.id())
                .toList();
    }

    /**
     * What fell of a glitter goes into a jar, with what was paid for it.
     *
     * @param jar nothing for a new one
     * @throws InvalidInput if that is more than there is, or no jar
     */
    @Transactional
    long intoTheJar(long id, Optional<Long> jar, double amount, String by) {
        Stocked fallen = materials.find(id).orElseThrow(Gone::new);
        double left = fallen.lots().stream().mapToDouble(Lot::left).sum();
        Faults faults = new Faults();
        faults.require(left >= LEAST_G, "fell", "By the book nothing of it is left: look at its packs first.");
        faults.throwIfAny();
        faults.within("fell", "What fell into the jar", amount, LEAST_G, left, "g");
        faults.require(
                jar.isEmpty()
                        || jarsFor(fallen.material()).stream()
                                .anyMatch(one -> one.material().id() == jar.get()),
                "jar",
                "That is no jar for it: choose another, or a new one.");
        faults.throwIfAny();
        long into = jar.orElseGet(() -> freshJar(fallen.material()));
        Stocked before = materials.find(into).orElseThrow(Gone::new);
        double inIt = before.lots().stream().mapToDouble(Lot::left).sum();
        LocalDate today = floors.show().today();
        Optional<BigDecimal> paid = Optional.of(BigDecimal.ZERO);
        for (Lot.Draw draw : Lot.draw(fallen.lots(), amount, today).draws()) {
            Lot lot = fallen.lots().stream()
                    .filter(one -> one.id() == draw.lotId())
                    .findFirst()
                    .orElseThrow();
            paid = paid.flatMap(sum -> lot.price()
                    .map(price -> sum.add(
                            new PaidFor(price, lot.amount(), money.ways().digits())
                                    .of(lot.amount() - lot.left(), draw.amount()))));
            materials.move(draw.lotId(), null, null, null, draw.amount(), by);
        }
        Mixture mixture = new Mixture(before.material().mix());
        List<Material> parts = fallen.material().mix().isEmpty() ? List.of(fallen.material()) : List.of();
        for (Material part : parts) {
            mixture = mixture.with(inIt, part.name(), part.colour(), amount);
        }
        for (Material.Part part : fallen.material().mix()) {
            mixture = mixture.with(inIt, part.name(), part.colour(), amount * part.share());
            inIt += amount * part.share();
        }
        mapper.mixed(into, JSON.writeValueAsString(mixture.parts()), mixture.colour());
        String lot = "of " + fallen.material().name();
        materials.addLot(
                into,
                lot.substring(0, Math.min(lot.length(), MaterialForm.LONGEST_LOT)),
                amount,
                paid,
                today,
                Optional.of(today),
                by);
        return into;
    }

    private long freshJar(Material fallen) {
        if (materials.everything().values().stream()
                .anyMatch(one -> one.material().name().equalsIgnoreCase(JAR))) {
            throw new InvalidInput(List.of(new Fault(
                    "jar",
                    "There is a material called “%s” already: choose it, or call it otherwise.".formatted(JAR))));
        }
        return materials.add(new Material(
                0,
                JAR,
                MaterialKind.GLITTER,
                fallen.colour(),
                fallen.flakeMm(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalInt.empty(),
                0,
                "",
                List.of()));
    }

    /**
     * What cups by a technique are made with from now on, by the steps' numbers.
     *
     * @param technique its key, which it keeps when it is called otherwise
     */
    @Transactional
    public void setUsual(String technique, Map<Integer, List<Long>> with) {
        mapper.forget(technique);
        with.forEach((step, of) -> {
            for (int i = 0; i < of.size(); i++) {
                mapper.usual(technique, step, of.get(i), i);
            }
        });
    }

    /** What the steps of a technique are usually made with, by their numbers; nothing if it was never kept. */
    public Map<Integer, List<Long>> usualFor(String technique) {
        Map<Integer, List<Long>> usual = new LinkedHashMap<>();
        mapper.usualOf(technique).forEach(row -> usual.computeIfAbsent(row.step(), step -> new ArrayList<>())
                .add(row.materialId()));
        return usual;
    }

    /** Names the steps of a fresh cup what they are made with; the technique may have been changed since. */
    @Transactional
    public void give(Cup cup, Map<Integer, List<Long>> usual) {
        Map<Integer, List<Stocked>> offered = materials.offered(cup.plan());
        Map<Integer, List<Long>> first = new LinkedHashMap<>();
        for (PlanStep step : cup.plan()) {
            List<Long> fitting = usual.getOrDefault(step.number(), List.of()).stream()
                    .filter(id -> offered.getOrDefault(step.number(), List.of()).stream()
                            .anyMatch(one -> one.material().id() == id))
                    .toList();
            if (!fitting.isEmpty()) {
                first.put(step.number(), fitting);
            }
        }
        materials.chooseFirst(cup.id(), first);
    }
}

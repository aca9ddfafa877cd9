package nursery.app.materials;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.materials.WeighingMapper.DrawnRow;
import nursery.app.materials.WeighingMapper.WeighingRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.log.Cup;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.stock.Material;
import nursery.core.stock.StepUse;
import nursery.core.technique.PlanStep;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * A pack weighed before a step and after it, in two touches: what the step really used goes out of the lots instead of
 * what was expected, and the next cup's expectation has learned of it.
 */
@Published
@Service
public class StepWeighing {

    public static final double MOST = 100_000;

    private final WeighingMapper mapper;
    private final MaterialBook materials;
    private final Floors floors;
    private final Moments moments;

    StepWeighing(WeighingMapper mapper, MaterialBook materials, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.materials = materials;
        this.floors = floors;
        this.moments = moments;
    }

    /** @param after nothing until it was weighed again */
    @Published
    public record Weighing(int step, long material, double before, @Nullable Double after) {

        public boolean isOpen() {
            return after == null;
        }

        public double used() {
            return after == null ? 0 : before - after;
        }
    }

    /** What was weighed at a cup's steps. */
    public List<Weighing> of(long cup) {
        return mapper.of(cup).stream().map(StepWeighing::weighing).toList();
    }

    private static Weighing weighing(WeighingRow row) {
        return new Weighing(row.step(), row.materialId(), row.beforeAmount(), row.afterAmount());
    }

    /** Before the step, or once more from the start. */
    @Transactional
    public void before(Cup cup, PlanStep step, Material material, double amount, Instant at, String by) {
        check("Before", amount);
        happened(at);
        named(cup, step, material);
        mapper.before(cup.id(), step.number(), material.id(), amount, at, by);
    }

    /**
     * After it.
     *
     * @throws InvalidInput if it was not weighed before, or weighs more now
     */
    @Transactional
    public void after(Cup cup, PlanStep step, Material material, double amount, Instant at, String by) {
        check("After", amount);
        happened(at);
        List<Material> named = named(cup, step, material);
        WeighingRow row = mapper.of(cup.id()).stream()
                .filter(one -> one.step() == step.number() && one.materialId() == material.id())
                .findFirst()
                .orElseThrow(() -> wrong("It was not weighed before: touch Before first."));
        if (amount > row.beforeAmount()) {
            throw wrong("After is more than before: nothing can have been used. Look at the scale.");
        }
        double used = row.beforeAmount() - amount;
        mapper.after(cup.id(), step.number(), material.id(), amount, at, by);
        double basis = StepUse.bases(
                        step, cup.blankFor(step).area().coatedCm2(), materials.cuts(cup, step, named), named)
                .getOrDefault(material, 0.0);
        mapper.unlearn(cup.id(), step.number(), material.id());
        if (basis > 0) {
            mapper.learn(cup.id(), step.number(), material.id(), basis, used, at, by);
        }
        putRight(cup, step, material, used, by);
    }

    /** If the step is logged already, its lots were drawn by what was expected. */
    private void putRight(Cup cup, PlanStep step, Material material, double used, String by) {
        List<DrawnRow> drawn = mapper.drawn(cup.id(), step.number(), material.id());
        Optional<DrawnRow> logged =
                drawn.stream().filter(row -> row.entryId() != null).reduce((a, b) -> b);
        if (logged.isPresent()) {
            double taken = drawn.stream().mapToDouble(DrawnRow::amount).sum();
            LocalDate today = LocalDate.ofInstant(moments.now(), floors.ways().zone());
            long entry = Optional.ofNullable(logged.get().entryId()).orElseThrow();
            if (used > taken) {
                materials.draw(material, used - taken, cup, step, entry, today, by);
            } else {
                double back = taken - used;
                for (int i = drawn.size() - 1; i >= 0 && back > 0; i--) {
                    double part = Math.min(back, Math.max(0, drawn.get(i).amount()));
                    materials.putBack(drawn.get(i).lotId(), part, cup, step, entry, by);
                    back -= part;
                }
            }
        }
    }

    private List<Material> named(Cup cup, PlanStep step, Material material) {
        List<Material> named = materials.chosen(cup.id()).getOrDefault(step.number(), List.of());
        if (named.stream().noneMatch(one -> one.id() == material.id())) {
            throw wrong("That material is not named for this step any more: choose it first.");
        }
        return named;
    }

    private static void check(String what, double amount) {
        Faults faults = new Faults();
        faults.within("weight", what, amount, 0.01, MOST, "");
        faults.throwIfAny();
    }

    private void happened(Instant at) {
        Faults faults = new Faults();
        faults.require(
                !at.isAfter(moments.now()), "at", "That time is still to come: weigh it when it is to be weighed.");
        faults.throwIfAny();
    }

    private static InvalidInput wrong(String words) {
        return new InvalidInput(List.of(new Fault("weight", words)));
    }
}

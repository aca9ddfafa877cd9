package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.app.cups.CupMapper.NewCupRow;
import nursery.app.floor.Floors;
import nursery.app.floor.StepRow;
import nursery.app.materials.Stores;
import nursery.app.platform.Gone;
import nursery.app.platform.Published;
import nursery.core.floor.CupNow;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Refusal;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts cups, and changes what was decided about them. */
@Published
@Service
public class CupBook {

    private final CupMapper mapper;
    private final Floors floors;
    private final CupDesigns designs;
    private final Stores stores;

    CupBook(CupMapper mapper, Floors floors, CupDesigns designs, Stores stores) {
        this.mapper = mapper;
        this.floors = floors;
        this.designs = designs;
        this.stores = stores;
    }

    /**
     * Starts an order's cups, all or none, each with a plan of its own, and returns the codes to write on their tapes.
     */
    @Transactional
    public List<String> start(Order order, Instant startedAt) {
        return start(List.of(order), startedAt);
    }

    /** The same for an order of several sizes; its cups are numbered through. */
    @Transactional
    public List<String> start(List<Order> sizes, Instant startedAt) {
        int all = sizes.stream().mapToInt(Order::count).sum();
        List<String> codes = new ArrayList<>();
        for (Order order : sizes) {
            codes.addAll(start(order, startedAt, codes.size(), all));
        }
        return codes;
    }

    private List<String> start(Order order, Instant startedAt, int before, int all) {
        int edition = floors.shelf()
                .blank(order.blankId())
                .orElseThrow(Gone::new)
                .editions()
                .current()
                .number();
        String schools = order.schools().written();
        List<String> codes = new ArrayList<>();
        for (int i = 0; i < order.count(); i++) {
            codes.add(start(order, nameOf(order, before + i, all), schools, edition, startedAt));
        }
        designs.giveUsual(codes, order.about().technique());
        return codes;
    }

    /** Cups alike are told apart by a number behind the name. */
    private static String nameOf(Order order, int place, int all) {
        String name = order.about().name();
        String number = " " + (place + 1);
        return all == 1
                ? name
                : name.substring(0, Math.min(name.length(), StartController.LONGEST_NAME - number.length())) + number;
    }

    private String start(Order order, String name, String schools, int edition, Instant startedAt) {
        String code = freeCode();
        LocalDate due = order.due().orElse(null);
        long id = mapper.insertCup(new NewCupRow(
                code,
                name,
                order.about().madeFor(),
                order.blankId(),
                edition,
                order.resins().base().id(),
                order.resins().last().id(),
                due,
                order.about().paint(),
                order.about().glitter(),
                String.join(" ", order.about().more()),
                schools,
                order.about().technique(),
                startedAt,
                order.matters()));
        mapper.insertSteps(
                id,
                IntStream.range(0, order.plan().size())
                        .mapToObj(i -> StepRow.of(id, i + 1, order.plan().get(i)))
                        .toList());
        stores.takeBlank(id, order.blankId());
        return code;
    }

    private String freeCode() {
        String code;
        do {
            mapper.countOn();
            code = CupCode.of(mapper.counted());
        } while (mapper.named(code) > 0);
        return code;
    }

    /**
     * What is decided anew about a cup.
     *
     * @param blank another blank, for a cup that has no coat yet
     */
    record Changed(
            String name,
            String madeFor,
            Optional<LocalDate> due,
            long baseResinId,
            long lastResinId,
            String paint,
            String glitter,
            Optional<ShelfBlank> blank) {}

    /** @throws NotLogged if another blank is wanted for a cup that is coated already */
    @Transactional
    void change(String code, Changed changed) {
        mapper.lock(code).orElseThrow(Gone::new);
        CupNow now = floors.cup(code).orElseThrow(Gone::new);
        mapper.setAbout(new CupMapper.AboutRow(
                code,
                changed.name(),
                changed.madeFor(),
                changed.due().orElse(null),
                changed.baseResinId(),
                changed.lastResinId(),
                changed.paint(),
                changed.glitter()));
        changed.blank()
                .filter(blank -> !blank.name().equals(now.cup().about().blank()))
                .ifPresent(blank -> {
                    if (!now.state().coats().isEmpty()) {
                        throw NotLogged.refused(
                                Refusal.simple("blank", "A coat is on this cup: its blank stays what it was."));
                    }
                    mapper.setBlank(code, blank.id(), blank.editions().current().number());
                    stores.takeBlank(now.cup().id(), blank.id());
                });
    }

    /** Gives it a design: its steps ahead are cut as large as that says. */
    @Transactional
    public void giveDesign(String code, long design) {
        designs.give(code, design);
    }

    /** Draws it in the colours of what it is made with, from the rim down; what is not decided stays. */
    @Transactional
    public void recolour(String code, Optional<String> paint, List<String> glitters) {
        mapper.recolour(
                code,
                paint.orElse(null),
                glitters.isEmpty() ? null : glitters.get(0),
                glitters.isEmpty() ? null : String.join(" ", glitters.subList(1, glitters.size())));
    }

    /** Sets how much an hour late counts for a cup. */
    @Transactional
    public void matters(String code, int matters) {
        mapper.setMatters(code, matters);
    }

    /** Mixes a cup's coats to come from another resin; what is poured stays what it is. */
    @Transactional
    public void otherResin(String code, long resinId) {
        mapper.lock(code).orElseThrow(Gone::new);
        mapper.setResin(code, resinId);
    }

    /** @throws InvalidInput if the step is logged, or somebody is mixing for it */
    @Transactional
    public void leaveOut(String code, int step) {
        long id = mapper.lock(code).orElseThrow(Gone::new);
        if (mapper.removeStep(id, step) == 0) {
            throw new InvalidInput(List.of(
                    new Fault("step", "%s: that coat is poured, or somebody is mixing for it.".formatted(code))));
        }
    }
}

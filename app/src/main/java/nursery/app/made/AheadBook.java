package nursery.app.made;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.platform.Gone;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.app.shelf.StockBook.StockedBottle;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.measure.Numbers;
import nursery.core.plan.PlannedStep;
import nursery.core.resin.Mix;
import nursery.core.resin.Part;
import nursery.core.resin.Resin;
import nursery.core.stock.Material;
import nursery.core.stock.StepUse;
import nursery.core.stock.StockAhead;
import nursery.core.stock.StockAhead.Need;
import nursery.core.stock.Usage;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What the plan needs day by day against what is on the shelf: what runs out when, and what to buy until when. */
@Service
class AheadBook {

    private static final int RESIN_LEAD_DAYS = 7;

    private final MaterialBook materials;
    private final StockBook stock;
    private final Floors floors;

    AheadBook(MaterialBook materials, StockBook stock, Floors floors) {
        this.materials = materials;
        this.stock = stock;
        this.floors = floors;
    }

    /**
     * @param href where it lies
     * @param material what it is, if it is no resin
     */
    record Line(String name, String unit, double left, StockAhead ahead, String href, @Nullable Material material) {

        public boolean isShort() {
            return ahead.runsOut().isPresent();
        }

        public String show(double amount) {
            return Numbers.show(amount, amount < 10 ? 1 : 0) + "\u00a0" + unit;
        }
    }

    /** What runs out comes first, the soonest first of all. */
    List<Line> lines() {
        Floor floor = floors.now();
        Show show = floors.show();
        Map<String, CupNow> cups = new LinkedHashMap<>();
        floor.cups().forEach(cup -> cups.put(cup.code(), cup));
        Map<Long, Stocked> all = materials.everything();
        Map<Long, Map<Integer, List<Material>>> chosen = materials.chosen(
                cups.values().stream().map(cup -> cup.cup().id()).toList());
        List<StockedBottle> bottles = stock.bottles();
        Map<Long, Integer> leads = stock.leadDays();
        Map<Long, List<Need>> ofMaterial = new LinkedHashMap<>();
        Map<String, List<Need>> ofResin = new LinkedHashMap<>();
        for (PlannedStep planned : floors.standing(floor).plan().steps()) {
            CupNow cup = cups.get(planned.cup());
            if (cup == null) {
                continue;
            }
            LocalDate day = LocalDate.ofInstant(planned.begins(), show.zone());
            List<Material> of = chosen.getOrDefault(cup.cup().id(), Map.of())
                    .getOrDefault(planned.step().number(), List.of());
            StepUse.of(
                            planned.step(),
                            cup.cup().blankFor(planned.step()).area().coatedCm2(),
                            materials.cuts(cup.cup(), planned.step(), of),
                            of,
                            material -> usage(all, material))
                    .forEach((material, amount) -> ofMaterial
                            .computeIfAbsent(material.id(), id -> new ArrayList<>())
                            .add(new Need(day, amount)));
            planned.amountMl().ifPresent(ml -> {
                Resin resin = cup.cup().resinFor(planned.step());
                Mix mix = floor.mixedFor(cup.cup(), resin, ml);
                for (Part part : Part.values()) {
                    ofResin.computeIfAbsent(resin.id() + part.name(), key -> new ArrayList<>())
                            .add(new Need(day, part == Part.A ? mix.partAMl() : mix.partBMl()));
                }
            });
        }
        List<Line> lines = new ArrayList<>();
        for (Resin resin : floors.shelf().resins()) {
            for (Part part : Part.values()) {
                double left = bottles.stream()
                        .filter(bottle -> bottle.resinId() == resin.id()
                                && bottle.bottle().part() == part)
                        .mapToDouble(bottle -> bottle.bottle().leftMl())
                        .sum();
                List<Need> needs = ofResin.getOrDefault(resin.id() + part.name(), List.of());
                // Of a resin whose bottles are not kept nothing is known, so nothing is said.
                boolean kept = bottles.stream().anyMatch(bottle -> bottle.resinId() == resin.id());
                if (kept) {
                    lines.add(new Line(
                            "%s, part %s".formatted(resin.name(), part.name()),
                            "ml",
                            left,
                            StockAhead.of(left, needs, leads.getOrDefault(resin.id(), RESIN_LEAD_DAYS)),
                            "/shelf/bottles",
                            null));
                }
            }
        }
        for (Stocked one : all.values()) {
            if (one.gone()) {
                continue;
            }
            List<Need> needs = ofMaterial.getOrDefault(one.material().id(), List.of());
            if (!one.lots().isEmpty() || !needs.isEmpty()) {
                lines.add(new Line(
                        one.material().name(),
                        one.material().kind().measure().symbol(),
                        one.left(),
                        StockAhead.of(one.left(), needs, one.material().leadDays()),
                        "/shelf/materials/" + one.material().id(),
                        one.material()));
            }
        }
        lines.sort(Comparator.comparing((Line line) -> line.ahead().runsOut().orElse(LocalDate.MAX))
                .thenComparing(Line::name));
        return lines;
    }

    private static Usage usage(Map<Long, Stocked> all, Material material) {
        return Optional.ofNullable(all.get(material.id())).map(Stocked::usage).orElseThrow(Gone::new);
    }
}

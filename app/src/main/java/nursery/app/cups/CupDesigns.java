package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.materials.Stores;
import nursery.app.platform.Gone;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.app.wrap.DesignViews;
import nursery.core.floor.CupNow;
import nursery.core.technique.PlanStep;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Gives cups their designs: the steps ahead of them are cut as large as these say. */
@Service
class CupDesigns {

    private final DesignViews designs;
    private final TechniqueBook techniques;
    private final PlanChanges changes;
    private final Stores stores;
    private final Floors floors;

    CupDesigns(DesignViews designs, TechniqueBook techniques, PlanChanges changes, Stores stores, Floors floors) {
        this.designs = designs;
        this.techniques = techniques;
        this.changes = changes;
        this.stores = stores;
        this.floors = floors;
    }

    /** What goes with the technique a cup is started by. */
    @Transactional
    void giveUsual(List<String> codes, String technique) {
        Optional<String> key = techniques.all().stream()
                .filter(one -> one.technique().name().equals(technique))
                .map(ShelvedTechnique::key)
                .findFirst();
        key.flatMap(designs::usualFor).ifPresent(design -> codes.forEach(code -> give(code, design)));
        key.map(stores::usualFor)
                .filter(with -> !with.isEmpty())
                .ifPresent(with -> codes.forEach(code ->
                        stores.give(floors.cup(code).orElseThrow(Gone::new).cup(), with)));
    }

    @Transactional
    void give(String code, long design) {
        CupNow now = floors.cup(code).orElseThrow(Gone::new);
        designs.give(now.cup().id(), design);
        List<PlanStep> ahead = now.stepsAhead();
        List<PlanStep> sized = designs.sized(now, ahead, floors.now());
        if (now.state().gone().isEmpty() && !sized.equals(ahead)) {
            changes.replan(code, ahead.stream().map(PlanStep::number).toList(), sized);
        }
    }

    /** Its steps keep the sizes they have. */
    @Transactional
    void take(String code) {
        designs.take(floors.cup(code).orElseThrow(Gone::new).cup().id());
    }
}

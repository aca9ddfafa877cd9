package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupLook.Decor;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Published;
import nursery.core.film.CoatRole;
import nursery.core.log.CupFile;
import nursery.core.log.CupState;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.Spindle;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;

/** A cup, all that is known about it, and the state that follows at this moment. */
@Published
public record CupOnBench(Cup cup, CupFile file, CupState state) {

    public CupPicture picture() {
        CupLook look = new CupLook(has(StepKind.PAINT) ? Optional.of(cup.paint()) : Optional.empty(),
                has(StepKind.GLITTER) ? Optional.of(cup.glitter()) : Optional.empty(), decor(), cup.glitter(), state.clearCoats());
        return CupPicture.of(cup.code(), file.blank(), look);
    }

    private Set<Decor> decor() {
        Map<StepKind, Decor> drawn = Map.of(StepKind.INK, Decor.INK, StepKind.INK_BLOOM, Decor.INK, StepKind.VINYL, Decor.VINYL, StepKind.WATER_SLIDE, Decor.VINYL, StepKind.STENCIL, Decor.VINYL,
                StepKind.PARTIAL_COAT, Decor.WAVE, StepKind.SMOKE, Decor.SMOKE, StepKind.SPONGE, Decor.SPECKS, StepKind.FOIL, Decor.SPECKS);
        return drawn.entrySet().stream().filter(entry -> has(entry.getKey())).map(Map.Entry::getValue).collect(Collectors.toSet());
    }

    /** Where its next coat most likely turns: a thin film that may hang hangs; else where it turns already, else on the first free spindle. */
    public Optional<Spindle> likelySpindle(List<Spindle> free) {
        boolean hangs = state.next().flatMap(next -> next.step().role()).filter(CoatRole.ADHESIVE_THIN::equals).isPresent() && cup.schools().has(School.HANG);
        return hangs ? Optional.empty() : state.hold().map(SpindleHold::spindle).or(() -> free.stream().findFirst());
    }

    private boolean has(StepKind kind) {
        return file.plan().stream().anyMatch(step -> step.kind() == kind && state.done().containsKey(step.number()));
    }
}

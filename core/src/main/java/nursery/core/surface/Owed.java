package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.surface.Surface.Patch;

/** What a cup owes before it is done: what has to come off it, or still has to cover it. */
final class Owed {

    private Owed() {}

    /** What a cup still asks for before it may be called done, as things that are wrong with it now. */
    static List<Bound> by(Surface now) {
        List<Bound> owed = new ArrayList<>();
        tape(now).ifPresent(tape -> owed.add(Bound.never(tape.id(), Cell.TAPE_ON)));
        for (Patch patch : now.met(Place.ALL)) {
            Layer layer = patch.layer();
            switch (layer.lay()) {
                case GLITTER, INK, FOIL, MICA, SOOT -> owed.add(Bound.never(layer.id(), Cell.LAID_OPEN));
                case VINYL, SLIDE -> owed.add(Bound.never(layer.id(), Cell.DECAL_OPEN));
                case COAT -> {
                    if (layer.last(work -> work.doing().sandsTheBody()).isPresent()) {
                        owed.add(Bound.never(layer.id(), Cell.SANDED_BARE));
                    }
                }
                case STEEL, FACTORY_COAT, PAINT, CRAFT_GLUE, SPRAY_GLUE, FOIL_GLUE, FILM, SEALER, STENCIL, SOAP -> {}
            }
            patch.column().toComeOff().stream()
                    .filter(under -> under.lay() == Lay.STENCIL)
                    .forEach(under -> owed.add(Bound.never(under.id(), Cell.STENCIL_ON)));
        }
        return owed.stream().distinct().toList();
    }

    /**
     * The tape that was laid last of what is still on, if any is. What is pulled at a place takes the tape there with
     * it; where none is said, all of it.
     */
    static Optional<Work> tape(Surface now) {
        List<Work> on = new ArrayList<>();
        for (Work work : now.works()) {
            if (work.doing() == Doing.PULL_TAPE) {
                on.removeIf(tape -> work.place().equals(Place.ALL)
                        || tape.place().equals(Place.ALL)
                        || tape.place().equals(work.place()));
            } else if (work.doing() == Doing.MASK) {
                on.add(work);
            }
        }
        return on.isEmpty() ? Optional.empty() : Optional.of(on.get(on.size() - 1));
    }
}

package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeSet;
import nursery.core.surface.Layer.Effect;
import nursery.core.surface.Layer.Treatment;

/**
 * A cup as a stack of layers. Works are laid on it one after the other, planned or done; nothing in it is a moment.
 *
 * @param layers from the ground up
 * @param works all that was done, in order
 */
public record Surface(List<Layer> layers, List<Work> works) {

    /** More than this lies on no cup. */
    public static final int MOST_WORKS = 400;

    /** The blank itself: what no work of ours has laid. */
    static final int GROUND = 0;

    public Surface {
        layers = List.copyOf(layers);
        works = List.copyOf(works);
    }

    /** A blank, bare or with a coat of powder from its maker. */
    public static Surface of(boolean factoryCoat) {
        Work made = Work.of(GROUND, Doing.INSPECT, How.USUAL, Optional.empty());
        return new Surface(List.of(new Layer(factoryCoat ? Lay.FACTORY_COAT : Lay.STEEL, made, List.of())), List.of());
    }

    /**
     * What a hand touches at one part of a cup.
     *
     * @param place which part
     * @param whole what is touched, with all that was done to it anywhere
     * @param layer the same, with what was done to it here
     * @param below what lies under it there, if anything does
     */
    record Patch(Place place, Layer whole, Layer layer, Optional<Layer> below) {

        boolean hides() {
            return layer.hides(place);
        }
    }

    /** With one more work done. */
    public Surface after(Work work) {
        if (works.size() >= MOST_WORKS) {
            throw new IllegalStateException("More works than a cup can carry: " + works.size());
        }
        List<Work> done = new ArrayList<>(works);
        done.add(work);
        if (work.doing() == Doing.STRIP) {
            return new Surface(List.of(stripped(work)), done);
        }
        List<Layer> now = new ArrayList<>(layers);
        for (Place part : parts(work.place())) {
            if (work.place().touches(part)) {
                treat(now, work, part);
            }
        }
        Lay.of(work.doing())
                .filter(lay -> !(lay == Lay.GLITTER && work.how().sprinkled()))
                .ifPresent(lay -> now.add(new Layer(lay, work, List.of())));
        return new Surface(now, done);
    }

    /** Steel that paper has been over: what scrapes off a coat scuffs what is below. */
    private static Layer stripped(Work work) {
        Work scuffed = new Work(work.id(), Doing.SCUFF, work.how(), Place.ALL, Optional.empty());
        return new Layer(Lay.STEEL, work, List.of(new Treatment(scuffed, Place.ALL, Effect.TOUCHED)));
    }

    /** What becomes of the layers at one part when something is done to what is exposed there. */
    private void treat(List<Layer> now, Work work, Place part) {
        List<Layer> exposed = met(part).stream().map(Patch::whole).toList();
        OptionalInt lifted = lifted(work, part);
        for (int i = 0; i < now.size(); i++) {
            Layer layer = layers.get(i);
            Optional<Effect> effect = Optional.empty();
            if (lifted.isPresent() && layer.liesAt(part) && layer.id() >= lifted.getAsInt()) {
                effect = Optional.of(goesWith(work) == layer.lay() ? Effect.GONE : Effect.CUT);
            } else if (exposed.contains(layer)) {
                effect = touched(layer, work);
            }
            if (effect.isPresent()) {
                now.set(i, now.get(i).treated(work, part, effect.get()));
            }
        }
    }

    /** A stencil is peeled, a resist is washed away: each takes with it what was laid on it. */
    private static Lay goesWith(Work work) {
        return work.doing().family() == Doing.Family.PEEL ? Lay.STENCIL : Lay.SOAP;
    }

    /** What has to come off before a coat, at one part: stencils and resists that no epoxy holds down yet. */
    List<Layer> toComeOff(Place part) {
        int held = held(part);
        return layers.stream()
                .filter(layer -> layer.lay() == Lay.STENCIL || layer.lay() == Lay.SOAP)
                .filter(layer -> layer.liesAt(part) && layer.id() > held)
                .toList();
    }

    /** The newest epoxy at a part; what it lies on stays there. */
    private int held(Place part) {
        return layers.stream()
                .filter(layer -> layer.lay().isEpoxy() && layer.liesAt(part))
                .mapToInt(Layer::id)
                .max()
                .orElse(-1);
    }

    /** The lowest layer that a work lifts off at a part, unless epoxy holds it down. */
    private OptionalInt lifted(Work work, Place part) {
        if (work.doing().family() != Doing.Family.PEEL && work.doing().family() != Doing.Family.WASH) {
            return OptionalInt.empty();
        }
        return toComeOff(part).stream()
                .filter(layer -> layer.lay() == goesWith(work))
                .mapToInt(Layer::id)
                .min();
    }

    private static Optional<Effect> touched(Layer layer, Work work) {
        return switch (work.doing().family()) {
            case WIPE -> // Acetone cuts paint, and bares what lies below here and there.
                Optional.of(
                        layer.lay() == Lay.PAINT && work.how().cleaner() == How.Cleaner.ACETONE
                                ? Effect.CUT
                                : Effect.TOUCHED);
            case SAND, TAPE, PULL, SEAL, HEAT, TRIM, DROP, POLISH, WASH -> Optional.of(Effect.TOUCHED);
            // Foil takes all of the glue it is laid on.
            case DECAL ->
                work.doing() == Doing.FOIL && layer.lay().isGlue() ? Optional.of(Effect.GONE) : Optional.empty();
            case NOTHING, POUR, PAINT, GLUE, GLITTER, INK, SLIDE, POWDER, RESIST, PEEL, FINISH, PACK ->
                Optional.empty();
        };
    }

    /** What a work at a place would touch: every part of the cup on its own, spots and what is between them. */
    List<Patch> met(Place place) {
        List<Patch> patches = new ArrayList<>();
        for (Place part : parts(place)) {
            if (place.touches(part)) {
                exposed(part, patches);
            }
        }
        return patches;
    }

    private void exposed(Place part, List<Patch> patches) {
        List<Layer> here = layers.stream().filter(layer -> layer.liesAt(part)).toList();
        for (int i = here.size() - 1; i >= 0; i--) {
            Optional<Layer> below =
                    i == 0 ? Optional.empty() : Optional.of(here.get(i - 1).at(part));
            patches.add(new Patch(part, here.get(i), here.get(i).at(part), below));
            if (here.get(i).hides(part)) {
                return;
            }
        }
    }

    /** The cup cut at every height at which something ends. */
    private List<Place> parts(Place also) {
        TreeSet<Double> cuts = new TreeSet<>(List.of(Place.RIM_MM, 2 * Place.RIM_MM, also.fromMm(), also.toMm()));
        for (Layer layer : layers) {
            cuts.add(layer.by().place().fromMm());
            cuts.add(layer.by().place().toMm());
            layer.since().forEach(one -> {
                cuts.add(one.part().fromMm());
                cuts.add(one.part().toMm());
            });
        }
        List<Place> parts = new ArrayList<>(List.of(Place.BASE));
        double from = 0;
        for (double to : cuts.tailSet(0.0, false)) {
            parts.add(Place.band(from, to));
            from = to;
        }
        return parts;
    }

    /** The newest pour, if there is one. */
    Optional<Work> newestPour() {
        return works.stream().filter(work -> work.doing().isPour()).reduce((before, after) -> after);
    }

    /** Whole coats since glitter was last laid on. */
    int coatsOverTexture() {
        int coats = 0;
        for (Work work : works) {
            coats = work.doing() == Doing.GLITTER ? 0 : coats + (work.doing().isWholeCoat() ? 1 : 0);
        }
        return coats;
    }

    /** The roughest that was ever laid on: what a hand feels until coats cover it. */
    Optional<How.Grain> texture() {
        return works.stream()
                .filter(work -> work.doing() == Doing.GLITTER)
                .map(work -> work.how().severalColours()
                        ? How.Grain.COARSE
                        : work.how().grain())
                .max(Enum::compareTo);
    }
}

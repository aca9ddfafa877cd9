package nursery.core.surface;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.film.Onto;
import nursery.core.film.Texture;
import nursery.core.technique.Fields;

/**
 * A cup as columns of layers: cut at every height at which something ends, each part from its ground up. Works are laid
 * on it one after the other, planned or done; nothing in it is a moment.
 *
 * @param columns the base, the side from the foot up, and the rim
 * @param works all that was done, in order
 */
public record Surface(List<Column> columns, List<Work> works) {

    /** More than this lies on no cup. */
    public static final int MOST_WORKS = 400;

    /** The blank itself: what no work of ours has laid. */
    static final int GROUND = 0;

    public Surface {
        columns = List.copyOf(columns);
        works = List.copyOf(works);
    }

    private static final Surface BARE = blank(Lay.STEEL);
    private static final Surface COATED = blank(Lay.FACTORY_COAT);

    /** A blank, bare or with a coat of powder from its maker. */
    public static Surface of(boolean factoryCoat) {
        return factoryCoat ? COATED : BARE;
    }

    private static Surface blank(Lay lay) {
        List<Layer> ground = List.of(new Layer(lay, Work.of(GROUND, Doing.INSPECT)));
        return new Surface(
                Stream.of(Place.BASE, Place.band(0, Place.RIM_MM), Place.RIM)
                        .map(part -> new Column(part, ground))
                        .toList(),
                List.of());
    }

    /**
     * What lies on one part of a cup, the same all over it.
     *
     * @param stack from the ground up
     */
    record Column(Place part, List<Layer> stack) {

        /** What a hand touches there: the top, and what shows through. */
        List<Patch> exposed() {
            List<Patch> patches = new ArrayList<>();
            List<Layer> holed = new ArrayList<>();
            for (int i = stack.size() - 1; i >= 0; i--) {
                Layer layer = stack.get(i);
                if (holed.stream().anyMatch(above -> layer.cuts().containsAll(above.cuts()))) {
                    continue;
                }
                if (layer.showsThroughHoles()) {
                    holed.add(layer);
                }
                patches.add(new Patch(this, layer, i == 0 ? Optional.empty() : Optional.of(stack.get(i - 1))));
                if (layer.hides()) {
                    break;
                }
            }
            return patches;
        }

        /** Whether it is a part of the side, and not the rim or the base. */
        boolean isOfTheSide() {
            return !part.equals(Place.RIM) && !part.base();
        }

        /** Whether nothing lies open there that would be sanded away. */
        boolean bearsPaper() {
            return exposed().stream().noneMatch(patch -> patch.layer().lay().isSandedAway());
        }

        /** What has to come off before a coat: stencils and resists that no epoxy holds down yet. */
        List<Layer> toComeOff() {
            List<Layer> found = new ArrayList<>();
            for (Layer layer : stack) {
                if (layer.lay().isEpoxy()) {
                    found.clear();
                } else if (layer.lay() == Lay.STENCIL || layer.lay() == Lay.SOAP) {
                    found.add(layer);
                }
            }
            return found;
        }

        /** The part of it that a height cuts off, and the rest. */
        Stream<Column> cutAt(double mm) {
            return part.fromMm() < mm && mm < part.toMm()
                    ? Stream.of(
                            new Column(Place.band(part.fromMm(), mm), stack),
                            new Column(Place.band(mm, part.toMm()), stack))
                    : Stream.of(this);
        }
    }

    /**
     * What a hand touches at one part of a cup.
     *
     * @param column all that lies there
     * @param below what lies under it there, if anything does
     */
    record Patch(Column column, Layer layer, Optional<Layer> below) {}

    /** With one more work done. */
    public Surface after(Work work) {
        if (works.size() >= MOST_WORKS) {
            throw new IllegalStateException("More works than a cup can carry: " + works.size());
        }
        List<Work> done = new ArrayList<>(works.size() + 1);
        done.addAll(works);
        done.add(work);
        // Parts that were the same stay the same, and are worked out once.
        Map<List<Layer>, List<Layer>> worked = new IdentityHashMap<>();
        List<Column> now = new ArrayList<>();
        cut(work.place())
                .forEach(column -> now.add(
                        work.place().touches(column.part())
                                ? new Column(
                                        column.part(),
                                        worked.computeIfAbsent(column.stack(), stack -> worked(column, work)))
                                : column));
        return new Surface(now, done);
    }

    /** The same, with the mix of a pour known better: what a look or a touch tells of it afterwards. */
    public Surface mixed(int pour, How.Ratio known) {
        Map<List<Layer>, List<Layer>> told = new IdentityHashMap<>();
        return new Surface(
                columns.stream()
                        .map(column ->
                                new Column(column.part(), told.computeIfAbsent(column.stack(), stack -> stack.stream()
                                        .map(layer -> layer.id() == pour ? layer.mixed(known) : layer)
                                        .toList())))
                        .toList(),
                works.stream()
                        .map(work -> work.id() == pour ? work.mixed(known) : work)
                        .toList());
    }

    /** The columns, cut where a place ends. */
    private Stream<Column> cut(Place place) {
        return columns.stream()
                .flatMap(column -> column.cutAt(place.fromMm()))
                .flatMap(column -> column.cutAt(place.toMm()));
    }

    /** What becomes of one column. */
    private static List<Layer> worked(Column column, Work work) {
        if (work.doing() == Doing.STRIP) {
            return List.of(stripped(work));
        }
        Set<Integer> exposed =
                column.exposed().stream().map(patch -> patch.layer().id()).collect(Collectors.toSet());
        int lifted = lifted(column, work);
        List<Layer> now = new ArrayList<>(column.stack().size() + 1);
        for (Layer layer : column.stack()) {
            if (layer.id() >= lifted) {
                if (goesWith(work) != layer.lay()) {
                    now.add(layer.cutBy(work));
                }
            } else if (exposed.contains(layer.id())) {
                touched(layer, work).ifPresent(now::add);
            } else {
                now.add(layer);
            }
        }
        Lay.of(work.doing())
                .filter(lay -> !(lay == Lay.GLITTER && sinksIn(column, work)))
                .ifPresent(lay -> now.add(new Layer(lay, work)));
        return List.copyOf(now);
    }

    /** Glitter is no layer of its own in a mix, and none on a wet coat: it sinks into it. */
    private static boolean sinksIn(Column column, Work glitter) {
        return glitter.how().fields().strewn() != Fields.Strewn.ON_TOP
                || column.exposed().get(0).layer().lay() == Lay.COAT;
    }

    /** Steel that paper has been over: what scrapes off a coat scuffs what is below. */
    private static Layer stripped(Work work) {
        Work scuffed = new Work(work.id(), Doing.SCUFF, work.how(), Place.ALL, Optional.empty());
        return new Layer(Lay.STEEL, work).touchedBy(scuffed);
    }

    /** A stencil is peeled, a resist is washed away: each takes with it what was laid on it. */
    private static Lay goesWith(Work work) {
        return work.doing().family() == Doing.Family.PEEL ? Lay.STENCIL : Lay.SOAP;
    }

    /** The lowest layer that a work lifts off, unless epoxy holds it down. */
    private static int lifted(Column column, Work work) {
        if (work.doing().family() != Doing.Family.PEEL && work.doing().family() != Doing.Family.WASH) {
            return Integer.MAX_VALUE;
        }
        return column.toComeOff().stream()
                .filter(layer -> layer.lay() == goesWith(work))
                .mapToInt(Layer::id)
                .min()
                .orElse(Integer.MAX_VALUE);
    }

    /** What becomes of a layer that is met; empty if it goes. */
    private static Optional<Layer> touched(Layer layer, Work work) {
        return switch (work.doing().family()) {
            case WIPE -> // Acetone cuts paint, and bares what lies below here and there.
                Optional.of(
                        layer.lay() == Lay.PAINT && work.how().fields().cleaner() == Fields.Cleaner.ACETONE
                                ? layer.cutBy(work)
                                : layer.touchedBy(work));
            case SAND, TAPE, PULL, SEAL, HEAT, TRIM, DROP, POLISH, WASH -> Optional.of(layer.touchedBy(work));
            // Foil takes all of the glue it is laid on.
            case DECAL -> work.doing() == Doing.FOIL && layer.lay().isGlue() ? Optional.empty() : Optional.of(layer);
            case NOTHING, POUR, PAINT, GLUE, GLITTER, INK, SLIDE, POWDER, RESIST, PEEL, FINISH, PACK ->
                Optional.of(layer);
        };
    }

    /** What a work at a place would touch: every part of the cup on its own, spots and what is between them. */
    List<Patch> met(Place place) {
        return columns(place).flatMap(column -> column.exposed().stream()).toList();
    }

    Stream<Column> columns(Place place) {
        return columns.stream().filter(column -> place.touches(column.part()));
    }

    /** The columns at a place that differ from one another. */
    List<Column> different(Place place) {
        List<Column> found = new ArrayList<>();
        columns(place)
                .filter(column -> found.stream().noneMatch(other -> other.stack() == column.stack()))
                .forEach(found::add);
        return found;
    }

    /**
     * Whether paper has been over what a work laid on the side, all of it that lies open or, where nothing does, some;
     * empty where that is not on the cup any more.
     */
    public Optional<Boolean> isScuffed(int work) {
        List<Column> side = columns.stream()
                .filter(column -> column.stack().stream().anyMatch(layer -> layer.id() == work))
                .toList();
        if (side.isEmpty()) {
            return Optional.empty();
        }
        List<Layer> open = side.stream()
                .filter(Column::isOfTheSide)
                .flatMap(column -> column.exposed().stream())
                .map(Patch::layer)
                .filter(layer -> layer.id() == work)
                .toList();
        return Optional.of(
                open.isEmpty()
                        ? side.stream()
                                .filter(column -> !column.part().equals(Place.RIM))
                                .flatMap(column -> column.stack().stream())
                                .anyMatch(layer -> layer.id() == work && layer.isScuffed())
                        : open.stream().allMatch(Layer::isScuffed));
    }

    /** The works whose layer is still on the cup, somewhere at least, from the ground up. */
    public List<Integer> lying() {
        return columns.stream()
                .flatMap(column -> column.stack().stream())
                .filter(Surface::isLaid)
                .map(Layer::id)
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * A part of the side on which the same lies all over.
     *
     * @param fromMm from the foot
     * @param toMm to here; {@link Place#RIM_MM} is the rim
     * @param works whose layers lie there, from the ground up
     */
    public record Wall(double fromMm, double toMm, List<Integer> works) {
        public Wall {
            works = List.copyOf(works);
        }
    }

    /** The side as its walls, from the foot up; one where the same lies everywhere. */
    public List<Wall> walls() {
        List<Wall> walls = new ArrayList<>();
        for (Column column : columns) {
            if (!column.isOfTheSide()) {
                continue;
            }
            List<Integer> works = column.stack().stream()
                    .filter(Surface::isLaid)
                    .map(Layer::id)
                    .toList();
            Wall below = walls.isEmpty() ? null : walls.get(walls.size() - 1);
            if (below != null && below.works().equals(works)) {
                walls.set(
                        walls.size() - 1, new Wall(below.fromMm(), column.part().toMm(), works));
            } else {
                walls.add(new Wall(column.part().fromMm(), column.part().toMm(), works));
            }
        }
        return walls;
    }

    /** Whether a work of ours laid it. */
    private static boolean isLaid(Layer layer) {
        return layer.lay() != Lay.STEEL && layer.lay() != Lay.FACTORY_COAT;
    }

    /** Whether nothing lies open that would be sanded away. */
    public boolean bearsPaper() {
        return columns.stream().allMatch(Column::bearsPaper);
    }

    /** The newest pour that is still on the cup, if there is one. */
    public Optional<Work> newestPour() {
        return since(stripped()).filter(work -> work.doing().isPour()).reduce((before, after) -> after);
    }

    /** Clear coats since glitter was last laid on, on the part of the side that has the fewest. */
    public int coatsOverTexture() {
        return coatsOverTexture(Place.ALL);
    }

    /** The same at a place; what is with the rim and the base counts where nothing else is met. */
    public int coatsOverTexture(Place place) {
        List<Work> since = since(stripped()).toList();
        return felt(place).mapToInt(part -> coatsOverTexture(since, part)).min().orElse(0);
    }

    /** The parts of the side that a place touches, or of the rim and the base if it touches none. */
    private Stream<Place> felt(Place place) {
        boolean isOnSide = columns(place).anyMatch(Column::isOfTheSide);
        return columns(place)
                .filter(column -> !isOnSide || column.isOfTheSide())
                .map(Column::part);
    }

    private static int coatsOverTexture(List<Work> works, Place part) {
        int coats = 0;
        for (Work work : works) {
            if (work.place().touches(part)) {
                boolean covers = work.doing().isWholeCoat() && work.place().whole();
                coats = isFelt(work) ? 0 : coats + (covers ? 1 : 0);
            }
        }
        return coats;
    }

    /** The roughest that was ever laid on: what a hand feels until coats cover it. */
    public Texture texture() {
        return texture(Place.ALL);
    }

    public Texture texture(Place place) {
        List<Place> parts = felt(place).toList();
        return since(stripped())
                .filter(Surface::isFelt)
                .filter(work -> parts.stream().anyMatch(work.place()::touches))
                .map(work -> work.how().fields().isRough() ? Texture.CHUNKY : Texture.FINE)
                .max(Enum::compareTo)
                .orElse(Texture.SMOOTH);
    }

    /** What the decoration lies in at a place, if no coat lies over that yet: its film, the thinnest of several. */
    public Onto.Below below(Place place) {
        List<Work> since = since(stripped()).toList();
        return felt(place)
                .map(part -> below(since, part))
                .min(Comparator.comparing(below -> below == Onto.Below.GENEROUS_FILM))
                .orElse(Onto.Below.COAT);
    }

    private static Onto.Below below(List<Work> works, Place part) {
        Onto.Below below = Onto.Below.COAT;
        for (Work work : works) {
            if (work.place().touches(part)) {
                if (work.doing() == Doing.ADHESIVE) {
                    below = work.how().generous() ? Onto.Below.GENEROUS_FILM : Onto.Below.THIN_FILM;
                } else if (work.doing().isWholeCoat()) {
                    below = Onto.Below.COAT;
                }
            }
        }
        return below;
    }

    /** What was laid since the newest coat over all of it, in order. */
    List<Doing> sinceWholeCoat() {
        List<Doing> laid = new ArrayList<>();
        for (Work work : since(stripped()).toList()) {
            if (work.isWholeCoat()) {
                laid.clear();
            } else if (work.doing().lays()) {
                laid.add(work.doing());
            }
        }
        return laid;
    }

    /** Whether coarse or mixed flakes were stirred into a pour. */
    boolean holdsRoughFlakes(Work pour) {
        boolean holds = false;
        for (Work work : works) {
            if (work.id() >= pour.id()) {
                break;
            }
            holds = !work.doing().isPour()
                    && (holds
                            || work.doing() == Doing.GLITTER
                                    && work.how().fields().strewn() == Fields.Strewn.STIRRED_IN
                                    && work.how().fields().isRough());
        }
        return holds;
    }

    /** What was last laid on that a hand feels. */
    Optional<Work> newestFelt() {
        return since(stripped()).filter(Surface::isFelt).reduce((before, after) -> after);
    }

    /** Whether a hand feels what was laid on; what is stirred into a mix lies within the coat. */
    private static boolean isFelt(Work work) {
        return work.doing() == Doing.GLITTER && work.how().fields().strewn() != Fields.Strewn.STIRRED_IN;
    }

    /** What was done after a work, in order. */
    Stream<Work> since(int work) {
        return works.stream().filter(other -> other.id() > work);
    }

    /** The work that last took it down to the steel. */
    private int stripped() {
        return columns.get(0).stack().get(0).id();
    }
}

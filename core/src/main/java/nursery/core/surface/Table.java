package nursery.core.surface;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import nursery.core.film.Texture;
import nursery.core.resin.LabelTimes;
import nursery.core.surface.Surface.Column;
import nursery.core.surface.Surface.Patch;
import nursery.core.technique.Fields;
import nursery.core.technique.Figures;
import nursery.core.technique.Grit;
import nursery.core.technique.Wait;

/**
 * What meets what: for every kind of doing and everything it can touch, the bounds practice sets it. Complete by
 * construction: no switch here has a default, so what is new must be given its rule before it compiles. No bound is an
 * answer, too: practice then asks for nothing.
 */
public final class Table {

    /** So few over glitter are soon through (step 6). */
    private static final int COATS_NEAR_GLITTER = 2;

    private final Work next;
    private final Surface on;
    private final List<Doing> later;
    private final Set<Bound> bounds = new LinkedHashSet<>();

    private Table(Work next, Surface on, List<Doing> later) {
        this.next = next;
        this.on = on;
        this.later = later;
    }

    /**
     * All that bounds a work on a surface.
     *
     * @param later what is to follow it: some things are only wrong if nothing covers them, or something does
     */
    public static List<Bound> bounds(Work next, Surface on, List<Doing> later) {
        Table table = new Table(next, on, later);
        for (Column column : on.different(next.place())) {
            List<Patch> exposed = column.exposed();
            exposed.forEach(table::meet);
            if (exposed.size() < column.stack().size()) {
                table.below(column, exposed);
            }
        }
        table.whole();
        return List.copyOf(table.bounds);
    }

    private void meet(Patch patch) {
        Layer layer = patch.layer();
        switch (next.doing().family()) {
            // Tape goes on what stays bare, and touches no coat.
            case NOTHING, PEEL, TAPE, PULL, HEAT, FINISH, PACK -> {}
            case POUR -> pour(patch);
            case PAINT -> paint(layer);
            case SEAL -> seal(patch);
            case GLUE, RESIST, POWDER -> laidDry(layer);
            case GLITTER -> glitter(layer);
            case INK -> ink(layer);
            case DROP -> drop(patch);
            case DECAL, SLIDE -> design(layer);
            case TRIM, WASH -> touched(layer);
            case WIPE -> {
                // The edge of a wet coat is wiped where tape was pulled (P22).
                if (next.doing() == Doing.CLEAN) {
                    touched(layer);
                }
            }
            case SAND -> sand(layer);
            case POLISH -> polish(layer);
        }
    }

    /** A coat that was covered while it ran runs on: whatever comes next lies on it as well. */
    private void below(Column column, List<Patch> exposed) {
        switch (next.doing().family()) {
            case POUR -> {
                below(column, exposed, this::gelH, Cell.COAT_RUNS);
                dampBelow(column);
            }
            case PAINT, SEAL, GLUE, RESIST, POWDER, INK, DECAL, SLIDE, TRIM, WASH ->
                below(column, exposed, this::gelH, Cell.COAT_RUNS);
            case WIPE -> {
                if (next.doing() == Doing.CLEAN) {
                    below(column, exposed, this::gelH, Cell.COAT_RUNS);
                }
            }
            case SAND -> below(column, exposed, epoxy -> times(epoxy).sandableFromH(), Cell.NOT_SANDABLE);
            // More flakes go on the first ones while their film is wet.
            case NOTHING, GLITTER, DROP, PEEL, TAPE, PULL, HEAT, POLISH, FINISH, PACK -> {}
        }
    }

    /** Of what is hidden, what takes longer than all that was poured over it. */
    private void below(Column column, List<Patch> exposed, ToDoubleFunction<Layer> readyH, Cell cell) {
        double longestH = 0;
        for (int i = column.stack().size() - 1; i >= 0; i--) {
            Layer layer = column.stack().get(i);
            if (layer.lay().isEpoxy() && readyH.applyAsDouble(layer) > longestH) {
                longestH = readyH.applyAsDouble(layer);
                if (!isMet(layer, exposed) && !isSaidOfFlakes(layer, exposed)) {
                    age(layer, longestH, cell);
                }
            }
        }
    }

    private static boolean isMet(Layer layer, List<Patch> exposed) {
        return exposed.stream().anyMatch(patch -> patch.layer().id() == layer.id());
    }

    /** Of what holds flakes that lie open a pour asks by itself. */
    private boolean isSaidOfFlakes(Layer layer, List<Patch> exposed) {
        return next.doing().isPour()
                && exposed.stream()
                        .filter(patch -> patch.layer().lay() == Lay.GLITTER)
                        .anyMatch(
                                flakes -> holding(flakes).filter(layer::equals).isPresent());
    }

    /** What dries longer than the paint or sealer that hides it. */
    private void dampBelow(Column column) {
        for (int i = column.stack().size() - 1; i >= 0; i--) {
            Layer layer = column.stack().get(i);
            if (layer.lay().isEpoxy()) {
                return;
            }
            if (layer.lay() == Lay.CRAFT_GLUE || layer.lay() == Lay.FOIL_GLUE) {
                ended(layer, Figures.GLUE_STIFF_MIN, Cell.GLUE_WET);
            } else if (layer.lay() == Lay.SLIDE) {
                ended(layer, Figures.SLIDE_MIN, Cell.SLIDE_WET);
            }
        }
    }

    private void pour(Patch patch) {
        Layer layer = patch.layer();
        solvent(layer);
        patch.column()
                .toComeOff()
                .forEach(under -> never(under, under.lay() == Lay.SOAP ? Cell.SOAP_ON : Cell.STENCIL_ON));
        switch (layer.lay()) {
            case STEEL -> steel(layer);
            case FACTORY_COAT, FOIL, MICA -> {}
            case PAINT -> ended(layer, Figures.PAINT_MIN, Cell.PAINT_WET);
            case CRAFT_GLUE, FOIL_GLUE -> ended(layer, Figures.GLUE_STIFF_MIN, Cell.GLUE_WET);
            case SPRAY_GLUE -> ended(layer, Figures.SEALER_MIN, Cell.GLUE_WET);
            case FILM -> {
                age(layer, setH(layer), Cell.FILM_NOT_SET);
                grip(patch);
            }
            case GLITTER -> onGlitter(patch);
            case SEALER -> ended(layer, Figures.SEALER_MIN, Cell.SEALER_WET);
            case COAT -> {
                age(layer, times(layer).recoatFromH(), Cell.COAT_WET);
                grip(patch);
                if (layer.by().doing() == Doing.PARTIAL_COAT && next.isWholeCoat() && on.holdsRoughFlakes(layer.by())) {
                    never(layer, Cell.WAVE_FLAKES);
                }
            }
            case INK -> {
                ended(layer, Figures.INK_MIN, Cell.INK_WET);
                never(layer, Cell.INK_OPEN);
            }
            case VINYL -> vinyl(patch);
            case SLIDE -> ended(layer, Figures.SLIDE_MIN, Cell.SLIDE_WET);
            case SOOT -> never(layer, Cell.SOOT_OPEN);
            // Asked above, for they are where paint hides them, too.
            case STENCIL, SOAP -> {}
        }
    }

    private void paint(Layer layer) {
        solvent(layer);
        switch (layer.lay()) {
            case STEEL -> steel(layer);
            case FACTORY_COAT, STENCIL, FOIL, MICA, SOAP, VINYL, SOOT -> {}
            case GLITTER -> never(layer, Cell.FLAKES_BELOW);
            case PAINT -> ended(layer, Figures.PAINT_MIN, Cell.PAINT_FRESH);
            case CRAFT_GLUE, FOIL_GLUE, SPRAY_GLUE -> ended(layer, Figures.GLUE_DRY_MIN, Cell.GLUE_TACKY);
            case SEALER -> ended(layer, Figures.SEALER_MIN, Cell.SEALER_FRESH);
            case FILM, COAT -> {
                gelled(layer);
                if (layer.isDusty()) {
                    never(layer, Cell.DUST_UNDER_PAINT);
                }
                if (layer.isSandedCoarsely()) {
                    never(layer, Cell.SCRATCHES_SHOW);
                }
            }
            case INK -> ended(layer, Figures.INK_MIN, Cell.INK_WET);
            case SLIDE -> ended(layer, Figures.SLIDE_MIN, Cell.SLIDE_WET);
        }
    }

    private void seal(Patch patch) {
        Layer layer = patch.layer();
        solvent(layer);
        switch (layer.lay()) {
            case STEEL, FACTORY_COAT, STENCIL, FOIL, MICA, VINYL, SOOT -> {}
            case PAINT -> ended(layer, Figures.PAINT_MIN, Cell.PAINT_FRESH);
            case CRAFT_GLUE, FOIL_GLUE, SPRAY_GLUE -> ended(layer, Figures.GLUE_DRY_MIN, Cell.GLUE_TACKY);
            case GLITTER ->
                patch.below()
                        .filter(glue -> glue.lay().isGlue())
                        .ifPresent(glue -> ended(glue, Figures.GLUE_DRY_MIN, Cell.GLUE_TACKY));
            case SEALER -> ended(layer, Figures.SEALER_MIN, Cell.SEALER_FRESH);
            case FILM, COAT -> {
                gelled(layer);
                dust(layer);
            }
            case INK -> ended(layer, Figures.INK_MIN, Cell.INK_WET);
            case SLIDE -> ended(layer, Figures.SLIDE_MIN, Cell.SLIDE_WET);
            case SOAP -> never(layer, Cell.SOAP_ON);
        }
    }

    /** What is brushed, sprayed or dabbed on dry ground and dries there itself. */
    private void laidDry(Layer layer) {
        solvent(layer);
        switch (layer.lay()) {
            case STEEL, FACTORY_COAT, STENCIL, FOIL, MICA, VINYL, SOOT, SOAP -> {}
            case GLITTER -> {
                if (isDesign()) {
                    never(layer, Cell.FLAKES_BELOW);
                }
            }
            case PAINT -> ended(layer, Figures.PAINT_MIN, Cell.PAINT_WET);
            case CRAFT_GLUE, SPRAY_GLUE -> ended(layer, Figures.GLUE_DRY_MIN, Cell.GLUE_TACKY);
            case FOIL_GLUE -> {}
            case SEALER -> ended(layer, Figures.SEALER_MIN, Cell.SEALER_FRESH);
            case FILM, COAT -> gelled(layer);
            case INK -> ended(layer, Figures.INK_MIN, Cell.INK_WET);
            case SLIDE -> ended(layer, Figures.SLIDE_MIN, Cell.SLIDE_WET);
        }
    }

    /** Whether it wants smooth ground; glue, ink and what is laid on glue go between flakes as well (P72, P80). */
    private boolean isDesign() {
        return switch (next.doing()) {
            case VINYL, STENCIL, WATER_SLIDE, SOAP, SPONGE, SMOKE -> true;
            default -> false;
        };
    }

    private void glitter(Layer layer) {
        if (next.how().fields().strewn() == Fields.Strewn.STIRRED_IN) {
            return;
        }
        switch (layer.lay()) {
            case FILM -> {
                bounds.add(new Bound(
                        layer.id(), Bound.Since.POURED_MIN, Figures.SETTLE_MIN, Bound.Side.FROM, Cell.FILM_SETTLES));
                bounds.add(Bound.until(layer.id(), times(layer).workingH(), Cell.FILM_DONE));
            }
            case COAT -> bounds.add(Bound.until(layer.id(), times(layer).workingH(), Cell.FLAKES_TOO_LATE));
            case CRAFT_GLUE, SPRAY_GLUE ->
                bounds.add(new Bound(
                        layer.id(),
                        Bound.Since.ENDED_MIN,
                        Figures.GLUE_TAKES_MIN,
                        Bound.Side.BEST_UNTIL,
                        Cell.GLUE_DRY));
            // A second round blends into the first.
            case GLITTER, FOIL_GLUE, INK -> {}
            case STEEL, FACTORY_COAT, PAINT, SEALER, VINYL, STENCIL, FOIL, SLIDE, MICA, SOOT, SOAP ->
                never(layer, Cell.NOTHING_HOLDS);
        }
    }

    private void ink(Layer layer) {
        laidDry(layer);
        hot(layer);
    }

    private void drop(Patch patch) {
        Layer layer = patch.layer();
        hot(layer);
        if (layer.lay().isEpoxy()) {
            bounds.add(Bound.until(layer.id(), times(layer).workingH(), Cell.INK_TOO_LATE));
        } else if (patch.layer().hides()) {
            never(layer, Cell.INK_TOO_LATE);
        }
    }

    /** Vinyl, stencil, foil, water-slide: what is laid as a design. */
    private void design(Layer layer) {
        boolean isSlide = next.doing() == Doing.WATER_SLIDE;
        boolean isFoil = next.doing() == Doing.FOIL;
        if (next.doing() == Doing.STENCIL && next.how().fields().vinyl() != Fields.Vinyl.REMOVABLE) {
            never(layer, Cell.STENCIL_PERMANENT);
        }
        // Foil wants its glue tacky.
        if (isFoil && layer.lay().isGlue()) {
            solvent(layer);
        } else {
            laidDry(layer);
        }
        switch (layer.lay()) {
            case COAT, FILM -> {
                if (!isSlide) {
                    dust(layer);
                } else if (layer.isScuffed()) {
                    never(layer, Cell.SLIDE_ON_SCRATCHES);
                }
                age(layer, times(layer).sandableFromH(), Cell.DESIGN_EARLY);
            }
            case INK -> {
                if (!isSlide && !isFoil) {
                    ended(layer, Figures.INK_UNDER_VINYL_MIN, Cell.INK_UNDER_VINYL);
                }
            }
            case SLIDE -> never(layer, Cell.SLIDE_OPEN);
            case SOAP -> never(layer, Cell.SOAP_ON);
            case STEEL,
                    FACTORY_COAT,
                    PAINT,
                    CRAFT_GLUE,
                    SPRAY_GLUE,
                    FOIL_GLUE,
                    GLITTER,
                    SEALER,
                    VINYL,
                    STENCIL,
                    FOIL,
                    MICA,
                    SOOT -> {}
        }
    }

    /** What only touches what lies there: tape, a blade, a cloth. */
    private void touched(Layer layer) {
        if (layer.lay().isEpoxy()) {
            gelled(layer);
        }
    }

    private void sand(Layer layer) {
        if (layer.lay().isEpoxy()) {
            age(layer, times(layer).sandableFromH(), Cell.NOT_SANDABLE);
        } else if (layer.lay().isSandedAway() && next.doing().sandsTheBody()) {
            never(layer, Cell.SANDED_AWAY);
        }
    }

    private void polish(Layer layer) {
        if (layer.lay() == Lay.COAT) {
            age(layer, times(layer).curedH(), Cell.NOT_CURED);
        } else {
            never(layer, Cell.SANDED_AWAY);
        }
    }

    /** What is asked of the cup as a whole, not of what is touched. */
    private void whole() {
        switch (next.doing().family()) {
            case POUR -> {
                tape();
                mix();
                ofInk();
                if (next.doing() == Doing.FINISHING_COAT) {
                    buried();
                }
                if (next.how().fields().heat() != Fields.Heat.NONE) {
                    vapour();
                }
            }
            case SAND -> {
                tape();
                texture();
            }
            case TAPE, PULL -> tape();
            case PAINT, SEAL, GLUE, GLITTER, INK, DECAL, SLIDE, RESIST -> mix();
            case POWDER -> {
                mix();
                if (next.doing() == Doing.SMOKE) {
                    vapour();
                }
            }
            case HEAT -> vapour();
            case POLISH -> inspected();
            case FINISH -> {
                firm();
                bounds.addAll(Owed.by(on));
            }
            case PACK -> {
                firm();
                on.works().stream().filter(work -> work.doing().isPour()).forEach(this::fullyCured);
                bounds.addAll(Owed.by(on));
            }
            case NOTHING, DROP, PEEL, TRIM, WASH, WIPE -> {}
        }
    }

    private void firm() {
        on.newestPour().ifPresent(pour -> add(Bound.age(pour.id(), Figures.FIRM_H, Cell.TAKES_PRINTS)));
    }

    private void fullyCured(Work pour) {
        add(Bound.age(pour.id(), pour.label().orElseThrow().fullCureH(), Cell.NOT_FULLY_CURED));
    }

    private void mix() {
        on.different(next.place()).stream()
                .flatMap(column -> column.stack().stream())
                .filter(layer -> layer.lay().isEpoxy())
                .forEach(layer -> {
                    switch (layer.by().how().ratio()) {
                        case WRONG -> never(layer, Cell.RATIO_WRONG);
                        case SOFT -> never(layer, Cell.SOFT_BELOW);
                        case RIGHT, UNKNOWN -> {}
                    }
                });
    }

    private void ofInk() {
        boolean inkFollows = next.how().bloom();
        for (Doing doing : later) {
            if (doing.isPour()) {
                break;
            }
            inkFollows |= doing == Doing.INK_BLOOM;
        }
        if (inkFollows && next.label().orElseThrow().turningH() <= Wait.FAST_TURNING_H) {
            add(Bound.never(Surface.GROUND, Cell.INK_AND_FAST));
        }
    }

    private void texture() {
        if (on.newestPour().isEmpty() || !next.doing().sandsTheBody()) {
            return;
        }
        Work pour = on.newestPour().get();
        lastSanded(pour);
        // A light scuff takes no texture down.
        if (next.doing() == Doing.SCUFF) {
            return;
        }
        Texture texture = on.texture(next.place());
        int coats = on.coatsOverTexture(next.place());
        if (coats < texture.coatsBeforeSanding()) {
            add(Bound.never(on.newestFelt().orElseThrow().id(), Cell.STILL_ROUGH));
        }
        Grit grit = next.how().fields().grit();
        if (grit.isSaid()
                && grit.coarsest() < Figures.BODY_GRIT
                && texture != Texture.SMOOTH
                && coats <= COATS_NEAR_GLITTER) {
            add(Bound.never(pour.id(), Cell.TOO_COARSE));
        }
    }

    /** With the coats that are still to come, fewer than it takes until nothing is felt. */
    private void buried() {
        long coats = on.coatsOverTexture(next.place())
                + 1
                + later.stream().filter(Doing::isWholeCoat).count();
        if (on.texture(next.place()).isFeltUnder((int) coats)) {
            add(Bound.never(on.newestFelt().orElseThrow().id(), Cell.TEXTURE_FELT));
        }
    }

    private void lastSanded(Work pour) {
        if (pour.doing() == Doing.FINISHING_COAT && later.stream().noneMatch(Doing::isWholeCoat)) {
            add(Bound.never(pour.id(), Cell.LAST_SANDED));
        }
    }

    /** Tape that a coat was poured over comes off before that has gelled; after the next coat it is past telling. */
    private void tape() {
        Owed.tape(on).ifPresent(tape -> {
            List<Work> since = on.works().stream()
                    .filter(work -> work.id() > tape.id())
                    .filter(work -> work.doing().isPour() && work.doing() != Doing.ADHESIVE
                            || work.doing().sandsTheBody())
                    .toList();
            if (since.size() == 1 && since.get(0).doing().isPour()) {
                Work over = since.get(0);
                add(Bound.until(over.id(), over.label().orElseThrow().turningH(), Cell.TAPE_PAST_GEL));
            }
        });
    }

    private void vapour() {
        vapour(on).ifPresent(this::add);
    }

    /** What must have flashed off before anything burns, on the cup itself or beside it (P45). */
    public static Optional<Bound> vapour(Surface on) {
        return on.works().stream()
                .filter(Work::leavesSolvent)
                .reduce((before, after) -> after)
                .map(work -> Bound.ended(work.id(), Figures.FLASH_OFF_MIN, Cell.VAPOUR));
    }

    private void inspected() {
        int pour = on.newestPour().map(Work::id).orElse(Surface.GROUND);
        boolean isSound = on.since(pour).anyMatch(work -> work.doing() == Doing.INSPECT)
                && on.since(pour).noneMatch(work -> work.doing() == Doing.FAULT_SEEN);
        if (!isSound) {
            add(Bound.never(pour, Cell.NOT_INSPECTED));
        }
    }

    private void steel(Layer steel) {
        if (!steel.isScuffed()) {
            never(steel, Cell.STEEL_BARE);
        }
    }

    private void onGlitter(Patch patch) {
        Layer glitter = patch.layer();
        // A wave goes on paint or on a coat (step 8).
        if (next.doing() == Doing.PARTIAL_COAT) {
            never(glitter, Cell.FLAKES_BELOW);
        }
        Optional<Layer> adhesive = holding(patch);
        if (adhesive.isEmpty()) {
            return;
        }
        Layer below = adhesive.get();
        switch (below.lay()) {
            case FILM -> age(below, setH(below), Cell.FILM_NOT_SET);
            case COAT -> age(below, times(below).recoatFromH(), Cell.COAT_WET);
            case CRAFT_GLUE, FOIL_GLUE -> ended(below, Figures.GLUE_STIFF_MIN, Cell.GLUE_WET);
            case SPRAY_GLUE -> ended(below, Figures.SEALER_MIN, Cell.GLUE_WET);
            // No flakes were held by these: see what is sought above.
            case STEEL, FACTORY_COAT, PAINT, GLITTER, SEALER, INK, VINYL, STENCIL, FOIL, SLIDE, MICA, SOOT, SOAP -> {}
        }
        if (glitter.by().how().fields().isRough() && !below.lay().isEpoxy()) {
            never(glitter, Cell.FLAKES_OPEN);
        }
    }

    /** What flakes stick to. */
    private static Optional<Layer> holding(Patch glitter) {
        return glitter.column().stack().stream()
                .filter(layer -> layer.id() < glitter.layer().id())
                .filter(layer -> layer.lay().isAdhesive() || layer.lay() == Lay.COAT)
                .reduce((before, after) -> after);
    }

    private void vinyl(Patch patch) {
        Layer vinyl = patch.layer();
        boolean isOnInk = patch.below().filter(below -> below.lay() == Lay.INK).isPresent();
        ended(vinyl, Figures.VINYL_MIN, isOnInk ? Cell.VINYL_BONDS : Cell.VINYL_FRESH);
        if (vinyl.by().how().fields().vinyl().mayLift()) {
            never(vinyl, Cell.METALLIC_OPEN);
        }
    }

    /** A coat on a coat: straight on within the day, better scuffed after, and not at all after three days. */
    private void grip(Patch patch) {
        Layer coat = patch.layer();
        dust(coat);
        if (!coat.isScuffed()) {
            LabelTimes times = times(coat);
            double peelsAfterH = Math.max(Figures.PEELS_AFTER_H, times.scuffAfterH());
            // Paper goes over the whole body, also where the next thing does not go.
            boolean mayBeScuffed = on.bearsPaper();
            add(Bound.bestUntil(
                    coat.id(), times.recoatUntilH(), mayBeScuffed ? Cell.GRIP_FADES : Cell.GRIP_FADES_BELOW));
            add(Bound.until(coat.id(), times.scuffAfterH(), mayBeScuffed ? Cell.GRIP_WEAK : Cell.GRIP_WEAK_BELOW));
            add(Bound.until(coat.id(), peelsAfterH, mayBeScuffed ? Cell.MAY_PEEL : Cell.MAY_PEEL_BELOW));
        }
    }

    private void gelled(Layer epoxy) {
        age(epoxy, gelH(epoxy), Cell.COAT_RUNS);
    }

    private double gelH(Layer epoxy) {
        return epoxy.lay() == Lay.FILM ? setH(epoxy) : times(epoxy).turningH();
    }

    private void dust(Layer coat) {
        if (coat.isDusty()) {
            never(coat, Cell.DUST_LEFT);
        }
    }

    private void hot(Layer coat) {
        coat.last(work -> work.doing() == Doing.HEAT && isHot(work))
                .or(() -> Optional.of(coat.by()).filter(by -> by.doing().isPour() && isHot(by)))
                .ifPresent(heat -> add(Bound.ended(heat.id(), Figures.COOL_MIN, Cell.INK_ON_HOT)));
    }

    private static boolean isHot(Work heated) {
        return heated.how().fields().heat().isHot();
    }

    private void solvent(Layer layer) {
        layer.last(Work::wetsWithSolvent)
                .ifPresent(wiped -> add(Bound.ended(wiped.id(), Figures.FLASH_OFF_MIN, Cell.SOLVENT_WET)));
    }

    private static double setH(Layer film) {
        return Figures.setH(film.by().how().generous(), times(film));
    }

    private static LabelTimes times(Layer epoxy) {
        return epoxy.by().label().orElseThrow();
    }

    private void ended(Layer layer, double minutes, Cell cell) {
        add(Bound.ended(layer.id(), minutes, cell));
    }

    private void age(Layer epoxy, double hours, Cell cell) {
        add(Bound.age(epoxy.id(), hours, cell));
    }

    private void never(Layer layer, Cell cell) {
        add(Bound.never(layer.id(), cell));
    }

    private void add(Bound bound) {
        bounds.add(bound);
    }
}

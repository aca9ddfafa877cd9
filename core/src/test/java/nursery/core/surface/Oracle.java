package nursery.core.surface;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Fields;
import org.jspecify.annotations.Nullable;

/**
 * What practice objects to, worked out by brute force and apart from {@link Table}: at a few heights of the cup, layer
 * by layer, at one moment. Figures are written out anew from the practice, with its marks.
 */
final class Oracle {

    private static final Set<Fields.Heat> HOT = Set.of(Fields.Heat.TORCH, Fields.Heat.GUN_HIGH);

    /** A work with its moments: when it was begun, and for how many minutes hands were on it. */
    record Done(Work work, double begun, double minutes) {
        double ended() {
            return begun + minutes;
        }
    }

    private static final Set<Doing> SANDS_THE_BODY = Set.of(Doing.PREP, Doing.SAND, Doing.TRIM_AND_SAND, Doing.SCUFF);

    private static final double[] HEIGHTS = {-1, 30, 150, Place.RIM_MM + 1};

    private final List<Done> log;
    private final boolean factoryCoat;

    Oracle(List<Done> log, boolean factoryCoat) {
        this.log = log;
        this.factoryCoat = factoryCoat;
    }

    private static boolean covers(Work work, double height) {
        Place place = work.place();
        return height < 0 ? place.base() : height >= place.fromMm() && height < place.toMm();
    }

    /** Something lying at a height: what, by whom, whether all of the place, and what was done to it at this height. */
    private static final class Thing {
        final String what;
        final Done by;
        final boolean laidWhole;
        final Set<Done> holes = new HashSet<>();
        final List<Done> since = new ArrayList<>();

        Thing(String what, Done by, boolean whole) {
            this.what = what;
            this.by = by;
            this.laidWhole = whole;
        }

        boolean is(String... kinds) {
            return Set.of(kinds).contains(what);
        }

        boolean scuffed() {
            return since.stream().anyMatch(done -> Set.of("PREP", "SAND", "SAND_RIM", "TRIM_AND_SAND", "SCUFF")
                    .contains(done.work().doing().name()));
        }
    }

    private static String laid(Work work) {
        return switch (work.doing()) {
            case PAINT -> "paint";
            case GLUE -> "glue";
            case SPRAY_ADHESIVE -> "spray";
            case FOIL_ADHESIVE -> "foil glue";
            case ADHESIVE -> "film";
            case GLITTER -> work.how().fields().strewn() == Fields.Strewn.ON_TOP ? "glitter" : "";
            case SEAL, MICA_SEAL -> "sealer";
            case FLOOD_COAT, BUILD_COAT, THIN_COAT, PARTIAL_COAT, FINISHING_COAT -> "coat";
            case INK, TOUCH_UP -> "ink";
            case VINYL -> "vinyl";
            case STENCIL -> "stencil";
            case FOIL -> "foil";
            case WATER_SLIDE -> "slide";
            case SPONGE -> "mica";
            case SMOKE -> "soot";
            case SOAP -> "soap";
            default -> "";
        };
    }

    private List<Thing> at(double height) {
        List<Thing> things = new ArrayList<>();
        things.add(new Thing(factoryCoat ? "factory" : "steel", new Done(Work.of(0, Doing.INSPECT), 0, 0), true));
        for (Done done : log) {
            Work work = done.work();
            if (!covers(work, height)) {
                continue;
            }
            List<Thing> exposed = exposed(things);
            if (work.doing() == Doing.PEEL || work.doing() == Doing.WASH) {
                // What is peeled or rinsed off takes with it what lies on it; epoxy holds all below it.
                String off = work.doing() == Doing.PEEL ? "stencil" : "soap";
                boolean lifts = false;
                int epoxy = -1;
                for (int i = 0; i < things.size(); i++) {
                    epoxy = things.get(i).is("coat", "film") ? i : epoxy;
                }
                for (Thing thing : List.copyOf(things.subList(epoxy + 1, things.size()))) {
                    if (thing.is(off)) {
                        lifts = true;
                        things.remove(thing);
                    } else if (lifts) {
                        thing.holes.add(done);
                    }
                }
            }
            if (work.doing() == Doing.FOIL) {
                things.removeIf(thing -> thing.is("glue", "spray", "foil glue") && exposed.contains(thing));
            }
            for (Thing thing : exposed) {
                if (laid(work).isEmpty() || work.doing() == Doing.SEAL || work.doing() == Doing.MICA_SEAL) {
                    thing.since.add(done);
                }
                boolean cuts = (work.doing() == Doing.WIPE || work.doing() == Doing.CLEAN)
                        && work.how().fields().cleaner() == Fields.Cleaner.ACETONE;
                if (cuts && thing.is("paint")) {
                    thing.holes.add(done);
                }
            }
            // Flakes on a coat sink into it.
            boolean sinks =
                    work.doing() == Doing.GLITTER && exposed(things).get(0).is("coat");
            if (!laid(work).isEmpty() && !sinks) {
                things.add(new Thing(laid(work), done, work.place().whole()));
            }
        }
        return things;
    }

    private static List<Thing> exposed(List<Thing> things) {
        List<Thing> exposed = new ArrayList<>();
        for (int i = things.size() - 1; i >= 0; i--) {
            Thing thing = things.get(i);
            // Somewhere all that lies over the whole of it is gone, and it itself is not.
            if (things.subList(i + 1, things.size()).stream()
                    .filter(above -> above.laidWhole)
                    .noneMatch(above -> thing.holes.containsAll(above.holes))) {
                exposed.add(thing);
            }
        }
        return exposed;
    }

    /** The names of all that is wrong with a work now; nothing is to follow it. */
    Set<String> wrong(Work next, double now) {
        Set<String> wrong = new TreeSet<>();
        for (double height : HEIGHTS) {
            if (covers(next, height)) {
                List<Thing> things = at(height);
                for (Thing thing : exposed(things)) {
                    Thing below = things.indexOf(thing) == 0 ? thing : things.get(things.indexOf(thing) - 1);
                    meets(wrong, next, now, thing, below, things);
                }
                for (int i = 0; i < things.size(); i++) {
                    if (!exposed(things).contains(things.get(i))) {
                        isBelow(wrong, next, now, things, i);
                    }
                }
                if (isLaying(next)) {
                    for (Thing thing : things) {
                        // P39: never cover it.
                        say(
                                wrong,
                                thing.is("coat", "film")
                                        && thing.by.work().how().ratio() == How.Ratio.WRONG,
                                "RATIO_WRONG");
                        say(
                                wrong,
                                thing.is("coat", "film")
                                        && thing.by.work().how().ratio() == How.Ratio.SOFT,
                                "SOFT_BELOW");
                    }
                }
            }
        }
        ofTheCup(wrong, next, now);
        return wrong;
    }

    /**
     * P13, P15: what was covered while it ran goes on running, and nothing can be done on top that could not be done on
     * it; unless what was poured over it takes as long itself, and is asked about.
     */
    private static void isBelow(Set<String> wrong, Work next, double now, List<Thing> things, int at) {
        Thing hidden = things.get(at);
        // P20, P24: glue and slide dry on below paint or sealer; below epoxy it is too late to wait.
        if (next.doing().isPour()
                && things.subList(at + 1, things.size()).stream().noneMatch(above -> above.is("coat", "film"))) {
            double dried = now - hidden.by.ended();
            say(wrong, hidden.is("glue", "foil glue") && dried < 60, "GLUE_WET");
            say(wrong, hidden.is("slide") && dried < 8 * 60, "SLIDE_WET");
        }
        boolean sands = next.doing() == Doing.SAND_RIM || SANDS_THE_BODY.contains(next.doing());
        // More flakes go on the first ones while their film is wet.
        boolean touches = sands
                || isLaying(next) && next.doing() != Doing.GLITTER
                || Set.of(Doing.TRIM, Doing.CLEAN, Doing.WASH).contains(next.doing());
        if (!touches || !hidden.is("coat", "film")) {
            return;
        }
        double ready = sands ? label(hidden).sandableFromH() : gelH(hidden);
        for (Thing above : things.subList(at + 1, things.size())) {
            if (above.is("coat", "film") && (sands ? label(above).sandableFromH() : gelH(above)) >= ready) {
                return;
            }
        }
        boolean isSaidOfTheFlakes = next.doing().isPour()
                && exposed(things).stream().anyMatch(open -> open.is("glitter") && holds(open, things) == hidden);
        say(wrong, (now - hidden.by.begun()) / 60 < ready && !isSaidOfTheFlakes, sands ? "NOT_SANDABLE" : "COAT_RUNS");
    }

    private boolean hasFlakes(Thing pour) {
        for (int i = log.indexOf(pour.by) - 1; i >= 0; i--) {
            Work work = log.get(i).work();
            if (work.doing().isPour()) {
                return false;
            }
            Fields how = work.how().fields();
            if (work.doing() == Doing.GLITTER
                    && how.strewn() == Fields.Strewn.STIRRED_IN
                    && (how.grain() == Fields.Grain.COARSE || how.colours() == Fields.Colours.SEVERAL)) {
                return true;
            }
        }
        return false;
    }

    /** A scuff goes over the whole cup, and takes with it what lies open anywhere. */
    private boolean isSomethingSandedAway() {
        return Arrays.stream(HEIGHTS).mapToObj(this::at).anyMatch(there -> exposed(there).stream()
                .anyMatch(Oracle::goesWithPaper));
    }

    private static boolean goesWithPaper(Thing thing) {
        return thing.is(
                "glue", "spray", "foil glue", "glitter", "ink", "vinyl", "stencil", "foil", "slide", "mica", "soot");
    }

    private static boolean isLaying(Work next) {
        return !laid(next).isEmpty() || next.doing() == Doing.GLITTER;
    }

    private static void say(Set<String> wrong, boolean isSo, String name) {
        if (isSo) {
            wrong.add(name);
        }
    }

    private static LabelTimes label(Thing thing) {
        return thing.by.work().label().orElseThrow();
    }

    /** P19: 2 h, a generous film 6 h, a fast one about 2 h. */
    private static double setH(Thing film) {
        return film.by.work().how().generous() && label(film).turningH() > 2 ? 6 : 2;
    }

    private void meets(Set<String> wrong, Work next, double now, Thing thing, Thing below, List<Thing> things) {
        double dried = now - thing.by.ended();
        double ageH = (now - thing.by.begun()) / 60;
        boolean epoxy = thing.is("coat", "film");
        boolean pour = next.doing().isPour();
        boolean dustCounts = epoxy && dusty(thing);
        double solvent = now
                - thing.since.stream()
                        .filter(done -> done.work().wetsWithSolvent())
                        .mapToDouble(Done::ended)
                        .max()
                        .orElse(-1e9);
        boolean paint = next.doing() == Doing.PAINT;
        boolean seal = next.doing() == Doing.SEAL || next.doing() == Doing.MICA_SEAL;
        boolean decal = Set.of(Doing.VINYL, Doing.STENCIL, Doing.FOIL).contains(next.doing());
        boolean slide = next.doing() == Doing.WATER_SLIDE;
        boolean dry = decal
                || slide
                || Set.of(
                                Doing.GLUE,
                                Doing.FOIL_ADHESIVE,
                                Doing.SPRAY_ADHESIVE,
                                Doing.SOAP,
                                Doing.SPONGE,
                                Doing.SMOKE,
                                Doing.INK,
                                Doing.TOUCH_UP)
                        .contains(next.doing());
        if (pour || paint || seal || dry) {
            say(wrong, solvent < 10, "SOLVENT_WET");
            say(wrong, thing.is("ink") && dried < 30, "INK_WET");
            say(wrong, thing.is("slide") && dried < 8 * 60, "SLIDE_WET");
        }
        if (pour || paint) {
            say(wrong, thing.is("steel") && !thing.scuffed(), "STEEL_BARE");
        }
        if (pour) {
            say(wrong, thing.is("paint") && dried < 30, "PAINT_WET");
            say(wrong, thing.is("glue", "foil glue") && dried < 60, "GLUE_WET");
            say(wrong, thing.is("spray") && dried < 30, "GLUE_WET");
            say(wrong, thing.is("sealer") && dried < 30, "SEALER_WET");
            say(wrong, thing.is("film") && ageH < setH(thing), "FILM_NOT_SET");
            say(wrong, thing.is("coat") && ageH < label(thing).recoatFromH(), "COAT_WET");
            if (epoxy && !thing.scuffed()) {
                // A scuff is advised only where there is nothing open that it would take away (step 6).
                String where = isSomethingSandedAway() ? "_BELOW" : "";
                say(wrong, ageH >= label(thing).recoatUntilH(), "GRIP_FADES" + where);
                say(wrong, ageH >= label(thing).scuffAfterH(), "GRIP_WEAK" + where);
                say(wrong, ageH >= 72, "MAY_PEEL" + where);
            }
            say(wrong, dustCounts, "DUST_LEFT");
            say(wrong, thing.is("ink"), "INK_OPEN");
            say(wrong, stillOn("stencil", things), "STENCIL_ON");
            say(wrong, thing.is("soot"), "SOOT_OPEN");
            say(wrong, stillOn("soap", things), "SOAP_ON");
            if (thing.is("vinyl")) {
                say(wrong, dried < 60, below.is("ink") ? "VINYL_BONDS" : "VINYL_FRESH");
                Fields.Vinyl vinyl = thing.by.work().how().fields().vinyl();
                say(wrong, vinyl == Fields.Vinyl.METALLIC || vinyl == Fields.Vinyl.TEXTURED, "METALLIC_OPEN");
            }
            if (thing.is("glitter")) {
                onGlitter(wrong, now, thing, things);
            }
            // P77: coarse or mixed flakes that were stirred into a wave.
            boolean whole = next.doing() != Doing.ADHESIVE && next.doing() != Doing.PARTIAL_COAT;
            say(wrong, whole && thing.by.work().doing() == Doing.PARTIAL_COAT && hasFlakes(thing), "WAVE_FLAKES");
        }
        if (paint || seal) {
            say(wrong, thing.is("paint") && dried < 30, "PAINT_FRESH");
            say(wrong, thing.is("glue", "foil glue", "spray") && dried < 30, "GLUE_TACKY");
            say(wrong, thing.is("sealer") && dried < 30, "SEALER_FRESH");
            say(wrong, dustCounts, paint ? "DUST_UNDER_PAINT" : "DUST_LEFT");
            say(wrong, epoxy && ageH < gelH(thing), "COAT_RUNS");
        }
        say(wrong, paint && epoxy && coarse(thing), "SCRATCHES_SHOW");
        say(wrong, seal && thing.is("soap"), "SOAP_ON");
        if (seal && thing.is("glitter")) {
            say(wrong, below.is("film", "coat") && (now - below.by.begun()) / 60 < gelH(below), "COAT_RUNS");
            say(wrong, below.is("glue", "spray", "foil glue") && now - below.by.ended() < 30, "GLUE_TACKY");
        }
        if (dry) {
            say(wrong, thing.is("paint") && dried < 30, "PAINT_WET");
            say(wrong, next.doing() != Doing.FOIL && thing.is("glue", "spray") && dried < 30, "GLUE_TACKY");
            say(wrong, thing.is("sealer") && dried < 30, "SEALER_FRESH");
            say(wrong, epoxy && ageH < gelH(thing), "COAT_RUNS");
        }
        // Steps 5 and 7: a design and the paint of one go on a smooth coat, not on standing flakes.
        say(
                wrong,
                thing.is("glitter")
                        && (paint
                                || slide
                                // Step 8: a wave on dry paint, or on a coat.
                                || next.doing() == Doing.PARTIAL_COAT
                                || Set.of(Doing.VINYL, Doing.STENCIL, Doing.SOAP, Doing.SPONGE, Doing.SMOKE)
                                        .contains(next.doing())),
                "FLAKES_BELOW");
        if (next.doing() == Doing.INK || next.doing() == Doing.TOUCH_UP || next.doing() == Doing.INK_BLOOM) {
            double heated = thing.since.stream()
                    .filter(done -> done.work().doing() == Doing.HEAT
                            && HOT.contains(done.work().how().fields().heat()))
                    .mapToDouble(Done::ended)
                    .max()
                    // What was torched as it was poured is hot from then on.
                    .orElse(epoxy && HOT.contains(thing.by.work().how().fields().heat()) ? thing.by.ended() : -1e9);
            say(wrong, now - heated < 10, "INK_ON_HOT");
        }
        if (decal || slide) {
            say(wrong, thing.is("slide"), "SLIDE_OPEN");
            say(wrong, thing.is("soap"), "SOAP_ON");
            say(wrong, epoxy && ageH < label(thing).sandableFromH(), "DESIGN_EARLY");
            say(wrong, decal && dustCounts, "DUST_LEFT");
            say(wrong, slide && epoxy && thing.scuffed(), "SLIDE_ON_SCRATCHES");
        }
        say(wrong, decal && next.doing() != Doing.FOIL && thing.is("ink") && dried < 24 * 60, "INK_UNDER_VINYL");
        say(
                wrong,
                next.doing() == Doing.STENCIL && next.how().fields().vinyl() != Fields.Vinyl.REMOVABLE,
                "STENCIL_PERMANENT");
        if (next.doing() == Doing.GLITTER && next.how().fields().strewn() != Fields.Strewn.STIRRED_IN) {
            say(wrong, thing.is("film") && now - thing.by.begun() < 2, "FILM_SETTLES");
            say(wrong, epoxy && ageH >= label(thing).workingH(), thing.is("film") ? "FILM_DONE" : "FLAKES_TOO_LATE");
            say(wrong, thing.is("glue", "spray") && dried >= 15, "GLUE_DRY");
            say(wrong, !epoxy && !thing.is("glue", "spray", "foil glue", "glitter", "ink"), "NOTHING_HOLDS");
        }
        if (next.doing() == Doing.INK_BLOOM) {
            say(
                    wrong,
                    epoxy ? ageH >= label(thing).workingH() : thing.laidWhole && thing.holes.isEmpty(),
                    "INK_TOO_LATE");
        }
        if (Set.of(Doing.TRIM, Doing.CLEAN, Doing.WASH).contains(next.doing())) {
            say(wrong, epoxy && ageH < gelH(thing), "COAT_RUNS");
        }
        boolean sands = Set.of(Doing.PREP, Doing.SAND, Doing.SAND_RIM, Doing.TRIM_AND_SAND, Doing.SCUFF)
                .contains(next.doing());
        say(wrong, sands && epoxy && ageH < label(thing).sandableFromH(), "NOT_SANDABLE");
        say(wrong, sands && next.doing() != Doing.SAND_RIM && goesWithPaper(thing), "SANDED_AWAY");
        if (next.doing() == Doing.POLISH) {
            say(wrong, thing.is("coat") && ageH < label(thing).curedH(), "NOT_CURED");
            say(wrong, !thing.is("coat"), "SANDED_AWAY");
        }
        if (next.doing() == Doing.FINISH || next.doing() == Doing.PACK || next.doing() == Doing.HAND_OVER) {
            say(wrong, stillOn("stencil", things), "STENCIL_ON");
            say(wrong, thing.is("vinyl", "slide"), "DECAL_OPEN");
            say(wrong, thing.is("glitter", "ink", "foil", "mica", "soot"), "LAID_OPEN");
            say(
                    wrong,
                    thing.is("coat")
                            && thing.since.stream()
                                    .anyMatch(done ->
                                            SANDS_THE_BODY.contains(done.work().doing())),
                    "SANDED_BARE");
        }
    }

    /** P59, step 7: under paint it is still to come off; under epoxy it is too late. */
    private static boolean stillOn(String what, List<Thing> things) {
        boolean on = false;
        for (Thing thing : things) {
            on = thing.is(what) || on && !thing.is("coat", "film");
        }
        return on;
    }

    private static double gelH(Thing epoxy) {
        return epoxy.is("film") ? setH(epoxy) : label(epoxy).turningH();
    }

    private static boolean dusty(Thing thing) {
        boolean dusty = false;
        for (Done done : thing.since) {
            switch (done.work().doing()) {
                case SAND, TRIM_AND_SAND -> dusty = done.work().how().fields().dust() == Fields.Dust.LEFT;
                case WASH, WIPE, CLEAN -> dusty = false;
                default -> {}
            }
        }
        return dusty;
    }

    private static boolean coarse(Thing thing) {
        boolean coarse = false;
        for (Done done : thing.since) {
            boolean sands = Set.of(Doing.PREP, Doing.SAND, Doing.SAND_RIM, Doing.TRIM_AND_SAND, Doing.SCUFF)
                    .contains(done.work().doing());
            if (sands && done.work().how().fields().grit().finest() > 0) {
                coarse = done.work().how().fields().grit().finest() < 220;
            }
        }
        return coarse;
    }

    private static @Nullable Thing holds(Thing glitter, List<Thing> things) {
        Thing holds = null;
        for (Thing thing : things.subList(0, things.indexOf(glitter))) {
            holds = thing.is("film", "coat", "glue", "spray", "foil glue") ? thing : holds;
        }
        return holds;
    }

    private static void onGlitter(Set<String> wrong, double now, Thing glitter, List<Thing> things) {
        Thing holds = holds(glitter, things);
        if (holds == null) {
            return;
        }
        double ageH = (now - holds.by.begun()) / 60;
        double dried = now - holds.by.ended();
        say(wrong, holds.is("film") && ageH < setH(holds), "FILM_NOT_SET");
        say(wrong, holds.is("coat") && ageH < label(holds).recoatFromH(), "COAT_WET");
        say(wrong, holds.is("glue", "foil glue") && dried < 60, "GLUE_WET");
        say(wrong, holds.is("spray") && dried < 30, "GLUE_WET");
        Fields how = glitter.by.work().how().fields();
        say(
                wrong,
                !holds.is("film", "coat")
                        && (how.colours() == Fields.Colours.SEVERAL || how.grain() == Fields.Grain.COARSE),
                "FLAKES_OPEN");
    }

    private void ofTheCup(Set<String> wrong, Work next, double now) {
        Done pour = last(done -> done.work().doing().isPour());
        boolean sandsBody = SANDS_THE_BODY.contains(next.doing());
        if (next.doing() == Doing.HEAT || next.doing() == Doing.SMOKE) {
            Done vapour = last(done -> done.work().leavesSolvent());
            say(wrong, vapour != null && now - vapour.ended() < 10, "VAPOUR");
        }
        if (next.doing().isPour()) {
            Done vapour = last(done -> done.work().leavesSolvent());
            boolean heats = next.how().fields().heat() != Fields.Heat.NONE;
            say(wrong, heats && vapour != null && now - vapour.ended() < 10, "VAPOUR");
            say(wrong, next.how().bloom() && next.label().orElseThrow().turningH() <= 2, "INK_AND_FAST");
        }
        int coats = Integer.MAX_VALUE;
        boolean rough = false;
        boolean coarse = false;
        for (double height : feltAt(next)) {
            int here = 0;
            for (Done done : log) {
                if (!covers(done.work(), height)) {
                    continue;
                }
                if (done.work().doing() == Doing.GLITTER
                        && done.work().how().fields().strewn() != Fields.Strewn.STIRRED_IN) {
                    here = 0;
                    rough = true;
                    coarse |= done.work().how().fields().colours() == Fields.Colours.SEVERAL
                            || done.work().how().fields().grain() == Fields.Grain.COARSE;
                } else if (laid(done.work()).equals("coat")
                        && done.work().doing() != Doing.PARTIAL_COAT
                        && done.work().place().whole()) {
                    here++;
                }
            }
            coats = Math.min(coats, here);
        }
        // Step 5: two coats usually before anything is smooth, a third over coarse flakes.
        say(wrong, next.doing() == Doing.FINISHING_COAT && rough && coats + 1 < (coarse ? 3 : 2), "TEXTURE_FELT");
        if (sandsBody && pour != null) {
            // Step 6 and the texture's own figures: one coat over fine flakes, sanded lightly; three over coarse.
            boolean takesDown = next.doing() != Doing.SCUFF;
            say(wrong, takesDown && rough && coats < (coarse ? 3 : 1), "STILL_ROUGH");
            int grit = next.how().fields().grit().coarsest();
            say(wrong, takesDown && rough && grit > 0 && grit < 180 && coats <= 2, "TOO_COARSE");
            say(wrong, pour.work().doing() == Doing.FINISHING_COAT, "LAST_SANDED");
        }
        tape(wrong, next, now);
        if (next.doing() == Doing.POLISH) {
            Done inspected = last(done -> done.work().doing() == Doing.INSPECT);
            Done faulty = last(done -> done.work().doing() == Doing.FAULT_SEEN);
            say(
                    wrong,
                    inspected == null
                            || pour != null
                                    && inspected.work().id() < pour.work().id()
                            || faulty != null
                                    && (pour == null
                                            || faulty.work().id() > pour.work().id()),
                    "NOT_INSPECTED");
        }
        if (next.doing() == Doing.FINISH || next.doing() == Doing.PACK || next.doing() == Doing.HAND_OVER) {
            say(wrong, pour != null && (now - pour.begun()) / 60 < 8, "TAKES_PRINTS");
        }
        if (next.doing() == Doing.PACK || next.doing() == Doing.HAND_OVER) {
            for (Done done : log) {
                say(
                        wrong,
                        done.work().doing().isPour()
                                && (now - done.begun()) / 60
                                        < done.work().label().orElseThrow().fullCureH(),
                        "NOT_FULLY_CURED");
            }
        }
    }

    /** Rough is what a hand feels on the side it goes over; on the rim or the base alone where it goes nowhere else. */
    private static List<Double> feltAt(Work next) {
        List<Double> side =
                Stream.of(30.0, 150.0).filter(at -> covers(next, at)).toList();
        return side.isEmpty()
                ? Stream.of(-1.0, Place.RIM_MM + 1)
                        .filter(at -> covers(next, at))
                        .toList()
                : side;
    }

    private void tape(Set<String> wrong, Work next, double now) {
        Done over = null;
        boolean told = false;
        List<Done> tapes = new ArrayList<>();
        for (Done done : log) {
            Place there = done.work().place();
            if (done.work().doing() == Doing.MASK) {
                tapes.add(done);
            } else if (done.work().doing() == Doing.PULL_TAPE) {
                // Pulled at one place, tape stays on at another.
                tapes.removeIf(tape -> there.equals(Place.ALL)
                        || tape.work().place().equals(Place.ALL)
                        || tape.work().place().equals(there));
            }
        }
        boolean on = !tapes.isEmpty();
        for (Done done : on ? log.subList(log.indexOf(tapes.get(tapes.size() - 1)), log.size()) : List.<Done>of()) {
            boolean coat = laid(done.work()).equals("coat");
            boolean sands = Set.of(Doing.PREP, Doing.SAND, Doing.TRIM_AND_SAND, Doing.SCUFF)
                    .contains(done.work().doing());
            if (coat || sands) {
                told |= over != null || sands;
                over = coat && over == null ? done : over;
            }
        }
        boolean meets = next.doing().isPour()
                || next.doing() == Doing.MASK
                || next.doing() == Doing.PULL_TAPE
                || Set.of(Doing.PREP, Doing.SAND, Doing.SAND_RIM, Doing.TRIM_AND_SAND, Doing.SCUFF)
                        .contains(next.doing());
        say(
                wrong,
                meets
                        && on
                        && !told
                        && over != null
                        && (now - over.begun()) / 60
                                >= over.work().label().orElseThrow().turningH(),
                "TAPE_PAST_GEL");
        boolean ends = next.doing() == Doing.FINISH || next.doing() == Doing.PACK || next.doing() == Doing.HAND_OVER;
        say(wrong, ends && on, "TAPE_ON");
    }

    private Done last(java.util.function.Predicate<Done> which) {
        Done last = null;
        for (Done done : log) {
            last = which.test(done) ? done : last;
        }
        return last;
    }
}

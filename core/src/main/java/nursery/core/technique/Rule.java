package nursery.core.technique;

import java.util.Optional;
import java.util.function.Function;
import nursery.core.film.CoatRole;
import nursery.core.measure.Numbers;
import nursery.core.technique.Layers.Condition;

/**
 * The rules of the craft. Each looks at one step and what it meets, planned or done, and says what is wrong with it in
 * one sentence. A rule can be overruled by a maker who says why. Figures are common practice unless a constant says
 * "from memory".
 */
public enum Rule {
    TACK_WINDOW(
            "P14, P16",
            "Coat on a coat that had to be scuffed",
            "Scuff it lightly first, or coat within the day.",
            Optional.of(Question.SECOND_COAT),
            s -> s.broken(
                    s.isCoatOnUnscuffed() && s.ageH() >= s.coat().times().scuffAfterH() - Figures.HAIR_H,
                    "Poured on a coat that needed scuffing: it will not grip and may peel.")),
    GRIP_FADING(
            "P14, P16",
            "Coat where the grip fades",
            "A light scuff makes sure.",
            Optional.of(Question.SECOND_COAT),
            s -> s.broken(
                    s.isCoatOnUnscuffed()
                            && s.ageH() >= s.coat().times().recoatUntilH() + Figures.HAIR_H
                            && s.ageH() < s.coat().times().scuffAfterH() - Figures.HAIR_H,
                    "Poured straight on after the coat below gripped well: it grips less by the hour.")),
    COAT_TOO_SOON(
            "P14",
            "Coat on a coat that still runs",
            "Wait for the tack window.",
            Optional.of(Question.SECOND_COAT),
            s -> s.broken(
                    s.step().kind().isWholeCoat()
                            && s.on().topIsCoat()
                            && s.ageH() < s.coat().times().recoatFromH() - Figures.HAIR_H,
                    "Poured before the layer below was ready: it can trap solvent, sag or stay soft.")),
    SAND_TOO_SOON(
            "P15",
            "Sanded before it was sandable",
            "Wait until it sands to dust.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isSanding() && s.ageH() < s.coat().times().sandableFromH() - Figures.HAIR_H,
                    "Sanded before the coat was sandable: it gums the paper and tears.")),
    SAND_TEXTURE(
            "P33",
            "Sanding what is still rough",
            "Do not sand: put on another coat.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().scuffsTheBody()
                            && s.on().clearCoats() < s.on().texture().coatsBeforeSanding(),
                    "Sanded while the texture is still felt: this is where cups are sanded through to silver.")),
    SAND_UNDER_SLIDE(
            "P41",
            "Sanded where a water-slide goes",
            "Lay the water-slide on a coat that was not sanded, or pour a thin coat first.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.WATER_SLIDE) && s.on().topIsCoat() && s.on().is(Condition.SCUFFED),
                    "A water-slide on a sanded coat: the scratches show through it.")),
    SAND_UNDER_PAINT(
            "step 7",
            "Paint between layers on a coat sanded coarse or dusty",
            "Paint on a smooth coat that was not sanded, or on one sanded 220 and washed.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.PAINT)
                            && s.on().topIsCoat()
                            && s.on().is(Condition.SCUFFED)
                            && (s.on().is(Condition.DUSTY) || s.on().is(Condition.SANDED_COARSELY)),
                    s.on().is(Condition.SANDED_COARSELY)
                            ? "Paint between layers on a coat sanded coarser than 220: the scratches show through it."
                            : "Paint between layers on sanding dust: wash it off first.")),
    SAND_LAST_COAT(
            "step 9",
            "Sanding the last coat",
            "The last coat is never sanded: pour another, or leave it.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().scuffsTheBody()
                            && s.on().newestPour()
                                    .filter(pour -> pour.kind() == StepKind.FINISHING_COAT)
                                    .isPresent()
                            && !s.coatFollows(),
                    "The last coat is sanded and nothing covers it: it stays dull and scratched.")),
    STENCIL_PERMANENT(
            "step 7, P30",
            "Stencil in permanent vinyl",
            "Cut stencils from removable vinyl.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.STENCIL)
                            && (s.step().material() == Material.PERMANENT_VINYL
                                    || s.step().material() == Material.METALLIC_VINYL),
                    "A stencil in permanent vinyl leaves its adhesive behind, and the next coat fish-eyes.")),
    INK_NOT_DRY(
            "P23",
            "Paint, vinyl or coat over wet ink",
            "Wait: 30 to 45 min under epoxy or paint, 24 h under vinyl.",
            Optional.of(Question.VINYL_ON_INK),
            s -> s.broken(
                    s.on().topIs(StepKind.INK)
                            && (s.isKind(StepKind.VINYL, StepKind.STENCIL)
                                            && s.within(StepKind.INK, Figures.INK_UNDER_VINYL_MIN)
                                    || (s.isKind(StepKind.PAINT, StepKind.SEAL)
                                                    || s.step().kind().isPour())
                                            && s.within(StepKind.INK, Figures.INK_MIN)),
                    "The ink below is not dry: it bleeds, and vinyl does not bond to it.")),
    SLIDE_NOT_DRY(
            "P24, P36",
            "Coat or sealer over a wet water-slide",
            "Let it dry overnight.",
            Optional.empty(),
            s -> s.broken(
                    (s.step().kind().isPour() || s.isKind(StepKind.SEAL))
                            && s.within(StepKind.WATER_SLIDE, Figures.SLIDE_MIN),
                    "The water-slide is not dry: what covers it clouds.")),
    SLIDE_UNCOATED(
            "P63",
            "Over a water-slide that has no coat",
            "A thin coat between.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.WATER_SLIDE, StepKind.VINYL) && s.on().is(Condition.SLIDE_UNCOATED),
                    "Over an uncoated water-slide another slide or vinyl buckles where they overlap.")),
    COAT_STILL_WET(
            "P13",
            "Laid on a coat that has not gelled",
            "Wait until the coat has gelled, better until it is firm.",
            Optional.empty(),
            s -> s.broken(
                    s.isOnWetCoat()
                            && s.isKind(
                                    StepKind.VINYL,
                                    StepKind.STENCIL,
                                    StepKind.WATER_SLIDE,
                                    StepKind.FOIL,
                                    StepKind.PAINT,
                                    StepKind.SPONGE,
                                    StepKind.SMOKE,
                                    StepKind.SEAL,
                                    StepKind.GLUE,
                                    StepKind.FOIL_ADHESIVE,
                                    StepKind.SPRAY_ADHESIVE,
                                    StepKind.MICA_SEAL,
                                    StepKind.SOAP,
                                    StepKind.TOUCH_UP,
                                    StepKind.INK,
                                    StepKind.WASH),
                    "The coat below still runs: what is laid on it sinks, drags and marks it.")),
    SOLVENT_NOT_GONE(
            "step 7, P36",
            "Coat over wet solvent",
            "Wipe it off and let it flash off.",
            Optional.of(Question.CLEANING),
            s -> s.broken(
                    s.step().kind().isPour() && s.within(StepKind.WIPE, Figures.FLASH_OFF_MIN),
                    "Solvent had not flashed off: the coat hazes.")),
    INK_UNSEALED(
            "P38",
            "Ink not sealed",
            "Who wants to be sure seals the ink first.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isPour() && s.on().is(Condition.INK_UNSEALED),
                    "The ink is not sealed: it may fade under epoxy.")),
    SOOT_UNSEALED(
            "P38",
            "Soot not sealed",
            "Seal the soot first.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isPour() && s.on().is(Condition.SOOT_UNSEALED),
                    "The soot is not sealed: it fades and smears under epoxy.")),
    FLAKES_UNSEALED(
            "step 4",
            "Chunky or mixed glitter not sealed",
            "Seal it: clear spray or a brushed sealer.",
            Optional.of(Question.GLITTER_SEAL),
            s -> s.broken(
                    s.step().kind().isPour() && s.on().is(Condition.FLAKES_UNSEALED),
                    "Chunky or mixed glitter is not sealed: the hand drags it and thin coats miss it.")),
    SOAP_NOT_RINSED(
            "P59",
            "Soap not rinsed off",
            "Rinse it with water, let it dry.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isPour() && s.on().is(Condition.SOAPED),
                    "The soap of the resist is still on: a coat does not hold on it and fish-eyes.")),
    METALLIC_UNSEALED(
            "step 7, P37",
            "Metallic vinyl not sealed",
            "Seal its edges first.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isPour() && s.on().is(Condition.METALLIC_UNSEALED),
                    "Metallic or textured vinyl is not sealed: its edges lift.")),
    FAST_RESIN(
            "P18, P26",
            "Fast resin for ink or a long blend",
            "Use a regular resin here.",
            Optional.empty(),
            s -> s.broken(
                    s.step().kind().isPour()
                            && s.pour().times().turningH() <= Wait.FAST_TURNING_H
                            && (s.step().role().filter(CoatRole.BLOOM::equals).isPresent() || s.takesABlend()),
                    s.takesABlend()
                            ? "A fast resin leaves no time to blend glitters."
                            : "A fast resin leaves the ink no time to spread.")),
    ADHESIVE_NOT_SET(
            "P19",
            "Flood coat over an adhesive that is not set",
            "Wait until the adhesive is set.",
            Optional.of(Question.ADHESIVE),
            s -> s.broken(
                    s.step().kind().isClearCoat()
                            && s.on().adhesive().isPresent()
                            && s.ageH() < setH(s) - Figures.HAIR_H,
                    "The adhesive under the glitter is not set: the coat drags it along.")),
    GLUE_NOT_DRY(
            "P20, P21",
            "Coat over glue or sealer that is not dry",
            "Wait: about 1 h for craft glue, 30 min for spray adhesive and sealer.",
            Optional.of(Question.ADHESIVE),
            s -> s.broken(
                    s.step().kind().isPour()
                            && (s.within(StepKind.GLUE, Figures.GLUE_STIFF_MIN) && !s.isFoiledSince(StepKind.GLUE)
                                    || s.within(StepKind.SPRAY_ADHESIVE, Figures.SEALER_MIN)
                                            && !s.isFoiledSince(StepKind.SPRAY_ADHESIVE)
                                    || s.within(StepKind.FOIL_ADHESIVE, Figures.GLUE_STIFF_MIN)
                                            && !s.isFoiledSince(StepKind.FOIL_ADHESIVE)
                                    || s.within(StepKind.SEAL, Figures.SEALER_MIN)
                                    || s.within(StepKind.MICA_SEAL, Figures.SEALER_MIN)),
                    "Glue or sealer below is not dry: it gasses, and the coat fish-eyes.")),
    PAINT_NOT_DRY(
            "P25",
            "Over paint that is not dry",
            "Let the paint dry.",
            Optional.empty(),
            s -> s.broken(
                    s.on().topIs(StepKind.PAINT)
                            && (s.step().kind().isPour()
                                    || s.isKind(
                                            StepKind.VINYL,
                                            StepKind.STENCIL,
                                            StepKind.WATER_SLIDE,
                                            StepKind.FOIL,
                                            StepKind.INK,
                                            StepKind.GLUE,
                                            StepKind.SPRAY_ADHESIVE))
                            && s.within(StepKind.PAINT, Figures.PAINT_MIN),
                    "The paint below is not dry: it lifts, or gasses into the coat.")),
    HOT_INK(
            "P26",
            "Ink on heated epoxy",
            "Let it cool first.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.INK, StepKind.INK_BLOOM) && s.begunWithin(StepKind.HEAT, Figures.COOL_MIN),
                    "The coat was still hot from the heat pass: the ink spreads and fades.")),
    TAPE_PAST_GEL(
            "P22",
            "Tape left in past gel",
            "Pull tape about 45 min into every coat, lay new tape before the next.",
            Optional.of(Question.BARE_STEEL),
            s -> s.broken(
                    s.on().is(Condition.TAPE_IN_COAT)
                            && (s.step().kind().isPour()
                                    || s.isKind(StepKind.PULL_TAPE, StepKind.MASK)
                                    || s.step().kind().isSanding())
                            && s.ageH() >= s.coat().times().turningH() + Figures.HAIR_H,
                    "The tape was still on when the coat had gelled: it tears the edge. Cut along it.")),
    POLISH_TOO_SOON(
            "step 9",
            "Rubbed matte before it was cured",
            "Wait until the last coat is cured.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.POLISH) && s.ageH() < s.coat().times().curedH() - Figures.HAIR_H,
                    "Rubbed matte before the coat was cured: it smears and goes patchy.")),
    POLISH_ON_FAULTS(
            "step 9",
            "Rubbed matte on a coat that is not flawless",
            "Inspect the last coat first; mend what is found, coat again.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.POLISH) && (!s.on().is(Condition.INSPECTED) || s.on().is(Condition.FAULTS_SEEN)),
                    "The last coat was not inspected and found flawless: a polish shows every fault.")),
    FLAME_WITH_SOLVENT(
            "P45",
            "Flame while solvents are in use",
            "Put solvents and cans away and let them flash off first.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.HEAT, StepKind.SMOKE) && s.begunAmongSolvents(Figures.FLASH_OFF_MIN),
                    "Flame or heat gun with solvent or propellant still about: it can catch fire.")),
    DECAL_TOO_LARGE(
            "P11",
            "Decal larger than the cup takes",
            "Cut it no longer than the way around where it goes, less the handle, and no higher than the side.",
            Optional.empty(),
            s -> s.step()
                    .size()
                    .flatMap(size -> s.broken(
                            size.widthMm()
                                            > WrapRoom.aroundMm(s.blank(), size.heightMm())
                                                    + WrapRoom.overlapMm(s.blank())
                                                    + Figures.CUT_MM
                                    || size.heightMm() > s.blank().area().slantMm() + Figures.CUT_MM,
                            "%s × %s mm does not fit: there are %s mm around and %s mm of side."
                                    .formatted(
                                            Numbers.show(size.widthMm(), 1),
                                            Numbers.show(size.heightMm(), 1),
                                            Numbers.show(WrapRoom.aroundMm(s.blank(), size.heightMm()), 1),
                                            Numbers.show(s.blank().area().slantMm(), 1))))),
    FLAT_WRAP_ON_TAPER(
            "P11, P56",
            "Straight wrap on a taper",
            "Bend it to this cup, or cut it into strips.",
            Optional.empty(),
            s -> s.step()
                    .size()
                    .flatMap(size -> s.broken(
                            WrapRoom.climbMm(s.blank(), size) > Figures.CLIMBS_MM,
                            "A straight piece of %s × %s mm climbs %s mm at its ends on this taper."
                                    .formatted(
                                            Numbers.show(size.widthMm(), 0),
                                            Numbers.show(size.heightMm(), 0),
                                            Numbers.show(WrapRoom.climbMm(s.blank(), size), 1))))),
    FINISH_TOO_SOON(
            "step 10",
            "Finished before 8 to 12 h",
            "Wait at least 8 to 12 h after the last coat.",
            Optional.empty(),
            s -> s.broken(
                    s.isKind(StepKind.FINISH, StepKind.PACK) && s.ageH() < Ground.FIRM_H - Figures.HAIR_H,
                    "Finished sooner than 8 to 12 h after the last coat: it still takes prints."));

    private final String mark;
    private final String title;
    private final String remedy;
    private final Optional<Question> school;
    private final Function<Situation, Optional<String>> check;

    Rule(
            String mark,
            String title,
            String remedy,
            Optional<Question> school,
            Function<Situation, Optional<String>> check) {
        this.mark = mark;
        this.title = title;
        this.remedy = remedy;
        this.school = school;
        this.check = check;
    }

    /** Where the practice says so: a numbered fact, or a step of the order of work. */
    public String mark() {
        return mark;
    }

    public String title() {
        return title;
    }

    public String remedy() {
        return remedy;
    }

    /** The disagreement it belongs to, where schools differ. */
    public Optional<Question> school() {
        return school;
    }

    /** Whether it is good advice that nobody need follow, and no fault. */
    public boolean isAdvice() {
        return this == GRIP_FADING || this == INK_UNSEALED;
    }

    /** What is wrong, in one sentence; empty if the step keeps to the rule. */
    public Optional<String> brokenBy(Situation situation) {
        return check.apply(situation);
    }

    private static double setH(Situation s) {
        return Ground.setH(s.on().adhesive().orElseThrow(), s.coat().times());
    }
}

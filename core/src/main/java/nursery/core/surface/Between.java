package nursery.core.surface;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.technique.Fields;
import nursery.core.technique.Figures;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;

/** The steps that mend what the table asks about, as they stand between two pieces of a technique. */
final class Between {

    private Between() {}

    /** What mends a thing, the better way first. */
    static List<Doing> remedies(Cell cell, PlanStep asking) {
        // What is strewn or dropped into a coat asks for that coat.
        if (cell == Cell.FLAKES_TOO_LATE
                || cell == Cell.INK_TOO_LATE
                || cell == Cell.NOTHING_HOLDS && asking.how().strewn() == Fields.Strewn.SPRINKLED) {
            return List.of(Doing.BUILD_COAT);
        }
        // Where paper cannot go any more it went before.
        return cell.isFading() || cell.isOfLostGrip()
                ? Stream.concat(Stream.of(Doing.SCUFF), cell.remedy().stream())
                        .distinct()
                        .toList()
                : cell.remedy().stream().filter(Between::isAStep).toList();
    }

    /** Why it is done: what cannot be scuffed later is scuffed for the reason it would be scuffed for then. */
    static Cell asAsked(Cell cell, Doing remedy) {
        if (remedy != Doing.SCUFF) {
            return cell;
        }
        return switch (cell) {
            case GRIP_FADES_BELOW -> Cell.GRIP_FADES;
            case GRIP_WEAK_BELOW -> Cell.GRIP_WEAK;
            case MAY_PEEL_BELOW -> Cell.MAY_PEEL;
            default -> cell;
        };
    }

    /** What takes everything off, or prepares the blank, stands between no pieces. */
    private static boolean isAStep(Doing remedy) {
        return remedy != Doing.STRIP && remedy != Doing.PREP;
    }

    /** Whether it can be done to what lies there, once it has had its time. */
    static boolean isPossible(Doing remedy, Surface on, Label label) {
        Work work = new Work(
                on.works().size() + 1,
                remedy,
                How.usual(remedy),
                Work.usualPlace(remedy),
                remedy.isPour() ? Optional.of(label.times()) : Optional.empty());
        boolean isAsked =
                Table.bounds(work, on, List.of(Doing.BUILD_COAT)).stream().anyMatch(Bound::forbids);
        return !isAsked && (remedy.family() != Doing.Family.SAND || on.bearsPaper());
    }

    static TechniqueStep step(Doing remedy, Surface on) {
        return switch (remedy) {
            case SCUFF -> sanded("Scuff lightly", "Only to dull it, so that the next layer grips; wash, dry.");
            case SAND -> sanded("Sand it fine", "Until no scratch shows; wash, dry lint-free.");
            case THIN_COAT, FLOOD_COAT, BUILD_COAT, FINISHING_COAT -> coat(on, Place.ALL);
            case SEAL ->
                step(
                        StepKind.SEAL,
                        "Seal it",
                        Wait.none(),
                        "Light clear spray, or a brushed sealer.",
                        Optional.empty());
            case WASH -> step(StepKind.WASH, "", Wait.none(), "Soap, rinse, dry lint-free.", Optional.empty());
            default -> TechniqueStep.usual(remedy.step().orElseThrow());
        };
    }

    private static TechniqueStep sanded(String title, String detail) {
        return new TechniqueStep(
                StepKind.SAND,
                title,
                Wait.of(Wait.Kind.SANDABLE),
                detail,
                Optional.empty(),
                Fields.usual(StepKind.SAND).with(Grit.of(Figures.FINE_GRIT)).with(Fields.Dust.WASHED_OFF),
                Optional.empty(),
                List.of());
    }

    /** The clear coat that what lies open at a place asks for, and what a sealer over it hides. */
    static TechniqueStep coat(Surface on, Place place) {
        Set<Lay> open = on.met(place).stream().map(patch -> patch.layer().lay()).collect(Collectors.toSet());
        List<Doing> sinceCoat = on.sinceWholeCoat();
        if (open.contains(Lay.GLITTER) || sinceCoat.contains(Doing.GLITTER) && on.coatsOverTexture(place) == 0) {
            return coat(StepKind.FLOOD_COAT, "Flood coat", CoatRole.FLOOD, "Spread by gloved hand; heat pass, turn.");
        }
        if (on.met(place).stream()
                .map(Surface.Patch::layer)
                .anyMatch(
                        layer -> layer.lay() == Lay.VINYL && layer.by().place().whole())) {
            return coat(StepKind.THIN_COAT, "Coat over the wrap", CoatRole.OVERLAY, "Over its seam and its edges.");
        }
        if (open.contains(Lay.VINYL) || open.contains(Lay.SLIDE) || open.contains(Lay.FOIL)) {
            return coat(StepKind.THIN_COAT, "Coat over the design", CoatRole.DECALS, "Over every edge.");
        }
        boolean isOnCoat = on.newestPour().isPresent()
                && sinceCoat.stream().allMatch(doing -> doing == Doing.SEAL || doing.isPour());
        return isOnCoat
                ? coat(StepKind.BUILD_COAT, "One more coat", CoatRole.BUILD, "Spread, heat pass, turn.")
                : coat(StepKind.THIN_COAT, "Thin coat", CoatRole.SEAL, "Thin and smooth, over all of it.");
    }

    /** A joint as parts of a technique: a coat is taped round by who tapes (P22). */
    static List<Technique.Part> parts(TechniqueStep step) {
        return step.kind().isPour()
                ? List.of(
                        new Technique.Single(byWhoTapes(StepKind.MASK)),
                        new Technique.Single(step),
                        new Technique.Single(byWhoTapes(StepKind.PULL_TAPE)))
                : List.of(new Technique.Single(step));
    }

    private static TechniqueStep byWhoTapes(StepKind kind) {
        TechniqueStep step = TechniqueStep.usual(kind);
        return new TechniqueStep(
                kind,
                "",
                step.waiting(),
                "",
                Optional.empty(),
                step.how(),
                Optional.empty(),
                List.of(School.TAPE, School.TAPE_AND_SAND));
    }

    /** The same parts, with another pour. */
    static List<Technique.Part> withCoat(List<Technique.Part> parts, TechniqueStep coat) {
        return parts.stream()
                .map(part -> part instanceof Technique.Single single
                                && single.step().kind().isPour()
                        ? new Technique.Single(
                                coat.doneAs(coat.how().with(single.step().how().where())))
                        : part)
                .toList();
    }

    private static TechniqueStep coat(StepKind kind, String title, CoatRole role, String detail) {
        return step(kind, title, Wait.straightOn(), detail, Optional.of(role));
    }

    private static TechniqueStep step(StepKind kind, String title, Wait wait, String detail, Optional<CoatRole> role) {
        return new TechniqueStep(kind, title, wait, detail, role, Fields.usual(kind), Optional.empty(), List.of());
    }
}

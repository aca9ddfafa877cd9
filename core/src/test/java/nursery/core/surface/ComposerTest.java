package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Composer.Composed;
import nursery.core.surface.Composer.Joint;
import nursery.core.surface.Composer.Piece;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;

/** What comes between two pieces is what the table asks for, and no more. */
class ComposerTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));

    private static final Piece PAINTED = piece(Place.BASE, "Painted", StepKind.PREP, StepKind.PAINT);
    private static final Piece GLITTER = piece(Place.LAYER, "Glitter", StepKind.ADHESIVE, StepKind.GLITTER);
    private static final Piece COAT = coat();
    private static final Piece SMOKE = piece(Place.LAYER, "Smoke", StepKind.SMOKE);
    private static final Piece SLIDE = piece(Place.LAYER, "Slide", StepKind.WATER_SLIDE);
    private static final Piece LAST = piece(Place.FINISH, "Last coat", StepKind.FINISHING_COAT, StepKind.FINISH);

    private static Piece piece(Place place, String title, StepKind... kinds) {
        return new Piece(place, title, parts(kinds), false);
    }

    private static Piece coat() {
        return new Piece(Place.LAYER, "Coat", parts(StepKind.BUILD_COAT), true);
    }

    private static List<Technique.Part> parts(StepKind... kinds) {
        return Arrays.stream(kinds)
                .map(kind -> (Technique.Part) new Technique.Single(TechniqueStep.usual(kind)))
                .toList();
    }

    private static Composed composed(Map<String, Boolean> decided, Piece... pieces) {
        return Composer.compose("Tried", List.of(pieces), decided, REGULAR, SLIM);
    }

    private static List<StepKind> kinds(Composed composed, School... schools) {
        return composed.technique().plan(Schools.of(schools), Map.of()).stream()
                .map(PlanStep::kind)
                .toList();
    }

    @Test
    void whatAsksForNothingStandsBesideTheOther() {
        Composed made = composed(Map.of(), PAINTED, GLITTER, COAT, COAT, LAST);
        assertThat(made.joints()).allMatch(List::isEmpty);
        assertThat(made.technique().blocks())
                .extracting(Technique.Block::place)
                .containsExactly(Place.BASE, Place.LAYER, Place.LAYER, Place.LAYER, Place.FINISH);
    }

    /** P38: soot is sealed before a coat; who leaves that out is told. */
    @Test
    void whatIsNeededIsPutInUnlessItIsLeft() {
        Composed made = composed(Map.of(), PAINTED, COAT, SMOKE, LAST);
        assertThat(made.joints().get(2))
                .extracting(Joint::key, Joint::because, Joint::isRequired, Joint::isTaken)
                .containsExactly(tuple("2-needed-seal", Cell.SOOT_OPEN, true, true));
        assertThat(kinds(made)).containsSubsequence(StepKind.SMOKE, StepKind.SEAL, StepKind.FINISHING_COAT);
        Composed left = composed(Map.of("2-needed-seal", false), PAINTED, COAT, SMOKE, LAST);
        assertThat(kinds(left)).doesNotContain(StepKind.SEAL);
        assertThat(left.joints().get(2)).extracting(Joint::isTaken).containsExactly(false);
        assertThat(Judgement.offered(left.technique().plan(Schools.of(), Map.of()), REGULAR, REGULAR, SLIM))
                .extracting(Judgement.Finding::rule)
                .contains("SOOT_UNSEALED");
    }

    /** P38, step 5: dry ink may go straight under, and a second coat may make it smooth: both are a maker's choice. */
    @Test
    void whatIsAdvisedIsOnlyOffered() {
        Piece ink = piece(Place.LAYER, "Ink", StepKind.INK);
        Composed made = composed(Map.of(), PAINTED, ink, LAST);
        assertThat(made.joints().get(1))
                .extracting(Joint::because, Joint::isRequired, Joint::isTaken)
                .containsExactly(tuple(Cell.INK_OPEN, false, false));
        assertThat(kinds(composed(Map.of("1-advised-seal", true), PAINTED, ink, LAST)))
                .containsSubsequence(StepKind.INK, StepKind.SEAL, StepKind.FINISHING_COAT);
        assertThat(composed(Map.of(), PAINTED, GLITTER, LAST).joints().get(1))
                .extracting(Joint::because)
                .containsExactly(Cell.TEXTURE_FELT);
    }

    /** P16, P41: a coat that will be a day old is best scuffed before the design goes on, unless a slide goes there. */
    @Test
    void aScuffIsOfferedWherePaperCanGoAndNothingSuffersFromIt() {
        TechniqueStep late = TechniqueStep.usual(StepKind.VINYL);
        TechniqueStep dayLater =
                new TechniqueStep(late.kind(), "", Wait.age(30), "", late.role(), late.how(), late.size(), late.only());
        Piece decal = new Piece(Place.LAYER, "Decal", List.of(new Technique.Single(dayLater)), false);
        assertThat(composed(Map.of(), PAINTED, COAT, decal, LAST).joints().get(1))
                .extracting(joint -> joint.step().kind(), Joint::because, Joint::isTaken)
                .containsExactly(tuple(StepKind.SAND, Cell.GRIP_WEAK, false));
        assertThat(composed(Map.of(), PAINTED, COAT, SLIDE, LAST).joints()).allSatisfy(joints -> assertThat(joints)
                .extracting(joint -> joint.step().kind())
                .doesNotContain(StepKind.SAND));
    }

    /** A coat is whichever what lies there asks for. */
    @Test
    void aCoatIsTheOneThatIsAskedFor() {
        assertThat(kinds(composed(Map.of(), PAINTED, GLITTER, COAT, COAT, SLIDE, COAT, LAST)))
                .containsSubsequence(
                        StepKind.GLITTER,
                        StepKind.FLOOD_COAT,
                        StepKind.BUILD_COAT,
                        StepKind.WATER_SLIDE,
                        StepKind.THIN_COAT);
    }

    /** P22. */
    @Test
    void aCoatThatIsPutInIsTapedRoundByWhoTapes() {
        Piece stencilled = piece(Place.LAYER, "Decal", StepKind.VINYL);
        Composed made = composed(Map.of(), PAINTED, GLITTER, stencilled, LAST);
        assertThat(kinds(made)).doesNotContain(StepKind.MASK);
        assertThat(kinds(made, School.TAPE))
                .containsSubsequence(StepKind.MASK, StepKind.FLOOD_COAT, StepKind.PULL_TAPE, StepKind.VINYL);
    }

    /** A soap resist that is painted over is rinsed before a coat; a stencil comes off. */
    @Test
    void whatMustComeOffComesOff() {
        Piece soap = piece(Place.LAYER, "Soap", StepKind.SOAP, StepKind.PAINT);
        assertThat(kinds(composed(Map.of(), PAINTED, COAT, soap, LAST)))
                .containsSubsequence(StepKind.SOAP, StepKind.PAINT, StepKind.WASH, StepKind.FINISHING_COAT);
        Piece stencil = piece(Place.LAYER, "Stencil", StepKind.STENCIL, StepKind.PAINT);
        assertThat(kinds(composed(Map.of(), PAINTED, COAT, stencil, LAST)))
                .containsSubsequence(StepKind.STENCIL, StepKind.PAINT, StepKind.PEEL, StepKind.FINISHING_COAT);
    }

    @Test
    void whatNobodyAskedForDecidesNothing() {
        Map<String, Boolean> absurd = Map.of(
                "-1-needed-seal",
                true,
                "99-needed-flood-coat",
                true,
                "0-",
                true,
                "2-seal",
                false,
                "2-needed-seal-9",
                true);
        assertThat(composed(absurd, PAINTED, COAT, SMOKE, LAST).technique())
                .isEqualTo(composed(Map.of(), PAINTED, COAT, SMOKE, LAST).technique());
    }

    /** A coat that was offered under a last coat and not taken is needed once a design goes there. */
    @Test
    void whatWasOfferedAndNotTakenIsNotLeftWhereItIsNeeded() {
        String offered = composed(Map.of(), PAINTED, GLITTER, LAST)
                .joints()
                .get(1)
                .get(0)
                .key();
        Piece decal = piece(Place.LAYER, "Decal", StepKind.VINYL);
        Composed made = composed(Map.of(offered, false), PAINTED, GLITTER, decal, LAST);
        assertThat(made.joints().get(1))
                .extracting(Joint::because, Joint::isTaken)
                .contains(tuple(Cell.FLAKES_BELOW, true));
    }

    /** A technique of somebody's own may have a block with as long a title as there is. */
    @Test
    void aLongTitleOfABlockIsCutWhereWordsGoBeforeIt() {
        Piece longest = piece(Place.LAYER, "m".repeat(Technique.LONGEST_TITLE), StepKind.VINYL);
        assertThat(composed(Map.of(), PAINTED, GLITTER, longest, LAST)
                        .technique()
                        .blocks())
                .extracting(Technique.Block::title)
                .contains("Before " + "m".repeat(72) + "…");
    }

    /** Sprinkled flakes ask for a wet coat, strewn ones for something that holds them. */
    @Test
    void flakesGetWhatHoldsThem() {
        TechniqueStep flakes = TechniqueStep.usual(StepKind.GLITTER);
        TechniqueStep sprinkled = new TechniqueStep(
                flakes.kind(),
                "",
                flakes.waiting(),
                "",
                flakes.role(),
                flakes.how().with(Fields.Strewn.SPRINKLED),
                flakes.size(),
                flakes.only());
        Piece onTop = piece(Place.LAYER, "Flakes", StepKind.GLITTER);
        Piece wet = new Piece(Place.LAYER, "Flakes", List.of(new Technique.Single(sprinkled)), false);
        assertThat(kinds(composed(Map.of(), PAINTED, onTop, LAST)))
                .containsSubsequence(StepKind.ADHESIVE, StepKind.GLITTER);
        assertThat(kinds(composed(Map.of(), PAINTED, wet, LAST)))
                .containsSubsequence(StepKind.THIN_COAT, StepKind.GLITTER);
    }
}

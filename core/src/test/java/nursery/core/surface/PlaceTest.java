package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.Carrier;
import nursery.core.film.CoatRole;
import nursery.core.film.Film;
import nursery.core.film.Onto;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.film.Way;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Field;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Where;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is done to a part of a cup is done there and nowhere else. */
class PlaceTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    /** A 20 oz slim about 73 mm across and 205 mm tall, worked: 470 cm² of side, 512 with its base (from memory). */
    private static final Blank TWENTY =
            new Blank(new Straight(205, Math.PI * 73), true, 0, 0, 0, OptionalDouble.of(20), true);

    private static final double SIDE_MM = 205;

    private Surface surface = Surface.of(true);

    private static PlanStep step(StepKind kind, Where where) {
        PlanStep step = TechniqueStep.usual(kind).in(1);
        return step.doneAs(step.how().with(where));
    }

    private static Work work(int id, PlanStep step) {
        return Work.of(id, step, REGULAR.times(), SIDE_MM);
    }

    private void done(StepKind kind, Where.Part part) {
        done(step(kind, new Where(part)));
    }

    private void done(PlanStep step) {
        surface = surface.after(work(surface.works().size() + 1, step));
    }

    private List<Cell> asked(StepKind kind, Where.Part part) {
        return Table.bounds(work(99, step(kind, new Where(part))), surface, List.of()).stream()
                .map(Bound::cell)
                .toList();
    }

    /** Half a cup by craft glue and half by an epoxy film: each half asks for its own time (P19, P20). */
    @Test
    void halfByGlueAndHalfByFilmAskForWhatEachOfThemDoes() {
        done(StepKind.GLUE, Where.Part.LOWER_HALF);
        done(StepKind.GLITTER, Where.Part.LOWER_HALF);
        done(StepKind.ADHESIVE, Where.Part.UPPER_HALF);
        done(StepKind.GLITTER, Where.Part.UPPER_HALF);
        assertThat(asked(StepKind.FLOOD_COAT, Where.Part.LOWER_HALF))
                .contains(Cell.GLUE_WET)
                .doesNotContain(Cell.FILM_NOT_SET);
        assertThat(asked(StepKind.FLOOD_COAT, Where.Part.UPPER_HALF))
                .contains(Cell.FILM_NOT_SET)
                .doesNotContain(Cell.GLUE_WET);
        assertThat(asked(StepKind.FLOOD_COAT, Where.Part.USUAL)).contains(Cell.GLUE_WET, Cell.FILM_NOT_SET);
        assertThat(surface.coatsOverTexture()).isZero();
        done(StepKind.FLOOD_COAT, Where.Part.LOWER_HALF);
        assertThat(surface.coatsOverTexture())
                .as("the upper half still has none")
                .isZero();
        assertThat(asked(StepKind.SAND, Where.Part.UPPER_HALF)).contains(Cell.STILL_ROUGH);
        assertThat(asked(StepKind.SAND, Where.Part.LOWER_HALF)).doesNotContain(Cell.STILL_ROUGH);
        done(StepKind.FLOOD_COAT, Where.Part.UPPER_HALF);
        assertThat(surface.coatsOverTexture()).isEqualTo(1);
    }

    /** The last wave runs half up the letters: what it does not cover is still owed a coat. */
    @Test
    void aDecalHalfSunkInAWaveIsHalfOpen() {
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        done(step(StepKind.VINYL, Where.band(60, 120)));
        done(step(StepKind.PARTIAL_COAT, Where.band(0, 90)));
        assertThat(surface.met(Place.band(100, 110)))
                .extracting(patch -> patch.layer().lay())
                .contains(Lay.VINYL);
        assertThat(surface.met(Place.band(65, 85)))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.COAT);
        assertThat(Owed.by(surface)).extracting(Bound::cell).contains(Cell.DECAL_OPEN);
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        assertThat(Owed.by(surface)).extracting(Bound::cell).doesNotContain(Cell.DECAL_OPEN);
    }

    /** A whole wrap hides what is below it; letters do not, wherever they lie. */
    @Test
    void onlyAWrapHidesWhatIsBelow() {
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        done(StepKind.VINYL, Where.Part.LOWER_THIRD);
        assertThat(surface.met(Place.band(10, 20)))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.VINYL, Lay.COAT);
        done(StepKind.VINYL, Where.Part.SIDE);
        assertThat(surface.met(Place.band(10, 20)))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.VINYL);
        assertThat(surface.met(Place.BASE))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.COAT);
    }

    /** Tape on a steel line stays on while a mark's mask is pulled; where no place is said, all of it comes off. */
    @Test
    void tapeIsPulledWhereItIsPulled() {
        done(StepKind.MASK, Where.Part.RIM_AND_BASE);
        done(StepKind.MASK, Where.Part.SPOTS);
        done(StepKind.PULL_TAPE, Where.Part.SPOTS);
        assertThat(Owed.by(surface)).extracting(Bound::cell).containsExactly(Cell.TAPE_ON);
        done(StepKind.PULL_TAPE, Where.Part.USUAL);
        assertThat(Owed.by(surface)).isEmpty();
    }

    /** Sanded at the base, the body is not: it grips no better there (P73). */
    @Test
    void sandedAtTheBaseIsNotScuffed() {
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        done(StepKind.SAND, Where.Part.BASE);
        assertThat(surface.isScuffed(1)).contains(false);
        done(StepKind.SAND, Where.Part.LOWER_HALF);
        assertThat(surface.isScuffed(1)).as("the upper half is not").contains(false);
        done(StepKind.SAND, Where.Part.UPPER_HALF);
        assertThat(surface.isScuffed(1)).contains(true);
    }

    /** A coat below open glitter cannot be scuffed for the part that has none: paper goes over the whole body. */
    @Test
    void noScuffIsAdvisedWhereItWouldTakeGlitterOffElsewhere() {
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        done(StepKind.GLUE, Where.Part.UPPER_HALF);
        done(StepKind.GLITTER, Where.Part.UPPER_HALF);
        assertThat(asked(StepKind.BUILD_COAT, Where.Part.LOWER_HALF))
                .contains(Cell.GRIP_WEAK_BELOW)
                .doesNotContain(Cell.GRIP_WEAK);
    }

    /** P7, P58: 20 ml of a first wave, 10 to 15 of a second: thick where they lie, and not over the whole cup. */
    @Test
    void aWaveIsCountedOnItsOwnBand() {
        PlanStep wave = step(StepKind.PARTIAL_COAT, Where.USUAL);
        Blank half = Place.of(wave, TWENTY);
        assertThat(half.area().coatedCm2()).isCloseTo(235, within(0.5));
        Share first = share(TWENTY, half, CoatRole.WAVE);
        assertThat(first.suggestedMl()).isCloseTo(20, within(0.1));
        assertThat(first.filmMm()).isCloseTo(0.85, within(0.01));
        assertThat(Film.thicknessMm(15, half.area().coatedCm2())).isCloseTo(0.64, within(0.01));
        Blank third = Place.of(step(StepKind.PARTIAL_COAT, new Where(Where.Part.LOWER_THIRD)), TWENTY);
        Share second = share(TWENTY, third, CoatRole.LATER_WAVE);
        assertThat(second.suggestedMl()).isBetween(8.0, 10.0);
    }

    private static Share share(Blank whole, Blank part, CoatRole role) {
        return Share.of(
                whole,
                part,
                role,
                Onto.coat(Texture.SMOOTH, 1),
                Way.THIN,
                StartingProfile.REGULAR.label(),
                Carrier.spindle(Carrier.USUAL_RPM, 22));
    }

    /** A coat over the halves of a cup one after the other is the coat over all of it. */
    @Property
    void theBandsOfACupAreTogetherTheCup(@ForAll @DoubleRange(min = 2, max = 203) double atMm) {
        Blank mug = new Blank(new Straight(205, Math.PI * 73), true, 5, 3, 25, OptionalDouble.of(20));
        double wholeCm2 = mug.area().coatedCm2();
        double lowerCm2 = mug.within(true, 0, atMm).area().coatedCm2();
        double upperCm2 = mug.within(false, atMm, SIDE_MM).area().coatedCm2();
        // Where one of them lies on the bare band a line is left of it.
        assertThat(lowerCm2 + upperCm2).isCloseTo(wholeCm2, within(3.0));
        for (Blank part : List.of(mug.within(true, 0, atMm), mug.within(false, atMm, SIDE_MM))) {
            Share share = share(mug, part, CoatRole.BUILD);
            assertThat(share.suggestedMl() / share(mug, mug, CoatRole.BUILD).suggestedMl())
                    .as("its part of the amount is its part of the area")
                    .isCloseTo(part.area().coatedCm2() / wholeCm2, within(1e-6));
        }
    }

    /** At the foot, at the rim, above this cup, on a bare band: there is always some of the cup to lie on. */
    @Property
    void everyBandIsSomewhereOnEveryCup(
            @ForAll @DoubleRange(max = 399) double fromMm, @ForAll @DoubleRange(min = 1, max = 400) double moreMm) {
        Where band = Where.band(fromMm, Math.min(Where.LONGEST_MM, fromMm + moreMm));
        Blank taped = new Blank(new Straight(90, 230), false, 12, 8, 40, OptionalDouble.empty());
        PlanStep coat = step(StepKind.BUILD_COAT, band);
        assertThat(Place.of(coat, taped).area().coatedCm2())
                .isBetween(1.0, taped.area().coatedCm2() + 1e-9);
        Surface after = Surface.of(false).after(Work.of(1, coat, REGULAR.times(), 90));
        assertThat(after.lying()).containsExactly(1);
    }

    @ParameterizedTest
    @EnumSource(names = "BAND", mode = EnumSource.Mode.EXCLUDE)
    void everyPartIsSomewhereForEveryDoing(Where.Part part) {
        for (StepKind kind : StepKind.values()) {
            Place place = Place.of(new Where(part), Doing.of(kind), SIDE_MM);
            assertThat(Surface.of(false).met(place)).as("%s %s", kind, part).isNotEmpty();
        }
    }

    /** The usual place that a form names is the one the table counts with. */
    @ParameterizedTest
    @EnumSource
    void theUsualPlaceIsThePartOfThatName(StepKind kind) {
        Doing doing = Doing.of(kind);
        if (Field.PLACE.isOf(kind) && Where.usual(kind) != Where.Part.USUAL) {
            assertThat(Place.of(new Where(Where.usual(kind)), doing, SIDE_MM))
                    .isEqualTo(Place.of(Where.USUAL, doing, SIDE_MM));
            assertThat(Field.PLACE.choices(kind, true)).doesNotContain(Where.usual(kind));
        }
    }

    /** The handle's gap is no area of a band beside it. */
    @Test
    void theHandleTakesItsPartOfABand() {
        Blank mug = new Blank(new Straight(150, 255), true, 0, 0, 30, OptionalDouble.empty());
        assertThat(mug.within(false, 50, 100).area().coatedCm2()).isCloseTo((255 - 30) * 50 / 100.0, within(1e-9));
    }

    /** A wall is cut wherever something else lies on it, and once where the same lies everywhere. */
    @Test
    void theSideIsAsManyWallsAsItHasStacks() {
        done(StepKind.PAINT, Where.Part.USUAL);
        assertThat(surface.walls()).hasSize(1);
        done(StepKind.GLUE, Where.Part.LOWER_HALF_AND_BASE);
        done(StepKind.ADHESIVE, Where.Part.UPPER_HALF);
        done(step(StepKind.VINYL, Where.band(60, 120)));
        assertThat(surface.walls())
                .extracting(Surface.Wall::fromMm, Surface.Wall::toMm, Surface.Wall::works)
                .containsExactly(
                        tuple(0.0, 60.0, List.of(1, 2)),
                        tuple(60.0, 102.5, List.of(1, 2, 4)),
                        tuple(102.5, 120.0, List.of(1, 3, 4)),
                        tuple(120.0, Place.RIM_MM, List.of(1, 3)));
        done(StepKind.PULL_TAPE, Where.Part.RIM);
        assertThat(surface.walls()).as("what lays nothing cuts nothing").hasSize(4);
    }

    /** Ink is dropped in spots wherever it is: what lies between them is still met. */
    @Test
    void spotsOfInkLeaveTheGroundBetweenThem() {
        done(StepKind.BUILD_COAT, Where.Part.USUAL);
        done(step(StepKind.INK, Where.band(0, 60)));
        assertThat(surface.met(Place.band(0, 60)))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.INK, Lay.COAT);
    }
}

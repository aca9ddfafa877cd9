package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Cell.Grave;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What lies where, and the windows that come of it. Common practice, by its marks. */
class SurfaceTest {

    private static final Instant START = Instant.parse("2026-03-01T10:00:00Z");
    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final RoomCourse ROOM = RoomCourse.steady(REGULAR.referenceC());

    private Surface surface = Surface.of(true);
    private Moments moments = Moments.NONE;

    private SurfaceTest done(Doing doing, double atMinute, double minutes, How how, Place place) {
        Instant at = START.plusMillis(Math.round(atMinute * 60_000));
        Duration handsOn = Duration.ofMillis(Math.round(minutes * 60_000));
        Work work = new Work(
                surface.works().size() + 1,
                doing,
                how,
                place,
                doing.isPour() ? Optional.of(REGULAR.times()) : Optional.empty());
        surface = surface.after(work);
        moments = doing.isPour() ? moments.and(new CoatTimes(REGULAR, ROOM, at), handsOn) : moments.and(at, handsOn);
        return this;
    }

    private SurfaceTest done(Doing doing, double atMinute, double minutes) {
        return done(doing, atMinute, minutes, How.usual(doing), Work.usualPlace(doing));
    }

    private Opening opening(Doing doing) {
        Work next =
                Work.of(99, doing, How.usual(doing), doing.isPour() ? Optional.of(REGULAR.times()) : Optional.empty());
        return Opening.of(Table.bounds(next, surface, List.of()), moments);
    }

    private double fromMinute(Doing doing) {
        return (opening(doing).from() - START.toEpochMilli()) / 60_000;
    }

    private Grave verdict(Doing doing, double atMinute) {
        return opening(doing).at(START.toEpochMilli() + atMinute * 60_000);
    }

    @ParameterizedTest
    @EnumSource(StepKind.class)
    void everyKindOfStepIsADoingByTheSameName(StepKind kind) {
        assertThat(Doing.of(kind).written()).isEqualTo(kind.written());
    }

    /** What was rinsed, peeled, taken up by foil or scraped off lies there no more; paint beside a resist does. */
    @Test
    void whatLiesOnTheCupIsWhatWasNotTakenOffAgain() {
        done(Doing.PAINT, 0, 0).done(Doing.SOAP, 60, 0).done(Doing.PAINT, 70, 0);
        assertThat(surface.lying()).containsExactly(1, 2, 3);
        done(Doing.WASH, 200, 0);
        assertThat(surface.lying()).containsExactly(1, 3);
        done(Doing.STENCIL, 300, 0).done(Doing.PAINT, 310, 0).done(Doing.PEEL, 400, 0);
        assertThat(surface.lying()).containsExactly(1, 3, 6);
        done(Doing.FOIL_ADHESIVE, 500, 0).done(Doing.FOIL, 540, 0).done(Doing.BUILD_COAT, 600, 0);
        assertThat(surface.lying()).containsExactly(1, 3, 6, 9, 10);
        done(Doing.STRIP, 9000, 0);
        assertThat(surface.lying()).isEmpty();
    }

    /** P25: what has nothing to do with the paint does not start its clock again. */
    @Test
    void tapeBetweenPaintAndGlueDelaysNothing() {
        done(Doing.PAINT, 40, 0).done(Doing.MASK, 80, 5);
        assertThat(fromMinute(Doing.GLUE)).isEqualTo(70);
        assertThat(verdict(Doing.GLUE, 90)).isEqualTo(Grave.FINE);
    }

    /** P20: glue is stiff an hour after it was brushed on, whatever was done to the cup meanwhile. */
    @Test
    void aFloodWaitsForTheGlueUnderTheGlitter() {
        done(Doing.GLUE, 50, 0).done(Doing.GLITTER, 52, 5).done(Doing.INK, 60, 5);
        assertThat(fromMinute(Doing.FLOOD_COAT)).isEqualTo(110);
        Bound first = opening(Doing.FLOOD_COAT).because().get(0);
        assertThat(first.cell()).isEqualTo(Cell.GLUE_WET);
        assertThat(first.work()).isEqualTo(1);
    }

    /** P14: with the sanding left out, a wet coat is not ready in a minute. */
    @Test
    void aCoatIsNeverReadyOnAWetOne() {
        done(Doing.FLOOD_COAT, 0, 15);
        assertThat(fromMinute(Doing.FINISHING_COAT)).isEqualTo(4 * 60);
        assertThat(verdict(Doing.FINISHING_COAT, 11)).isEqualTo(Grave.RUINS);
        done(Doing.INK, 300, 5).done(Doing.PAINT, 310, 5, How.usual(Doing.PAINT), Place.SPOTS);
        assertThat(fromMinute(Doing.FINISHING_COAT)).isEqualTo(345);
        assertThat(verdict(Doing.FINISHING_COAT, 30 * 60))
                .as("P16: ink hides no coat that was not scuffed")
                .isEqualTo(Grave.ADVICE);
        assertThat(verdict(Doing.FINISHING_COAT, 73 * 60)).isEqualTo(Grave.RISKS);
    }

    /** P58: the next wave is met by what is bare above the first as well. */
    @Test
    void aWaveHidesOnlyWhatItCovers() {
        done(Doing.PAINT, 0, 10).done(Doing.PARTIAL_COAT, 60, 20);
        assertThat(surface.met(Place.band(0, 50)).get(0).layer().lay()).isEqualTo(Lay.COAT);
        assertThat(surface.met(Place.band(150, 160)).get(0).layer().lay()).isEqualTo(Lay.PAINT);
        assertThat(Exposed.of(surface, moments, START.plusSeconds(3600 * 2)))
                .extracting(patch -> patch.place().written() + " " + patch.lay() + " " + patch.condition())
                .containsExactly("base PAINT [dry]", "0-100 COAT [turning]", "100-rim PAINT [dry]", "rim PAINT [dry]");
    }

    /** Step 7 and P59: what is peeled or rinsed away takes what was painted on it with it. */
    @Test
    void aPeeledStencilShowsTheGroundBetweenThePaint() {
        done(Doing.FLOOD_COAT, 0, 15).done(Doing.STENCIL, 700, 20).done(Doing.PAINT, 730, 10);
        assertThat(opening(Doing.FINISHING_COAT).because().get(0).cell()).isEqualTo(Cell.STENCIL_ON);
        assertThat(surface.met(Place.RIM)).hasSize(1);
        done(Doing.PEEL, 790, 10);
        assertThat(surface.met(Place.RIM))
                .extracting(patch -> patch.layer().lay())
                .containsExactly(Lay.PAINT, Lay.COAT);
        assertThat(verdict(Doing.FINISHING_COAT, 25 * 60)).isEqualTo(Grave.ADVICE);
    }

    /**
     * P59: soap under paint is rinsed off, or the coat fish-eyes; what no water reaches under a coat is not asked for.
     */
    @Test
    void soapUnderPaintIsStillToBeRinsedOff() {
        done(Doing.SOAP, 0, 5).done(Doing.PAINT, 10, 5);
        assertThat(opening(Doing.FLOOD_COAT).because().get(0).cell()).isEqualTo(Cell.SOAP_ON);
        done(Doing.WASH, 60, 5);
        assertThat(opening(Doing.FLOOD_COAT).never()).isFalse();
    }

    /** P81: foil is laid on its tacky glue and takes it. */
    @Test
    void foilTakesTheGlueItIsLaidOn() {
        done(Doing.FOIL_ADHESIVE, 0, 5).done(Doing.FOIL, 20, 10);
        assertThat(verdict(Doing.FLOOD_COAT, 31)).isEqualTo(Grave.FINE);
    }

    @Test
    void aStencilThatWasNotPaintedOverIsMetByTheCoat() {
        done(Doing.STENCIL, 0, 20);
        assertThat(opening(Doing.FLOOD_COAT).never()).isTrue();
        assertThat(opening(Doing.FLOOD_COAT).because().get(0).cell().remedy()).contains(Doing.PEEL);
    }

    /** P39. */
    @Test
    void aCoatThatWasMixedWrongIsCoveredByNothingUntilItIsScrapedOff() {
        How wrong = How.usual(Doing.FLOOD_COAT).mixed(How.Ratio.WRONG);
        done(Doing.FLOOD_COAT, 0, 15, wrong, Place.ALL);
        for (Doing doing : List.of(Doing.BUILD_COAT, Doing.PAINT, Doing.SEAL, Doing.VINYL)) {
            assertThat(opening(doing).never()).as(doing.written()).isTrue();
        }
        done(Doing.STRIP, 2000, 60);
        assertThat(opening(Doing.BUILD_COAT).never()).isFalse();
        assertThat(verdict(Doing.PAINT, 2100)).isEqualTo(Grave.FINE);
    }

    /** P45, P26: acetone is about for ten minutes (from memory); warming on low heats no coat. */
    @Test
    void whatMattersIsAFieldAndNotAWord() {
        done(Doing.CLEAN, 0, 5);
        assertThat(fromMinute(Doing.HEAT)).isEqualTo(15);
        assertThat(fromMinute(Doing.FLOOD_COAT)).isEqualTo(15);
    }

    @Test
    void whatIsOfferedIsNotAskedAbout() {
        done(Doing.FLOOD_COAT, 0, 15).done(Doing.VINYL, 600, 20);
        for (Doing doing : Doing.values()) {
            Opening opening = opening(doing);
            double at = Math.max(opening.from(), START.toEpochMilli());
            if (!opening.never() && at < opening.until()) {
                assertThat(opening.at(at).isAsked()).as(doing.written()).isFalse();
                assertThat(at == START.toEpochMilli() || opening.at(at - 1).isAsked())
                        .as(doing.written() + " a moment before")
                        .isTrue();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"inside", "60-0", "0-400", "-5-20", "", "1e9-2e9"})
    void aPlaceThatIsNoneOfTheCupsIsSaid(String written) {
        assertThatThrownBy(() -> Place.parse(written, 205))
                .isInstanceOfAny(IllegalArgumentException.class, InvalidInput.class);
    }

    @ParameterizedTest
    @CsvSource({"all,all", "rim,rim", "base,base", "spots,spots", "handle-side,spots", "0-60,0-60", "12.5 – 60,12.5-60"
    })
    void aPlaceIsWrittenAsItIsRead(String written, String again) {
        assertThat(Place.parse(written, 205).written()).isEqualTo(again);
    }

    @Test
    void moreWorksThanACupCanCarryAreRefused() {
        for (int i = 0; i < Surface.MOST_WORKS; i++) {
            done(Doing.PHOTOGRAPH, i, 0);
        }
        assertThatThrownBy(() -> done(Doing.PHOTOGRAPH, 999, 0)).isInstanceOf(IllegalStateException.class);
    }
}

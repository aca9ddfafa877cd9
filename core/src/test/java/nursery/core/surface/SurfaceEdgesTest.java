package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Onto;
import nursery.core.film.Texture;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Where;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is known of a surface part by part, and where that begins and ends. */
class SurfaceEdgesTest {

    private static final Instant START = Instant.parse("2026-03-01T10:00:00Z");
    private static final Label REGULAR = StartingProfile.REGULAR.label();

    private Surface surface = Surface.of(false);
    private Moments moments = Moments.NONE;

    private SurfaceEdgesTest done(Doing doing, double atMinute, Place place, How how) {
        Instant at = START.plusSeconds(Math.round(atMinute * 60));
        surface = surface.after(new Work(
                surface.works().size() + 1,
                doing,
                how,
                place,
                doing.isPour() ? Optional.of(REGULAR.times()) : Optional.empty()));
        Duration handsOn = Duration.ofMinutes(10);
        moments = doing.isPour()
                ? moments.and(new CoatTimes(REGULAR, RoomCourse.steady(22), at), handsOn)
                : moments.and(at, handsOn);
        return this;
    }

    private SurfaceEdgesTest done(Doing doing, double atMinute) {
        return done(doing, atMinute, Work.usualPlace(doing), How.usual(doing));
    }

    private static How with(Doing doing, Field field) {
        How usual = How.usual(doing);
        return new How(field.on(usual.fields()), usual.generous(), usual.bloom(), usual.ratio());
    }

    /** How the fields of a work are changed. */
    private interface Field {
        Fields on(Fields fields);
    }

    private static How generous() {
        How usual = How.usual(Doing.ADHESIVE);
        return new How(usual.fields(), true, usual.bloom(), usual.ratio());
    }

    /** What the decoration lies in: a thin film, a generous one, and once a coat is over it the coat. */
    @Test
    void whatTheDecorationLiesIn() {
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.COAT);
        done(Doing.ADHESIVE, 0);
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.THIN_FILM);
        done(Doing.ADHESIVE, 60, Place.ALL, generous());
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.GENEROUS_FILM);
        done(Doing.GLITTER, 65).done(Doing.PARTIAL_COAT, 400);
        assertThat(surface.below(Place.ALL)).as("a wave is no whole coat").isEqualTo(Onto.Below.GENEROUS_FILM);
        done(Doing.FLOOD_COAT, 800);
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.COAT);
    }

    /** Of several the thinnest counts; each part answers for itself, and what was stripped is gone. */
    @Test
    void ofSeveralFilmsTheThinnestCounts() {
        Place lower = Place.band(0, 100);
        Place upper = Place.band(100, Place.RIM_MM);
        done(Doing.ADHESIVE, 0, lower, generous()).done(Doing.ADHESIVE, 0, upper, How.usual(Doing.ADHESIVE));
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.THIN_FILM);
        assertThat(surface.below(lower)).isEqualTo(Onto.Below.GENEROUS_FILM);
        assertThat(surface.below(upper)).isEqualTo(Onto.Below.THIN_FILM);
        assertThat(surface.below(Place.RIM)).as("no film on the rim").isEqualTo(Onto.Below.COAT);
        done(Doing.STRIP, 900);
        assertThat(surface.below(Place.ALL)).isEqualTo(Onto.Below.COAT);
        assertThat(surface.newestPour()).isEmpty();
    }

    @Test
    void aRoughPartIsFeltWhereItIs() {
        Place lower = Place.band(0, 100);
        Place upper = Place.band(100, Place.RIM_MM);
        done(Doing.ADHESIVE, 0);
        assertThat(surface.texture()).isEqualTo(Texture.SMOOTH);
        done(Doing.GLITTER, 5, lower, with(Doing.GLITTER, fields -> fields.with(Fields.Grain.COARSE)));
        done(Doing.GLITTER, 5, upper, How.usual(Doing.GLITTER));
        assertThat(surface.texture()).isEqualTo(Texture.CHUNKY);
        assertThat(surface.texture(lower)).isEqualTo(Texture.CHUNKY);
        assertThat(surface.texture(upper)).isEqualTo(Texture.FINE);
        assertThat(surface.texture(Place.RIM)).isEqualTo(Texture.SMOOTH);
        done(Doing.FLOOD_COAT, 300, lower, How.usual(Doing.FLOOD_COAT));
        assertThat(surface.coatsOverTexture())
                .as("the part that has the fewest")
                .isZero();
        assertThat(surface.coatsOverTexture(lower)).isEqualTo(1);
        done(Doing.STRIP, 900);
        assertThat(surface.texture()).isEqualTo(Texture.SMOOTH);
    }

    /** P5: what a look tells of a mix is told of its layer and its work, and of no other. */
    @Test
    void aMixIsKnownBetterAfterwards() {
        done(Doing.FLOOD_COAT, 0).done(Doing.BUILD_COAT, 300);
        Surface told = surface.mixed(1, How.Ratio.values()[How.Ratio.values().length - 1]);
        How.Ratio last = How.Ratio.values()[How.Ratio.values().length - 1];
        assertThat(told.works().get(0).how().ratio()).isEqualTo(last);
        assertThat(told.works().get(1)).isEqualTo(surface.works().get(1));
        assertThat(told.columns()).hasSameSizeAs(surface.columns());
        told.columns().forEach(column -> assertThat(column.stack())
                .filteredOn(layer -> layer.id() == 1)
                .allSatisfy(layer -> assertThat(layer.by().how().ratio()).isEqualTo(last)));
        assertThat(told.lying()).isEqualTo(surface.lying()).containsExactly(1, 2);
    }

    /** Paper has been over a coat if it was over all of it that lies open; of one that is covered, over some. */
    @Test
    void scuffedIsWhatPaperWasOver() {
        done(Doing.FLOOD_COAT, 0);
        assertThat(surface.isScuffed(1)).contains(false);
        assertThat(surface.isScuffed(7)).as("not on the cup").isEmpty();
        done(Doing.SAND, 600, Place.band(0, 100), How.usual(Doing.SAND));
        assertThat(surface.isScuffed(1)).as("half of it").contains(false);
        done(Doing.SAND_RIM, 600);
        assertThat(surface.isScuffed(1)).contains(false);
        done(Doing.SAND, 620);
        assertThat(surface.isScuffed(1)).contains(true);
        done(Doing.BUILD_COAT, 640);
        assertThat(surface.isScuffed(1)).as("it was, before it was covered").contains(true);
        assertThat(surface.isScuffed(5)).contains(false);
        done(Doing.STRIP, 900);
        assertThat(surface.isScuffed(1)).isEmpty();
    }

    @Test
    void aCoveredCoatThatOnlyItsRimSawPaperIsNotScuffed() {
        done(Doing.FLOOD_COAT, 0).done(Doing.SAND_RIM, 600).done(Doing.BUILD_COAT, 640);
        assertThat(surface.isScuffed(1)).contains(false);
    }

    /** One wall where the same lies everywhere; of what is cut and covered again one again. */
    @Test
    void aWallIsWhereTheSameLies() {
        done(Doing.FLOOD_COAT, 0);
        assertThat(surface.walls()).containsExactly(new Surface.Wall(0, Place.RIM_MM, List.of(1)));
        done(Doing.PAINT, 600, Place.band(50, 100), How.usual(Doing.PAINT));
        assertThat(surface.walls())
                .containsExactly(
                        new Surface.Wall(0, 50, List.of(1)),
                        new Surface.Wall(50, 100, List.of(1, 2)),
                        new Surface.Wall(100, Place.RIM_MM, List.of(1)));
        done(Doing.SAND, 700, Place.band(0, 20), How.usual(Doing.SAND));
        assertThat(surface.walls()).as("sanding lays nothing").hasSize(3);
    }

    @Test
    void whatWasLaidSinceACoatIsInItsOrder() {
        done(Doing.PAINT, 0).done(Doing.FLOOD_COAT, 60).done(Doing.INK, 600).done(Doing.SAND, 700);
        assertThat(surface.sinceWholeCoat()).containsExactly(Doing.INK);
        done(Doing.BUILD_COAT, 800, Place.band(0, 100), How.usual(Doing.BUILD_COAT));
        assertThat(surface.sinceWholeCoat()).as("half a coat covers half").containsExactly(Doing.INK, Doing.BUILD_COAT);
        done(Doing.BUILD_COAT, 1200);
        assertThat(surface.sinceWholeCoat()).isEmpty();
    }

    private String condition(double minute) {
        return Exposed.of(surface, moments, START.plusSeconds(Math.round(minute * 60))).stream()
                .filter(exposed -> !exposed.place().base() && exposed.place().fromMm() == 0)
                .findFirst()
                .map(exposed -> exposed.lay() + " " + String.join(",", exposed.condition()))
                .orElseThrow();
    }

    /** Paint is dry 30 min after hands were off it, 10 min into the work; solvent has flashed off 10 min after. */
    @Test
    void whatLiesOpenIsWetOrDry() {
        assertThat(condition(0)).isEqualTo("STEEL bare");
        done(Doing.PREP, 0, Place.ALL, with(Doing.PREP, fields -> fields.with(Fields.Cleaner.ACETONE)));
        assertThat(condition(19.9)).isEqualTo("STEEL scuffed,solvent-wet");
        assertThat(condition(20)).isEqualTo("STEEL scuffed");
        done(Doing.PAINT, 30);
        assertThat(condition(69.9)).isEqualTo("PAINT wet");
        assertThat(condition(70)).isEqualTo("PAINT dry");
        done(Doing.FLOOD_COAT, 100);
        assertThat(condition(110)).isEqualTo("COAT workable");
        done(Doing.SAND, 900, Place.ALL, with(Doing.SAND, fields -> fields.with(Grit.of(220))
                .with(Fields.Dust.LEFT)));
        assertThat(condition(920)).isEqualTo("COAT fading,scuffed,dusty");
    }

    @Test
    void momentsCountFromWhenAWorkBeganAndWhenHandsWereOff() {
        done(Doing.PAINT, 30).done(Doing.FLOOD_COAT, 100);
        double ms = START.toEpochMilli();
        assertThat(moments.begun(1, 5)).isEqualTo(ms + 35 * 60_000);
        assertThat(moments.ended(1, 5)).isEqualTo(ms + 45 * 60_000);
        assertThat(moments.begun(0, 5)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(moments.ended(0, 5)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(moments.age(2, 4)).isEqualTo(ms + 340 * 60_000);
        assertThat(moments.pour(2).pouredAt()).isEqualTo(START.plusSeconds(6000));
        assertThatThrownBy(() -> moments.pour(1)).hasMessageContaining("Work 1 was no pour");
    }

    /** On paper works count from behind those that were done. */
    @Test
    void onPaperAWorkLiesWhereItIsPlanned() {
        done(Doing.PAINT, 30);
        Timeline before = moments;
        Paper paper = new Paper(before, 1);
        paper.add(100, 15);
        paper.add(400, 10);
        assertThat(paper.begun(1, 5)).isEqualTo(before.begun(1, 5));
        assertThat(paper.ended(1, 5)).isEqualTo(before.ended(1, 5));
        assertThat(paper.begun(2, 5)).isEqualTo(105);
        assertThat(paper.ended(2, 5)).isEqualTo(120);
        assertThat(paper.begun(3, 0)).isEqualTo(400);
        assertThat(paper.ended(3, 0)).isEqualTo(410);
        assertThat(paper.age(2, 4)).isEqualTo(100 + 240);
    }

    /** The coat that what lies open asks for: flakes a flood coat, a design a thin one, a coat one more. */
    @ParameterizedTest
    @CsvSource({
        "'ADHESIVE,GLITTER', FLOOD_COAT",
        "'ADHESIVE,GLITTER,SEAL', FLOOD_COAT",
        "'ADHESIVE,GLITTER,FLOOD_COAT', BUILD_COAT",
        "'FLOOD_COAT,SEAL', BUILD_COAT",
        "'FLOOD_COAT,VINYL', THIN_COAT",
        "'FLOOD_COAT,WATER_SLIDE', THIN_COAT",
        "'FLOOD_COAT,INK', THIN_COAT",
        "'PAINT', THIN_COAT"
    })
    void aCoatIsTheOneThatIsAskedFor(String works, StepKind kind) {
        int minute = 0;
        for (String work : works.split(",")) {
            done(Doing.valueOf(work), minute);
            minute += 600;
        }
        TechniqueStep coat = Between.coat(surface, Place.ALL);
        assertThat(coat.kind()).isEqualTo(kind);
        assertThat(coat.title()).isNotBlank();
    }

    @Test
    void aWrapGetsACoatOverItsSeam() {
        done(Doing.FLOOD_COAT, 0);
        done(Doing.VINYL, 600, Place.of(new Where(Where.Part.ALL), Doing.VINYL, 205), How.usual(Doing.VINYL));
        assertThat(Between.coat(surface, Place.ALL).title()).isEqualTo("Coat over the wrap");
    }

    @Test
    void noCupCarriesMoreWorksThanThat() {
        for (int i = 0; i < Surface.MOST_WORKS; i++) {
            done(Doing.INSPECT, i);
        }
        assertThat(surface.works()).hasSize(Surface.MOST_WORKS);
        assertThatThrownBy(() -> done(Doing.INSPECT, 0)).isInstanceOf(IllegalStateException.class);
    }
}

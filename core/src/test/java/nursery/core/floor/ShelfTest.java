package nursery.core.floor;

import static nursery.core.floor.MadeFloor.FAST;
import static nursery.core.floor.MadeFloor.ONE;
import static nursery.core.floor.MadeFloor.REGULAR;
import static nursery.core.floor.MadeFloor.START;
import static nursery.core.floor.MadeFloor.TWO;
import static nursery.core.floor.MadeFloor.at;
import static nursery.core.floor.MadeFloor.hour;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Spread;
import nursery.core.log.Spindle;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.LengthUnit;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Resin;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a maker owns, found again, and the room it is used in. */
class ShelfTest {

    private static final Shelf SHELF = at(0).shelf();

    @Test
    void whatStandsOnItIsFoundByItsNumber() {
        assertThat(SHELF.resin(2)).contains(FAST);
        assertThat(SHELF.resin(9)).isEmpty();
        assertThat(SHELF.blank(5).map(ShelfBlank::blank)).contains(MadeFloor.SLIM);
        assertThat(SHELF.blank(1)).isEmpty();
        assertThat(SHELF.spindle(2)).contains(TWO);
        assertThat(SHELF.spindle(3)).isEmpty();
    }

    @Test
    void spindlesAreNamedInTheOrderOfTheirNumbers() {
        Spindle three = new Spindle(3, "B 1", 6);
        Shelf two = new Shelf(
                SHELF.resins(),
                SHELF.blanks(),
                List.of(new Turner(2, "B", 6, false, List.of(three)), new Turner(1, "A", 3, false, List.of(TWO, ONE))),
                SHELF.measuringCups());
        assertThat(two.spindles()).containsExactly(ONE, TWO, three);
    }

    @Test
    void oneMeasuringCupIsAtHandElseTheFirst() {
        assertThat(SHELF.measuringCupAtHand().name()).isEqualTo("Large");
        Shelf none = new Shelf(
                SHELF.resins(),
                SHELF.blanks(),
                SHELF.turners(),
                List.of(
                        new ShelfCup(1, "Small", new MeasuringCup(30, 1, 30, 35), false),
                        new ShelfCup(2, "Large", new MeasuringCup(120, 1, 45, 60), false)));
        assertThat(none.measuringCupAtHand().name()).isEqualTo("Small");
    }

    /** A fast resin is fully cured after 24 h, a regular one after 72 h; of two alike the older on the shelf. */
    @Test
    void theFastestIsFullyCuredFirst() {
        assertThat(SHELF.fastest()).contains(FAST);
        Resin again = Resin.of(3, "Fast again", FAST.label());
        assertThat(new Shelf(List.of(REGULAR, again, FAST), List.of(), List.of(), List.of()).fastest())
                .contains(FAST);
        assertThat(new Shelf(List.of(), List.of(), List.of(), List.of()).fastest())
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.2, 3, 60})
    void aTurnerTurnsAtAnySpeedThereIs(double rpm) {
        Faults faults = new Faults();
        Turner.checkRpm(faults, rpm);
        faults.throwIfAny();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.19, 61, Double.NaN})
    void andAtNoOther(double rpm) {
        Faults faults = new Faults();
        Turner.checkRpm(faults, rpm);
        assertThatThrownBy(faults::throwIfAny).isInstanceOf(InvalidInput.class).hasMessageContaining("speed");
    }

    /** As the tape read, in whichever unit that was. */
    @Test
    void aBlankComesBackAsTheTapeRead() {
        Taped taped = new Taped(LengthUnit.IN, Set.of("height", "base"));
        assertThat(taped.written()).isEqualTo("IN base height");
        assertThat(Taped.parse("IN base height")).isEqualTo(taped);
        assertThat(Taped.parse("MM")).isEqualTo(new Taped(LengthUnit.MM, Set.of()));
        assertThat(taped.write("height", 205)).isEqualTo("205 mm");
        assertThat(taped.write("rim", 25.4 * 9)).isEqualTo("9");
        assertThat(new Taped(LengthUnit.MM, Set.of("rim")).write("rim", 25.4 * 9))
                .isEqualTo("9 in");
        assertThat(new Taped(LengthUnit.MM, Set.of("rim")).write("height", 205.5))
                .isEqualTo("205.5");
    }

    @Test
    void aNewShopReadsMillimetresAndSleepsAtNight() {
        Ways ways = Ways.starting(ZoneId.of("Europe/Vienna"));
        assertThat(ways.zone()).isEqualTo(ZoneId.of("Europe/Vienna"));
        assertThat(ways.lengthUnit()).isEqualTo(LengthUnit.MM);
    }

    private static Air air(List<RoomReading> readings, Optional<java.time.Instant> last) {
        return new Air(
                new RoomCourse(readings),
                Spread.of(
                        new RoomCourse(readings),
                        origin -> moment -> OptionalDouble.of(new RoomCourse(readings).temperatureCAt(origin))),
                last,
                Optional.empty());
    }

    @Test
    void theAirIsWhatWasReadAndIsLessKnownFurtherAhead() {
        List<RoomReading> readings = new ArrayList<>();
        for (int h = 0; h <= 48; h++) {
            readings.add(new RoomReading(hour(h), h == 20 ? 14.5 : 20 + 4 * Math.sin(h / 6.0)));
        }
        Air air = air(readings, Optional.of(hour(48)));
        assertThat(air.temperatureC(hour(20))).isCloseTo(14.5, within(1e-9));
        assertThat(air.coldestC()).hasValue(14.5);
        double soon = air.spreadC(hour(48), hour(49));
        double far = air.spreadC(hour(48), hour(96));
        assertThat(soon).isPositive();
        assertThat(far).isGreaterThan(soon);
        assertThat(air.spreadC(hour(60), hour(61)))
                .as("it was read twelve hours ago: an hour ahead is thirteen hours from what is known")
                .isEqualTo(air.spreadC(hour(48), hour(61)));
        assertThat(air.spreadC(hour(40), hour(41))).as("told of yesterday").isEqualTo(soon);
        assertThat(air.doubt()).as("two days are few").isPresent();
        Air unread = air(readings, Optional.empty());
        assertThat(unread.coldestC()).isEmpty();
        assertThat(unread.doubt()).isEmpty();
        assertThat(unread.spreadC(hour(48), hour(49))).isEqualTo(soon);
    }

    /** 22 °C is warm enough for a coat, 5 °C is not, and the forecast says when that changes. */
    @Test
    void aCoatIsFitWhileTheRoomIs() {
        Air warm = new Air(
                MadeFloor.ROOM,
                Spread.of(MadeFloor.ROOM, o -> m -> OptionalDouble.of(22)),
                Optional.empty(),
                Optional.empty());
        assertThat(warm.fitness(START)).isNotNull();
        assertThat(warm.fitnessTurnsAt(START)).isEmpty();
        List<RoomReading> readings = new ArrayList<>();
        for (int h = 0; h <= 48; h++) {
            readings.add(new RoomReading(hour(h), h < 24 ? 22 : 5));
        }
        Air cold = air(readings, Optional.of(hour(48)));
        assertThat(cold.fitness(hour(40))).isNotEqualTo(warm.fitness(START));
        assertThat(cold.fitness(hour(4))).isEqualTo(warm.fitness(START));
        assertThat(cold.fitnessTurnsAt(hour(20)).orElseThrow())
                .isBetween(hour(20).plus(Duration.ofMinutes(1)), hour(25));
    }
}

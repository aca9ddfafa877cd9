package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.resin.Viscosity;
import org.junit.jupiter.api.Test;

class PourCheckTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 0, 0, 0, OptionalDouble.of(20));
    private static final OptionalDouble SIX = OptionalDouble.of(6);
    private static final OptionalDouble HUNG = OptionalDouble.empty();

    /** 1 Pa·s at 6 rpm on 36.5 mm carries 1.05 mm at 1055 kg/m³ (Moffatt). */
    @Test
    void moreThanTheTurnerCarriesIsSaid() {
        assertThat(PourCheck.against(SLIM, REGULAR, 52, SIX, 22)).isEmpty();
        assertThat(PourCheck.against(SLIM, REGULAR, 64, SIX, 22).orElseThrow())
                .contains("A film of 1.25 mm sags")
                .contains("carries 1.05 mm");
        assertThat(PourCheck.against(SLIM, REGULAR, 64, SIX, 12))
                .as("thicker when cold")
                .isEmpty();
        assertThat(PourCheck.against(SLIM, REGULAR, 64, OptionalDouble.of(12), 22))
                .isEmpty();
    }

    /** P19: a thin film needs no turning, it may hang. A flood does not stay. */
    @Test
    void whatHangsAndIsNoThinFilmRuns() {
        assertThat(PourCheck.against(SLIM, REGULAR, 1, HUNG, 22)).isEmpty();
        assertThat(PourCheck.against(SLIM, REGULAR, 30, HUNG, 22).orElseThrow())
                .contains("that hangs runs more than 205 mm towards the low end");
        assertThat(PourCheck.against(SLIM, withoutViscosity(), 30, HUNG, 22)).isPresent();
        assertThat(PourCheck.against(SLIM, withoutViscosity(), 90, SIX, 22))
                .as("nothing is claimed of a turner without a viscosity")
                .isEmpty();
    }

    /**
     * By hand: 0.1 mm of 1 Pa·s and 1.055 g/ml runs at 1055·9.80665·1e-8/2 = 5.17e-5 m/s; thickening to the gel at 4 h
     * as (1 − t/g)^−n with (5/6)^−n = 2 it flows like a fresh mix for 4 h/(n + 1) = 50 min: 155 mm.
     */
    @Test
    void howFarItRunsByHand() {
        double seconds = 4 * 3600 / (Math.log(2) / Math.log(6 / 5.0) + 1);
        assertThat(REGULAR.freshHoursAt(22) * 3600).isCloseTo(seconds, within(1e-6));
        assertThat(PourCheck.runsMm(REGULAR, 0.1, 22)).isCloseTo(5.1730e-5 * seconds * 1000, within(0.5));
    }

    private static Label withoutViscosity() {
        return new Label(
                REGULAR.ratio(),
                REGULAR.times(),
                22,
                50,
                REGULAR.densities(),
                Optional.<Viscosity>empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }
}

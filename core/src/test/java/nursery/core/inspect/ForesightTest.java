package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nursery.core.log.Blemish;
import org.junit.jupiter.api.Test;

/** What makes a fault likely is said before the coat is poured, and nothing else is. */
class ForesightTest {

    private static final Model MODEL = StartingModel.MODEL;

    /** The chance is the cause's, by its odds and the evidence, times how often it shows: by hand. */
    @Test
    void moreFilmThanTheTurnerCarriesIsForetoldToSag() {
        Facts facts = new Facts(Map.of(Fact.FILM_MM, 0.71, Fact.CARRIES_MM, 0.55));
        Foresight first = Foresight.of(MODEL, facts).get(0);
        assertThat(first.fault()).isEqualTo(Blemish.SAG);
        double odds = 0.08 / 0.92 * Math.pow(10, 1.4);
        assertThat(first.chance()).isCloseTo(0.85 * odds / (1 + odds), within(1e-9));
        assertThat(first.words()).isEqualTo("sag or bulge, about 6 in 10: 0.71 mm where this turner carries 0.55 mm.");
    }

    /** P28, P36: cold and damp. */
    @Test
    void aDampRoomIsForetoldToHaze() {
        assertThat(Foresight.of(MODEL, new Facts(Map.of(Fact.DEW_MARGIN_C, 1.8, Fact.HUMIDITY, 82.0))))
                .extracting(Foresight::fault)
                .contains(Blemish.HAZE);
    }

    @Test
    void anOrdinaryCoatIsForetoldNothing() {
        assertThat(Foresight.of(
                        MODEL,
                        new Facts(Map.of(
                                Fact.FILM_MM,
                                0.4,
                                Fact.CARRIES_MM,
                                1.0,
                                Fact.AMBIENT_C,
                                22.0,
                                Fact.HUMIDITY,
                                45.0,
                                Fact.DEW_MARGIN_C,
                                12.0))))
                .isEmpty();
        assertThat(Foresight.of(MODEL, Facts.NONE)).isEmpty();
    }
}

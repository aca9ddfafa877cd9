package nursery.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where an amount becomes a slip, a film too much, a texture smooth. */
class FilmEdgesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();

    /** A tube of 205 mm, 229.3 around, its base bare: 470 cm². */
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), false, 0, 0, 0, OptionalDouble.of(20));

    private static Share share(CoatRole role, Way way, Carrier carrier) {
        return Share.of(SLIM, SLIM, role, new Onto(Texture.FINE, 0, Onto.Below.COAT), way, REGULAR, carrier);
    }

    /** A seal coat takes 11.3 ml of it: six times that is a slip, and a sixth; what lies between may be meant. */
    @Test
    void aZeroTooManyOrTooFew() {
        Share seal = share(CoatRole.SEAL, Way.THIN, Carrier.spindle(6, 22));
        double takes = 0.24 * 470.065 / 10;
        assertThat(seal.suggestedMl()).isCloseTo(takes, within(0.01));
        assertThat(seal.slipOf(takes * 5.9)).isEmpty();
        assertThat(seal.slipOf(takes * 6.1)).hasValueSatisfying(words -> assertThat(words)
                .isEqualTo("68.8 ml? A thin seal coat takes about 11.3 ml on this cup. Is there a zero too many?"));
        assertThat(seal.slipOf(takes / 5.9)).isEmpty();
        assertThat(seal.slipOf(takes / 6.1)).hasValueSatisfying(words -> assertThat(words)
                .isEqualTo("1.8 ml? A thin seal coat takes about 11.3 ml on this cup. Is there a zero too few?"));
    }

    /** What a maker decided stands between: 40 ml decided where 11 are the coat's makes neither of them a slip. */
    @Test
    void whatWasDecidedIsNoSlip() {
        Share decided = share(CoatRole.SEAL, Way.THIN, Carrier.spindle(6, 22)).decidedTo(40);
        assertThat(decided.slipOf(40)).isEmpty();
        assertThat(decided.slipOf(12)).isEmpty();
        assertThat(decided.slipOf(6.1 * 40)).isPresent();
        assertThat(decided.words()).isEqualTo("Decided for this cup; the area asks for 11.3 ml.");
        assertThat(decided.isHeldBack()).isFalse();
    }

    /** A slow turner carries less than a generous flood: it is said, and no more is proposed. */
    @Test
    void whatTheTurnerHoldsBackIsSaid() {
        Share slow = share(CoatRole.FLOOD, Way.GENEROUS, Carrier.spindle(0.5, 22));
        assertThat(slow.isHeldBack()).isTrue();
        assertThat(slow.suggestedMl()).isLessThan(slow.byAreaMl());
        assertThat(slow.words()).startsWith("The film would take 40.9 ml, but");
        Share held = share(CoatRole.FLOOD, Way.THIN, Carrier.spindle(30, 22));
        assertThat(held.isHeldBack()).isFalse();
        assertThat(held.words()).isEqualTo("A thin coat; a generous one takes 40.9 ml.");
        assertThat(share(CoatRole.FLOOD, Way.GENEROUS, Carrier.spindle(30, 22)).words())
                .isEqualTo("A generous coat; a thin one takes 21.2 ml.");
        assertThat(share(CoatRole.OVERLAY, Way.THIN, Carrier.spindle(30, 22)).words())
                .as("one way only")
                .isEmpty();
    }

    /** A sealing film of 1 ml cannot be measured alone; 20 can. */
    @Test
    void theSmallestBatch() {
        assertThat(share(CoatRole.ADHESIVE_THIN, Way.THIN, Carrier.hand(22)).raisedToSmallestBatch())
                .isTrue();
        assertThat(share(CoatRole.FLOOD, Way.THIN, Carrier.hand(22)).raisedToSmallestBatch())
                .isFalse();
    }

    /** Half of the cup takes half of what practice tells of the whole: 20 to 25 ml become 10 to 12.5. */
    @Test
    void practiceIsToldForThePart() {
        Blank half = SLIM.within(false, 0, 102.5);
        Share part = Share.of(
                SLIM,
                half,
                CoatRole.FLOOD,
                new Onto(Texture.FINE, 0, Onto.Below.COAT),
                Way.THIN,
                REGULAR,
                Carrier.spindle(6, 22));
        assertThat(part.practice().lowMl()).isCloseTo(10, within(1e-9));
        assertThat(part.practice().highMl()).isCloseTo(12.5, within(1e-9));
        assertThat(part.practice().on()).isEqualTo("on a 20 oz slim, for its part of the cup");
        Share wave = Share.of(
                SLIM,
                half,
                CoatRole.WAVE,
                new Onto(Texture.SMOOTH, 0, Onto.Below.COAT),
                Way.THIN,
                REGULAR,
                Carrier.spindle(6, 22));
        assertThat(wave.practice().lowMl()).as("a wave is told of a half").isEqualTo(20);
        assertThat(CoatRole.FLOOD
                        .practice(Way.GENEROUS, Onto.Below.GENEROUS_FILM)
                        .highMl())
                .as("10 to 20 over a generous film (P7)")
                .isEqualTo(20);
        assertThat(CoatRole.FLOOD.practice(Way.GENEROUS, Onto.Below.COAT).highMl())
                .isEqualTo(60);
    }

    @Test
    void rolesAreNamedInFiles() {
        for (CoatRole role : CoatRole.values()) {
            assertThat(CoatRole.named(role.written())).contains(role);
        }
        assertThat(CoatRole.LATER_WAVE.written()).isEqualTo("later-wave");
        assertThat(CoatRole.LATER_WAVE.word()).isEqualTo("second, smaller wave");
        assertThat(CoatRole.named("flood coat")).isEmpty();
        assertThat(Way.generous(true)).isEqualTo(Way.GENEROUS);
        assertThat(Way.generous(false)).isEqualTo(Way.THIN);
    }

    /** Common practice: two coats bury fine glitter, three chunky; one over fine before sanding, three over chunky. */
    @ParameterizedTest
    @CsvSource({
        "FINE, 0, 'fine glitter, no coat over it yet: still felt'",
        "FINE, 1, 'fine glitter, 1 coat over it: still felt'",
        "FINE, 2, 'fine glitter, 2 coats over it: smooth'",
        "CHUNKY, 2, 'chunky glitter, 2 coats over it: still felt, 0.1 mm more for it'",
        "CHUNKY, 3, 'chunky glitter, 3 coats over it: smooth'",
        "SMOOTH, 0, 'smooth below'"
    })
    void whatIsStillFelt(Texture texture, int coats, String words) {
        assertThat(texture.words(coats)).isEqualTo(words);
        assertThat(texture.isFeltUnder(coats)).isEqualTo(words.contains("felt"));
    }

    @Test
    void coatsThatBury() {
        assertThat(Texture.FINE.coatsToBury()).isEqualTo(2);
        assertThat(Texture.CHUNKY.coatsToBury()).isEqualTo(3);
        assertThat(Texture.FINE.coatsBeforeSanding()).isEqualTo(1);
        assertThat(Texture.CHUNKY.coatsBeforeSanding()).isEqualTo(3);
        assertThat(Texture.CHUNKY.word()).isEqualTo("chunky glitter");
    }

    /** ρ·g·h²/2η over the time it is fresh: half a film runs a quarter as far. */
    @Test
    void whatHangsRunsWithTheSquareOfItsFilm() {
        double whole = PourCheck.runsMm(REGULAR, 0.4, 22);
        assertThat(PourCheck.runsMm(REGULAR, 0.2, 22)).isCloseTo(whole / 4, within(1e-9));
        double seconds = REGULAR.freshHoursAt(22) * 3600;
        double byHand = REGULAR.mixDensityGPerMl()
                * 1000
                * 9.80665
                * 0.0004
                * 0.0004
                / (2 * REGULAR.viscosityPaSAt(22).orElseThrow())
                * seconds
                * 1000;
        assertThat(whole).isCloseTo(byHand, within(byHand * 1e-9));
        double stays = PourCheck.staysHungMm(REGULAR, 22);
        double ml = Film.volumeMl(stays, SLIM.area().coatedCm2());
        assertThat(PourCheck.against(SLIM, REGULAR, ml * 0.999, OptionalDouble.empty(), 22))
                .isEmpty();
        assertThat(PourCheck.against(SLIM, REGULAR, ml * 1.001, OptionalDouble.empty(), 22))
                .isPresent();
    }

    /** On a turner it holds to what that carries, and is close to it from nine tenths or so on. */
    @Test
    void whatATurnerCarriesIsAnEdge() {
        double carries = Carrier.spindle(6, 22).carriesMm(SLIM, REGULAR).orElseThrow();
        double ml = Film.volumeMl(carries, SLIM.area().coatedCm2());
        assertThat(TurnerCheck.of(SLIM, REGULAR, ml * 1.001, 6, 22)
                        .orElseThrow()
                        .verdict())
                .isEqualTo(TurnerCheck.Verdict.SAGS);
        assertThat(TurnerCheck.of(SLIM, REGULAR, ml * 0.999, 6, 22)
                        .orElseThrow()
                        .verdict())
                .isEqualTo(TurnerCheck.Verdict.CLOSE_TO_SAGGING);
        assertThat(TurnerCheck.of(SLIM, REGULAR, ml * 0.5, 6, 22).orElseThrow().verdict())
                .isEqualTo(TurnerCheck.Verdict.HOLDS);
        assertThat(PourCheck.against(SLIM, REGULAR, ml * 0.999, OptionalDouble.of(6), 22))
                .isEmpty();
        assertThat(PourCheck.against(SLIM, REGULAR, ml * 1.001, OptionalDouble.of(6), 22))
                .hasValueSatisfying(words -> assertThat(words).contains("sags"));
    }
}

package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A shop's settled cases move its weights, and its rates come with how sure they are. */
class LearnedTest {

    private static final Model MODEL = StartingModel.MODEL;

    /** Beta counts by hand: a start of 0.05 worth 40 cases, 8 of 20 of its own: (2 + 8)/(40 + 20). */
    @Test
    void settledCasesMoveAPriorAsBetaCountsDo() {
        List<Confirmed> cases = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            cases.add(new Confirmed(i < 8 ? "ratio-off" : "too-cold", Set.of("soft")));
        }
        Model learned = Learned.from(MODEL, cases);
        assertThat(learned.cause("ratio-off").orElseThrow().prior()).isCloseTo(10.0 / 60, within(1e-12));
        // Soft was shown in all 8: (0.85·12 + 8)/(12 + 8).
        assertThat(learned.cause("ratio-off").orElseThrow().shows("soft")).isCloseTo(0.9, within(0.011));
        assertThat(Learned.from(MODEL, List.of())).isEqualTo(MODEL);
    }

    /** A shop whose causes differ from the starting model's, by a seed. */
    private static Model hidden(Random random) {
        List<Cause> causes = new ArrayList<>();
        for (Cause cause : MODEL.causes()) {
            double prior = Math.min(0.5, cause.prior() * Math.exp(1.6 * random.nextGaussian()));
            Map<String, Double> shows = new HashMap<>(cause.shows());
            shows.replaceAll((sign, p) -> Math.max(0.02, Math.min(0.95, p + 0.25 * random.nextGaussian())));
            causes.add(new Cause(
                    cause.key(),
                    cause.words(),
                    Math.max(1e-3, prior),
                    cause.evidence(),
                    shows,
                    cause.helps(),
                    cause.forbids()));
        }
        return new Model(causes, MODEL.signs());
    }

    /** A faulty coat out of the hidden model: one cause by its prior, faults by what it shows; at least one. */
    private static Confirmed drawn(Model hidden, Random random) {
        while (true) {
            double all = hidden.causes().stream().mapToDouble(Cause::prior).sum();
            double at = random.nextDouble() * all;
            Cause cause = hidden.causes().get(0);
            for (Cause one : hidden.causes()) {
                cause = one;
                at -= one.prior();
                if (at <= 0) {
                    break;
                }
            }
            Set<String> faults = new HashSet<>();
            for (Blemish blemish : Blemish.values()) {
                if (random.nextDouble() < cause.shows(blemish.written())) {
                    faults.add(blemish.written());
                }
            }
            if (!faults.isEmpty()) {
                return new Confirmed(cause.key(), faults);
            }
        }
    }

    private static boolean isRight(Model model, Confirmed one) {
        List<Sighting> seen = one.faults().stream()
                .map(fault -> new Sighting(Blemish.named(fault).orElseThrow(), Zone.MIDDLE, Extent.SOME))
                .toList();
        Diagnosis diagnosis = Diagnosis.of(model, seen, Map.of(), Facts.NONE);
        return !diagnosis.held().isEmpty()
                && diagnosis.held().get(0).cause().key().equals(one.cause());
    }

    @Tag("simulation")
    @Test
    void afterTwoHundredSettledCasesTheLeadingCauseIsRightClearlyMoreOften() {
        int before = 0;
        int after = 0;
        int tried = 0;
        for (int shop = 0; shop < 6; shop++) {
            Random random = new Random(1300 + shop);
            Model hidden = hidden(random);
            List<Confirmed> cases = new ArrayList<>();
            for (int i = 0; i < 200; i++) {
                cases.add(drawn(hidden, random));
            }
            Model learned = Learned.from(MODEL, cases);
            for (int i = 0; i < 300; i++) {
                Confirmed next = drawn(hidden, random);
                tried++;
                before += isRight(MODEL, next) ? 1 : 0;
                after += isRight(learned, next) ? 1 : 0;
            }
        }
        assertThat(new Rate(before, tried).comparedTo(new Rate(after, tried)).low())
                .as("%d of %d before, %d after", before, tried, after)
                .isGreaterThan(0.08);
    }

    /** The 95 % interval of a rate holds the true one about 95 times in 100, whatever it is. */
    @Test
    void intervalsCover() {
        Random random = new Random(95);
        int held = 0;
        int all = 0;
        for (int trial = 0; trial < 2000; trial++) {
            double truth = 0.03 + 0.6 * random.nextDouble();
            int of = 5 + random.nextInt(60);
            int hits = (int) random.doubles(of).filter(p -> p < truth).count();
            Rate rate = new Rate(hits, of);
            held += rate.low() <= truth && truth <= rate.high() ? 1 : 0;
            all++;
        }
        assertThat(100.0 * held / all).isBetween(93.0, 97.5);
    }

    /**
     * Jeffreys' interval for 0 of 10 ends at 0.217, for 5 of 10 it is 0.224 to 0.776 (Brown, Cai and DasGupta 2001).
     */
    @Test
    void aRatesIntervalIsJeffreys() {
        assertThat(new Rate(0, 10).high()).isCloseTo(0.217, within(0.001));
        assertThat(new Rate(5, 10).low()).isCloseTo(0.224, within(0.001));
        assertThat(new Rate(5, 10).high()).isCloseTo(0.776, within(0.001));
        // The mean of a Beta distribution, a/(a + b), with a half more on each side.
        assertThat(new Rate(0, 10).mean()).isCloseTo(0.5 / 11, within(1e-12));
        assertThat(new Rate(3, 4).mean()).isCloseTo(3.5 / 5, within(1e-12));
        assertThatThrownBy(() -> new Rate(4, 3)).isInstanceOf(IllegalArgumentException.class);
    }

    /**
     * Nothing is claimed from few cups: 1 of 12 against 4 of 13 is not surely better, 10 of 120 against 40 of 130 is.
     */
    @Test
    void twoWaysAreComparedByTheirPosteriors() {
        Rate.Difference few = new Rate(1, 12).comparedTo(new Rate(4, 13));
        assertThat(few.isSure()).isFalse();
        assertThat(few.low()).isCloseTo(-0.08, within(0.03));
        assertThat(few.high()).isCloseTo(0.49, within(0.02));
        assertThat(new Rate(10, 120).comparedTo(new Rate(40, 130)).isSure()).isTrue();
        Rate.Difference other = new Rate(4, 13).comparedTo(new Rate(1, 12));
        assertThat(other.low()).isCloseTo(-few.high(), within(0.005));
    }

    @Test
    void aModelThatCannotBeWeighedIsRefusedWithEveryFaultNamed() {
        Cause wild = new Cause(
                "wild",
                "Wild",
                1e300,
                List.of(new Evidence(Fact.FILM_MM, 2, 1, 1e300, "")),
                Map.of("no-sign", 0.5),
                List.of(),
                Set.of());
        assertThatThrownBy(() -> new Model(List.of(wild, wild), List.of()))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(fault -> fault.field())
                        .contains(
                                "causes.wild",
                                "causes.wild.prior",
                                "causes.wild.shows",
                                "causes.wild.evidence.filmMm"));
    }
}

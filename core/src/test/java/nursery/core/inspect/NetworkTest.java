package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The program's sums against all joint states written out, and against Bayes by hand. */
class NetworkTest {

    private static double[] of(double... values) {
        return values;
    }

    /** One cause of 1 in 10 that shows a sign 8 times in 10, which is there 1 time in 10 anyway. By hand. */
    @Test
    void oneCauseAndOneSign() {
        Network network = new Network(of(0.1), List.of(of(0.8)), of(0.1), List.of());
        // 0.1·(1 − 0.9·0.2) = 0.082 with it, 0.9·0.1 = 0.09 without.
        assertThat(network.shares()[0]).isCloseTo(0.082 / 0.172, within(1e-12));
    }

    /** Two causes that may act together. By hand, over the four joint states. */
    @Test
    void twoCausesBehindOneSign() {
        Network network = new Network(of(0.2, 0.1), List.of(of(0.5, 0.9)), of(0.05), List.of());
        double all = 0.72 * 0.05 + 0.18 * 0.525 + 0.08 * 0.905 + 0.02 * 0.9525;
        assertThat(network.weight()).isCloseTo(all, within(1e-12));
        assertThat(network.shares()[0]).isCloseTo((0.18 * 0.525 + 0.02 * 0.9525) / all, within(1e-12));
        assertThat(network.shares()[1]).isCloseTo((0.08 * 0.905 + 0.02 * 0.9525) / all, within(1e-12));
    }

    /** Ten decibans for it, and a sign it shows half the time that is not there. By hand. */
    @Test
    void evidenceMovesTheOddsAndAnAbsentSignTheShare() {
        Cause cause = new Cause(
                "cold",
                "cold",
                0.05,
                List.of(new Evidence(Fact.AMBIENT_C, 0, 16, 10, "")),
                java.util.Map.of(),
                List.of(),
                java.util.Set.of());
        double given = cause.given(new Facts(java.util.Map.of(Fact.AMBIENT_C, 14.0)));
        assertThat(given).isCloseTo(10.0 / 29, within(1e-12));
        Network network = new Network(of(given), List.of(), of(), List.of(of(0.5)));
        assertThat(network.shares()[0]).isCloseTo(5.0 / 24, within(1e-12));
    }

    /** A network by chance, with a question. */
    private record Drawn(double[] priors, List<double[]> there, double[] leaks, List<double[]> absent, double[] asked) {
        static Drawn by(Random random) {
            int causes = 1 + random.nextInt(6);
            List<double[]> there = new ArrayList<>();
            List<double[]> absent = new ArrayList<>();
            for (int i = random.nextInt(4); i >= 0; i--) {
                there.add(chances(random, causes));
            }
            for (int i = random.nextInt(3); i > 0; i--) {
                absent.add(chances(random, causes));
            }
            return new Drawn(
                    random.doubles(causes, 0.01, 0.6).toArray(),
                    there,
                    random.doubles(there.size(), 0.01, 0.3).toArray(),
                    absent,
                    chances(random, causes));
        }

        private static double[] chances(Random random, int count) {
            return random.doubles(count, 0, 1).map(p -> p < 0.3 ? 0 : 0.95 * p).toArray();
        }

        Network network() {
            return new Network(priors, there, leaks, absent);
        }

        /** Each joint state's probability together with what was seen. */
        double[] joint() {
            double[] joint = new double[1 << priors.length];
            for (int state = 0; state < joint.length; state++) {
                double p = 1;
                for (int cause = 0; cause < priors.length; cause++) {
                    p *= acts(state, cause) ? priors[cause] : 1 - priors[cause];
                }
                for (int sign = 0; sign < there.size(); sign++) {
                    p *= 1 - (1 - leaks[sign]) * quiet(state, there.get(sign));
                }
                for (double[] sign : absent) {
                    p *= quiet(state, sign);
                }
                joint[state] = p;
            }
            return joint;
        }

        private static boolean acts(int state, int cause) {
            return (state >> cause & 1) == 1;
        }

        private static double quiet(int state, double[] sign) {
            double quiet = 1;
            for (int cause = 0; cause < sign.length; cause++) {
                quiet *= acts(state, cause) ? 1 - sign[cause] : 1;
            }
            return quiet;
        }
    }

    private static boolean[] all(int causes) {
        boolean[] all = new boolean[causes];
        java.util.Arrays.fill(all, true);
        return all;
    }

    private static double sum(double[] values) {
        return java.util.Arrays.stream(values).sum();
    }

    /** Shannon's entropy of weights that need not sum to one. */
    private static double bits(double[] weights) {
        double all = sum(weights);
        return java.util.Arrays.stream(weights)
                .filter(weight -> weight > 0)
                .map(weight -> -weight / all * Math.log(weight / all) / Math.log(2))
                .sum();
    }

    @Test
    void theSumsAreThoseOverAllJointStates() {
        Random random = new Random(13);
        for (int trial = 0; trial < 400; trial++) {
            Drawn drawn = Drawn.by(random);
            double[] joint = drawn.joint();
            double all = sum(joint);
            assertThat(drawn.network().weight()).isCloseTo(all, within(1e-12));
            double[] shares = drawn.network().shares();
            for (int cause = 0; cause < shares.length; cause++) {
                double with = 0;
                for (int state = 0; state < joint.length; state++) {
                    with += Drawn.acts(state, cause) ? joint[state] : 0;
                }
                assertThat(shares[cause]).isCloseTo(with / all, within(1e-10));
            }
        }
    }

    /** The entropy of the causes of interest that bear on the question now, less its mean; the others summed over. */
    @Test
    void whatAQuestionTellsOfSomeCausesLeavesTheOthersOut() {
        Random random = new Random(1988);
        for (int trial = 0; trial < 400; trial++) {
            Drawn drawn = Drawn.by(random);
            double leak = 0.01 + 0.3 * random.nextDouble();
            boolean[] ofInterest = new boolean[drawn.priors().length];
            int kept = 0;
            for (int cause = 0; cause < ofInterest.length; cause++) {
                ofInterest[cause] = random.nextBoolean();
                kept |= ofInterest[cause] && drawn.asked()[cause] > 0 ? 1 << cause : 0;
            }
            double[] joint = drawn.joint();
            double[] now = new double[joint.length];
            double[] yes = new double[joint.length];
            double[] no = new double[joint.length];
            for (int state = 0; state < joint.length; state++) {
                double there = 1 - (1 - leak) * Drawn.quiet(state, drawn.asked());
                now[state & kept] += joint[state];
                yes[state & kept] += joint[state] * there;
                no[state & kept] += joint[state] * (1 - there);
            }
            double all = sum(joint);
            double expected = bits(now) - sum(yes) / all * bits(yes) - sum(no) / all * bits(no);
            assertThat(drawn.network().informationBits(drawn.asked(), leak, ofInterest))
                    .isCloseTo(expected, within(1e-9));
        }
    }

    /** Lindley 1956: the entropy of all joint states now, less its mean after the answer. */
    @Test
    void whatAQuestionTellsIsTheEntropyItTakesAway() {
        Random random = new Random(1956);
        for (int trial = 0; trial < 400; trial++) {
            Drawn drawn = Drawn.by(random);
            double leak = 0.01 + 0.3 * random.nextDouble();
            double[] joint = drawn.joint();
            double[] yes = new double[joint.length];
            double[] no = new double[joint.length];
            for (int state = 0; state < joint.length; state++) {
                double there = 1 - (1 - leak) * Drawn.quiet(state, drawn.asked());
                yes[state] = joint[state] * there;
                no[state] = joint[state] * (1 - there);
            }
            double all = sum(joint);
            double expected = bits(joint) - sum(yes) / all * bits(yes) - sum(no) / all * bits(no);
            assertThat(drawn.network().informationBits(drawn.asked(), leak, all(drawn.priors().length)))
                    .isCloseTo(expected, within(1e-9));
        }
    }
}

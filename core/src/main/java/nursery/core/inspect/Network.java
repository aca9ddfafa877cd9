package nursery.core.inspect;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Causes that may act together, and the signs they bring about: a sign is missing only if neither chance nor any acting
 * cause brings it about, P = 1 − (1 − leak)·Π(1 − p) (noisy-OR, Pearl 1988).
 *
 * <p>Weights are summed exactly over all joint states of the causes, one cause after the other, keeping apart only
 * which of the signs that are there have been brought about so far. All terms are positive, so nothing cancels. With k
 * signs there the work grows as 2^k, with the causes only in proportion.
 */
final class Network {

    /** What a cause is held to while the others are summed over. */
    enum Held {
        OPEN,
        ABSENT,
        ACTING
    }

    private final double[] priors;
    private final double[][] there;
    private final double[] thereLeak;
    private final double[] missing;
    /** Whether a cause brings about any of the signs that are there. */
    private final boolean[] bears;

    /**
     * @param priors of each cause
     * @param there for each sign that is there, how likely each cause brings it about
     * @param thereLeak how likely chance does
     * @param absent the same for each sign that was looked for and is not there
     */
    Network(double[] priors, List<double[]> there, double[] thereLeak, List<double[]> absent) {
        this.priors = priors.clone();
        this.there = there.toArray(new double[0][]);
        this.thereLeak = thereLeak.clone();
        this.missing = new double[priors.length];
        Arrays.fill(missing, 1);
        this.bears = new boolean[priors.length];
        for (double[] sign : this.there) {
            for (int cause = 0; cause < priors.length; cause++) {
                bears[cause] |= sign[cause] > 0;
            }
        }
        for (double[] sign : absent) {
            for (int cause = 0; cause < priors.length; cause++) {
                missing[cause] *= 1 - sign[cause];
            }
        }
    }

    private Network(double[] priors, double[][] there, double[] thereLeak, double[] missing, boolean[] bears) {
        this.priors = priors;
        this.there = there;
        this.thereLeak = thereLeak;
        this.missing = missing;
        this.bears = bears;
    }

    /** The probability of what was seen together with what is held; chance not making absent signs is left out. */
    double weight(Held[] held) {
        double[] made = new double[1 << there.length];
        made[0] = 1;
        for (int sign = 0; sign < there.length; sign++) {
            spread(made, sign, thereLeak[sign]);
        }
        double factor = 1;
        for (int cause = 0; cause < priors.length; cause++) {
            double off = held[cause] == Held.ACTING ? 0 : 1 - priors[cause];
            double on = held[cause] == Held.ABSENT ? 0 : priors[cause] * missing[cause];
            if (!bears[cause] || on == 0) {
                // Whether it acts or not changes nothing about what is there.
                factor *= off + on;
                continue;
            }
            double[] acting = made.clone();
            for (int sign = 0; sign < there.length; sign++) {
                spread(acting, sign, there[sign][cause]);
            }
            for (int state = 0; state < made.length; state++) {
                made[state] = off * made[state] + on * acting[state];
            }
        }
        return factor * made[made.length - 1];
    }

    private static void spread(double[] made, int sign, double probability) {
        if (probability == 0) {
            return;
        }
        int bit = 1 << sign;
        for (int state = 0; state < made.length; state++) {
            if ((state & bit) == 0) {
                made[state | bit] += made[state] * probability;
                made[state] *= 1 - probability;
            }
        }
    }

    double weight() {
        return weight(open());
    }

    Held[] open() {
        Held[] held = new Held[priors.length];
        Arrays.fill(held, Held.OPEN);
        return held;
    }

    /** How likely each cause acts, by what was seen. */
    double[] shares() {
        return shares(IntStream.range(0, priors.length).toArray());
    }

    /** How likely some causes act, in the order they are named. */
    double[] shares(int[] causes) {
        double all = weight();
        double[] shares = new double[causes.length];
        for (int i = 0; i < causes.length; i++) {
            Held[] held = open();
            held[causes[i]] = Held.ACTING;
            shares[i] = weight(held) / all;
        }
        return shares;
    }

    /** This with one more sign that was looked for and is there. */
    Network with(double[] asked, double leak) {
        double[][] signs = Arrays.copyOf(there, there.length + 1);
        signs[there.length] = asked;
        double[] leaks = Arrays.copyOf(thereLeak, thereLeak.length + 1);
        leaks[there.length] = leak;
        boolean[] bearing = bears.clone();
        for (int cause = 0; cause < asked.length; cause++) {
            bearing[cause] |= asked[cause] > 0;
        }
        return new Network(priors, signs, leaks, missing, bearing);
    }

    /** This with one more sign that was looked for and is not there. */
    Network without(double[] asked) {
        double[] still = missing.clone();
        for (int cause = 0; cause < asked.length; cause++) {
            still[cause] *= 1 - asked[cause];
        }
        return new Network(priors, there, thereLeak, still, bears);
    }

    /**
     * What the answer to a question is expected to tell of the causes that are of interest, in bits: their entropy now
     * less its mean after the answer (Lindley 1956). Only those that bear on the question matter for it; the others
     * that bear on it are summed over.
     *
     * @param asked how likely each cause makes the answer a yes
     * @param leak how likely chance does
     * @param ofInterest which causes can be behind what is seen
     */
    double informationBits(double[] asked, double leak, boolean[] ofInterest) {
        int[] bearing = IntStream.range(0, priors.length)
                .filter(cause -> asked[cause] > 0 && ofInterest[cause])
                .toArray();
        Network not = without(asked);
        double all = weight();
        double yes = 0;
        double after = 0;
        for (int state = 0; state < 1 << bearing.length; state++) {
            Held[] held = open();
            for (int i = 0; i < bearing.length; i++) {
                held[bearing[i]] = (state >> i & 1) == 1 ? Held.ACTING : Held.ABSENT;
            }
            double weight = weight(held);
            if (weight > 0) {
                double no = (1 - leak) * not.weight(held) / weight;
                double share = weight / all;
                yes += share * (1 - no);
                after += share * entropyBits(1 - no);
            }
        }
        return Math.max(0, entropyBits(yes) - after);
    }

    static double entropyBits(double probability) {
        return plogp(probability) + plogp(1 - probability);
    }

    private static double plogp(double p) {
        return p <= 0 ? 0 : -p * Math.log(p) / Math.log(2);
    }
}

package nursery.core.inspect;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nursery.core.log.Blemish;

/**
 * A model moved by a shop's own settled cases. Each chance is the mean of a Beta distribution: the starting weight
 * counts as {@link #PRIOR_CASES} or {@link #SHOWS_CASES} cases, each settled one as one (conjugate counts, Beta on a
 * proportion).
 */
public final class Learned {

    /** How many cases of its own outweigh what a model said to begin with of how often a cause occurs; from memory. */
    static final double PRIOR_CASES = 40;
    /** The same for how often a cause shows a fault. */
    static final double SHOWS_CASES = 12;

    private static final double LEAST = 1e-4;
    private static final double MOST = 0.9;

    private Learned() {}

    public static Model from(Model start, List<Confirmed> cases) {
        List<Cause> causes =
                start.causes().stream().map(cause -> moved(cause, cases)).toList();
        return new Model(causes, start.signs());
    }

    private static Cause moved(Cause cause, List<Confirmed> cases) {
        List<Confirmed> own =
                cases.stream().filter(one -> one.cause().equals(cause.key())).toList();
        Map<String, Double> shows = new HashMap<>(cause.shows());
        for (Blemish blemish : own.isEmpty() ? new Blemish[0] : Blemish.values()) {
            String fault = blemish.written();
            long seen = own.stream().filter(one -> one.faults().contains(fault)).count();
            if (seen > 0 || cause.shows(fault) > 0) {
                shows.put(fault, Math.min(MOST, mean(cause.shows(fault), SHOWS_CASES, seen, own.size())));
            }
        }
        double prior = mean(cause.prior(), PRIOR_CASES, own.size(), cases.size());
        return new Cause(
                cause.key(),
                cause.words(),
                Math.max(LEAST, Math.min(MOST, prior)),
                cause.evidence(),
                shows,
                cause.helps(),
                cause.forbids(),
                cause.own());
    }

    private static double mean(double start, double weight, double hits, double of) {
        return (start * weight + hits) / (weight + of);
    }
}

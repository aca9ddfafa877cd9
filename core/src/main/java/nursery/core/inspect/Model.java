package nursery.core.inspect;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.core.measure.Faults;

/**
 * What can go wrong and how it shows.
 *
 * @param causes what may be behind a fault
 * @param signs what can be seen and asked
 */
public record Model(List<Cause> causes, List<Sign> signs) {

    public static final int MOST_CAUSES = 200;
    /** A chance of nought or one could never be moved by anything seen. */
    private static final double LEAST = 1e-4;

    private static final double MOST = 0.999;
    /** More causes than this behind one sign, and its question cannot be weighed. */
    private static final int MOST_BEARING = 16;

    public Model {
        causes = List.copyOf(causes);
        signs = List.copyOf(signs);
        Faults faults = new Faults();
        faults.require(
                !causes.isEmpty() && causes.size() <= MOST_CAUSES,
                "causes",
                "A model has %d causes: from 1 to %d can be weighed.".formatted(causes.size(), MOST_CAUSES));
        Set<String> known = new HashSet<>();
        for (Sign sign : signs) {
            String at = "signs." + sign.key();
            faults.require(known.add(sign.key()), at, "The sign %s stands there twice.".formatted(sign.key()));
            chance(faults, at + ".leak", sign.leak(), LEAST, 0.9);
        }
        Set<String> names = new HashSet<>();
        for (Cause cause : causes) {
            String at = "causes." + cause.key();
            faults.require(names.add(cause.key()), at, "The cause %s stands there twice.".formatted(cause.key()));
            chance(faults, at + ".prior", cause.prior(), LEAST, 0.9);
            for (Map.Entry<String, Double> shown : cause.shows().entrySet()) {
                faults.require(
                        known.contains(shown.getKey()),
                        at + ".shows",
                        "%s is no sign this model knows.".formatted(shown.getKey()));
                chance(faults, at + ".shows." + shown.getKey(), shown.getValue(), 0, MOST);
            }
            for (Evidence evidence : cause.evidence()) {
                String band = at + ".evidence." + evidence.fact().key();
                faults.require(evidence.from() < evidence.below(), band, "A band ends where it begins, or before.");
                faults.require(
                        Math.abs(evidence.decibans()) <= Evidence.MOST_DECIBANS,
                        band,
                        "%s decibans: from −%s to %s can be weighed."
                                .formatted(evidence.decibans(), Evidence.MOST_DECIBANS, Evidence.MOST_DECIBANS));
            }
        }
        for (Sign sign : signs) {
            long bearing =
                    causes.stream().filter(cause -> cause.shows(sign.key()) > 0).count();
            faults.require(
                    !sign.isAsked() || bearing <= MOST_BEARING,
                    "signs." + sign.key(),
                    "%d causes bear on this question: at most %d can be weighed.".formatted(bearing, MOST_BEARING));
        }
        faults.throwIfAny();
    }

    private static void chance(Faults faults, String field, double value, double least, double most) {
        faults.require(
                value >= least && value <= most,
                field,
                "%s is no chance that can be weighed: from %s to %s.".formatted(value, least, most));
    }

    public Optional<Sign> sign(String key) {
        return signs.stream().filter(sign -> sign.key().equals(key)).findFirst();
    }

    public Optional<Cause> cause(String key) {
        return causes.stream().filter(cause -> cause.key().equals(key)).findFirst();
    }

    /** How likely each cause brings a sign about. */
    double[] bearing(Sign sign) {
        return causes.stream().mapToDouble(cause -> cause.shows(sign.key())).toArray();
    }
}

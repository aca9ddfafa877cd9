package nursery.core.inspect;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Something that goes wrong.
 *
 * @param prior how often it is behind a faulty coat, nothing else being known
 * @param evidence what facts say for or against it
 * @param shows how likely it alone brings each sign about, by the sign's key
 * @param helps what can be done, best first
 * @param forbids what must not be done while it may be the cause
 * @param own what a shop itself does about it
 */
public record Cause(
        String key,
        String words,
        double prior,
        List<Evidence> evidence,
        Map<String, Double> shows,
        List<Remedy> helps,
        Set<Remedy> forbids,
        Optional<OwnRemedy> own) {

    /** A cause with none but the remedies of practice. */
    public Cause(
            String key,
            String words,
            double prior,
            List<Evidence> evidence,
            Map<String, Double> shows,
            List<Remedy> helps,
            Set<Remedy> forbids) {
        this(key, words, prior, evidence, shows, helps, forbids, Optional.empty());
    }

    public Cause {
        evidence = List.copyOf(evidence);
        shows = Map.copyOf(shows);
        helps = List.copyOf(helps);
        forbids = Set.copyOf(forbids);
    }

    /** A shop's own way of coating over it is forbidden where practice forbids any. */
    boolean forbids(Treatment remedy) {
        return remedy instanceof OwnRemedy
                ? remedy.coversUp() && forbids.stream().anyMatch(Remedy::coversUp)
                : forbids.stream().anyMatch(remedy::equals);
    }

    double shows(String sign) {
        return shows.getOrDefault(sign, 0.0);
    }

    /** How likely it is by what is known of the coat, before anything that is seen counts. */
    double given(Facts facts) {
        double decibans = evidence.stream()
                .filter(one -> one.speaks(facts))
                .mapToDouble(Evidence::decibans)
                .sum();
        double odds = prior / (1 - prior) * Math.pow(10, decibans / 10);
        return odds / (1 + odds);
    }
}

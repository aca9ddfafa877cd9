package nursery.core.resin;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * Something stirred into part of a share: 5 ml of a wave's 20 tinted white (P7), glow powder in a whole coat. A share
 * may have several: glitter in the clear, white in what is set aside.
 *
 * @param ml how much of the share it is stirred into
 * @param what the tint, glow or glitter
 */
public record Addition(double ml, String what) {

    /** More colour or powder than this in a mix can keep it from curing; from memory, the maker of the tint decides. */
    public static final double MOST_PERCENT = 5;

    /** Nobody splits a share further. */
    public static final int MOST = 3;

    private static final double ROUNDING_ML = 1e-6;

    /**
     * What a maker asks for.
     *
     * @param ml how much is set aside for it; empty for what is not set aside for anything else
     */
    public record Asked(OptionalDouble ml, String what) {}

    /**
     * What each is stirred into: what is set aside for it, or what stays of the share.
     *
     * @param field the input to blame
     * @throws nursery.core.measure.InvalidInput if more is set aside than there is
     */
    public static List<Addition> of(String field, double shareMl, List<Asked> asked) {
        double asideMl = asked.stream().mapToDouble(one -> one.ml().orElse(0)).sum();
        if (asked.size() > 1) {
            Faults faults = new Faults();
            faults.require(
                    !(asideMl > shareMl + ROUNDING_ML),
                    field,
                    "%s ml set aside together are more than the share of %s ml."
                            .formatted(Numbers.show(asideMl, 2), Numbers.show(shareMl)));
            faults.throwIfAny();
        }
        double staysMl = shareMl - asideMl;
        return asked.stream()
                .map(one -> new Addition(one.ml().orElse(staysMl), one.what()))
                .toList();
    }

    /** @param field the input to blame */
    static void check(Faults faults, String field, String cup, List<Addition> additions, double shareMl) {
        for (Addition addition : additions) {
            faults.require(
                    addition.ml() > ROUNDING_ML && addition.ml() <= shareMl,
                    field,
                    "%s: %s ml cannot be set aside out of a share of %s ml: more than 0, at most all of it."
                            .formatted(cup, Numbers.show(addition.ml(), 2), Numbers.show(shareMl)));
            faults.require(
                    !addition.what().isBlank(),
                    field,
                    "%s: say what is stirred into the %s ml set aside.".formatted(cup, Numbers.show(addition.ml(), 2)));
        }
    }

    public boolean isWhole(double shareMl) {
        return ml >= shareMl;
    }

    /** What is stirred into a share, in a sentence; empty if nothing is. */
    public static String words(List<Addition> additions, double shareMl) {
        if (additions.isEmpty()) {
            return "";
        }
        if (additions.stream().allMatch(addition -> addition.isWhole(shareMl))) {
            return "Stirred in: %s."
                    .formatted(additions.stream().map(Addition::what).collect(Collectors.joining(", ")));
        }
        return additions.stream()
                .map(addition -> "%s ml of it with %s".formatted(Numbers.show(addition.ml(), 1), addition.what()))
                .collect(Collectors.joining(", ", "", " stirred in."));
    }
}

package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import nursery.core.resin.Label;
import org.hipparchus.special.Erf;

/**
 * What touch tests say about a resin in this shop: how much faster than its label it cures, and how strongly warmth
 * speeds it.
 *
 * <p>Model: a coat passes a label's threshold {@code L} at an equivalent age {@code A} with {@code ln A = ln L − b − c
 * + e}: {@code b = ln speed} is the resin's, {@code c} what this one coat has of its own (its mix, its film, its corner
 * of the room), the same for all touches on it, and {@code e} the touch's own. A touch at a known age brackets
 * {@code A}: it is an interval-censored observation (Turnbull, J. R. Stat. Soc. B 38, 1976). So that one odd touch
 * cannot swing it, each is taken to be a slip with a small probability.
 *
 * <p>The label is the prior: {@code b} normal about 0, the activation energy about the label's own; every width is from
 * memory. Method: the posterior summed over a grid of {@code b} and the activation energy, with {@code c} summed out
 * coat by coat; nothing is taken to be normal, and there is no search that could fail. Intervals are the posterior's
 * own quantiles.
 *
 * @param speed how much faster than the label: the posterior's median
 * @param speedLow the lower end of its 95 % interval
 * @param speedHigh the upper end
 * @param activationKjPerMol how strongly warmth speeds it
 * @param activationSpread half the width of its 95 % interval, kJ/mol
 * @param observations how many touches it rests on
 * @param slips how many of them were taken to be slips
 */
public record Calibration(
        double speed,
        double speedLow,
        double speedHigh,
        double activationKjPerMol,
        double activationSpread,
        int observations,
        int slips) {

    /** How much thresholds differ from coat to coat, as a standard deviation of the logarithm. */
    static final double COAT_SPREAD = 0.15;
    /** The same from touch to touch on one coat: a finger is no instrument, and notes are made late. */
    static final double TOUCH_SPREAD = 0.06;

    /**
     * How far a resin nobody touched here may be from its label, as a standard deviation of the logarithm; from memory.
     */
    private static final double LABEL_SPREAD = 0.2;
    /**
     * What one touch tells of a resin is off by so much: the coat's own way, the finger's, the clock's; from memory.
     */
    private static final double OF_A_TOUCH = 0.25;

    private static final double PRIOR_SPEED = 0.6;
    private static final double PRIOR_ACTIVATION = 12;
    private static final double SLIP = 0.03;
    /** One note in three is made late, by so long. */
    private static final double LATE = 1 / 3.0;

    private static final Duration NOTED_LATE = Duration.ofMinutes(20);

    /** Five times slower or faster than its label nothing is the same resin any more. */
    private static final double MOST_LOG_SPEED = Math.log(5);

    private static final int SPEEDS = 161;
    private static final int ACTIVATIONS = 25;
    private static final double ACTIVATION_REACH = 3;
    private static final double LEAST_ACTIVATION = 5;
    private static final double MOST_ACTIVATION = 150;
    private static final double SPEED_STEP = 2 * MOST_LOG_SPEED / (SPEEDS - 1);
    /**
     * What a coat has of its own, in steps of the speeds, up to 2.8 standard deviations to either side: a speed with an
     * offset is then another speed of the same grid, and is worked out once.
     */
    private static final int[] COAT_STEPS = {-21, -18, -15, -12, -9, -6, -3, 0, 3, 6, 9, 12, 15, 18, 21};

    private static final int FARTHEST_STEP = COAT_STEPS[COAT_STEPS.length - 1];
    private static final double[] COAT_WEIGHTS = Arrays.stream(COAT_STEPS)
            .mapToDouble(step -> step * SPEED_STEP / COAT_SPREAD)
            .map(z -> Math.exp(-z * z / 2))
            .toArray();
    private static final double YOUNGEST_H = 1e-3;
    private static final double TAIL = 0.025;

    /**
     * A touch on a coat.
     *
     * @param room the room between the two moments
     * @param coat which coat it was on: touches on one coat share what that coat has of its own
     */
    public record Observation(RoomCourse room, long coat, Instant pouredAt, Instant at, Touch touch) {

        /** Keeps only the room between the two moments. */
        public static Observation of(RoomCourse room, long coat, Instant pouredAt, Instant at, Touch touch) {
            return new Observation(room.between(pouredAt, at), coat, pouredAt, at, touch);
        }

        /** How old the coat was as it is noted, and a little before: notes are made after the touch, not before it. */
        Ages ages(CureClock clock) {
            Instant sooner = at.minus(NOTED_LATE);
            return new Ages(logAge(clock, at), logAge(clock, sooner.isBefore(pouredAt) ? pouredAt : sooner));
        }

        private double logAge(CureClock clock, Instant moment) {
            return Math.log(Math.max(YOUNGEST_H, clock.equivalentAgeHours(room, pouredAt, moment)));
        }
    }

    /** Logarithms of a coat's age when a touch was noted, and when it may have been made. */
    private record Ages(double noted, double sooner) {}

    /** A touch as the grid needs it: the logarithms of its interval's ends. */
    private record Bracket(double logFrom, double logUntil) {
        static Bracket of(Touch touch, Label label) {
            double fromH = touch.fromH(label.times());
            return new Bracket(
                    fromH > 0 ? Math.log(fromH) : Double.NEGATIVE_INFINITY, Math.log(touch.untilH(label.times())));
        }

        /** The probability of the touch on a coat of these ages that is faster than its label by this much. */
        double likelihood(Ages ages, double logSpeed) {
            double inside = inside(ages.noted() + logSpeed) * (1 - LATE) + inside(ages.sooner() + logSpeed) * LATE;
            return (1 - SLIP) * inside + SLIP / 2;
        }

        private double inside(double logAge) {
            double passed = Normal.below((logAge - logFrom) / TOUCH_SPREAD);
            double past = Normal.below((logAge - logUntil) / TOUCH_SPREAD);
            return Math.max(0, passed - past);
        }
    }

    /** @param label as printed, before anything was learned */
    public static Calibration of(Label label, List<Observation> observations) {
        Map<Long, List<Observation>> byCoat = new LinkedHashMap<>();
        observations.forEach(one ->
                byCoat.computeIfAbsent(one.coat(), coat -> new ArrayList<>()).add(one));
        double[] speeds = even(-MOST_LOG_SPEED, MOST_LOG_SPEED, SPEEDS);
        double middle = Math.max(LEAST_ACTIVATION, Math.min(MOST_ACTIVATION, label.activationKjPerMol()));
        double[] activations = even(
                Math.max(LEAST_ACTIVATION, middle - ACTIVATION_REACH * PRIOR_ACTIVATION),
                Math.min(MOST_ACTIVATION, middle + ACTIVATION_REACH * PRIOR_ACTIVATION),
                ACTIVATIONS);
        double[][] logPosterior = new double[ACTIVATIONS][SPEEDS];
        // Each row stands by itself, and there are as many sums as touches a hundred thousand times over.
        IntStream.range(0, ACTIVATIONS).parallel().forEach(a -> {
            CureClock clock = new CureClock(label.referenceC(), activations[a]);
            double off = (activations[a] - middle) / PRIOR_ACTIVATION;
            for (int s = 0; s < SPEEDS; s++) {
                double b = speeds[s] / PRIOR_SPEED;
                logPosterior[a][s] = -(off * off + b * b) / 2;
            }
            for (Collection<Observation> coat : byCoat.values()) {
                addCoat(logPosterior[a], label, clock, coat);
            }
        });
        double[] bySpeed = new double[SPEEDS];
        double[] byActivation = new double[ACTIVATIONS];
        marginals(logPosterior, bySpeed, byActivation);
        double b = quantile(speeds, bySpeed, 0.5);
        double activation = quantile(activations, byActivation, 0.5);
        return new Calibration(
                Math.exp(b),
                Math.exp(quantile(speeds, bySpeed, TAIL)),
                Math.exp(quantile(speeds, bySpeed, 1 - TAIL)),
                activation,
                (quantile(activations, byActivation, 1 - TAIL) - quantile(activations, byActivation, TAIL)) / 2,
                observations.size(),
                slips(label, new CureClock(label.referenceC(), activation), byCoat.values(), b));
    }

    /** Whether it says more than the label does: the interval of the speed leaves 1 out. */
    public boolean differsFromTheLabel() {
        return speedLow > 1 || speedHigh < 1;
    }

    public Label applyTo(Label label) {
        return label.found(speed, activationKjPerMol);
    }

    /** Adds what one coat's touches say at every speed, what the coat has of its own summed out. */
    private static void addCoat(double[] logPosterior, Label label, CureClock clock, Collection<Observation> touches) {
        Ages[] ages = ages(clock, touches);
        Bracket[] brackets = brackets(label, touches);
        double[] together = new double[SPEEDS + 2 * FARTHEST_STEP];
        for (int k = 0; k < together.length; k++) {
            double logSpeed = -MOST_LOG_SPEED + (k - FARTHEST_STEP) * SPEED_STEP;
            together[k] = 1;
            for (int i = 0; i < ages.length; i++) {
                together[k] *= brackets[i].likelihood(ages[i], logSpeed);
            }
        }
        for (int s = 0; s < SPEEDS; s++) {
            double sum = 0;
            for (int node = 0; node < COAT_STEPS.length; node++) {
                sum += COAT_WEIGHTS[node] * together[s + FARTHEST_STEP + COAT_STEPS[node]];
            }
            logPosterior[s] += Math.log(Math.max(Double.MIN_NORMAL, sum));
        }
    }

    /** Touches more likely a slip than not, on the coat as it most likely was. */
    private static int slips(
            Label label, CureClock clock, Collection<? extends Collection<Observation>> coats, double b) {
        int slips = 0;
        for (Collection<Observation> touches : coats) {
            Ages[] ages = ages(clock, touches);
            Bracket[] brackets = brackets(label, touches);
            double offset = likeliest(ages, brackets, b);
            for (int i = 0; i < ages.length; i++) {
                slips += brackets[i].likelihood(ages[i], b + offset) < SLIP ? 1 : 0;
            }
        }
        return slips;
    }

    private static double likeliest(Ages[] ages, Bracket[] brackets, double b) {
        double best = Double.NEGATIVE_INFINITY;
        double found = 0;
        for (int step : COAT_STEPS) {
            double offset = step * SPEED_STEP;
            double z = offset / COAT_SPREAD;
            double sum = -z * z / 2;
            for (int i = 0; i < ages.length; i++) {
                sum += Math.log(brackets[i].likelihood(ages[i], b + offset));
            }
            if (sum > best) {
                best = sum;
                found = offset;
            }
        }
        return found;
    }

    private static Ages[] ages(CureClock clock, Collection<Observation> touches) {
        return touches.stream().map(touch -> touch.ages(clock)).toArray(Ages[]::new);
    }

    private static Bracket[] brackets(Label label, Collection<Observation> touches) {
        return touches.stream().map(touch -> Bracket.of(touch.touch(), label)).toArray(Bracket[]::new);
    }

    private static void marginals(double[][] logPosterior, double[] bySpeed, double[] byActivation) {
        double most = Double.NEGATIVE_INFINITY;
        for (double[] row : logPosterior) {
            for (double value : row) {
                most = Math.max(most, value);
            }
        }
        for (int a = 0; a < byActivation.length; a++) {
            for (int s = 0; s < bySpeed.length; s++) {
                double weight = Math.exp(logPosterior[a][s] - most);
                bySpeed[s] += weight;
                byActivation[a] += weight;
            }
        }
    }

    /** Where the sum of the weights, each spread over its cell of the grid, reaches a share of the whole. */
    private static double quantile(double[] grid, double[] weights, double share) {
        double whole = 0;
        for (double weight : weights) {
            whole += weight;
        }
        double cell = grid[1] - grid[0];
        double sum = 0;
        for (int i = 0; i < grid.length; i++) {
            if (sum + weights[i] >= share * whole) {
                double within = weights[i] > 0 ? (share * whole - sum) / weights[i] : 0.5;
                return grid[i] + (within - 0.5) * cell;
            }
            sum += weights[i];
        }
        return grid[grid.length - 1];
    }

    /**
     * How far one coat may be from the speed its resin is taken to have: the standard deviation of the logarithm. What
     * a coat has of its own, and what is not known of the resin; the more it was touched here, the less.
     */
    public static double coatSpread(int touches) {
        double known = 1 / (LABEL_SPREAD * LABEL_SPREAD) + touches / (OF_A_TOUCH * OF_A_TOUCH);
        return Math.sqrt(COAT_SPREAD * COAT_SPREAD + 1 / known);
    }

    private static double[] even(double from, double to, int count) {
        double[] points = new double[count];
        for (int i = 0; i < count; i++) {
            points[i] = from + (to - from) * i / (count - 1);
        }
        return points;
    }

    /** The standard normal distribution, looked up: it is asked for millions of times. */
    private static final class Normal {

        private static final double REACH = 8;
        private static final int STEPS = 8192;
        private static final double[] TABLE = new double[STEPS + 2];

        static {
            for (int i = 0; i < TABLE.length; i++) {
                double z = -REACH + 2 * REACH * i / STEPS;
                TABLE[i] = 0.5 * Erf.erfc(-z / Math.sqrt(2));
            }
        }

        static double below(double z) {
            if (!(z > -REACH)) {
                return 0;
            }
            if (z >= REACH) {
                return 1;
            }
            double place = (z + REACH) * STEPS / (2 * REACH);
            int at = (int) place;
            return TABLE[at] + (TABLE[at + 1] - TABLE[at]) * (place - at);
        }
    }
}

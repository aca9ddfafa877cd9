package nursery.core.cure;

import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import nursery.core.resin.Label;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.PointValuePair;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;
import org.hipparchus.special.Erf;

/**
 * What touch tests say about a resin in this shop: how much faster than its label it cures, and how strongly warmth
 * speeds it.
 *
 * <p>Model: a coat passes a label's threshold {@code L} at an equivalent age {@code A} that is log-normal about
 * {@code L/speed}; the age itself depends on the activation energy and on the room the coat had. A touch at a known age
 * brackets {@code A}: it is an interval-censored observation, with the probability {@code Φ((ln a − ln from + b)/σ) −
 * Φ((ln a − ln until + b)/σ)}, {@code b = ln speed} (interval-censored likelihood: Turnbull, J. R. Stat. Soc. B 38,
 * 1976). So that one odd touch cannot swing it, each is taken to be a slip with a small probability.
 *
 * <p>The label is the prior: {@code b} normal about 0, the activation energy about the label's own; widths from memory.
 * Method: the posterior's maximum by the Nelder–Mead simplex of a general-purpose library, and its spread from the
 * curvature there (Laplace).
 *
 * @param speed how much faster than the label
 * @param speedLow the lower end of its 95 % interval
 * @param speedHigh the upper end
 * @param activationKjPerMol how strongly warmth speeds it
 * @param activationSpread half the width of its 95 % interval, kJ/mol
 * @param observations how many touches it rests on
 */
public record Calibration(
        double speed,
        double speedLow,
        double speedHigh,
        double activationKjPerMol,
        double activationSpread,
        int observations) {

    /** How much thresholds differ from coat to coat, as a standard deviation of the logarithm; from memory. */
    static final double COAT_SPREAD = 0.15;

    private static final double PRIOR_SPEED = 0.3;
    private static final double PRIOR_ACTIVATION = 12;
    private static final double SLIP = 0.04;
    /** Where every touch looks like a slip the posterior is flat, so the search begins in several places. */
    private static final double[] STARTS = {-0.8, -0.4, 0, 0.4, 0.8};

    private static final double NINETY_FIVE = 1.959964;
    private static final double STEP_SPEED = 1e-3;
    private static final double STEP_ACTIVATION = 0.1;
    private static final int MOST_EVALUATIONS = 4000;
    private static final double YOUNGEST_H = 1e-3;
    /** Beyond this nothing is a resin any more; it also keeps the search where numbers are sane. */
    private static final double MOST_ACTIVATION = 150;

    /** A touch on a coat: when it was poured, when it was touched, and the room in between. */
    public record Observation(RoomCourse room, Instant pouredAt, Instant at, Touch touch) {

        /** Keeps only the room between the two moments. */
        public static Observation of(RoomCourse room, Instant pouredAt, Instant at, Touch touch) {
            return new Observation(room.between(pouredAt, at), pouredAt, at, touch);
        }

        double ageH(CureClock clock) {
            return Math.max(YOUNGEST_H, clock.equivalentAgeHours(room, pouredAt, at));
        }
    }

    /** @param label as printed, before anything was learned */
    public static Calibration of(Label label, List<Observation> observations) {
        MultivariateFunction cost = point -> cost(label, observations, point[0], point[1]);
        double[] best = Arrays.stream(STARTS)
                .mapToObj(start -> minimum(cost, start, label.activationKjPerMol()))
                .min(Comparator.comparing(PointValuePair::getValue))
                .orElseThrow()
                .getPoint();
        double[][] spread = covariance(cost, best);
        double b = NINETY_FIVE * Math.sqrt(spread[0][0]);
        return new Calibration(
                Math.exp(best[0]),
                Math.exp(best[0] - b),
                Math.exp(best[0] + b),
                best[1],
                NINETY_FIVE * Math.sqrt(spread[1][1]),
                observations.size());
    }

    /** Whether it says more than the label does: the interval of the speed leaves 1 out. */
    public boolean differsFromTheLabel() {
        return speedLow > 1 || speedHigh < 1;
    }

    public Label applyTo(Label label) {
        return label.found(speed, activationKjPerMol);
    }

    private static PointValuePair minimum(MultivariateFunction cost, double start, double activation) {
        return new SimplexOptimizer(1e-10, 1e-10)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        new ObjectiveFunction(cost),
                        GoalType.MINIMIZE,
                        new InitialGuess(new double[] {start, activation}),
                        new NelderMeadSimplex(new double[] {0.1, 5}));
    }

    private static double cost(Label label, List<Observation> observations, double b, double activation) {
        if (!(activation > 0 && activation < MOST_ACTIVATION)) {
            return Double.MAX_VALUE / 2;
        }
        CureClock clock = new CureClock(label.referenceC(), activation);
        double sum = b * b / (2 * PRIOR_SPEED * PRIOR_SPEED)
                + Math.pow(activation - label.activationKjPerMol(), 2) / (2 * PRIOR_ACTIVATION * PRIOR_ACTIVATION);
        for (Observation observation : observations) {
            double age = Math.log(observation.ageH(clock)) + b;
            double fromH = observation.touch().fromH(label.times());
            double untilH = observation.touch().untilH(label.times());
            double passed = fromH > 0 ? normal((age - Math.log(fromH)) / COAT_SPREAD) : 1;
            double past = Double.isInfinite(untilH) ? 0 : normal((age - Math.log(untilH)) / COAT_SPREAD);
            sum -= Math.log((1 - SLIP) * Math.max(0, passed - past) + SLIP / 2);
        }
        return sum;
    }

    private static double normal(double z) {
        return 0.5 * Erf.erfc(-z / Math.sqrt(2));
    }

    /** The inverse of the curvature at the best point; where it is flat the prior is all there is. */
    private static double[][] covariance(MultivariateFunction cost, double[] at) {
        double[] step = {STEP_SPEED * 10, STEP_ACTIVATION * 5};
        double middle = cost.value(at);
        double[] curvature = new double[2];
        for (int i = 0; i < 2; i++) {
            curvature[i] =
                    (shifted(cost, at, i, step[i]) - 2 * middle + shifted(cost, at, i, -step[i])) / (step[i] * step[i]);
        }
        double[] both = {at[0] + step[0], at[1] + step[1]};
        double[] neither = {at[0] - step[0], at[1] - step[1]};
        double[] one = {at[0] + step[0], at[1] - step[1]};
        double[] other = {at[0] - step[0], at[1] + step[1]};
        double mixed = (cost.value(both) - cost.value(one) - cost.value(other) + cost.value(neither))
                / (4 * step[0] * step[1]);
        double flatSpeed = 1 / (PRIOR_SPEED * PRIOR_SPEED);
        double flatActivation = 1 / (PRIOR_ACTIVATION * PRIOR_ACTIVATION);
        double a = Math.max(curvature[0], flatSpeed);
        double d = Math.max(curvature[1], flatActivation);
        double determinant = a * d - mixed * mixed;
        if (!(determinant > 0)) {
            return new double[][] {{1 / a, 0}, {0, 1 / d}};
        }
        return new double[][] {{d / determinant, -mixed / determinant}, {-mixed / determinant, a / determinant}};
    }

    private static double shifted(MultivariateFunction cost, double[] at, int which, double by) {
        double[] point = at.clone();
        point[which] += by;
        return cost.value(point);
    }
}
